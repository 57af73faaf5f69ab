import { formatSpan } from '../quantity/formatQuantity';
import type { DoughAim } from '../dough/feel';
import { type FatWay, fatWay } from './fatWay';
import type { Formula } from './formulaSchema';
import { kneadTestWords } from './kneadTestWords';
import type { Method, MixingSchool, PlateCare } from './methodSchema';

const SCHOOL: Record<MixingSchool, string> = {
  'hold-back': 'Dry first, then most of the liquid; the rest by feel.',
  'flour-back': 'Start wet, add flour by the handful until it is right.',
  'rubbed-in': 'Dry first, then the liquid; the rest by feel.',
  creamed: 'Then the dry, then the liquid.',
  oil: 'Liquid onto the flour.',
  'boiling-water': 'Boiling liquid onto the flour with a spoon; wait before hands go in.',
  milk: 'Then warm milk; the rest by feel.',
  'yogurt-leavener': 'Leavener into the flour, then yogurt and liquid.',
};

const FAT: Record<FatWay, string> = {
  through: 'Fat through the flour.',
  rubbed: 'Fat rubbed into the flour, solid fat to crumbs.',
  creamed: 'Fat worked soft and smooth first.',
  whisked: 'Fat whisked into the liquid.',
  worked: 'Fat worked into the dough.',
  'with the liquid': 'Fat with the liquid.',
};

/**
 * How the dough is mixed and where its fat goes, in short sentences.
 * @param method the method
 * @param hasFat whether the dough has fat
 */
export function mixWords(method: Method, hasFat: boolean): string {
  const fat = hasFat ? FAT[fatWay(method)] : '';
  const isAfter = fatWay(method) === 'worked' || fatWay(method) === 'with the liquid';
  return (isAfter ? [SCHOOL[method.school], fat] : [fat, SCHOOL[method.school]]).filter(Boolean).join(' ');
}

const AIM: Record<DoughAim, string> = {
  'slightly tacky': 'slightly tacky on purpose',
  soft: 'soft and smooth',
  stiff: 'stiff',
};

const span = (minS: number, maxS: number): string =>
  minS === maxS ? formatSpan(minS) : `${formatSpan(minS)} to ${formatSpan(maxS)}`;
const by = (who: Method['mix']['by']): string => (who === 'hand' ? 'by hand' : 'in the mixer');

/**
 * The kneading in its rounds, a sentence each: the first, then each pause with what is worked in after it.
 * @param formula its lines and kneading
 * @param nameOf name of an ingredient by its id
 */
export function kneadWords(
  { lines, method: { knead } }: Pick<Formula, 'lines' | 'method'>,
  nameOf: (ingredient: string) => string,
): string[] {
  const aim = knead.aim ? ` It should be ${AIM[knead.aim]}.` : '';
  const late = lines
    .filter(({ late: isLate }) => isLate)
    .map(({ ingredient }) => nameOf(ingredient).toLowerCase());
  const again = (knead.again ?? []).map(({ pauseS, by: who, minS, maxS }, round) => {
    const pause = pauseS > 0 ? `Leave it covered for ${formatSpan(pauseS)}, then ` : 'Then ';
    const what = round === 0 && late.length > 0 ? `work in ${late.join(' and ')}` : 'knead again';
    return `${pause}${what}, ${span(minS, maxS)} ${by(who)}.`;
  });
  return [
    `${span(knead.minS, knead.maxS)} ${by(knead.by)}, until ${kneadTestWords({ formula: { method: { knead } } })}.${aim}`,
    ...again,
  ];
}

/**
 * One thing that is done for the plate: "Wipe it with oil every 3 pieces".
 * @param care what is done and how often
 */
export const careWords = ({ what, every }: PlateCare): string =>
  `${what} ${every === 1 ? 'after every piece' : `every ${every} pieces`}`;
