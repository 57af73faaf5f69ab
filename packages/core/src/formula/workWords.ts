import { type Words, message } from '../message/message';
import type { DoughAim } from '../dough/feel';
import { type FatWay, fatWay } from './fatWay';
import type { Formula } from './formulaSchema';
import { kneadTestWords } from './kneadTestWords';
import type { Method, MixingSchool, PlateCare, SPEEDS } from './methodSchema';

const SCHOOL: Record<MixingSchool, string> = {
  'hold-back': 'Dry first, then most of the liquid; the rest by feel.',
  'flour-back': 'Start wet, add flour by the handful until it is right.',
  'rubbed-in': 'Dry first, then the liquid; the rest by feel.',
  creamed: 'The dry next, the liquid last.',
  oil: 'Liquid onto the flour.',
  'boiling-water': 'Boiling liquid onto the flour with a spoon; wait before hands go in.',
  milk: 'Warm milk onto it; the rest by feel.',
  'yogurt-leavener': 'Leavener into the flour, then all that is wet at once.',
};

const FAT: Record<FatWay, string> = {
  through: 'Fat through the flour.',
  rubbed: 'Fat rubbed into the flour, solid fat to crumbs.',
  creamed: 'Fat worked soft and smooth first.',
  whisked: 'Fat whisked into the liquid.',
  worked: 'Fat worked into the dough.',
  melted: 'Fat melted, then poured into the flour and stirred through.',
  'with the liquid': 'Fat with the liquid.',
};

/** Part of the flour is wetted first. */
const soakWords = ({ share, restS }: NonNullable<Method['soak']>): Words =>
  message('Wet {share} of the flour with its part of the liquid and set it aside for {rest}.', {
    share: { share },
    rest: { s: restS },
  });

/**
 * How the dough is mixed and where its fat goes, in short sentences.
 * @param method the method
 * @param hasFat whether the dough has fat
 */
export function mixWords(method: Method, hasFat: boolean): Words {
  const fat = hasFat ? [FAT[fatWay(method)]] : [];
  const isAfter = fatWay(method) === 'worked' || fatWay(method) === 'with the liquid';
  const mixed = isAfter ? [SCHOOL[method.school], ...fat] : [...fat, SCHOOL[method.school]];
  const sentences = method.soak ? [soakWords(method.soak), ...mixed] : mixed;
  return message('{sentences}', { sentences: { list: sentences, glue: ' ' } });
}

const AIM: Record<DoughAim, string> = {
  'slightly tacky': 'slightly tacky on purpose',
  soft: 'soft and smooth',
  stiff: 'stiff',
};

/** A span of time with its two ends, or the one that they are. */
export const timeSpan = (minS: number, maxS: number): Words =>
  minS === maxS ? { s: minS } : message('{min} to {max}', { min: { s: minS }, max: { s: maxS } });

const MIXER_AT: Record<(typeof SPEEDS)[number], string> = {
  slow: 'in the mixer, slow',
  medium: 'in the mixer, medium',
  fast: 'in the mixer, fast',
};

/**
 * By whom a dough is worked, and how fast a mixer turns.
 * @param work the work
 */
export const workedBy = ({ by, speed }: Pick<Method['mix'], 'by' | 'speed'>): string =>
  by === 'hand' ? 'by hand' : speed ? MIXER_AT[speed] : 'in the mixer';

/**
 * The kneading in its rounds, a sentence each: the first, then each pause with what is worked in after it.
 * @param formula its lines and kneading
 * @param nameOf name of an ingredient by its id
 */
export function kneadWords(
  { lines, method: { knead } }: Pick<Formula, 'lines' | 'method'>,
  nameOf: (ingredient: string) => string,
): Words[] {
  const late = lines
    .filter(({ late: isLate }) => isLate)
    .map(({ ingredient }) => ({ lower: nameOf(ingredient) }));
  const again = (knead.again ?? []).map(({ pauseS, restTest, minS, maxS, ...who }, round) => {
    const work =
      round === 0 && late.length > 0
        ? message('work in {late}', { late: { list: late, as: 'and' } })
        : 'knead again';
    const how = { work, span: timeSpan(minS, maxS), by: workedBy(who) };
    if (pauseS > 0 && restTest) {
      return message(
        'Rest it covered for about {pause}, until it passes: {test}. Then {work}, {span} {by}.',
        {
          pause: { s: pauseS },
          test: restTest,
          ...how,
        },
      );
    }
    return pauseS > 0
      ? message('Leave it covered for {pause}, then {work}, {span} {by}.', { pause: { s: pauseS }, ...how })
      : message('{work} at once, {span} {by}.', { ...how, work: { capital: work } });
  });
  const first = {
    span: timeSpan(knead.minS, knead.maxS),
    by: workedBy(knead),
    test: kneadTestWords({ formula: { method: { knead } } }),
  };
  return [
    knead.aim
      ? message('{span} {by}, until {test}. It should be {aim}.', { ...first, aim: AIM[knead.aim] })
      : message('{span} {by}, until {test}.', first),
    ...again,
  ];
}

/**
 * One thing that is done for the plate: "Wipe it with oil every 3 pieces".
 * @param care what is done and how often
 */
export const careWords = ({ what, every }: PlateCare): Words =>
  message('{what} {every, plural, one {after every piece} other {every # pieces}}', { what, every });
