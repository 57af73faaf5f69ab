import { type FatWay, fatWay } from '../formula/fatWay';
import type { UnitSystem } from '../quantity/formatQuantity';
import { type MixPart, fatName, range } from './mixNames';
import type { Plan } from './planSchema';

/** Fat temperatures that the schools work with (trade practice). */
const FAT_C = { creamed: [18, 22], melted: [40, 50] } as const;
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

type Say = (plan: Plan, units: UnitSystem) => Pick<MixPart, 'title' | 'text'>;

const SAY: Record<Exclude<FatWay, 'with the liquid'>, Say> = {
  through: (plan) => ({ title: 'Fat in', text: `Work ${fatName(plan)} through the flour.` }),
  rubbed: (plan, units) =>
    isLiquid(plan)
      ? {
          title: 'Rub the oil in',
          text: `${fatName(plan)} over the flour, rubbed between the hands until no wet lump is left and it looks like damp sand.`,
        }
      : {
          title: 'Rub the fat in',
          text: `${fatName(plan)} at ${range(rubbedC(plan), units)}, firm, not greasy. Rub with the fingertips to crumbs with some small peas: the peas make the layers.`,
        },
  creamed: (plan, units) => ({
    title: 'Cream the fat',
    text: `${fatName(plan)} at ${range(FAT_C.creamed, units)}: soft, holding a finger mark. Work it smooth, no lumps.`,
  }),
  whisked: (plan, units) => ({
    title: 'Whisk the fat into the liquid',
    text: `${fatName(plan)}, melted at ${range(FAT_C.melted, units)} if it was solid, whisked until no slick is left on top.`,
  }),
  worked: (plan) => ({
    title: 'Fat in',
    text:
      plan.formula.method.school === 'boiling-water'
        ? `Work ${fatName(plan)} into the warm dough.`
        : `Work ${fatName(plan)} into the dough once no dry flour is left, a third at a time.`,
  }),
};

/** The part of mixing in which the fat goes in, if it goes in one of these ways and there is any. */
export function fatPart(plan: Plan, units: UnitSystem, ...ways: FatWay[]): MixPart[] {
  const way = fatWay(plan.formula.method);
  if (way === 'with the liquid' || !ways.includes(way) || fatName(plan) === '') return [];
  return [{ id: 'fat', kind: 'do', probe: 'fat', ...SAY[way](plan, units) }];
}

/** The fat in a liquid that is poured in at once: " and lard", or nothing. */
export const fatWithLiquid = (plan: Plan, joint: string): string =>
  fatWay(plan.formula.method) === 'with the liquid' && fatName(plan) ? `${joint}${fatName(plan)}` : '';
