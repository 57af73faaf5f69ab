import { z } from 'zod';
import { numberField, slugField, textField } from '../fields';

/** A delivery of one flour: lots drink differently, so a batch remembers which it was. */
export const flourLotSchema = z.strictObject({
  id: slugField('Lot id'),
  ingredient: slugField('Flour'),
  name: textField('Lot name', { min: 1, max: 60 }),
  receivedOn: z.iso.date('The day it came must be a date like 2026-03-04.'),
  bagKg: numberField('Bag', { min: 0.5, max: 1000, unit: 'kg' }),
});

export type FlourLot = z.infer<typeof flourLotSchema>;
