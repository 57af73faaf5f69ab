import { z } from 'zod';
import { formatFields, formulaSchema } from '../formula/formulaSchema';
import { INGREDIENT_KINDS, ingredientSchema } from '../ingredient/ingredientSchema';
import { kitchenSchema } from './kitchenSchema';
import { needSchema } from './planRequestSchema';

export const PLAN_FORMAT = 'kettle-scale/plan';

const massG = z.number().min(0);

/** One line of the weigh sheet of one bowl. */
const sheetLineSchema = z.strictObject({
  lineId: z.string(),
  ingredient: z.string(),
  name: z.string(),
  kind: z.enum(INGREDIENT_KINDS),
  note: z.string().optional(),
  /** Salt and leaveners go on the fine scale. */
  scale: z.enum(['bench', 'fine']),
  stepG: z.number().positive(),
  /** Before rounding. */
  exactG: massG,
  /** What to weigh, a multiple of the step. */
  massG,
  /** Share of flour in the formula, and as the rounded sheet has it. */
  fraction: z.number(),
  weighedFraction: z.number(),
  /** massG / exactG − 1. */
  relativeError: z.number(),
});

/** What a dough comes to, as shares of its flour; see `DoughTotals`. */
export const totalsSchema = z.strictObject({
  hydration: z.number(),
  fat: z.number(),
  salt: z.number(),
  doughPerFlour: z.number(),
  doughMoisture: z.number(),
});

const discSchema = z.strictObject({ diameterMm: z.number(), thicknessMm: z.number() });

export const STEP_KINDS = [
  'weigh',
  'mix',
  'knead',
  'rest',
  'divide',
  'flatten',
  'griddle',
  'finish',
] as const;

/** A step of the batch in its order. Ids are stable: events refer to them. */
const stepSchema = z.strictObject({
  id: z.string(),
  kind: z.enum(STEP_KINDS),
  /** Bowl number from 1, for steps done bowl by bowl. */
  bowl: z.number().int().optional(),
  /** Line of the weigh sheet, for weighing. */
  lineId: z.string().optional(),
  /** Index into the method's rests, for resting. */
  rest: z.number().int().optional(),
  /** What it usually takes; the sum gives the ready time. */
  expectedS: z.number().min(0),
});

const warningSchema = z.strictObject({
  /** Field of the request that would change it. */
  path: z.string(),
  message: z.string(),
});

/** Everything computed for a batch, frozen when it starts. */
export const planSchema = z.strictObject({
  ...formatFields(PLAN_FORMAT, 1),
  formula: formulaSchema,
  need: needSchema,
  kitchen: kitchenSchema,
  /** The ingredients of the formula as they were when the plan was made. */
  ingredients: z.array(ingredientSchema),
  pieces: z.number().int(),
  ballG: z.number(),
  bowls: z.number().int(),
  /** Dough that the pieces need with losses; for flour at hand, the dough that the flour gives. */
  neededG: massG,
  /** The weigh sheet of each bowl; all bowls are alike. */
  sheet: z.array(sheetLineSchema),
  /** Sum of the rounded sheet. */
  bowlG: massG,
  /** bowlG × bowls. */
  doughG: massG,
  flourG: massG,
  /** Ball weight that the rounded sheet gives after losses. */
  expectedBallG: massG,
  /** Dough left when all pieces are cut at the asked ball weight; below zero when rounding left it short. */
  leftoverG: z.number(),
  rounding: z.strictObject({
    /** The line that rounding moves most, as a share of its own mass. */
    worstLineId: z.string(),
    worstRelativeError: z.number(),
    /** The largest change of any percentage, as a share of flour (0.001 is a tenth of a point). */
    worstFractionError: z.number(),
  }),
  /** As the rounded sheet has it. */
  totals: totalsSchema,
  /** Liquid kept back per bowl, to be added by feel. */
  holdBack: z.strictObject({ lineId: z.string(), massG }).nullable(),
  doughDensityGMl: z.number(),
  /** The disc as rolled and after it has sprung back. */
  rolled: discSchema,
  relaxed: discSchema,
  steps: z.array(stepSchema),
  expectedS: z.number(),
  warnings: z.array(warningSchema),
});

export type Plan = z.infer<typeof planSchema>;
export type SheetLine = Plan['sheet'][number];
export type Step = Plan['steps'][number];
export type StepKind = Step['kind'];
