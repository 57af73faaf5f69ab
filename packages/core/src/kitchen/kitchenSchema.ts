import { asText, message } from '../message/message';
import { z } from 'zod';
import {
  choiceField,
  countField,
  fractionField,
  numberField,
  slugField,
  textField,
  nameField,
} from '../message/fields';
import { HOLDINGS } from './holdings';
import { griddleSchema } from './griddleSchema';
import { MOST_TIMES_CHOSEN } from './timesChosen';
import { isZone } from '../quantity/days';
import { SCALE_STEPS_G } from '../quantity/roundToStep';

const stepField = (label: string) =>
  z.literal([...SCALE_STEPS_G], {
    error: (issue) =>
      issue.input === undefined
        ? asText(message('{label} is missing.', { label }))
        : asText(
            message('{label} must be a step that scales show: {scaleSteps} g.', {
              label,
              scaleSteps: SCALE_STEPS_G.join(', '),
            }),
          ),
  });

/** A bowl or a machine that doughs are mixed in. */
export const mixerSchema = z
  .strictObject({
    id: slugField('Mixer'),
    name: nameField('Mixer name', { min: 1, max: 40 }),
    by: choiceField('Worked by', ['hand', 'machine']),
    minG: numberField('Smallest load', { min: 0, max: 500_000, unit: 'g' }),
    maxG: numberField('Largest load', { min: 50, max: 500_000, unit: 'g' }),
    /** Measured rise of the dough while it works. */
    warmCPerMin: numberField('Warming', { min: 0, max: 5, unit: 'K/min' }),
    /** Width of the opening, from which hot dough cools. */
    openingMm: numberField('Opening', { min: 80, max: 1500, unit: 'mm' }),
  })
  .refine((mixer) => mixer.minG <= mixer.maxG, {
    message: 'The smallest load is more than the largest.',
    path: ['minG'],
  });

export type Mixer = z.infer<typeof mixerSchema>;

/** Somebody who works here. Who has left stays known, so that records keep the name. */
export const cookSchema = z.strictObject({
  id: slugField('Cook'),
  name: nameField('Name of the cook', { min: 1, max: 40 }),
  gone: z.literal(true).optional(),
});
export type KitchenCook = z.infer<typeof cookSchema>;

/**
 * What a cook is called; the id where the kitchen does not know them, as after a batch of elsewhere was brought in.
 * @param cooks all that the kitchen knows
 */
export const cookNames = (cooks: readonly KitchenCook[] = []): ((id: string) => string) => {
  const names = new Map(cooks.map(({ id, name }) => [id, name] as const));
  return (id) => names.get(id) ?? id;
};

/** Whose seconds hold for a bread on a plate: the formula's own, or those worked out for here. */
export const timesChosenSchema = z.strictObject({
  formulaId: slugField('Formula'),
  /** Null where the kitchen has told of no plate. */
  griddleId: slugField('Griddle').nullable(),
  use: choiceField('Seconds to use', ['formula', 'here']),
});
export type TimesChosen = z.infer<typeof timesChosenSchema>;

/** What the kitchen works with: scales, bowl, and the dough it loses on the way. */
const settingsSchema = z.strictObject({
  /** What the bench scale can show. */
  benchStepG: stepField('Step of the bench scale'),
  /** What the fine scale can show; salt and leaveners go on it. */
  fineStepG: stepField('Step of the fine scale'),
  /** The most the fine scale carries; heavier lines go on the bench scale. */
  fineMaxG: numberField('Limit of the fine scale', { min: 1, max: 20_000, unit: 'g' }),
  /** The most dough one bowl or mixer takes. */
  bowlCapacityG: numberField('Bowl capacity', { min: 50, max: 500_000, unit: 'g' }),
  /** The least it mixes well. */
  bowlMinimumG: numberField('Smallest load', { min: 0, max: 500_000, unit: 'g' }),
  /** Share of the dough that stays in the bowl and on hands. */
  bowlLoss: fractionField('Bowl loss', 0, 0.2),
  /** Share of the dough lost on the bench when dividing. */
  benchLoss: fractionField('Bench loss', 0, 0.2),
  /** Which cups and spoons hang on the wall; chosen once. US when not said. */
  measures: choiceField('Cups and spoons', ['us', 'metric']).optional(),
  /** Bowls and machines to choose from; without any, the bowl above is meant. */
  mixers: z.array(mixerSchema).max(12, 'At most twelve bowls and mixers.').optional(),
  /** How long a dough with milk, yogurt or egg may be out of the cold in all; 4 h when not said. */
  coldLimitH: numberField('Time out of the cold', { min: 0.25, max: 24, unit: 'h' }).optional(),
  /** How long bread may be held in each way. */
  holdH: z
    .partialRecord(z.enum(HOLDINGS), numberField('Holding time', { min: 0.1, max: 24 * 365, unit: 'h' }))
    .optional(),
  /** How long dough that is left over may stay in the fridge. */
  fridgeDoughH: numberField('Dough in the fridge', { min: 1, max: 24 * 7, unit: 'h' }).optional(),
  /** The plates that bread bakes on. */
  griddles: z.array(griddleSchema).max(12, 'At most twelve griddles.').optional(),
  /** Where the kitchen's clock hangs: days, use-by times and filters follow it. */
  timeZone: z.string().refine(isZone, 'This is not a time zone, like Europe/Lisbon.').optional(),
  /** The bench's shorter side; a disc must lie on it. */
  benchMm: numberField('Bench', { min: 150, max: 5000, unit: 'mm' }).optional(),
  /** Balls that the bench and its trays hold at a time. */
  benchBalls: countField('Balls on the bench', { min: 1, max: 10_000 }).optional(),
  /** When the kitchen closes, on its own clock. */
  closesAt: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time is written like 22:30.')
    .optional(),
  /** Above the sea; water boils cooler up high. */
  altitudeM: numberField('Altitude', { min: -400, max: 5000, unit: 'm' }).optional(),
  /** Who works here, to be chosen on a phone with one tap; acts carry the cook from then on. */
  cooks: z.array(cookSchema).max(60, 'At most sixty cooks.').optional(),
  /** Whether feel and step times are learned of each cook too; they are when not said. */
  learnPerCook: z.boolean('Say whether to learn from each cook.').optional(),
  /** Lessons that are not let into plans. */
  lessonsOff: z
    .array(textField('Lesson', { min: 1, max: 120 }))
    .max(500)
    .optional(),
  /** Where a formula's seconds and those for here differ, which are used; by formula and plate. */
  timesChosen: z.array(timesChosenSchema).max(MOST_TIMES_CHOSEN, 'At most a thousand choices.').optional(),
  /** Money that pack prices are in. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'The currency is three capital letters, like EUR.')
    .optional(),
});

/** The same, where they fit each other. */
export const kitchenSchema = settingsSchema.refine((k) => k.bowlMinimumG <= k.bowlCapacityG, {
  message: 'The smallest load is more than the bowl holds.',
  path: ['bowlMinimumG'],
});

export type Kitchen = z.infer<typeof kitchenSchema>;

const { benchMm, benchBalls, altitudeM, closesAt } = settingsSchema.shape;

/** Some of what the kitchen works with, to take the place of what was; null where nobody knows it any more. */
export const kitchenChangeSchema = settingsSchema
  .extend({
    benchMm: benchMm.nullable(),
    benchBalls: benchBalls.nullable(),
    altitudeM: altitudeM.nullable(),
    closesAt: closesAt.nullable(),
  })
  .partial();

export type KitchenChange = z.infer<typeof kitchenChangeSchema>;
