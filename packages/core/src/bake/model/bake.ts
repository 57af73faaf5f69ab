import { advance } from './advance';
import { type Baking, type BakeSetup, startBaking } from './baking';
import { type BakeOutcome, outcomeOf } from './outcome';
import type { FaceMeets } from './faces';
import { facesIn } from './stages';

export interface BakeOptions {
  cells?: number;
  /** Longest step early in a stage, which starts with a tenth of it; later ones may be twice as long. */
  stepS?: number;
  /** Called after every step; may end the stage, or the bake, there. */
  watch?: (baking: Baking) => 'on' | 'next stage' | 'end';
}

/** The robust setting: random bakes over the whole range of use give no unusable result with it. */
export const COARSE = { cells: 16, stepS: 0.25 } as const;
/** Over a thick bread layers are followed more finely: there 16 cells leave the bounds of 96 too often. */
const FINE = { cells: 32, stepS: 0.125 } as const;
const COARSE_TO_MM = 2.5;
export const gridFor = (thicknessMm: number): Required<Pick<BakeOptions, 'cells' | 'stepS'>> =>
  thicknessMm <= COARSE_TO_MM ? COARSE : FINE;
const FIRST_STEP = 0.1;
const STEP_GROWTH = 1.25;
/** Later in a stage less happens: steps grow with the time since it began, up to twice the longest of its start. */
const STEP_SHARE = 0.04;
const LATE_STEP = 2;
const END_SLACK_S = 1e-9;
const NEARLY = 1.0001;
/** A bake that leaves its bounds runs again with steps so many times shorter, so often at most. */
export const FINER = 3;
export const MOST_RERUNS = 3;

/**
 * Bakes one flatbread: heat and moisture through its thickness, blisters, browning, gelatinisation, puff, and the plate
 * under it. A step that leaves its bounds makes the whole bake run again with steps a third as long.
 * Equations, sources and limits: docs/griddle-model.md.
 * @param setup dough, plate, air and the stages of the bake
 * @param options grid, step and what is watched
 * @returns masses, colours, temperatures, and why it ended
 * @throws RangeError when even shorter steps do not help
 */
export function bake(setup: BakeSetup, options: BakeOptions = {}): BakeOutcome {
  const usual = gridFor(setup.thicknessMm);
  const { stepS = usual.stepS, cells = usual.cells, watch } = options;
  for (let reruns = 0; reruns <= MOST_RERUNS; reruns += 1) {
    const baking = startBaking(setup, cells);
    runStages(baking, setup, 0, stepS / FINER ** reruns, watch);
    if (!baking.lost) return outcomeOf(baking, reruns);
  }
  throw outside();
}

export const outside = (): RangeError => new RangeError('this bake is outside what the model can compute');

/** A stage that runs: what its faces meet, and its steps. */
export interface RunningStage {
  meetsA: FaceMeets;
  meetsB: FaceMeets;
  startS: number;
  /** Of the next step, unless the stage ends before. */
  wantedS: number;
}

/** Brings a bake into a stage of its setup. */
export function enterStage(baking: Baking, setup: BakeSetup, at: number, longestS: number): RunningStage {
  const stage = setup.stages[at]!;
  const index = at - setup.stages.filter(({ under }) => under === 'platen').length;
  if (stage.under === 'plate') moveTo(baking, stage.plateC ?? setup.plateC);
  const { down, up } = facesIn(stage, index, baking.column.air, baking.column.model);
  baking.stage = index;
  baking.down = stage.down;
  return {
    meetsA: stage.down === 0 ? down : up,
    meetsB: stage.down === 0 ? up : down,
    startS: baking.timeS,
    wantedS: longestS * FIRST_STEP,
  };
}

/** One step of a stage that ends at `endS`. */
export function stepStage(baking: Baking, stage: RunningStage, endS: number, longestS: number): void {
  advance(baking, stage.meetsA, stage.meetsB, nextStep(stage.wantedS, endS - baking.timeS));
  const late = Math.min(LATE_STEP * longestS, STEP_SHARE * (baking.timeS - stage.startS));
  stage.wantedS = Math.min(Math.max(longestS, late), stage.wantedS * STEP_GROWTH);
}

export const isOver = (baking: Baking, endS: number): boolean => baking.timeS >= endS - END_SLACK_S;

/** The length of the next step: grown from the last, and never leaving a sliver at the end of a stage. */
function nextStep(wantedS: number, leftS: number): number {
  if (leftS <= wantedS * NEARLY) return leftS;
  return leftS < 2 * wantedS ? leftS / 2 : wantedS;
}

/** A side with a heat of its own is baked on another place, or pan, of that heat. */
function moveTo(baking: Baking, plateC: number): void {
  if (plateC === baking.setC) return;
  baking.setC = plateC;
  baking.plate.underC.fill(plateC);
  baking.plate.restC = plateC;
}

/** Runs the stages of a setup from one of them on, until the last ends, the watcher says so, or a value is lost. */
export function runStages(
  baking: Baking,
  setup: BakeSetup,
  from: number,
  longestS: number,
  watch: BakeOptions['watch'],
): void {
  for (let at = from; at < setup.stages.length; at += 1) {
    const stage = enterStage(baking, setup, at, longestS);
    const endS = baking.timeS + setup.stages[at]!.seconds;
    while (!isOver(baking, endS)) {
      stepStage(baking, stage, endS, longestS);
      if (baking.lost) return;
      const then = watch?.(baking);
      if (then === 'end') return;
      if (then === 'next stage') break;
    }
  }
}
