import { type Value, type Words, message } from '../../message/message';
import type { BakeRequest, Solution } from './bakeRequest';
import { secondsOf } from './bakeRequest';
import { rangeWords, TROUBLE_ON } from './solveText';

const whole = (s: number): number => Math.round(s);
const listed = (seconds: readonly number[]): Value => ({ list: seconds.map(whole), glue: ' + ' });

/**
 * The range of each side beside its figure; none where there is no good bread.
 * @param solution what the model solved
 * @returns texts by side, as "14 to 22 s"
 */
export const rangesOf = (solution: Pick<Solution, 'good' | 'least' | 'most'>): string[] =>
  solution.good ? solution.least.map((least, side) => rangeWords(least, solution.most[side] ?? least)) : [];

/** What differs from what the formula's seconds were written for. */
export interface Differs {
  request: BakeRequest;
  /** Seconds that are shown. */
  shown: readonly number[];
  keepsSplit: boolean;
  /** The place that was read, as in "place 5"; else the plate is what was asked. */
  readAt?: Words | undefined;
  /** Somebody's taps moved them. */
  trimmed?: boolean;
}

const NOTICED = { plateC: 1, thicknessMm: 0.05, doughC: 1 } as const;

/** How a disc differs; where the figures read alike, in which direction. */
function discWords(isMm: number, writtenMm: number): Words {
  const [is, written] = [{ mm: isMm }, { mm: writtenMm }];
  if (isMm.toFixed(1) !== writtenMm.toFixed(1))
    return message('the disc is {is}, not {written}', { is, written });
  return isMm < writtenMm
    ? message('the disc is a little thinner than {written}', { written })
    : message('the disc is a little thicker than {written}', { written });
}

/**
 * In one line why the seconds shown are not the formula's own; null where they are the same.
 * @param differs what the seconds shown rest on
 */
export function whyNotWritten({ request, shown, keepsSplit, readAt, trimmed }: Differs): Words | null {
  const { setup, written, program } = request;
  const own = secondsOf(program);
  if (!written || own.every((s, side) => whole(s) === whole(shown[side] ?? s))) return null;
  const plateC = setup.startC?.under ?? setup.plateC;
  const reasons = [
    Math.abs(plateC - written.plateC) >= NOTICED.plateC
      ? readAt === undefined
        ? message('the plate is set to {plate}, not {written}', {
            plate: { tempC: plateC },
            written: { tempC: written.plateC },
          })
        : message('{place} has {plate}, not {written}', {
            place: readAt,
            plate: { tempC: plateC },
            written: { tempC: written.plateC },
          })
      : null,
    Math.abs(setup.thicknessMm - written.thicknessMm) >= NOTICED.thicknessMm
      ? discWords(setup.thicknessMm, written.thicknessMm)
      : null,
    Math.abs(setup.doughC - written.doughC) >= NOTICED.doughC
      ? message('the dough has {dough}', { dough: { tempC: setup.doughC } })
      : null,
    trimmed ? 'your taps moved them' : null,
    keepsSplit ? null : 'by the model those do not give good bread on this plate',
  ].filter((reason) => reason !== null);
  return message('The formula says {listed} s: {reasons}.', {
    listed: listed(own),
    reasons: reasons.length > 0 ? { list: reasons } : 'this plate needs other times',
  });
}

/**
 * What the model says of a formula's own seconds on the kitchen's plate: their range, or what it would do instead.
 * @param solution what the model solved
 * @param plateName name of the plate
 * @returns one sentence
 */
export function ownSecondsWords(solution: Solution, plateName: string): Words {
  if (!solution.good && solution.trouble) {
    return message('On {plate}: {trouble}', {
      plate: { name: plateName },
      trouble: TROUBLE_ON[solution.trouble],
    });
  }
  if (solution.keepsSplit) {
    return message('On {plate} each side may take {ranges} s.', {
      plate: { name: plateName },
      ranges: { list: rangesOf(solution), as: 'and' },
    });
  }
  const instead = solution.seconds.map((s, side) => `${whole(s)} (${rangesOf(solution)[side] ?? ''})`);
  return message(
    'On {plate} the model would bake it {instead} s: try a piece, and judge it on the live griddle.',
    { plate: { name: plateName }, instead: { list: instead, glue: ' + ' } },
  );
}
