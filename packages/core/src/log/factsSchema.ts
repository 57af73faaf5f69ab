import { z } from 'zod';
import { REJECTS } from '../batch/eventSchema';
import { SHAPINGS } from '../formula/methodSchema';

/** Steps whose time says something of hands or machines; a rest says nothing. */
export const TIMED_STEPS = ['weigh', 'mix', 'knead', 'divide'] as const;

/** What one batch has to say to lessons, charts and the log; small, so that a year of them is read at once. */
export const batchFactsSchema = z.strictObject({
  batchId: z.string(),
  startedAt: z.string(),
  formulaId: z.string(),
  formulaName: z.string(),
  formulaVersion: z.number().int(),
  lotId: z.string().nullable(),
  status: z.enum(['running', 'finished', 'abandoned']),
  shaping: z.enum(SHAPINGS),
  hydration: z.strictObject({ planned: z.number(), actual: z.number() }),
  /** Hydration judged right, less what formula and moisture say: points. */
  waterPoints: z.number().nullable(),
  doughG: z.strictObject({ planned: z.number(), mixed: z.number(), weighed: z.number().nullable() }),
  bowlLoss: z.number().nullable(),
  benchLoss: z.number().nullable(),
  /** Every disc let go: time constants of the law that it had rested, and the share of its diameter that it lost. */
  relaxing: z.array(z.strictObject({ age: z.number(), springBack: z.number() })),
  /** Minutes of rest in all, and how much a disc sprang back after it. */
  restMin: z.number().nullable(),
  springBack: z.strictObject({ wanted: z.number(), seen: z.number().nullable() }),
  balls: z.strictObject({
    targetG: z.number(),
    toleranceG: z.number(),
    massesG: z.array(z.number()),
  }),
  discs: z.strictObject({
    targetMm: z.number(),
    diametersMm: z.array(z.number()),
    thicknessesMm: z.array(z.number()),
  }),
  pieces: z.strictObject({
    planned: z.number(),
    made: z.number().nullable(),
    good: z.number().nullable(),
  }),
  rejects: z.partialRecord(z.enum(REJECTS), z.number()),
  leftoverG: z.number(),
  /** What steps took against their plan, s, all bowls; facts of older programs have none. */
  times: z
    .partialRecord(z.enum(TIMED_STEPS), z.strictObject({ plannedS: z.number(), tookS: z.number() }))
    .optional(),
  /** Everybody who worked on it, by the ids of cooks. */
  cooks: z.array(z.string()).optional(),
  /** The one cook who judged the dough, and whose the timed work was; nothing where two shared it. */
  doneBy: z.partialRecord(z.enum(['feel', ...TIMED_STEPS]), z.string()).optional(),
  /** In the kitchen's money, at the prices of the day; null where something has no price. */
  costPerPiece: z.number().nullable(),
  /** Some of its figures were made up by a stand-in: it teaches only a kitchen that is made up as a whole. */
  simulated: z.boolean().optional(),
});

export type BatchFacts = z.infer<typeof batchFactsSchema>;
