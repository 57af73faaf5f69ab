import { asText, message } from '../message/message';
import { z } from 'zod';
import { DOUGH_AIMS } from '../dough/feel';
import { HOLDINGS } from '../kitchen/holdings';
import { choiceField, countField, fractionField, numberField, textField } from '../message/fields';

/** How the dough comes together. */
export const MIXING_SCHOOLS = [
  'hold-back',
  'flour-back',
  'rubbed-in',
  'creamed',
  'oil',
  'boiling-water',
  'milk',
  'yogurt-leavener',
] as const;

/** What the cook looks for at the end of kneading. */
export const KNEAD_TESTS = [
  'dent-stays',
  'springs-back',
  'clean-bowl',
  'hands-clean',
  'smooth-tacky',
  'no-cracks',
  'stretch',
] as const;

/** Where the fat goes, when it is not where the school puts it. */
export const FATS_IN = ['rubbed', 'creamed', 'whisked', 'worked', 'melted'] as const;

/** What says that a dough has rested enough between two kneadings. */
export const REST_TESTS = ['a dent fills slowly', 'stretches without tearing', 'smooth and soft'] as const;

/** How fast a mixer turns. */
export const SPEEDS = ['slow', 'medium', 'fast'] as const;

/** What keeps dough off the hands that divide it. */
export const HANDS = ['dry', 'floured', 'wet', 'oiled'] as const;

/** Where discs lie that are all made before the first is baked. */
export const LAID_OUT = ['floured', 'between sheets', 'over the rim of a bowl'] as const;

/** What is done for the plate between pieces. */
export const PLATE_CARES = [
  'wipe it dry',
  'wipe burnt flour off',
  'wipe it with oil',
  'wipe it with salt water',
  'wet it',
] as const;

/** How a ball becomes a disc. */
export const SHAPINGS = ['pin', 'hot-press', 'hand-stretch', 'sheet-thin', 'sheet-press'] as const;

/** What every piece should show. */
export const SPOTS = ['pale and soft', 'pale', 'light freckles', 'freckles', 'deep freckles'] as const;
export const PUFFS = ['flat', 'small bubbles', 'large bubbles', 'full pocket'] as const;
export const PLIABLE = ['at the plate', 'after the stack'] as const;
export const FOLDS = ['rolls up tight', 'folds in half', 'folds in quarters', 'stays crisp'] as const;

const HOUR_S = 3600;
const MOST_ROUNDS = 3;
const MOST_CARES = 5;
const DAY_S = 24 * HOUR_S;

/** How far figures of a method, a bake and a product may go; changes to them stay inside too. */
export const LIMITS_OF = {
  workS: { min: 0, max: HOUR_S },
  restS: { min: 0, max: 4 * DAY_S },
  plateC: { min: 100, max: 350 },
  pressC: { min: 60, max: 250 },
  pressS: { min: 0.5, max: 30 },
  sideS: { min: 1, max: 600 },
  thicknessMm: { min: 0.4, max: 25 },
  black: { min: 0, max: 0.4 },
} as const;

const workSchema = z
  .strictObject({
    by: choiceField('By hand or machine', ['hand', 'machine']),
    /** Of the machine; its friction is the kitchen's own figure whatever its speed. */
    speed: choiceField('Speed of the mixer', SPEEDS).optional(),
    /** The clock is a guard rail: test from `minS` on, do not pass `maxS` without a look. */
    minS: countField('Shortest time', { ...LIMITS_OF.workS, unit: 's' }),
    maxS: countField('Longest time', { ...LIMITS_OF.workS, min: 1, unit: 's' }),
  })
  .refine((w) => w.minS <= w.maxS, {
    message: 'The shortest time is longer than the longest.',
    path: ['minS'],
  });

/** The dough is left in peace and kneaded again; what goes in late is worked in now. */
const againSchema = workSchema.safeExtend({
  pauseS: countField('Pause before kneading again', { min: 0, max: 2 * HOUR_S, unit: 's' }),
  /** A rest, not a mere pause: it ends with this test. */
  restTest: choiceField('Test of the rest', REST_TESTS).optional(),
});

const restSchema = z
  .strictObject({
    of: choiceField('What rests', ['dough', 'balls']),
    where: choiceField('Where it rests', ['room', 'fridge']),
    earliestS: countField('Earliest', { ...LIMITS_OF.restS, unit: 's' }),
    latestS: countField('Latest', { ...LIMITS_OF.restS, min: 1, unit: 's' }),
    cover: textField('Cover', { min: 1, max: 80 }),
  })
  .refine((r) => r.earliestS <= r.latestS, {
    message: 'The earliest end of the rest is after the latest.',
    path: ['earliestS'],
  });

export const methodSchema = z.strictObject({
  school: choiceField('Mixing school', MIXING_SCHOOLS),
  saltIn: choiceField('Salt goes into', ['water', 'flour']),
  liquidTempC: numberField('Liquid temperature', { min: 0, max: 100, unit: '°C' }),
  /** Share of the main liquid kept back and added by feel. */
  holdBack: fractionField('Hold-back', 0, 0.5),
  mix: workSchema,
  /** Part of the flour, wetted with as much of the liquid and set aside before the rest goes in. */
  soak: z
    .strictObject({
      share: fractionField('Flour wetted first', 0.05, 0.95),
      restS: countField('Set aside for', { min: 60, max: DAY_S, unit: 's' }),
    })
    .optional(),
  fatIn: choiceField('Fat goes in', FATS_IN).optional(),
  knead: workSchema.safeExtend({
    test: choiceField('Knead test', KNEAD_TESTS),
    /** What "right" feels like here; a soft and smooth dough where it is not said. */
    aim: choiceField('Feel aimed for', DOUGH_AIMS).optional(),
    again: z
      .array(againSchema)
      .max(
        MOST_ROUNDS,
        asText(
          message('A dough is kneaded again at most {mostRounds, number} times.', {
            mostRounds: MOST_ROUNDS,
          }),
        ),
      )
      .optional(),
  }),
  rests: z.array(restSchema).max(6, 'A method has at most six rests.'),
  /** What hands divide and round with. */
  hands: choiceField('Hands', HANDS).optional(),
  shaping: z.strictObject({
    how: choiceField('Shaping', SHAPINGS),
    /** Balls are pressed flat to coins before their last rest. */
    coins: z.boolean().optional(),
    /** All discs are made before the first is baked, and lie so. */
    laidOut: choiceField('Discs lie', LAID_OUT).optional(),
    /** Whether bench flour is used; a fat dough is rolled without. */
    benchFlour: z.boolean().optional(),
    note: textField('Shaping note', { max: 200 }),
  }),
  hold: textField('Holding', { max: 200 }),
  /** What the bread is held in. */
  holdIn: choiceField('Held in', HOLDINGS).optional(),
});

const sideSchema = z.strictObject({
  seconds: countField('Time of a side', { ...LIMITS_OF.sideS, unit: 's' }),
  /** What is done to this side while it cooks. */
  press: z.boolean().optional(),
  butter: z.boolean().optional(),
  wetFace: z.boolean().optional(),
  /** At its end the rim is pressed onto the iron, all the way round. */
  rim: z.boolean().optional(),
  /** A heat of its own: this side is baked on another place, or pan, that has it. */
  plateC: numberField('Heat of a side', { ...LIMITS_OF.plateC, unit: '°C' }).optional(),
});

export const bakeSchema = z.strictObject({
  surface: choiceField('Surface', ['flat', 'domed']),
  plateC: numberField('Plate temperature', { ...LIMITS_OF.plateC, unit: '°C' }),
  /** Bench flour stays on the disc as it goes on. */
  floured: z.boolean().optional(),
  /** Both faces between hot platens before the plate. */
  hotPress: z
    .strictObject({
      tempC: numberField('Hot press', { ...LIMITS_OF.pressC, unit: '°C' }),
      seconds: numberField('Time in the press', { ...LIMITS_OF.pressS, unit: 's' }),
    })
    .optional(),
  sides: z
    .array(sideSchema)
    .min(1, 'A bake needs at least one side.')
    .max(8, 'A bake has at most eight sides.'),
  finish: z
    .strictObject({
      kind: choiceField('Finish', ['flame', 'grill']),
      seconds: countField('Finish', { min: 1, max: 60, unit: 's' }),
    })
    .optional(),
  /** The plate is set to another heat on purpose once so many pieces are off. */
  later: z
    .strictObject({
      afterPieces: countField('Pieces before the heat changes', { min: 1, max: 10_000 }),
      plateC: numberField('Heat after that', { ...LIMITS_OF.plateC, unit: '°C' }),
    })
    .optional(),
  /** The first pieces teach the plate: they are made on top of what is needed, and count as neither good nor reject. */
  trials: countField('Trial pieces', { min: 1, max: 5 }).optional(),
  /** What is done for the plate, every so many pieces. */
  care: z
    .array(
      z.strictObject({
        what: choiceField('Care of the plate', PLATE_CARES),
        every: countField('Pieces between', { min: 1, max: 200 }),
      }),
    )
    .max(
      MOST_CARES,
      asText(
        message('At most {mostCares, number} things are done for the plate.', { mostCares: MOST_CARES }),
      ),
    )
    .optional(),
});

/** The product standard: what every piece should be. */
export const productSchema = z.strictObject({
  ballG: numberField('Ball weight', { min: 5, max: 2000, unit: 'g' }),
  /** Thickness of the relaxed raw disc, as it goes on the griddle. */
  thicknessMm: numberField('Thickness', { ...LIMITS_OF.thicknessMm, unit: 'mm' }),
  /** Share of the rolled diameter that the disc loses when it relaxes. */
  springBack: fractionField('Spring-back', 0, 0.4),
  /** Share of the dough that is air: about 0.04 unleavened to 0.15 leavened. */
  air: fractionField('Air in the dough', 0, 0.5),
  ballToleranceG: numberField('Ball tolerance', { min: 0.1, max: 100, unit: 'g' }),
  diameterToleranceMm: numberField('Diameter tolerance', { min: 0.5, max: 100, unit: 'mm' }).optional(),
  thicknessToleranceMm: numberField('Thickness tolerance', { min: 0.05, max: 5, unit: 'mm' }).optional(),
  spots: choiceField('Spots', SPOTS).optional(),
  /** Of the second side, where it is wanted otherwise than the first. */
  secondSpots: choiceField('Spots of the second side', SPOTS).optional(),
  puff: choiceField('Puff', PUFFS).optional(),
  fold: choiceField('Fold test', FOLDS).optional(),
  /** Share of a face that may be black, where the product has its own: blisters of iron and flame are wanted. */
  black: fractionField('Black of a face', 0, LIMITS_OF.black.max).optional(),
  /** When the fold is asked for; a thin sheet may leave the plate dry and soften in the stack. */
  pliable: choiceField('Pliable', PLIABLE).optional(),
  look: textField('Look of a good piece', { max: 300 }),
});

export type Method = z.infer<typeof methodSchema>;
export type MixingSchool = Method['school'];
export type Rest = Method['rests'][number];
export type KneadAgain = NonNullable<Method['knead']['again']>[number];
export type FatIn = NonNullable<Method['fatIn']>;
export type PlateCare = NonNullable<BakeProgram['care']>[number];
export type BakeProgram = z.infer<typeof bakeSchema>;
export type ProductStandard = z.infer<typeof productSchema>;
