import type { Griddle } from '../../kitchen/griddleSchema';
import { bake } from '../model/bake';
import { FLAME_KW_M2 } from '../model/griddlePlate';
import { type PlateProperties, plateAt, plateStep, STEEL_GRIDDLE } from '../model/plate';
import { type BakeRequest, atHeat, stagesWith } from '../solve/bakeRequest';
import { solveTimes } from '../solve/solve';

/** Where a pan on a burner that nobody touches comes to, piece after piece. */
export interface PanCycle {
  /** As each piece lands, and on the mean under the bread, °C. */
  landsC: number;
  underC: number;
  /** Seconds of the sides there, and whether they make good bread. */
  seconds: number[];
  good: boolean;
  /** It gets hotter than any bread wants: less gap, or a smaller flame. */
  runsAway: boolean;
}

const MOST_PIECES = 40;
const SETTLED_C = 0.5;
const HOTTEST_C = 320;
const COLDEST_C = 100;
const ROUNDS = 5;
const W_PER_KW = 1000;

const clamp = (tempC: number) => Math.min(HOTTEST_C, Math.max(COLDEST_C, tempC));

/** Pieces with the same seconds and the same gap until the pan lands them on the same heat. */
function repeat(request: BakeRequest, plate: PlateProperties, seconds: readonly number[], gapS: number) {
  const { setup, program } = request;
  const airC = setup.air?.tempC ?? 25;
  const state = plateAt(plate, setup.plateC);
  let underC = setup.plateC;
  for (let piece = 0; piece < MOST_PIECES; piece += 1) {
    const landsC = state.underC[0]!;
    let degreeS = 0;
    let lastS = 0;
    const { plateC, restC, endS } = bake(
      {
        ...setup,
        plate,
        startC: { under: landsC, rest: state.restC },
        stages: stagesWith(program, seconds),
      },
      {
        watch: ({ timeS, plate: now }) => {
          degreeS += now.underC[0]! * (timeS - lastS);
          lastS = timeS;
          return 'on';
        },
      },
    );
    underC = degreeS / endS;
    state.underC.fill(plateC);
    state.restC = restC;
    for (let t = 0; t < gapS; t += 1) plateStep(plate, state, setup.plateC, airC, 0, 1, false);
    if (Math.abs(state.underC[0]! - landsC) < SETTLED_C || landsC > HOTTEST_C) break;
  }
  return { landsC: state.underC[0]!, underC };
}

/** The pan at one heat of the burner: seconds follow the heat that pieces land on, and that follows the seconds. */
function cycleAt(request: BakeRequest, fixedWM2: number, gapS: number): PanCycle {
  const plate: PlateProperties = { ...(request.setup.plate ?? STEEL_GRIDDLE), fixedWM2 };
  const onPan = { ...request, setup: { ...request.setup, plate } };
  let landsC = request.setup.plateC;
  let found: PanCycle | null = null;
  for (let round = 0; round < ROUNDS; round += 1) {
    const there = atHeat(onPan, landsC);
    const { seconds, good } = solveTimes(there);
    const settled = repeat(there, plate, seconds, gapS);
    const runsAway = settled.landsC > HOTTEST_C;
    found = { landsC: clamp(settled.landsC), underC: settled.underC, seconds, good, runsAway };
    if (Math.abs(found.landsC - landsC) < SETTLED_C) break;
    // Half way: a hotter pan shortens the bake, and a shorter bake cools it less.
    landsC = (landsC + found.landsC) / 2;
  }
  return found!;
}

/**
 * A pan on its burner with so long between pieces: at the least, the middle and the most of its setting.
 * @param request the bread on the pan
 * @param flame how far the burner is open
 * @param gapS between two pieces, s
 * @returns share of the work done, then three cycles
 */
export function* panOnBurner(
  request: BakeRequest,
  flame: NonNullable<Griddle['flame']>,
  gapS: number,
): Generator<number, { least: PanCycle; middle: PanCycle; most: PanCycle }, void> {
  const [from, to] = FLAME_KW_M2[flame];
  const least = cycleAt(request, from * W_PER_KW, gapS);
  yield 1 / 3;
  const middle = cycleAt(request, ((from + to) / 2) * W_PER_KW, gapS);
  yield 2 / 3;
  return { least, middle, most: cycleAt(request, to * W_PER_KW, gapS) };
}
