import { z } from 'zod';
import { formatFields } from '../formula/formulaSchema';
import { batchFactsSchema } from './factsSchema';

export const LOG_FORMAT = 'kettle-scale/log';

/** The log as one document: what each batch has to say, and its notes. */
export const logSchema = z.strictObject({
  ...formatFields(LOG_FORMAT, 1),
  exportedAt: z.string(),
  batches: z.array(batchFactsSchema.extend({ notes: z.array(z.string()) })),
});
export type LogDocument = z.infer<typeof logSchema>;
export type LogRow = LogDocument['batches'][number];
