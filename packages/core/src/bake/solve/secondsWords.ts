import type { BakeRequest, Solution } from './bakeRequest';
import { secondsOf } from './bakeRequest';
import { formatLength, formatTemp, type UnitSystem } from '../../quantity/formatQuantity';
import { rangeWords, troubleWords } from './solveText';

const whole = (s: number): number => Math.round(s);
const listed = (seconds: readonly number[]): string => seconds.map((s) => `${whole(s)}`).join(' + ');

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
  readAt?: string | undefined;
  /** Somebody's taps moved them. */
  trimmed?: boolean;
}

const NOTICED = { plateC: 1, thicknessMm: 0.05, doughC: 1 } as const;

/** How a disc differs; where the figures read alike, in which direction. */
function discWords(isMm: number, writtenMm: number, units: UnitSystem): string {
  const [is, written] = [isMm, writtenMm].map((mm) => formatLength(mm, units));
  return is === written
    ? `the disc is a little ${isMm < writtenMm ? 'thinner' : 'thicker'} than ${written}`
    : `the disc is ${is}, not ${written}`;
}

/**
 * In one line why the seconds shown are not the formula's own; null where they are the same.
 * @param differs what the seconds shown rest on
 * @param units measures of the reader
 */
export function whyNotWritten(
  { request, shown, keepsSplit, readAt, trimmed }: Differs,
  units: UnitSystem = 'metric',
): string | null {
  const { setup, written, program } = request;
  const own = secondsOf(program);
  if (!written || own.every((s, side) => whole(s) === whole(shown[side] ?? s))) return null;
  const plateC = setup.startC?.under ?? setup.plateC;
  const reasons = [
    Math.abs(plateC - written.plateC) >= NOTICED.plateC
      ? `${readAt ? `${readAt} has` : 'the plate is set to'} ${formatTemp(plateC, units)}, not ${formatTemp(written.plateC, units)}`
      : null,
    Math.abs(setup.thicknessMm - written.thicknessMm) >= NOTICED.thicknessMm
      ? discWords(setup.thicknessMm, written.thicknessMm, units)
      : null,
    Math.abs(setup.doughC - written.doughC) >= NOTICED.doughC
      ? `the dough has ${formatTemp(setup.doughC, units)}`
      : null,
    trimmed ? 'your taps moved them' : null,
    keepsSplit ? null : 'by the model those do not give good bread on this plate',
  ].filter((reason) => reason !== null);
  return `The formula says ${listed(own)} s: ${reasons.join(', ') || 'this plate takes it otherwise'}.`;
}

/**
 * What the model says of a formula's own seconds on the kitchen's plate: their range, or what it would do instead.
 * @param solution what the model solved
 * @param plateName name of the plate
 * @returns one sentence
 */
export function ownSecondsWords(solution: Solution, plateName: string): string {
  if (!solution.good && solution.trouble) {
    return `On ${plateName}: ${troubleWords(solution.trouble).replace(/^No/, 'no')}`;
  }
  if (solution.keepsSplit) {
    return `On ${plateName} each side may take ${rangesOf(solution).join(' and ')} s.`;
  }
  const instead = solution.seconds.map((s, side) => `${whole(s)} (${rangesOf(solution)[side] ?? ''})`);
  return `On ${plateName} the model would bake it ${instead.join(' + ')} s: try a piece, and judge it on the live griddle.`;
}
