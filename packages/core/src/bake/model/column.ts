import type { DoughProperties } from './composition';
import { WATER_HEAT_J_KGK, steamEnthalpyJKg } from './constants';
import { type Grid, clusteredGrid, outerWeights } from './grid';
import type { Air, ModelConstants } from './model';
import { boilingC, pressurePa, saturationPa } from './saturation';
import { SORPTION_POWER } from './sorption';
import { type Tridiagonal, openTridiagonal } from './tridiagonal';

/** Depth whose moisture decides the contact, and depth of the skin that sets and browns, m. */
const CONTACT_DEPTH_M = 0.15e-3;
const SKIN_DEPTH_M = 0.3e-3;

/** What a step leaves behind in every cell, in one piece of memory, so that it is copied as one. */
interface CellState {
  readonly memory: ArrayBuffer;
  readonly tempC: Float64Array;
  /** Water per dry matter, kg/kg. */
  readonly water: Float64Array;
  /** How fast each cell warmed in the last step, K/s: where the next one is looked for first. */
  readonly warmingCS: Float64Array;
  /** Share of the starch that is still raw. */
  readonly raw: Float64Array;
  /** Boiling, kg/m³s. */
  readonly boiling: Float64Array;
  /** Water that moves across a link, kg/m²s, A to B positive. */
  readonly waterFlux: Float64Array;
  /** Latent heat of the last step's moisture-driven vapour, carried into the next, J/m². */
  readonly carriedJ: Float64Array;
}

/**
 * The mean column through the thickness of a bread. Face A (0) is at the first cell, face B (1) at the last.
 * Cell arrays have one entry a cell; link arrays one for each inner face, between cell i and i + 1.
 */
export interface Column extends Grid, CellState {
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
  /** The same to the power that the isotherm takes it with. */
  readonly perSorption: number;
  /** Vapour in the air of the room. */
  readonly ambientPa: number;
  readonly contactWeights: readonly [Float64Array, Float64Array];
  readonly skinWeights: readonly [Float64Array, Float64Array];

  // State
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

/** So many arrays has the state of a column, and so many the rest of it at most. */
const ARRAYS = { state: 7, rest: 32 } as const;

const memoryFor = (arrays: number, cells: number) =>
  new ArrayBuffer(arrays * cells * Float64Array.BYTES_PER_ELEMENT);

/** Arrays of one value a cell, side by side in one piece of memory: made one by one they cost as much as ten steps. */
function arraysIn(memory: ArrayBuffer, cells: number): () => Float64Array {
  let next = 0;
  return () => {
    const one = new Float64Array(memory, next, cells);
    next += one.byteLength;
    return one;
  };
}

function stateIn(memory: ArrayBuffer, cells: number): CellState {
  const next = arraysIn(memory, cells);
  return {
    memory,
    tempC: next(),
    water: next(),
    warmingCS: next(),
    raw: next(),
    boiling: next(),
    waterFlux: next(),
    carriedJ: next(),
  };
}

/** A column as it stands now, to go on from later; what every step works out anew is shared. */
export function copyColumn(column: Column): Column {
  const { memory, tempC, water, warmingCS, raw, boiling, waterFlux, carriedJ } = stateIn(
    column.memory.slice(0),
    column.cells,
  );
  return {
    ...column,
    memory,
    tempC,
    water,
    warmingCS,
    raw,
    boiling,
    waterFlux,
    carriedJ,
    faceC: [...column.faceC],
  };
}

/** A raw disc of one temperature and moisture throughout. */
export function openColumn({ dough, thicknessM, doughC, air, model, cells }: ColumnSetup): Column {
  const grid = clusteredGrid(cells, thicknessM);
  const empty = arraysIn(memoryFor(ARRAYS.rest, cells), cells);
  const state = stateIn(memoryFor(ARRAYS.state, cells), cells);
  const pressure = pressurePa(air.altitudeM);
  const boiling = boilingC(pressure);
  const sorption25 = dough.nonFatShare * model.sorption;
  const perWidth = empty();
  const passingCold = empty();
  for (let i = 0; i < cells; i += 1) {
    perWidth[i] = 1 / grid.widthM[i]!;
    passingCold[i] = Math.exp(-grid.widthM[i]! / CONDENSING_LENGTH_M);
  }
  // Written out, and nothing spread: an object of so many parts that is put together costs as much as many steps.
  return {
    widthM: grid.widthM,
    edgeM: grid.edgeM,
    cells,
    perWidth,
    thicknessM,
    dough,
    model,
    air,
    pressurePa: pressure,
    boilingC: boiling,
    steamJKg: steamEnthalpyJKg(boiling),
    sorption25,
    perSorption: sorption25 ** -SORPTION_POWER,
    ambientPa: air.humidity * saturationPa(air.tempC),
    contactWeights: [outerWeights(grid, CONTACT_DEPTH_M, 0), outerWeights(grid, CONTACT_DEPTH_M, 1)],
    skinWeights: [outerWeights(grid, SKIN_DEPTH_M, 0), outerWeights(grid, SKIN_DEPTH_M, 1)],
    memory: state.memory,
    tempC: state.tempC.fill(doughC),
    water: state.water.fill(dough.waterPerDry),
    warmingCS: state.warmingCS,
    raw: state.raw.fill(1),
    boiling: state.boiling,
    waterFlux: state.waterFlux,
    carriedJ: state.carriedJ,
    faceC: [doughC, doughC],
    heatCapacity: empty(),
    conductivity: empty(),
    permeance: empty(),
    vapourPa: empty(),
    vapourPerC: empty(),
    vapourPerWater: empty(),
    passing: empty(),
    passingCold,
    heatLink: empty(),
    vapourLink: empty(),
    system: openTridiagonal(empty),
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
