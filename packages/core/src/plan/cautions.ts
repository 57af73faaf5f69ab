import { type Words, message } from '../message/message';
import { allergensOf } from '../formula/allergens';
import type { Formula } from '../formula/formulaSchema';
import type { Plan, StepKind } from './planSchema';

/** A danger where it is met: what it is and what to do about it at once, in a few words; then the rest. */
export interface StepCaution {
  /** Its name alone, for a screen with several. */
  danger: Words;
  /** What to do about it at once, in a few words. */
  lead: Words;
  text: string;
}

/** A dry plate this hot smokes by itself; flour on it begins sooner, °C (trade practice). */
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
 */
export const smokesAt = ({ method }: Pick<Formula, 'method'>, plateC: number): boolean =>
  plateC >= SMOKES_FROM_C[method.shaping.benchFlour === false ? 'bare' : 'floured'];

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
      ...(smokesAt(plan.formula, plateC) ? [SMOKE] : []),
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

/**
 * What can hurt someone at a step of a plan, the gravest first.
 * @param plan the plan
 * @param kind the kind of step
 */
export const stepCautions = (plan: Plan, kind: StepKind): StepCaution[] => OF[kind](plan);
