import { z } from 'zod';
import { fractionField, numberField } from '../../message/fields';
import { checksum, stableText } from '../../quantity/checksum';
import { MODEL_CONSTANTS } from '../model/model';
import { type BakeRequest, secondsOf } from './bakeRequest';
import { robustTimes } from './robust';
import { solveTimes } from './solve';
import type { Spreads } from './spreads';

/** Sides of a program, and a fire. */
const MOST_SIDES = 9;

const share = fractionField('Share of pieces', 0, 1);
const opinionSchema = z.strictObject({
  /** Of each side. */
  seconds: z.array(numberField('Seconds of a side', { min: 0, max: 3600, unit: 's' })).max(MOST_SIDES),
  /** Of the pieces, those that come out in standard. */
  share,
});

/** What the formula says of a bread on a plate, and what the model would do there. */
export const opinionsSchema = z.strictObject({
  formula: opinionSchema,
  /** The steady choice: most pieces come out as balls, discs and plate spread. Null where no piece would. */
  here: opinionSchema.extend({ lost: z.strictObject({ under: share, over: share }) }).nullable(),
  /** Whether the steady choice keeps clearly more: then somebody must say which holds. */
  differ: z.boolean(),
});

export type Opinions = z.infer<typeof opinionsSchema>;

/**
 * What the opinions about a bread are kept by: the same for the same bread, plate, spreads and model.
 * @returns eight hexadecimal digits and the length of the question
 */
export function opinionsKey(request: BakeRequest, spreads: Spreads): string {
  const text = stableText({ request, spreads, constants: MODEL_CONSTANTS });
  return `${checksum(text)}-${text.length}`;
}

/** Other seconds are told of only where they keep so much more. */
const CLEARLY = 0.03;

/**
 * Both opinions about the seconds of a bread. Yields the share of the work done.
 * @param request the bread on its plate, with the formula's program
 * @param spreads how pieces and plate spread
 */
export function* opinionsOn(request: BakeRequest, spreads: Spreads): Generator<number, Opinions, void> {
  const { written: _written, ...bare } = request;
  const own = request.written ? solveTimes(request).seconds : secondsOf(request.program);
  const {
    seconds,
    share: kept,
    lost,
    givenShare,
  } = yield* robustTimes(bare, spreads, own, solveTimes(bare).seconds[0]);
  return {
    formula: { seconds: own, share: givenShare },
    here: kept > 0 ? { seconds, share: kept, lost } : null,
    differ: kept - givenShare >= CLEARLY,
  };
}
