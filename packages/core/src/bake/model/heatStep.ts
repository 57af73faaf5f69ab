import type { Column } from './column';
import { LATENT_INSIDE_J_KG, WATER_HEAT_J_KGK } from './constants';
import type { FaceTerms } from './faces';
import { SORPTION_POWER, SORPTION_SLOPE_1_K, waterActivity } from './sorption';
import { condense } from './steam';
import { ROW, placeOf, tabled } from './tables';
import { solveTridiagonal } from './tridiagonal';

/** Rate of boiling for each unit of vapour pressure above ambient, 1/s. */
export const BOILING_RATE_1_S = 2;
const PASSES = 3;
/** The next pass would change a small part of it: Newton converges quadratically. */
const CONVERGED_C = 0.1;
/** Cells this close to boiling are looked at. */
const NEAR_BOILING_C = 1;
/** A cell cannot boil off more than this share of its water in a step. */
const MOST_BOILED = 0.8;
const DRIEST = 1e-3;

/** What does not change between passes: storage, conduction, latent heat of vapour in pores, moving water, faces. */
function assemble(column: Column, stepS: number, faceA: FaceTerms, faceB: FaceTerms): void {
  const { cells, perWidth, tempC, heatCapacity, heatLink, vapourLink } = column;
  const { vapourPa, vapourPerC, waterFlux, carriedJ, drained, known } = column;
  const { lower, upper } = column.system;
  const perStep = 1 / stepS;
  const last = cells - 1;
  for (let i = 0; i < cells; i += 1) {
    const storage = heatCapacity[i]! * perStep;
    drained[i] = storage;
    known[i] = storage * tempC[i]!;
  }
  for (let i = 0; i < last; i += 1) {
    const j = i + 1;
    const heat = heatLink[i]!;
    const latent = LATENT_INSIDE_J_KG * vapourLink[i]!;
    const slopeHere = vapourPerC[i]!;
    const slopeThere = vapourPerC[j]!;
    const here = heat + latent * slopeHere;
    const there = heat + latent * slopeThere;
    const moved =
      latent * (vapourPa[i]! - slopeHere * tempC[i]! - vapourPa[j]! + slopeThere * tempC[j]!) +
      carriedJ[i]! * perStep;
    const carried = waterFlux[i]! * WATER_HEAT_J_KGK;
    const forward = carried > 0 ? carried : 0;
    const backward = carried > 0 ? 0 : carried;
    const perHere = perWidth[i]!;
    const perThere = perWidth[j]!;
    drained[i]! += (here - backward) * perHere;
    upper[i] = (backward - there) * perHere;
    known[i]! -= moved * perHere;
    drained[j]! += (there + forward) * perThere;
    lower[j] = -(here + forward) * perThere;
    known[j]! += moved * perThere;
  }
  drained[0]! += faceA.conductance * perWidth[0]!;
  known[0]! += faceA.source * perWidth[0]!;
  drained[last]! += faceB.conductance * perWidth[last]!;
  known[last]! += faceB.source * perWidth[last]!;
}

/**
 * Boiling of every cell as a line in its temperature, m = base + perC (T − now), with its water eliminated by its own
 * implicit step. Returns whether any cell boils or is near it.
 */
function assembleBoiling(column: Column, stepS: number): boolean {
  const { cells, water, boiling, condensing, nextC, pressurePa, perSorption, steamJKg } = column;
  const { boilingBase, boilingPerC, drained, known } = column;
  const { diagonal, right } = column.system;
  const dry = column.dough.dryKgM3;
  const perDry = stepS / dry;
  const perPressure = 1 / pressurePa;
  const near = column.boilingC - NEAR_BOILING_C;
  let lively = false;
  for (let i = 0; i < cells; i += 1) {
    const t = nextC[i]!;
    const latent = steamJKg - WATER_HEAT_J_KGK * t;
    const boils = boiling[i]!;
    let perC = 0;
    let base = 0;
    if (boils > 0 || t > near) {
      lively = true;
      const left = water[i]! - perDry * (boils - condensing[i]!);
      const x = left < DRIEST ? DRIEST : left;
      const place = placeOf(t);
      const activity = waterActivity(x, perSorption, tabled(place, ROW.warmth));
      const excess = activity * tabled(place, ROW.saturation) * perPressure;
      if (excess > 1 || boils > 0) {
        const rate = BOILING_RATE_1_S * dry * excess;
        const drying = SORPTION_POWER * (1 - activity);
        const settling = (perDry * rate * drying) / x;
        const damping = 1 / (1 + settling);
        base = (BOILING_RATE_1_S * dry * (excess - 1) + settling * boils) * damping;
        perC = rate * (tabled(place, ROW.slope) + SORPTION_SLOPE_1_K * drying) * damping;
      }
    }
    boilingBase[i] = base;
    boilingPerC[i] = perC;
    diagonal[i] = drained[i]! + latent * perC;
    right[i] = known[i]! + latent * (condensing[i]! - base + perC * t);
  }
  return lively;
}

/** The boiling that new temperatures mean. Returns the largest change, K. */
function settle(column: Column, stepS: number): number {
  const { cells, solved, nextC, water, boiling, boilingBase, boilingPerC } = column;
  const most = (MOST_BOILED * column.dough.dryKgM3) / stepS;
  let largest = 0;
  for (let i = 0; i < cells; i += 1) {
    const next = solved[i]!;
    const change = next - nextC[i]!;
    const boils = boilingBase[i]! + boilingPerC[i]! * change;
    const all = most * water[i]!;
    boiling[i] = boils < 0 ? 0 : boils > all ? all : boils;
    nextC[i] = next;
    const size = change < 0 ? -change : change;
    if (size > largest) largest = size;
  }
  return largest;
}

/** Whether anything comes near boiling. */
function isNearBoiling({ cells, nextC, boilingC }: Column): boolean {
  for (let i = 0; i < cells; i += 1) if (nextC[i]! > boilingC - NEAR_BOILING_C) return true;
  return false;
}

/**
 * One linearly implicit Euler step of the heat equation into `nextC`, with boiling solved along by Newton passes.
 * The faces enter as lines in the temperature of their cells. Steam condenses where the last pass had it condense: counted
 * anew after it, heat would be lost that no cell has taken.
 */
export function heatStep(column: Column, stepS: number, faceA: FaceTerms, faceB: FaceTerms): void {
  const { cells, tempC, warmingCS, nextC, system, solved } = column;
  for (let i = 0; i < cells; i += 1) nextC[i] = tempC[i]! + warmingCS[i]! * stepS;
  assemble(column, stepS, faceA, faceB);
  for (let pass = 0; pass < PASSES; pass += 1) {
    condense(column);
    const lively = assembleBoiling(column, stepS);
    solveTridiagonal(system, solved);
    // Without boiling the system is linear and the first solution stands.
    if (settle(column, stepS) < CONVERGED_C || (!lively && !isNearBoiling(column))) break;
  }
}
