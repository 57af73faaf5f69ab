import { type Words, asText, message } from '../message/message';
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
import { formatFields } from '../formula/formulaSchema';

export const SHIFT_FORMAT = 'kettle-scale/shift';

/** What one pair of hands can be trusted with. A mixer and a rest need nobody. */
export const SKILLS = ['weigh', 'load', 'knead', 'divide', 'roll', 'bake'] as const;
export type Skill = (typeof SKILLS)[number];

export const DAY_S = 86_400;
/** A service may end after midnight. */
const LATEST_S = 2 * DAY_S;
const MOST_PIECES = 10_000;
const HOUR_S = 3600;

/** A time of the day, s from midnight. */
export const timeField = (label: string) => numberField(label, { min: 0, max: LATEST_S, unit: 's' });
const spanField = (label: Words, max = 4 * HOUR_S) => numberField(label, { min: 0, max, unit: 's' });
export const moneyField = (label: string) => numberField(label, { min: 0, max: 10_000 });

/** Guests that come and go: a triangle with its top at the peak. */
export const waveSchema = z
  .strictObject({
    opens: timeField('Opens'),
    peak: timeField('Peak'),
    closes: timeField('Closes'),
    pieces: numberField('Pieces of the wave', { min: 0, max: MOST_PIECES }),
  })
  .refine(({ opens, closes }) => closes > opens, {
    message: 'The wave closes before it opens.',
    path: ['closes'],
  })
  .refine(({ opens, peak, closes }) => peak >= opens && peak <= closes, {
    message: 'The peak lies outside the wave.',
    path: ['peak'],
  });

export type Wave = z.infer<typeof waveSchema>;

/** Pieces that somebody asked for at a time. */
const orderSchema = z.strictObject({
  at: timeField('Time of the order'),
  pieces: countField('Pieces of the order', { min: 1, max: MOST_PIECES }),
});

export const wavesSchema = z.array(waveSchema).max(24, 'At most 24 waves.');
export const ordersSchema = z.array(orderSchema).max(200, 'At most 200 orders.');

const restWindow = (label: string) =>
  z
    .tuple([
      spanField(message('{label}, earliest', { label }), 3 * DAY_S),
      spanField(message('{label}, latest', { label }), 3 * DAY_S),
    ])
    .refine(([earliest, latest]) => latest >= earliest, {
      message: asText(message('{label}: the latest is before the earliest.', { label })),
    });

/** A bread as the line makes it: what each step takes, how long it may lie, and what a piece is worth. */
export const lineBreadSchema = z.strictObject({
  id: slugField('Bread'),
  name: nameField('Bread name', { min: 1, max: 80 }).optional(),
  ballG: numberField('Ball weight', { min: 5, max: 2000, unit: 'g' }),
  /** Share of the dough that never becomes a ball. */
  loss: fractionField('Loss', 0, 0.4).optional(),
  rejectShare: fractionField('Rejects', 0, 0.9).optional(),
  weighS: spanField('Weighing'),
  loadS: spanField('Loading'),
  mixS: spanField('Mixing'),
  kneadS: spanField('Kneading'),
  /** Hands knead it; otherwise the mixer does. */
  kneadByHand: z.boolean().optional(),
  /** Rest of the dough, earliest and latest. */
  rest1: restWindow('Rest of the dough'),
  /** Dividing and balling, for one piece. */
  divideS: spanField('Dividing a piece'),
  /** Rest of the balls until each is rolled, earliest and latest. */
  rest2: restWindow('Rest of the balls'),
  rollS: spanField('Rolling a piece'),
  sidesS: z.array(spanField('A side', HOUR_S)).min(1, 'A bread needs a side.').max(12),
  /** Between two pieces, so that the plate keeps its heat. */
  heatS: spanField('Heat of the plate').optional(),
  /** Name of the heat it bakes at; another name is another heat of the plate. */
  heat: textField('Heat', { min: 1, max: 40 }),
  /** The plate that it is baked on, where not any will do. */
  plate: slugField('Plate').optional(),
  /** Discs that may lie rolled or be in hand. */
  ahead: countField('Rolled ahead', { min: 1, max: 200 }),
  holdS: spanField('Holding', 60 * DAY_S),
  /** What a piece that is missing costs, and one that is thrown away. */
  cu: moneyField('Cost of a missing piece'),
  co: moneyField('Cost of a piece thrown away'),
  waitPerMin: moneyField('Cost of a minute of waiting').optional(),
  /** How long a guest waits for it. */
  patienceS: spanField('Patience').optional(),
  /** What a ball that is thrown away costs; three fifths of a piece where nobody said. */
  doughCost: moneyField('Cost of a ball').optional(),
  waves: wavesSchema.optional(),
  orders: ordersSchema.optional(),
});

export type LineBread = z.infer<typeof lineBreadSchema>;

export const personSchema = z.strictObject({
  id: slugField('Cook'),
  name: nameField('Name of the cook', { min: 1, max: 40 }).optional(),
  can: z.array(choiceField('Skill', SKILLS)).max(SKILLS.length),
});

const lineMixerSchema = z
  .strictObject({
    id: slugField('Mixer'),
    minG: numberField('Smallest load', { min: 0, max: 500_000, unit: 'g' }),
    maxG: numberField('Largest load', { min: 50, max: 500_000, unit: 'g' }),
  })
  .refine(({ minG, maxG }) => minG <= maxG, {
    message: 'The smallest load is more than the largest.',
    path: ['minG'],
  });

const linePlateSchema = z.strictObject({
  id: slugField('Plate'),
  places: countField('Places', { min: 1, max: 200 }),
  preheatS: spanField('Preheating'),
  /** Seconds from one heat to another: `"hot>mild"`. */
  changeS: z.record(z.string(), spanField('Change of heat')).optional(),
});

/** What a batch may begin with instead of flour. */
export const COLD_AS = ['balls', 'dough'] as const;

/** Dough or balls of an earlier batch that wait in the fridge: the start of a plan, whole or in part. */
const coldSchema = z.strictObject({
  /** The batch that it is of. */
  id: textField('Batch in the fridge', { min: 1, max: 60 }),
  bread: slugField('Bread'),
  as: choiceField('What is cold', COLD_AS),
  pieces: countField('Pieces in the fridge', { min: 1, max: MOST_PIECES }),
  /** Baked by then, s from midnight; below zero it is over. */
  bestBy: numberField('Best by', { min: -LATEST_S, max: 60 * DAY_S, unit: 's' }),
  /** From the fridge until it can be divided, or rolled. */
  warmS: spanField('Warming', DAY_S),
});

export type Cold = z.infer<typeof coldSchema>;

/** What a batch of a shift is: of a bread, so many balls, when it is begun, and when its baking begins. */
export const shiftBatchSchema = z.strictObject({
  bread: z.number().int().min(0),
  n: countField('Balls of a batch', { min: 1, max: MOST_PIECES }),
  start: timeField('Start'),
  /** Not baked before this; as soon as it is rested where it is not said. */
  bakeAt: timeField('Baking').optional(),
  /** Which of the shift's cold doughs it begins with; from flour where it is not said. */
  cold: z.number().int().min(0).optional(),
});

export type ShiftBatch = z.infer<typeof shiftBatchSchema>;

export const shiftPlanSchema = z.strictObject({
  batches: z.array(shiftBatchSchema).max(200, 'At most 200 batches.'),
  /** When the plate is lit; in time for the first batch where it is not said. */
  light: timeField('Lighting').optional(),
});

export type ShiftPlan = z.infer<typeof shiftPlanSchema>;

/** The hours of a shift, with the names they have in every document. */
export const HOURS = {
  opens: timeField('Kitchen opens'),
  serviceFrom: timeField('Service from'),
  serviceTo: timeField('Service to'),
  ends: timeField('Shift ends'),
};

/** A document whose hours follow each other. */
export const inOrderOfDay = <T extends z.ZodType<Record<keyof typeof HOURS, number>>>(document: T) =>
  document
    .refine(({ serviceFrom, serviceTo }) => serviceTo > serviceFrom, {
      message: 'The service ends before it begins.',
      path: ['serviceTo'],
    })
    .refine(({ opens, serviceFrom }) => opens <= serviceFrom, {
      message: 'The kitchen opens after the service begins.',
      path: ['opens'],
    })
    .refine(({ serviceTo, ends }) => ends >= serviceTo, {
      message: 'The shift ends before the service does.',
      path: ['ends'],
    });

/** A shift: its hours, its people and iron, its breads, and what is wanted of them. Times are seconds from midnight. */
export const shiftSchema = inOrderOfDay(
  z.strictObject({
    name: nameField('Name of the shift', { max: 80 }).optional(),
    ...HOURS,
    slotS: numberField('Slot', { min: 60, max: HOUR_S, unit: 's' }).optional(),
    patienceS: spanField('Patience').optional(),
    /** How alike days are: the shape of the gamma factor of a day; 40 where nobody said. */
    dayK: numberField('Similarity of days', { min: 1, max: 10_000 }).optional(),
    changeCost: moneyField('Cost of a change of heat').optional(),
    /** What the work of one more batch is worth: fewer and larger ones are calmer. */
    batchCost: moneyField('Cost of a batch').optional(),
    leftAtClose: choiceField('Left at closing', ['thrown out', 'kept']).optional(),
    /** How much hands and machines vary, as shares of their times. */
    spread: z
      .strictObject({
        hand: fractionField('Spread of hands', 0, 1),
        machine: fractionField('Spread of machines', 0, 1),
      })
      .partial()
      .optional(),
    people: z.array(personSchema).min(1, 'Nobody is on shift.').max(20),
    mixers: z.array(lineMixerSchema).min(1, 'There is no bowl.').max(12),
    /** Balls that the bench and its trays hold; no limit where nobody said. */
    benchBalls: countField('Balls on the bench', { min: 1, max: MOST_PIECES }).optional(),
    plates: z.array(linePlateSchema).min(1, 'There is no plate.').max(6),
    breads: z.array(lineBreadSchema).min(1, 'There is no bread to make.').max(20),
    cold: z.array(coldSchema).max(40, 'At most 40 doughs in the fridge.').optional(),
  }),
);

export type Shift = z.infer<typeof shiftSchema>;

/** A shift as a document, with a plan for it where there is one. */
export const shiftDocumentSchema = z
  .strictObject({
    ...formatFields(SHIFT_FORMAT, 1),
    shift: shiftSchema,
    plan: shiftPlanSchema.optional(),
  })
  .superRefine(({ shift, plan }, context) => {
    plan?.batches.forEach(({ bread, cold }, index) => {
      const missing = (field: string, message: string) =>
        context.addIssue({ code: 'custom', path: ['plan', 'batches', index, field], message });
      if (!(bread in shift.breads)) missing('bread', 'The shift has no bread at this place.');
      if (cold !== undefined && shift.cold?.[cold]?.bread !== shift.breads[bread]?.id) {
        missing('cold', 'The fridge has nothing of this bread at this place.');
      }
    });
  });

/** What holds where a shift says nothing (assumptions of the trade; the log and the kitchen have the last word). */
export const SHIFT_DEFAULTS = {
  slotS: 300,
  patienceS: 300,
  dayK: 40,
  changeCost: 0,
  handCv: 0.15,
  machineCv: 0.05,
  loss: 0.015,
  /** A change of heat that nobody measured, s. */
  changeS: 600,
  /** What a ball costs, as a share of a piece thrown away. */
  ballShare: 0.6,
} as const;
