import { z } from 'zod';
import { countField } from '../message/fields';
import { wordsSchema } from '../message/wordsSchema';
import { formatFields, formulaSchema } from '../formula/formulaSchema';
import { ON_BREAD_WHEN } from '../formula/onBreadWhen';
import { INGREDIENT_KINDS, ingredientSchema } from '../ingredient/ingredientSchema';
import { adjustmentSchema } from './adjustmentSchema';
import { conditionsSchema } from '../kitchen/conditionsSchema';
import { kitchenSchema, mixerSchema } from '../kitchen/kitchenSchema';
import { needSchema } from './planRequestSchema';

export const PLAN_FORMAT = 'kettle-scale/plan';

const massG = z.number().min(0);

/** As many bowls as a plan may have: everything about a batch is worked out for each. */
export const MOST_BOWLS = 50;
/** More than a plan of so many bowls comes to; a document with more is no plan, and nothing is worked out from it. */
const MOST = {
  lines: 40,
  onBread: 20,
  ingredients: 100,
  steps: 4000,
  warnings: 500,
  adjustments: 60,
} as const;
/** The smallest balls out of the largest bowls. */
const MOST_PIECES = 5_000_000;
const bowlNumber = countField('Bowls', { min: 1, max: MOST_BOWLS });

/** One line of the weigh sheet of one bowl. */
const sheetLineSchema = z.strictObject({
  lineId: z.string(),
  ingredient: z.string(),
  name: z.string(),
  kind: z.enum(INGREDIENT_KINDS),
  note: z.string().optional(),
  /** Weighed beside the bowl, worked in when the dough is kneaded again. */
  late: z.boolean().optional(),
  /** Salt and leaveners go on the fine scale. */
  scale: z.enum(['bench', 'fine']),
  stepG: z.number().positive(),
  /** Before rounding. */
  exactG: massG,
  /** What to weigh, a multiple of the step. */
  massG,
  /** What goes in before mixing, where the rest of `massG` follows by feel. */
  startG: massG.optional(),
  /** Share of flour asked for, and as the rounded sheet has it. */
  fraction: z.number(),
  weighedFraction: z.number(),
  /** massG / exactG − 1. */
  relativeError: z.number(),
});

/** What goes on the bread of the whole batch, to be at hand at its moment. */
const onBreadLineSchema = z.strictObject({
  lineId: z.string(),
  ingredient: z.string(),
  name: z.string(),
  kind: z.enum(INGREDIENT_KINDS),
  note: z.string().optional(),
  when: z.enum(ON_BREAD_WHEN),
  gPerPiece: massG,
  /** How many of the batch get it, where not all do. */
  pieces: z.number().int().min(0).optional(),
  /** For all pieces, to the step of its scale and never short. */
  massG,
  scale: z.enum(['bench', 'fine']),
  stepG: z.number().positive(),
  /** Share of the batch's flour: percent on the bread. */
  fraction: z.number(),
  /** The method puts it on and the formula does not say how much. */
  assumed: z.boolean(),
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
  'pause',
  'rest',
  'divide',
  'coins',
  'flatten',
  'griddle',
  'finish',
] as const;

/** A step of the batch in its order. Ids are stable: events refer to them. */
const stepSchema = z.strictObject({
  id: z.string(),
  kind: z.enum(STEP_KINDS),
  /** Bowl number from 1, for steps done bowl by bowl. */
  bowl: bowlNumber.optional(),
  /** Line of the weigh sheet, for weighing. */
  lineId: z.string().optional(),
  /** Index into the rounds of kneading again, for the pause before one and the kneading itself. */
  round: z.number().int().optional(),
  /** Index into the method's rests, for resting. */
  rest: z.number().int().optional(),
  /** What it usually takes; the sum gives the ready time. */
  expectedS: z.number().min(0),
});

const warningSchema = z.strictObject({
  /** Field of the request that would change it. */
  path: z.string(),
  message: wordsSchema,
});

const restSchema = z.strictObject({
  earliestS: z.number(),
  latestS: z.number(),
  /** Why it is not earlier, and not later. */
  whyEarliest: wordsSchema,
  whyLatest: wordsSchema,
  /**
   * What the day asks for beyond the formula's latest, and what a disc rolled at that latest springs back; null where it is
   * the cold of its centre that asks.
   */
  beyond: z.strictObject({ neededS: z.number(), springBack: z.number().nullable() }).optional(),
});

/** What the day changes in a plan. Shares of flour are fractions; masses are of one bowl. */
const todaySchema = z.strictObject({
  conditions: conditionsSchema,
  /** Moisture of the flour now, and the moisture it goes to in this air (wet basis). */
  flourMoisture: z.number(),
  equilibriumMoisture: z.number(),
  hydration: z.strictObject({
    formula: z.number(),
    /** What the flour's moisture and the lot add to it. */
    byMoisture: z.number(),
    byLot: z.number(),
    /** What a cook carries in from an earlier batch. */
    byChange: z.number().optional(),
    today: z.number(),
    /** Nine doughs in ten are right between these. */
    low: z.number(),
    high: z.number(),
  }),
  /** The liquid that follows the day; null where the formula has none. */
  liquid: z
    .strictObject({
      lineId: z.string(),
      /** In the bowl before the first touch, kept back, and the most it may come to. */
      startG: massG,
      heldG: massG,
      lowG: massG,
      highG: massG,
      /** Temperature to bring it to; the wanted dough temperature may be out of its reach. */
      tempC: z.number(),
      reachable: z.boolean(),
      ice: z.strictObject({ iceG: massG, liquidG: massG }).nullable(),
      /** Where it cannot be reached. */
      bestDoughC: z.number().nullable(),
      flourC: z.number().nullable(),
    })
    .nullable(),
  /** Temperature of the dough when it is kneaded. */
  doughC: z.number(),
  /** Of it, what the mixer's work adds. */
  frictionC: z.number(),
  /** Dough too hot for hands. */
  cooling: z
    .strictObject({
      fromC: z.number(),
      toC: z.number(),
      /** Spread thin; null where the air is too warm. */
      waitS: z.number().nullable(),
      /** In a heap in its bowl, s; null where it never cools there. */
      heapS: z.number().nullable().optional(),
      /** Only in plans of older programs, whose wait was that of the heap. */
      spreadS: z.number().nullable().optional(),
    })
    .nullable(),
  /** Windows of the method's rests, in their order. */
  rests: z.array(restSchema),
});

/** Everything computed for a batch, frozen when it starts. */
export const planSchema = z.strictObject({
  ...formatFields(PLAN_FORMAT, 1, 2, 3, 4, 5, 6),
  formula: formulaSchema,
  need: needSchema,
  kitchen: kitchenSchema,
  mixer: mixerSchema.nullable().optional(),
  /** The ingredients of the formula as they were when the plan was made. */
  ingredients: z.array(ingredientSchema).max(MOST.ingredients),
  pieces: countField('Pieces', { min: 1, max: MOST_PIECES }),
  /** Of them, the first that only teach the plate. */
  trials: z.number().int().min(0).optional(),
  ballG: z.number(),
  bowls: bowlNumber,
  /** Dough that the pieces need with losses; for flour at hand, the dough that the flour gives. */
  neededG: massG,
  /** The weigh sheet of each bowl; all bowls are alike. */
  sheet: z.array(sheetLineSchema).min(1, 'A plan needs something to weigh.').max(MOST.lines),
  /** Not in plans of older programs, which asked nobody. */
  onBread: z.array(onBreadLineSchema).max(MOST.onBread).optional(),
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
  /** Kept back per bowl, to be added by feel. */
  holdBack: z.strictObject({ lineId: z.string(), massG }).nullable(),
  doughDensityGMl: z.number(),
  /** The disc as rolled and after it has sprung back. */
  rolled: discSchema,
  relaxed: discSchema,
  /** Ingredient that ran out first, where the stock decides. */
  scarcest: z.string().optional(),
  /** What lessons and earlier batches changed in it. */
  adjustments: z.array(adjustmentSchema).max(MOST.adjustments).optional(),
  today: todaySchema.optional(),
  steps: z.array(stepSchema).min(1, 'A plan needs steps.').max(MOST.steps),
  expectedS: z.number(),
  warnings: z.array(warningSchema).max(MOST.warnings),
});

export type Plan = z.infer<typeof planSchema>;
export type SheetLine = Plan['sheet'][number];
export type OnBreadLine = z.infer<typeof onBreadLineSchema>;
export type Step = Plan['steps'][number];
export type StepKind = Step['kind'];
export type Today = NonNullable<Plan['today']>;
