import {
  type BakeOptions,
  bake,
  enterStage,
  gridFor,
  isOver,
  type RunningStage,
  runStages,
  stepStage,
} from './bake';
import { type BakeSetup, type Baking, copyBaking, startBaking } from './baking';

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
    eye: { replay: (seen: Seen) => void; watch: NonNullable<BakeOptions['watch']> },
  ) => void;
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
  const { cells, stepS } = grid;
  const first = setup.stages.length - 1;
  const seen: Seen[] = [];
  const baking = startBaking(setup, cells);
  runStages(baking, { ...setup, stages: setup.stages.slice(0, first) }, 0, stepS, undefined);
  const stage = enterStage(baking, setup, first, stepS);
  const kept: Kept[] = [{ baking: copyBaking(baking), stage: { ...stage }, steps: 0 }];

  /** Follows it by one more step; false where that would go past a time. */
  const goOn = (untilS: number): boolean => {
    if (isOver(baking, untilS) || baking.lost) return false;
    // The end does not bend the steps: a track may be asked for more.
    stepStage(baking, stage, Infinity, stepS);
    if (baking.lost) return false;
    seen.push(see(baking));
    if (seen.length % KEPT_EVERY === 0)
      kept.push({ baking: copyBaking(baking), stage: { ...stage }, steps: seen.length });
    return true;
  };

  function* steps(untilS: number): Generator<Seen, void, void> {
    for (let at = 0; at < seen.length || goOn(untilS); at += 1) {
      if (seen[at]!.timeS > untilS) return;
      yield seen[at]!;
    }
  }

  return {
    steps,
    turn: (firstS, after, { replay, watch }) => {
      while (goOn(firstS));
      const from = kept.findLast((one) => one.baking.timeS <= firstS - one.stage.wantedS) ?? kept[0]!;
      for (let at = 0; at < from.steps; at += 1) replay(seen[at]!);
      const own = copyBaking(from.baking);
      const running = { ...from.stage };
      while (!own.lost && !isOver(own, firstS)) {
        stepStage(own, running, firstS, stepS);
        if (!own.lost && watch(own) === 'end') return;
      }
      if (!own.lost) runStages(own, { ...setup, ...after }, first + 1, stepS, watch);
      // The whole bake runs again, with shorter steps.
      if (own.lost) bake({ ...setup, ...after }, { ...grid, watch });
    },
  };
}
