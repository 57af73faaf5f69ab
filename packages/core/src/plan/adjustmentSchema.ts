import { z } from 'zod';
import { wordsSchema } from '../message/wordsSchema';
import { choiceField, textField } from '../message/fields';

/** Everything a lesson or a diagnosis may change in a plan, with its unit and how far it may go. */
export const ADJUSTABLE = {
  water: { name: 'Water', unit: 'points', min: -15, max: 15 },
  salt: { name: 'Salt', unit: 'points', min: -3, max: 3 },
  'bowl-loss': { name: 'Lost in the bowl', unit: 'share', min: 0, max: 0.2 },
  'bench-loss': { name: 'Lost on the bench', unit: 'share', min: 0, max: 0.2 },
  'relaxing-time': { name: 'Time to relax', unit: 'times', min: 0.2, max: 5 },
  rest: { name: 'Rest', unit: 'min', min: -120, max: 240 },
  'least-rest': { name: 'Rest in all, at least', unit: 'min', min: 0, max: 480 },
  knead: { name: 'Kneading', unit: 's', min: -600, max: 600 },
  plate: { name: 'Plate', unit: '°C', min: -80, max: 80 },
  sides: { name: 'Each side', unit: 's', min: -60, max: 120 },
  thickness: { name: 'Thickness', unit: 'mm', min: -3, max: 3 },
} as const;

export type Adjustable = keyof typeof ADJUSTABLE;
const NAMES = Object.keys(ADJUSTABLE) as [Adjustable, ...Adjustable[]];

/** One change to a plan: what history teaches, or what a cook carries on from a batch that went wrong. */
export const adjustmentSchema = z
  .strictObject({
    id: textField('Change', { min: 1, max: 120 }),
    from: choiceField('Where the change comes from', ['lesson', 'diagnosis']),
    what: choiceField('What changes', NAMES),
    value: z.number('The change must be a number.'),
    /** Why, for whoever reads the plan. */
    words: z.union([textField('Reason', { min: 1, max: 300 }), wordsSchema]),
  })
  .refine(({ what, value }) => value >= ADJUSTABLE[what].min && value <= ADJUSTABLE[what].max, {
    message: 'This change is larger than a plan takes.',
    path: ['value'],
  });

export type Adjustment = z.infer<typeof adjustmentSchema>;

/** A change that the cook carries from one batch into the next of its formula, until it is dropped. */
export const carriedSchema = z.strictObject({
  id: textField('Change', { min: 1, max: 120 }),
  formulaId: z.string(),
  /** The batch whose trouble it answers. */
  batchId: z.string(),
  at: z.string(),
  adjustment: adjustmentSchema,
});
export type Carried = z.infer<typeof carriedSchema>;
