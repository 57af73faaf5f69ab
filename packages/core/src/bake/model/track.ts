import {
  type BakeOptions,
  FINER,
  MOST_RERUNS,
  bake,
  enterStage,
  gridFor,
  isOver,
  outside,
  type RunningStage,
  runStages,
  stepStage,
} from './bake';
import { type BakeSetup, type Baking, copyBaking, startBaking } from './baking';
import { type BakeOutcome, outcomeOf } from './outcome';

/** One first side, followed once; any number of bakes go on from any moment of it. */
export interface Track<Seen> {
  /** What was seen after each step, up to a time; followed further as it is asked for. */
  steps: (untilS: number) => Generator<Seen, void, void>;
  /**
   * Turns after `firstS`, and goes on with the rest of the stages. What was seen until a moment shortly before is told to
   * `replay`, every step from there on to `watch`.
   */
  turn: (
    firstS: number,
    after: Pick<BakeSetup, 'stages'>,
    eye?: { replay: (seen: Seen) => void; watch: NonNullable<BakeOptions['watch']> },
  ) => BakeOutcome;
}

/** A state is kept after so many steps: a copy takes as long as half a step. */
const KEPT_EVERY = 8;

interface Kept {
  baking: Baking;
  stage: RunningStage;
  /** How many steps were seen by then. */
  steps: number;
}

/**
 * Follows the first side of a bake, after a hot press where there is one.
 * @param setup its stages up to and with the first side, however long that is said to be
 * @param see what is kept of every step
 * @param grid cells and steps; those that suit the thickness when left out
 */
export function followFirst<Seen extends { timeS: number }>(
  setup: BakeSetup,
  see: (baking: Baking) => Seen,
  grid: Required<Pick<BakeOptions, 'cells' | 'stepS'>> = gridFor(setup.thicknessMm),
): Track<Seen> {
  const { cells } = grid;
  const first = setup.stages.length - 1;
  let longestS = grid.stepS;
  let reruns = 0;
  let { seen, kept, baking, stage } = begin();

  /** From the start: through the press, where there is one, to the first moment on the plate. */
  function begin(): { seen: Seen[]; kept: Kept[]; baking: Baking; stage: RunningStage } {
    const raw = startBaking(setup, cells);
    runStages(raw, { ...setup, stages: setup.stages.slice(0, first) }, 0, longestS, undefined);
    const entered = enterStage(raw, setup, first, longestS);
    const start = { baking: copyBaking(raw), stage: { ...entered }, steps: 0 };
    return { seen: [], kept: [start], baking: raw, stage: entered };
  }

  function step(): void {
    // The end does not bend the steps: a track may be asked for more.
    stepStage(baking, stage, Infinity, longestS);
    if (baking.lost) return;
    seen.push(see(baking));
    if (seen.length % KEPT_EVERY === 0)
      kept.push({ baking: copyBaking(baking), stage: { ...stage }, steps: seen.length });
  }

  /** Follows it by one more step; false where that would go past a time. A value that is lost makes it begin again, finer. */
  function goOn(untilS: number): boolean {
    if (isOver(baking, untilS)) return false;
    const reachedS = baking.timeS;
    step();
    while (baking.lost) {
      if (reruns === MOST_RERUNS) throw outside();
      reruns += 1;
      longestS = grid.stepS / FINER ** reruns;
      ({ seen, kept, baking, stage } = begin());
      while (!baking.lost && baking.timeS <= reachedS) step();
    }
    return true;
  }

  function* steps(untilS: number): Generator<Seen, void, void> {
    let toldS = -Infinity;
    for (let at = 0; ; at += 1) {
      if (at >= seen.length) {
        const before = seen;
        if (!goOn(untilS)) return;
        // It began again: what was told already is passed over.
        if (seen !== before) at = seen.findIndex(({ timeS }) => timeS > toldS);
      }
      const one = seen[at]!;
      if (one.timeS > untilS) return;
      toldS = one.timeS;
      yield one;
    }
  }

  return {
    steps,
    turn: (firstS, after, eye) => {
      while (goOn(firstS));
      const from = kept.findLast((one) => one.baking.timeS <= firstS - one.stage.wantedS) ?? kept[0]!;
      if (eye) for (let at = 0; at < from.steps; at += 1) eye.replay(seen[at]!);
      const own = copyBaking(from.baking);
      const running = { ...from.stage };
      while (!own.lost && !isOver(own, firstS)) {
        stepStage(own, running, firstS, longestS);
        if (!own.lost && eye?.watch(own) === 'end') return outcomeOf(own, reruns);
      }
      if (!own.lost) runStages(own, { ...setup, ...after }, first + 1, longestS, eye?.watch);
      // The whole bake runs again, with shorter steps.
      return own.lost ? bake({ ...setup, ...after }, { ...grid, watch: eye?.watch }) : outcomeOf(own, reruns);
    },
  };
}
