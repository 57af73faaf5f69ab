import { type Words, message } from '../../message/message';
import type { Griddle } from '../../kitchen/griddleSchema';

type Mark = Griddle['marks'][number];

/**
 * Where to set the knob for a temperature, in words; null when fewer than two marks were measured.
 * @param marks marks that were measured
 * @param tempC plate, °C
 */
export function knobAdvice(marks: readonly Mark[], tempC: number): Words | null {
  const sorted = [...marks].sort((a, b) => a.tempC - b.tempC);
  const [coolest, hottest] = [sorted[0], sorted.at(-1)];
  if (!coolest || !hottest || sorted.length < 2) return null;
  if (tempC < coolest.tempC - NEAR_C)
    return message('below {mark, number}, the coolest mark measured', { mark: coolest.mark });
  if (tempC > hottest.tempC + NEAR_C)
    return message('above {mark, number}, the hottest mark measured', { mark: hottest.mark });
  const near = sorted.find((mark) => Math.abs(mark.tempC - tempC) <= NEAR_C);
  if (near) return message('at {mark, number}', { mark: near.mark });
  const above = sorted.findIndex((mark) => mark.tempC > tempC);
  const [low, high] = [sorted[above - 1] ?? coolest, sorted[above] ?? hottest];
  const share = (tempC - low.tempC) / (high.tempC - low.tempC);
  const nearer = share < NEARER ? low : share > 1 - NEARER ? high : null;
  const between = { low: low.mark, high: high.mark };
  return nearer
    ? message('between {low, number} and {high, number}, nearer {nearer, number}', {
        ...between,
        nearer: nearer.mark,
      })
    : message('between {low, number} and {high, number}', between);
}

/** A mark that settles this near is the answer. */
const NEAR_C = 3;
/** Within this share of the way it is nearer to an end. */
const NEARER = 0.3;
