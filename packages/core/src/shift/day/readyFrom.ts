import type { DayClock } from '../../quantity/clock';
import { pieceOffsets } from '../line/alone';
import type { Line } from '../line/compile';
import { STAGE } from '../line/lineState';
import { batchNow } from './dayMoment';
import type { FoldedBatch } from './serviceState';

/** A batch that runs, as it can go on from now. */
export interface ReadyFrom {
  /** When rolling can begin, s from midnight. */
  rollFrom: number;
  /** When each piece that is still to come is off the plate. */
  at: number[];
}

/**
 * When the pieces of a running batch can be there: its rests at their earliest, the plate hot and free.
 * @param line a line that makes its bread
 * @param folded the batch
 * @param clock the day's clock
 * @param nowS s from midnight
 * @returns null where no ball is left to be baked, or the line does not make it
 */
export function readyFrom(line: Line, folded: FoldedBatch, clock: DayClock, nowS: number): ReadyFrom | null {
  const now = batchNow(line, folded, clock.toS, nowS);
  if (!now || now.left === 0) return null;
  const bread = line.breads[now.bread]!;
  const { loadS, mixS, kneadS, rest1, divideS, rest2 } = bread;
  const afterDough = now.n * divideS + rest2[0];
  const rollFrom =
    now.stage === STAGE.balls
      ? Math.max(nowS, now.at + rest2[0])
      : now.stage === STAGE.resting
        ? Math.max(nowS, now.at + rest1[0]) + afterDough
        : now.stage === STAGE.mixing
          ? now.at + rest1[0] + afterDough
          : now.at + loadS + mixS + kneadS + rest1[0] + afterDough;
  const plate = line.shift.plates[Math.max(0, line.plateOf[now.bread]!)]!;
  return { rollFrom, at: pieceOffsets(bread, plate, now.left, false).map((offset) => rollFrom + offset) };
}
