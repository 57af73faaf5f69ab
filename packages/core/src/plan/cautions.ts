import { type Words, message } from '../message/message';
import { allergensOf } from '../formula/allergens';
import type { Formula } from '../formula/formulaSchema';
import type { KindOfBread } from '../formula/kindsOfBread';
import { planKind } from './planKind';
import type { Plan, StepKind } from './planSchema';

/** A danger where it is met: what it is and what to do about it at once, in a few words; then the rest. */
export interface StepCaution {
  /** Its name alone, for a screen with several. */
  danger: Words;
  /** What to do about it at once, in a few words. */
  lead: Words;
  text: string;
}

/** A dry plate this hot smokes by itself; flour on it, and fat that a rich dough sweats out, begin sooner, °C (trade practice). */
const SMOKES_FROM_C = { bare: 245, floured: 200 } as const;

export const SMOKE = {
  danger: 'smoke',
  lead: 'Smoke: run the hood.',
  text: 'Brush off loose flour before it burns.',
} as const;

/**
 * Whether a plate smokes at a heat: where the bench is floured some of it gets there.
 * @param formula its bench flour
 * @param plateC plate, °C
 * @param kind kind of bread
 */
export const smokesAt = ({ method }: Pick<Formula, 'method'>, plateC: number, kind: KindOfBread): boolean => {
  const isBare = method.shaping.benchFlour === false && kind !== 'enriched wheat';
  return plateC >= SMOKES_FROM_C[isBare ? 'bare' : 'floured'];
};

const isWet = (kind: string): boolean => kind === 'water' || kind === 'dairy';

const onPlate = ({ onBread = [] }: Plan) =>
  onBread.filter(({ when }) => when !== 'on the bench' && when !== 'at the end');

const RAW: StepCaution = {
  danger: 'raw dough',
  lead: 'Raw: no tasting.',
  text: 'Raw flour is not ready to eat: wash hands and tools before they touch baked bread.',
};

const mixer = (by: 'hand' | 'machine'): StepCaution[] =>
  by === 'machine'
    ? [
        {
          danger: 'mixer',
          lead: 'Mixer: hands out.',
          text: 'Guard down. No sleeves, nothing loose near it while it turns.',
        },
      ]
    : [];

/** The dangers of each step that come from the plan itself; what is measured on the way brings its own. */
const OF: Record<StepKind, (plan: Plan) => StepCaution[]> = {
  weigh: () => [],
  mix: ({ formula: { method } }) => mixer(method.mix.by),
  knead: ({ formula: { method } }) => [...mixer(method.knead.by), RAW],
  pause: () => [],
  rest: () => [],
  divide: () => [RAW],
  coins: () => [RAW],
  flatten: () => [],
  griddle: (plan) => {
    const { plateC, finish } = plan.formula.bake;
    const on = onPlate(plan);
    return [
      finish
        ? {
            danger: 'flame',
            lead: 'Flame: tongs, hood on.',
            text: 'Long tongs, sleeves back, nothing loose near it. Follow the maker and your local code.',
          }
        : {
            danger: 'steam',
            lead: 'Steam: lift away.',
            text: 'Away from you: a puffed bread lets out jets of steam, and the plate is hot.',
          },
      ...(on.some(({ kind }) => kind === 'fat')
        ? [
            {
              danger: 'hot fat',
              lead: 'Hot fat: brush thinly, never pour.',
              text: 'It spits and can catch fire over a flame.',
            },
          ]
        : []),
      ...(on.some(({ kind }) => isWet(kind))
        ? [
            {
              danger: 'spitting water',
              lead: 'Water spits: keep your face away.',
              text: 'Sprinkle a hot pan from the side.',
            },
          ]
        : []),
      ...(smokesAt(plan.formula, plateC, planKind(plan)) ? [SMOKE] : []),
    ];
  },
  finish: (plan) => {
    const allergens = allergensOf(plan.ingredients.map((food) => ({ food })));
    return [
      {
        danger: 'allergens',
        lead:
          allergens.length > 0
            ? message('Contains {allergens}.', { allergens: { list: allergens } })
            : 'Allergens.',
        text: 'Keep it apart from bread without them. Holding and cooling: follow your local food code; the person in charge decides.',
      },
    ];
  },
};

const POCKET: StepCaution = {
  danger: 'hot pocket',
  lead: 'Full of steam: open it away from you.',
  text: 'A pocket stays hot inside for minutes; a pinhole sprays.',
};

/** What a kind of bread adds to the dangers of a step. */
const OF_KIND: Partial<Record<KindOfBread, Partial<Record<StepKind, StepCaution>>>> = {
  maize: {
    flatten: {
      danger: 'press',
      lead: 'Press: fingers off the plates.',
      text: 'Hold it by the handle alone; the lever springs.',
    },
    finish: {
      danger: 'cross-contact',
      lead: 'Maize: not free of gluten beside wheat.',
      text: 'Promise it to nobody unless flour, bench, press and plate are its own. Follow your local food code.',
    },
  },
  'pocket bread': { griddle: POCKET },
  sheet: {
    griddle: {
      danger: 'hot rim',
      lead: 'Dome: lay it on from the far side.',
      text: 'A wide sheet folds back over the hand: lay it down away from you, over a cushion or a pin.',
    },
  },
};

/**
 * What can hurt someone at a step of a plan, the gravest first.
 * @param plan the plan
 * @param kind the kind of step
 */
export function stepCautions(plan: Plan, kind: StepKind): StepCaution[] {
  const more = OF_KIND[planKind(plan)]?.[kind];
  return more ? [...OF[kind](plan), more] : OF[kind](plan);
}
