import type { BakeOutcome } from '../model/outcome';
import { type BakeRequest, atHeat, bakeWith } from '../solve/bakeRequest';
import { solveTimes } from '../solve/solve';
import { type PaceFacts, paceOf } from './pace';

/** One way to bake a bread: its heat, its seconds, what they make of it, and how many come off in an hour. */
export interface Way {
  plateC: number;
  seconds: number[];
  range: { least: number[]; most: number[] };
  outcome: BakeOutcome;
  piecesPerHour: number | null;
}

/** Null where no heat that way gives good bread. */
export interface TwoWays {
  hotter: Way | null;
  cooler: Way | null;
}

/** So far a kitchen would turn the knob, °C, the furthest first. */
const TURNS_C = [30, 25, 20, 15, 10] as const;

function wayAt(request: BakeRequest, plateC: number, facts: PaceFacts): Way | null {
  const there = atHeat(request, plateC);
  const { good, seconds, least, most } = solveTimes(there);
  if (!good) return null;
  return {
    ...{ plateC, seconds, range: { least, most }, outcome: bakeWith(there, seconds) },
    piecesPerHour: facts.places > 0 ? paceOf(there, seconds, facts).piecesPerHour : null,
  };
}

/**
 * The same bread hotter and shorter, and cooler and longer: as far from here as it still comes out good. Yields the share
 * of the heats that were tried.
 * @param request the bread on its plate
 * @param facts places, hands and rolling
 */
export function* twoWays(request: BakeRequest, facts: PaceFacts): Generator<number, TwoWays, void> {
  const ways: TwoWays = { hotter: null, cooler: null };
  for (const [index, by] of TURNS_C.entries()) {
    ways.hotter ??= wayAt(request, request.setup.plateC + by, facts);
    yield (index + 0.5) / TURNS_C.length;
    ways.cooler ??= wayAt(request, request.setup.plateC - by, facts);
    yield (index + 1) / TURNS_C.length;
    if (ways.hotter && ways.cooler) break;
  }
  return ways;
}
