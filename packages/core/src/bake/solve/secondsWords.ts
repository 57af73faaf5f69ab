import { type Value, type Words, message } from '../../message/message';
import type { BakeRequest, Solution } from './bakeRequest';
import type { Opinions } from './opinions';
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
  /** Whose seconds the program's are. */
  use: 'formula' | 'here';
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
export function whyNotWritten({ request, shown, use, readAt, trimmed }: Differs): Words | null {
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
  ].filter((reason) => reason !== null);
  const why: Value = reasons.length > 0 ? { list: reasons } : 'this plate needs other times';
  return use === 'formula'
    ? message('The formula says {listed} s: {reasons}.', { listed: listed(own), reasons: why })
    : message('Chosen for here are {listed} s: {reasons}.', { listed: listed(own), reasons: why });
}

/**
 * What the model says of the seconds in use on the kitchen's plate: their range, or why nothing is good there.
 * @param solution what the model solved
 * @param plateName name of the plate
 * @returns one sentence; null where they lie outside of what the model finds good
 */
export function ownSecondsWords(solution: Solution, plateName: string): Words | null {
  if (!solution.good && solution.trouble) {
    return message('On {plate}: {trouble}', {
      plate: { name: plateName },
      trouble: TROUBLE_ON[solution.trouble],
    });
  }
  if (!solution.keepsSplit) return null;
  return message('On {plate} each side may take {ranges} s.', {
    plate: { name: plateName },
    ranges: { list: rangesOf(solution), as: 'and' },
  });
}

/** Of several sides, kept on one line. */
const unbroken = (seconds: readonly number[]): Value => ({ list: seconds.map(whole), glue: '\u00a0+\u00a0' });
const ofHundred = (share: number): number => Math.round(100 * share);

/**
 * Both opinions in one line, where they differ; null where they do not.
 * @param opinions what the formula says and what would be steady here
 * @param plateName name of the plate
 */
export function opinionsWords({ formula, here, differ }: Opinions, plateName: string): Words | null {
  if (!differ || !here) return null;
  return message(
    'The formula says {formula} s: {formulaShare, number} of 100 come out in standard. On {plate} it would be {here} s: {hereShare, number} of 100.',
    {
      formula: unbroken(formula.seconds),
      formulaShare: ofHundred(formula.share),
      plate: { name: plateName },
      here: unbroken(here.seconds),
      hereShare: ofHundred(here.share),
    },
  );
}

/** A bread that comes out less often than this has too little room, and says why. */
const STEADY = 0.95;

/**
 * Why even the steadiest seconds lose many pieces; null where they do not.
 * @param opinions what the formula says and what would be steady here
 */
export function unsteadyWords({ here }: Opinions): Words | null {
  if (!here || here.share >= STEADY) return null;
  return message(
    'Even the steadiest seconds lose {lost, number} of 100 as pieces and plate differ here: {under, number} are not done, {over, number} burn or dry. Evener balls and discs, or thicker ones, lose fewer.',
    {
      lost: 100 - ofHundred(here.share),
      under: ofHundred(here.lost.under),
      over: ofHundred(here.lost.over),
    },
  );
}
