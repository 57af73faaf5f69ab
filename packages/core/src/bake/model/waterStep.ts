import type { Column } from './column';
import { LATENT_INSIDE_J_KG } from './constants';
import { ROW, placeOf, tabled } from './tables';
import { solveTridiagonal } from './tridiagonal';

/** Liquid diffusion falls off below this much water per dry matter. */
const HALF_WATER = 0.05;
const DRIEST = 1e-4;

/** How freely liquid moves across each link at given temperatures, kg/m²s for a difference of X. */
export function updateLiquidLinks(column: Column, temps: Float64Array): void {
  const { cells, widthM, model, water, diffusivity, liquidLink } = column;
  const dry = column.dough.dryKgM3;
  for (let i = 0; i < cells; i += 1) {
    const x = water[i]!;
    diffusivity[i] =
      (model.liquidDiffusivity * tabled(placeOf(temps[i]!), ROW.diffusion) * x) / (x + HALF_WATER);
  }
  for (let i = 0; i < cells - 1; i += 1) {
    const d1 = diffusivity[i]!;
    const d2 = diffusivity[i + 1]!;
    liquidLink[i] = (2 * dry * d1 * d2) / (widthM[i]! * d2 + widthM[i + 1]! * d1);
  }
}

/**
 * One implicit step of the water balance, with the new temperatures; `dryingA` and `dryingB` leave through the faces.
 * The latent heat of the vapour that moisture alone drives is carried into the next heat step: this keeps the energy
 * ledger closed, and applying it at once is unstable.
 */
export function waterStep(column: Column, stepS: number, dryingA: number, dryingB: number): void {
  const { cells, widthM, tempC, nextC, water, boiling, condensing } = column;
  const { vapourLink, vapourPa, vapourPerC, vapourPerWater, waterFlux, liquidLink, system, solved } = column;
  const { lower, diagonal, upper, right } = system;
  const dry = column.dough.dryKgM3;
  const perStep = dry / stepS;
  const last = cells - 1;
  updateLiquidLinks(column, nextC);
  for (let i = 0; i < cells; i += 1) {
    const x = water[i]!;
    const storage = perStep * widthM[i]!;
    diagonal[i] = storage;
    right[i] = storage * x - (boiling[i]! - condensing[i]!) * widthM[i]!;
  }
  for (let i = 0; i < last; i += 1) {
    const j = i + 1;
    const liquid = liquidLink[i]!;
    const vapour = vapourLink[i]!;
    const here = liquid + vapour * vapourPerWater[i]!;
    const there = liquid + vapour * vapourPerWater[j]!;
    const moved =
      vapour *
      (vapourPa[i]! +
        vapourPerC[i]! * (nextC[i]! - tempC[i]!) -
        vapourPerWater[i]! * water[i]! -
        vapourPa[j]! -
        vapourPerC[j]! * (nextC[j]! - tempC[j]!) +
        vapourPerWater[j]! * water[j]!);
    diagonal[i]! += here;
    upper[i] = -there;
    right[i]! -= moved;
    diagonal[j]! += there;
    lower[j] = -here;
    right[j]! += moved;
    waterFlux[i] = moved;
  }
  right[0]! -= dryingA;
  right[last]! -= dryingB;
  solveTridiagonal(system, solved);
  carryOver(column, stepS);
  for (let i = 0; i < cells; i += 1) water[i] = solved[i]! > DRIEST ? solved[i]! : DRIEST;
}

/** The water that moved, and the latent heat of the part that moisture alone drove. */
function carryOver(column: Column, stepS: number): void {
  const { cells, vapourLink, vapourPerWater, waterFlux, carriedJ, liquidLink, water, solved } = column;
  for (let i = 0; i < cells - 1; i += 1) {
    const j = i + 1;
    const vapour = vapourLink[i]!;
    const liquid = liquidLink[i]!;
    const here = vapour * vapourPerWater[i]!;
    const there = vapour * vapourPerWater[j]!;
    waterFlux[i]! += (liquid + here) * solved[i]! - (liquid + there) * solved[j]!;
    carriedJ[i] =
      LATENT_INSIDE_J_KG * stepS * (here * (solved[i]! - water[i]!) - there * (solved[j]! - water[j]!));
  }
}
