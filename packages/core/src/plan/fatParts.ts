import { type Value, message } from '../message/message';
import { type FatWay, fatWay } from '../formula/fatWay';
import { type MixPart, fatName, inOne, liquidC, liquidLines, liquidName, range } from './mixNames';
import type { Plan } from './planSchema';

/** Fat temperatures that the schools work with (trade practice). */
const FAT_C = { creamed: [18, 22], melted: [40, 50] } as const;
/** Lumps of a solid fat do not outlast a liquid this hot (solid fats melt up to 42 °C). */
const MELTS_FROM_C = 40;
/** A fat is rubbed in where it is firm and not hard; that is cooler for butter than for shortening (trade practice). */
const RUBBED_C: readonly (readonly [id: string, range: readonly [number, number]])[] = [
  ['butter', [8, 16]],
  ['margarine', [8, 16]],
  ['lard', [10, 18]],
  ['shortening', [16, 22]],
  ['tallow', [16, 22]],
];
const RUBBED_USUALLY_C = [12, 18] as const;

/** Where every solid fat of a dough rubs well. */
function rubbedC(plan: Plan): readonly [number, number] {
  const fat = plan.sheet.find(({ kind }) => kind === 'fat')?.ingredient ?? '';
  return RUBBED_C.find(([id]) => fat.startsWith(id))?.[1] ?? RUBBED_USUALLY_C;
}

const isLiquid = (plan: Plan): boolean => {
  const fat = plan.sheet.find(({ kind, late }) => kind === 'fat' && !late)?.ingredient;
  return plan.ingredients.find(({ id }) => id === fat)?.at20 === 'liquid';
};

type Say = (plan: Plan) => Pick<MixPart, 'title' | 'text'>;

const SAY: Record<Exclude<FatWay, 'with the liquid'>, Say> = {
  through: (plan) => ({
    title: 'Fat in',
    text: message('Work {fat} through the flour.', { fat: fatName(plan) ?? '' }),
  }),
  rubbed: (plan) =>
    isLiquid(plan)
      ? {
          title: 'Rub the oil in',
          text: message(
            '{fat} over the flour, rubbed between the hands until no wet lump is left and it looks like damp sand.',
            { fat: { capital: fatName(plan) ?? '' } },
          ),
        }
      : {
          title: 'Rub the fat in',
          text: message(
            liquidC(plan) >= MELTS_FROM_C
              ? '{fat} at {range}, firm, not greasy. Rub with the fingertips to fine crumbs: the warm liquid melts what is left.'
              : '{fat} at {range}, firm, not greasy. Rub with the fingertips to crumbs with some small peas: the peas make the layers.',
            { fat: { capital: fatName(plan) ?? '' }, range: range(rubbedC(plan)) },
          ),
        },
  creamed: (plan) => ({
    title: 'Cream the fat',
    text: message('{fat} at {range}: soft, holding a finger mark. Work it smooth, no lumps.', {
      fat: { capital: fatName(plan) ?? '' },
      range: range(FAT_C.creamed),
    }),
  }),
  whisked: (plan) => ({
    title: 'Whisk the fat into the liquid',
    text: message(
      isLiquid(plan)
        ? '{fat} whisked to fine drops in the liquid, and poured at once: it rises again.'
        : '{fat}, melted at {range}, whisked to fine drops and poured at once: it rises again.',
      { fat: { capital: fatName(plan) ?? '' }, range: range(FAT_C.melted) },
    ),
  }),
  melted: (plan) => ({
    title: 'Pour the fat into the flour',
    text: message(
      '{fat}, melted at {range}, into the flour: stir with a spoon until it looks like wet sand.',
      {
        fat: { capital: fatName(plan) ?? '' },
        range: range(FAT_C.melted),
      },
    ),
  }),
  worked: (plan) => ({
    title: 'Fat in',
    text:
      plan.formula.method.school === 'boiling-water'
        ? message('Work {fat} into the warm dough.', { fat: fatName(plan) ?? '' })
        : message(
            plan.holdBack
              ? 'Work {fat} into the dough once it is shaggy, a third at a time.'
              : 'Work {fat} into the dough once no dry flour is left, a third at a time.',
            { fat: fatName(plan) ?? '' },
          ),
  }),
};

/** The part of mixing in which the fat goes in, if it goes in one of these ways and there is any. */
export function fatPart(plan: Plan, ...ways: FatWay[]): MixPart[] {
  const way = fatWay(plan.formula.method);
  if (way === 'with the liquid' || !ways.includes(way) || fatName(plan) === null) return [];
  return [{ id: 'fat', kind: 'do', probe: 'fat', ...SAY[way](plan) }];
}

/** The liquid, with the fat that is poured in with it. */
export function liquidAndFat(plan: Plan): Value {
  if (fatWay(plan.formula.method) !== 'with the liquid') return liquidName(plan);
  const fats = plan.sheet.filter(({ kind, late }) => kind === 'fat' && !late);
  return inOne([...liquidLines(plan), ...fats]) ?? liquidName(plan);
}
