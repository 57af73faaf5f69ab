import { type Words, message } from '../message/message';
import { allergensOf } from '../formula/allergens';
import type { Plan, StepKind } from './planSchema';

/** A danger where it is met: what it is, and what to do about it. */
export interface StepCaution {
  lead: Words;
  text: string;
}

/** A dry plate this hot smokes, and flour on it burns, °C. */
export const SMOKES_FROM_C = 245;

const isWet = (kind: string): boolean => kind === 'water' || kind === 'dairy';

const onPlate = ({ onBread = [] }: Plan) =>
  onBread.filter(({ when }) => when !== 'on the bench' && when !== 'at the end');

const RAW: StepCaution = {
  lead: 'Raw dough.',
  text: 'Raw flour is not ready to eat: no tasting, and wash hands and tools before they touch baked bread.',
};

const mixer = (by: 'hand' | 'machine'): StepCaution[] =>
  by === 'machine' ? [{ lead: 'Mixer.', text: 'Guard down, no hands, no sleeves while it turns.' }] : [];

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
            lead: 'Open flame.',
            text: 'Long tongs, sleeves back, hood on, nothing loose near it. Follow the maker and your local code.',
          }
        : { lead: 'Hot plate.', text: 'Steam jets from a puffed bread: lift it away from you.' },
      ...(on.some(({ kind }) => kind === 'fat')
        ? [{ lead: 'Hot fat.', text: 'It spits and can catch fire over a flame: brush thinly, never pour.' }]
        : []),
      ...(on.some(({ kind }) => isWet(kind))
        ? [{ lead: 'Steam.', text: 'Water on a hot pan spits: sprinkle from the side, face away.' }]
        : []),
      ...(plateC >= SMOKES_FROM_C
        ? [{ lead: 'Smoke.', text: 'Brush off loose flour before it burns, and run the hood.' }]
        : []),
    ];
  },
  finish: (plan) => {
    const allergens = allergensOf(plan.ingredients.map((food) => ({ food })));
    return [
      {
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
