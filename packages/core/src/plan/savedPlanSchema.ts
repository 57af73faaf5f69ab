import { z } from 'zod';
import { countField, instantField, slugField, nameField, uuidField } from '../message/fields';
import { conditionsSchema } from '../kitchen/conditionsSchema';
import { needSchema } from './planRequestSchema';

/** A plan kept for later: what was asked, not what came out, so that it is worked out for the day it is used. */
export const savedPlanSchema = z.strictObject({
  id: uuidField('Plan id'),
  name: nameField('Plan name', { min: 1, max: 60 }),
  savedAt: instantField('Time'),
  formulaId: slugField('Formula'),
  formulaVersion: countField('Formula version', { min: 1, max: 100_000 }),
  need: needSchema,
  conditions: conditionsSchema.optional(),
  mixer: slugField('Mixer').optional(),
});

export type SavedPlan = z.infer<typeof savedPlanSchema>;
