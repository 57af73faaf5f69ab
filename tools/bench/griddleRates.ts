import { createRequire } from 'node:module';
import { STEEL_GRIDDLE, type BakeSetup, DEFAULT_AIR, DEFAULT_MODEL } from '@kettle-scale/core/bake';
import { type Column, openColumn } from '../../packages/core/src/bake/model/column';
import { LATENT_INSIDE_J_KG, WATER_HEAT_J_KGK } from '../../packages/core/src/bake/model/constants';
import { gasFace, openFaceTerms, plateFace } from '../../packages/core/src/bake/model/faces';
import { BOILING_RATE_1_S } from '../../packages/core/src/bake/model/heatStep';
import { updateProperties } from '../../packages/core/src/bake/model/properties';
import { facesIn } from '../../packages/core/src/bake/model/stages';
import { condense } from '../../packages/core/src/bake/model/steam';
import { type IntegratorRun, type Rates, rosenbrock } from './rosenbrock';
import { updateLiquidLinks } from '../../packages/core/src/bake/model/waterStep';

/** What is used of odex; the package brings its source, which our compiler settings refuse, and no types. */
interface Odex {
  Solver: new (variables: number) => {
    absoluteTolerance: number;
    relativeTolerance: number;
    maxSteps: number;
    stiffnessAfterNSteps: number;
    solve: (
      rates: (x: number, y: number[]) => number[],
      from: number,
      start: number[],
      to: number,
    ) => { y: number[]; outcome: number; nEval: number };
  };
}
const { Solver } = createRequire(import.meta.url)('odex') as Odex;

/** A general integrator: the rates of `cells` cells of heat and water and of the plate, from a state over some seconds. */
type Integrator = (
  rates: Rates,
  start: number[],
  seconds: number,
  tolerance: number,
  cells: number,
) => IntegratorRun;

/** Explicit, of high order, by extrapolation. */
function odex(rates: Rates, start: number[], seconds: number, tolerance: number): IntegratorRun {
  const solver = new Solver(start.length);
  solver.absoluteTolerance = tolerance;
  solver.relativeTolerance = tolerance;
  solver.maxSteps = 300_000;
  solver.stiffnessAfterNSteps = 0;
  const { y, nEval, outcome } = solver.solve((_t, state) => rates(state), 0, start, seconds);
  return { y, evaluations: nEval, failed: outcome !== 0 };
}

/** Implicit, for stiff systems; it is told which cells touch each other. */
const implicit: Integrator = (rates, start, seconds, tolerance, cells) =>
  rosenbrock(rates, start, seconds, tolerance, touching(cells));

/** A cell's heat and water touch its own and its neighbours'; the outer cells touch the plate, which touches all. */
function touching(cells: number) {
  const [under, heat] = [2 * cells, 2 * cells + 2];
  const rowsOf = (cell: number) => {
    const near = [cell - 1, cell, cell + 1].filter((one) => one >= 0 && one < cells);
    const plate = cell === 0 || cell === cells - 1 ? [under, heat] : [];
    return [...near, ...near.map((one) => cells + one), ...plate];
  };
  const inside = [0, cells].flatMap((first) =>
    Array.from({ length: APART }, (_group, k) =>
      Array.from({ length: cells }, (_cell, cell) => cell)
        .filter((cell) => cell % APART === k)
        .map((cell) => ({ column: first + cell, rows: rowsOf(cell) })),
    ),
  );
  const all = Array.from({ length: 2 * cells + 3 }, (_, row) => row);
  return [...inside, ...[under, under + 1].map((column) => [{ column, rows: all }])];
}
/** Cells so far apart touch no common row, and the two outer ones of 12 and 16 are never nudged at once. */
const APART = 4;

export const INTEGRATORS = { odex, implicit } as const;

/**
 * The equations of the column and the plate as rates of change, for a general integrator: an independent check of the
 * stepper, which shares only the properties with it. Blisters, browning and puff are left out: the integrator has less to
 * do. The state is T and X of all cells, the plate under and around, and the heat taken.
 */
export interface Integrated {
  weightLoss: number;
  heatKJM2: number;
  middleC: number;
  evaluations: number;
  /** The integrator gave up. */
  failed: boolean;
}

const THINNEST_WATER = 1e-4;

export function integrateBake(
  setup: BakeSetup,
  cells: number,
  tolerance: number,
  integrate: Integrator = odex,
): Integrated {
  const { dough, thicknessMm, doughC, plateC } = setup;
  const air = setup.air ?? DEFAULT_AIR;
  const model = setup.model ?? DEFAULT_MODEL;
  const plate = setup.plate ?? STEEL_GRIDDLE;
  const column = openColumn({ dough, thicknessM: thicknessMm / 1000, doughC, air, model, cells });
  const terms = [openFaceTerms(), openFaceTerms()] as const;
  const [UNDER, REST, HEAT] = [2 * cells, 2 * cells + 1, 2 * cells + 2];
  const plateStore = plate.densityKgM3 * plate.heatJKgK * plate.thicknessM;
  const power = (tempC: number) =>
    Math.min(
      plate.maxPowerWM2,
      Math.max(0, plate.lossWM2K * (plateC - air.tempC) + plate.gainWM2K * (plateC - tempC)),
    );
  let y = [...column.tempC, ...column.water, plateC, plateC, 0];
  let evaluations = 0;
  let failed = false;
  for (const [index, stage] of setup.stages.entries()) {
    const { down, up } = facesIn(stage, index, air, model);
    const meets = stage.down === 0 ? ([down, up] as const) : ([up, down] as const);
    const rates: Rates = (state) => {
      for (let i = 0; i < cells; i += 1) {
        column.tempC[i] = state[i] ?? 0;
        column.water[i] = Math.max(THINNEST_WATER, state[cells + i] ?? 0);
      }
      const under = state[UNDER] ?? 0;
      const rest = state[REST] ?? 0;
      const change = columnRates(column);
      let plateFlux = 0;
      for (const face of [0, 1] as const) {
        const cell = face === 0 ? 0 : cells - 1;
        const one = meets[face];
        if (one.kind === 'plate') plateFace(column, face, one, under, plate.resistanceM2KW, terms[face]);
        else gasFace(column, face, one, terms[face]);
        const flux = terms[face].source - terms[face].conductance * (column.tempC[cell] ?? 0);
        if (one.kind === 'plate') plateFlux = flux;
        else column.faceC[face] = terms[face].surface;
        const width = column.widthM[cell] ?? 1;
        change[cell] = (change[cell] ?? 0) + flux / width / (column.heatCapacity[cell] ?? 1);
        change[cells + cell] = (change[cells + cell] ?? 0) - terms[face].drying / width / dough.dryKgM3;
      }
      const lateral = plate.lateralWM2K * (rest - under);
      change[UNDER] = plate.held
        ? 0
        : (power(under) - 0.5 * plate.lossWM2K * (under - air.tempC) + lateral - plateFlux) / plateStore;
      change[REST] = plate.held
        ? 0
        : (power(rest) - plate.lossWM2K * (rest - air.tempC) - lateral / plate.restArea) / plateStore;
      change[HEAT] = plateFlux;
      return change;
    };
    const solved = integrate(rates, y, stage.seconds, tolerance, cells);
    evaluations += solved.evaluations;
    failed = failed || solved.failed;
    y = solved.y;
  }
  const meanWater =
    y.slice(cells, 2 * cells).reduce((sum, x, i) => sum + x * (column.widthM[i] ?? 0), 0) / column.thicknessM;
  return {
    weightLoss: (100 * dough.dryKgM3 * (dough.waterPerDry - meanWater)) / dough.densityKgM3,
    heatKJM2: (y[HEAT] ?? 0) / 1000,
    middleC: y[cells >> 1] ?? NaN,
    evaluations,
    failed,
  };
}

/** Rates of T and X of all cells from what happens inside; the faces are added by whoever knows them. */
function columnRates(column: Column): number[] {
  const { cells, widthM, tempC, water, dough, boiling, condensing, steamJKg, pressurePa } = column;
  updateProperties(column);
  updateLiquidLinks(column, tempC);
  const { vapourPa, vapourLink, heatLink, liquidLink, heatCapacity } = column;
  const at = (values: Float64Array, i: number) => values[i] ?? 0;
  for (let i = 0; i < cells; i += 1) {
    boiling[i] = BOILING_RATE_1_S * dough.dryKgM3 * Math.max(0, at(vapourPa, i) / pressurePa - 1);
  }
  condense(column);
  const change = new Array<number>(2 * cells + 3).fill(0);
  const heat = new Float64Array(cells);
  const wet = new Float64Array(cells);
  for (let i = 0; i < cells; i += 1) {
    const net = at(boiling, i) - at(condensing, i);
    heat[i] = -(steamJKg - WATER_HEAT_J_KGK * at(tempC, i)) * net;
    wet[i] = -net;
  }
  for (let i = 0; i < cells - 1; i += 1) {
    const j = i + 1;
    const vapour = at(vapourLink, i) * (at(vapourPa, i) - at(vapourPa, j));
    const liquid = at(liquidLink, i) * (at(water, i) - at(water, j));
    const moved = vapour + liquid;
    const flow = at(heatLink, i) * (at(tempC, i) - at(tempC, j)) + LATENT_INSIDE_J_KG * vapour;
    const carried = WATER_HEAT_J_KGK * moved * (at(tempC, i) - at(tempC, j));
    heat[i] = at(heat, i) - flow / at(widthM, i) + (moved < 0 ? carried / at(widthM, i) : 0);
    heat[j] = at(heat, j) + flow / at(widthM, j) + (moved > 0 ? carried / at(widthM, j) : 0);
    wet[i] = at(wet, i) - moved / at(widthM, i);
    wet[j] = at(wet, j) + moved / at(widthM, j);
  }
  for (let i = 0; i < cells; i += 1) {
    change[i] = at(heat, i) / at(heatCapacity, i);
    change[cells + i] = at(wet, i) / dough.dryKgM3;
  }
  return change;
}
