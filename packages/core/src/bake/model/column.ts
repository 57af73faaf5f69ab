import type { DoughProperties } from './composition';
import { WATER_HEAT_J_KGK, steamEnthalpyJKg } from './constants';
import { type Grid, clusteredGrid, outerWeights } from './grid';
import type { Air, ModelConstants } from './model';
import { boilingC, pressurePa } from './saturation';
import { type Tridiagonal, openTridiagonal } from './tridiagonal';

/** Depth whose moisture decides the contact, and depth of the skin that sets and browns, m. */
const CONTACT_DEPTH_M = 0.15e-3;
const SKIN_DEPTH_M = 0.3e-3;

/**
 * The mean column through the thickness of a bread. Face A (0) is at the first cell, face B (1) at the last.
 * Cell arrays have one entry a cell; link arrays one for each inner face, between cell i and i + 1.
 */
export interface Column extends Grid {
  readonly cells: number;
  /** 1 / widthM. */
  readonly perWidth: Float64Array;
  readonly thicknessM: number;
  readonly dough: DoughProperties;
  readonly model: ModelConstants;
  readonly air: Air;
  readonly pressurePa: number;
  readonly boilingC: number;
  /** Enthalpy of all steam that boils off, J/kg: one constant keeps the energy ledger exact. */
  readonly steamJKg: number;
  /** Oswin's A at 25 °C times the non-fat share. */
  readonly sorption25: number;
  readonly contactWeights: readonly [Float64Array, Float64Array];
  readonly skinWeights: readonly [Float64Array, Float64Array];

  // State
  readonly tempC: Float64Array;
  /** Water per dry matter, kg/kg. */
  readonly water: Float64Array;
  /** Share of the starch that is still raw. */
  readonly raw: Float64Array;
  /** Boiling, kg/m³s. */
  readonly boiling: Float64Array;
  /** Water that moves across a link, kg/m²s, A to B positive. */
  readonly waterFlux: Float64Array;
  /** Latent heat of the last step's moisture-driven vapour, carried into the next, J/m². */
  readonly carriedJ: Float64Array;
  /** Temperature of each face. */
  readonly faceC: [number, number];

  // Properties at the start of a step
  readonly heatCapacity: Float64Array;
  readonly conductivity: Float64Array;
  readonly permeance: Float64Array;
  readonly vapourPa: Float64Array;
  /** Change of vapour pressure with temperature and with moisture. */
  readonly vapourPerC: Float64Array;
  readonly vapourPerWater: Float64Array;
  /** Share of a steam stream that passes the cell without condensing. */
  readonly passing: Float64Array;
  readonly passingCold: Float64Array;
  readonly heatLink: Float64Array;
  readonly vapourLink: Float64Array;

  // Scratch of a step
  readonly system: Tridiagonal;
  readonly solved: Float64Array;
  /** Diagonal and right side of the heat balance without boiling. */
  readonly drained: Float64Array;
  readonly known: Float64Array;
  readonly nextC: Float64Array;
  readonly condensing: Float64Array;
  readonly boilingBase: Float64Array;
  readonly boilingPerC: Float64Array;
  readonly diffusivity: Float64Array;
  readonly liquidLink: Float64Array;
}

export interface ColumnSetup {
  dough: DoughProperties;
  thicknessM: number;
  doughC: number;
  air: Air;
  model: ModelConstants;
  cells: number;
}

/** Length over which a stream of steam condenses in cold dough, m. */
export const CONDENSING_LENGTH_M = 0.3e-3;

/** A raw disc of one temperature and moisture throughout. */
export function openColumn({ dough, thicknessM, doughC, air, model, cells }: ColumnSetup): Column {
  const grid = clusteredGrid(cells, thicknessM);
  const empty = () => new Float64Array(cells);
  const pressure = pressurePa(air.altitudeM);
  const boiling = boilingC(pressure);
  return {
    ...grid,
    cells,
    perWidth: grid.widthM.map((width) => 1 / width),
    thicknessM,
    dough,
    model,
    air,
    pressurePa: pressure,
    boilingC: boiling,
    steamJKg: steamEnthalpyJKg(boiling),
    sorption25: dough.nonFatShare * model.sorption,
    contactWeights: [outerWeights(grid, CONTACT_DEPTH_M, 0), outerWeights(grid, CONTACT_DEPTH_M, 1)],
    skinWeights: [outerWeights(grid, SKIN_DEPTH_M, 0), outerWeights(grid, SKIN_DEPTH_M, 1)],
    tempC: empty().fill(doughC),
    water: empty().fill(dough.waterPerDry),
    raw: empty().fill(1),
    boiling: empty(),
    waterFlux: empty(),
    carriedJ: empty(),
    faceC: [doughC, doughC],
    heatCapacity: empty(),
    conductivity: empty(),
    permeance: empty(),
    vapourPa: empty(),
    vapourPerC: empty(),
    vapourPerWater: empty(),
    passing: empty(),
    passingCold: grid.widthM.map((width) => Math.exp(-width / CONDENSING_LENGTH_M)),
    heatLink: empty(),
    vapourLink: empty(),
    system: openTridiagonal(cells),
    solved: empty(),
    drained: empty(),
    known: empty(),
    nextC: empty(),
    condensing: empty(),
    boilingBase: empty(),
    boilingPerC: empty(),
    diffusivity: empty(),
    liquidLink: empty(),
  };
}

/** Mean of a cell quantity by weights that add up to 1. */
export function weighted(values: Float64Array, weights: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < values.length; i += 1) sum += values[i]! * weights[i]!;
  return sum;
}

/** Enthalpy of the column over liquid water and dry matter at 0 °C, J/m². */
export function enthalpyJM2({ dough, cells, tempC, water, widthM }: Column): number {
  let sum = 0;
  for (let i = 0; i < cells; i += 1) {
    sum += dough.dryKgM3 * (dough.dryHeatJKgK + WATER_HEAT_J_KGK * water[i]!) * tempC[i]! * widthM[i]!;
  }
  return sum;
}

/** Mean water per dry matter. */
export function meanWater({ cells, water, widthM, thicknessM }: Column): number {
  let sum = 0;
  for (let i = 0; i < cells; i += 1) sum += water[i]! * widthM[i]!;
  return sum / thicknessM;
}
