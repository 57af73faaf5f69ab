import { advance } from './advance';
import { type Baking, type BakeSetup, startBaking } from './baking';
import { type BakeOutcome, outcomeOf } from './outcome';
import { facesIn } from './stages';

export interface BakeOptions {
  cells?: number;
  /** Longest step; each stage starts with a tenth of it. */
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
const END_SLACK_S = 1e-9;
const NEARLY = 1.0001;
const FINER = 3;
const MOST_RERUNS = 3;

/**
 * Bakes one flatbread: heat and moisture through its thickness, blisters, browning, gelatinisation, puff, and the plate
 * under it. A step that leaves its bounds makes the whole bake run again with steps a third as long.
 * Throws RangeError when even that does not help. Equations, sources and limits: docs/griddle-model.md.
 */
export function bake(setup: BakeSetup, options: BakeOptions = {}): BakeOutcome {
  const usual = gridFor(setup.thicknessMm);
  const { stepS = usual.stepS, cells = usual.cells, watch } = options;
  for (let reruns = 0; reruns <= MOST_RERUNS; reruns += 1) {
    const baking = startBaking(setup, cells);
    runStages(baking, setup, stepS / FINER ** reruns, watch);
    if (!baking.lost) return outcomeOf(baking, reruns);
  }
  throw new RangeError('this bake is outside what the model can compute');
}

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

function runStages(baking: Baking, setup: BakeSetup, longestS: number, watch: BakeOptions['watch']): void {
  const { column } = baking;
  const presses = setup.stages.filter(({ under }) => under === 'platen').length;
  for (let at = 0; at < setup.stages.length; at += 1) {
    const index = at - presses;
    const stage = setup.stages[at]!;
    if (stage.under === 'plate') moveTo(baking, stage.plateC ?? setup.plateC);
    const { down, up } = facesIn(stage, index, column.air, column.model);
    const meetsA = stage.down === 0 ? down : up;
    const meetsB = stage.down === 0 ? up : down;
    baking.stage = index;
    baking.down = stage.down;
    const endS = baking.timeS + stage.seconds;
    let wantedS = longestS * FIRST_STEP;
    while (baking.timeS < endS - END_SLACK_S) {
      advance(baking, meetsA, meetsB, nextStep(wantedS, endS - baking.timeS));
      wantedS = Math.min(longestS, wantedS * STEP_GROWTH);
      if (baking.lost) return;
      const then = watch?.(baking);
      if (then === 'end') return;
      if (then === 'next stage') break;
    }
  }
}
