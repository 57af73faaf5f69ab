import { z } from 'zod';
import { choiceField, fractionField, numberField, slugField, textField, nameField } from '../message/fields';

/** What an ingredient does in a dough; decides its colour, its scale and which totals it counts in. */
export const INGREDIENT_KINDS = [
  'flour',
  'water',
  'dairy',
  'fat',
  'salt',
  'leavener',
  'sugar',
  'egg',
  'other',
] as const;

/**
 * Allergens named on a formula, after common labelling groups; local law decides what must be declared.
 * Gluten is named beside its cereal, because some laws ask for the one and some for the other.
 */
export const ALLERGENS = [
  'gluten',
  'wheat',
  'rye',
  'barley',
  'oats',
  'milk',
  'egg',
  'fish',
  'crustaceans',
  'molluscs',
  'sesame',
  'soy',
  'nuts',
  'peanut',
  'mustard',
  'celery',
  'lupin',
  'sulphites',
] as const;

/** How an ingredient gets into the cup or spoon: the same cup holds very different weights. */
export const FILL_METHODS = ['sifted', 'spooned', 'scooped', 'packed', 'level', 'poured', 'melted'] as const;

/** More than the whole plus rounding in composition tables. */
const LARGEST_SUM = 1.02;

const gramsPerMl = (label: string) => numberField(label, { min: 0.02, max: 3, unit: 'g/ml' });
const pieceG = (label: string) => numberField(label, { min: 0.05, max: 2000, unit: 'g' });

const inOrder = (low: number, typical: number, high: number): boolean => low <= typical && typical <= high;

const densitySchema = z
  .strictObject({
    fill: choiceField('Fill', FILL_METHODS),
    low: gramsPerMl('Lowest density'),
    typical: gramsPerMl('Typical density'),
    high: gramsPerMl('Highest density'),
    /** The day the kitchen weighed its own cup; the values are its own from then on. */
    weighedOn: z.iso.date('The day of weighing must be a date like 2026-03-04.').optional(),
  })
  .refine((d) => inOrder(d.low, d.typical, d.high), {
    message: 'The densities must rise from lowest to typical to highest.',
    path: ['typical'],
  });

const pieceSchema = z
  .strictObject({
    /** As people say it: "stick", "clove", "large". */
    name: nameField('Name of the piece', { min: 1, max: 30 }),
    lowG: pieceG('Lightest piece'),
    typicalG: pieceG('Typical piece'),
    highG: pieceG('Heaviest piece'),
  })
  .refine((p) => inOrder(p.lowG, p.typicalG, p.highG), {
    message: 'The weights must rise from lightest to typical to heaviest.',
    path: ['typicalG'],
  });

/**
 * One ingredient and what it is made of, as mass fractions of itself.
 * `water` and `fat` are what hides in milk, yogurt or butter; ash counts minerals and salt.
 */
export const ingredientSchema = z
  .strictObject({
    id: slugField('Ingredient id'),
    name: nameField('Ingredient name', { min: 1, max: 60 }),
    kind: choiceField('Kind', INGREDIENT_KINDS),
    water: fractionField('Water', 0, 1),
    protein: fractionField('Protein', 0, 1),
    fat: fractionField('Fat', 0, 1),
    carbohydrate: fractionField('Carbohydrate', 0, 1),
    ash: fractionField('Ash', 0, 1),
    allergens: z.array(choiceField('Allergen', ALLERGENS)).max(ALLERGENS.length),
    /** In it in some brands or by the mill it comes from; the pack decides. */
    mayContain: z.array(choiceField('Allergen', ALLERGENS)).max(ALLERGENS.length).optional(),
    /** Other names people write it by, in small letters. */
    aliases: z
      .array(nameField('Other name', { min: 1, max: 60 }))
      .max(40)
      .optional(),
    /** Mass of one millilitre by fill method, as lowest, typical and highest. */
    densities: z.array(densitySchema).max(FILL_METHODS.length).optional(),
    /** What one piece weighs, where people count. */
    pieces: z.array(pieceSchema).max(12).optional(),
    /** Specific heat; without it, it is worked out from the composition. */
    heatKJKgK: numberField('Heat capacity', { min: 0.3, max: 4.3, unit: 'kJ/(kg K)' }).optional(),
    /** What the kitchen pays for a pack, in its own money. */
    pack: z
      .strictObject({
        massG: numberField('Pack', { min: 1, max: 1_000_000, unit: 'g' }),
        price: numberField('Price of a pack', { min: 0, max: 1_000_000 }),
      })
      .optional(),
    /** Water that a flour takes up to the standard dough, as a share of its mass. */
    absorption: fractionField('Absorption', 0.2, 2).optional(),
    /** Whether a dough of this flour alone can be rolled thin. */
    rolls: choiceField('Rolls', ['well', 'with care', 'no']).optional(),
    /** How a fat stands at 20 °C. */
    at20: choiceField('At 20 °C', ['solid', 'soft', 'liquid']).optional(),
    /** Spoils in the warm, though it is neither dairy nor egg. */
    keepCold: z.boolean().optional(),
    /** One thing a cook must know about it. */
    note: textField('Note', { max: 200 }).optional(),
    source: textField('Source', { max: 200 }).optional(),
    /** Left out of lists; formulas that use it keep working. */
    hidden: z.boolean().optional(),
  })
  .refine((i) => i.water + i.protein + i.fat + i.carbohydrate + i.ash <= LARGEST_SUM, {
    message: 'Water, protein, fat, carbohydrate and ash add up to more than the whole.',
    path: ['water'],
  });

export type Ingredient = z.infer<typeof ingredientSchema>;
export type IngredientKind = Ingredient['kind'];
export type Allergen = (typeof ALLERGENS)[number];
export type FillMethod = (typeof FILL_METHODS)[number];
export type Density = NonNullable<Ingredient['densities']>[number];
export type PieceWeight = NonNullable<Ingredient['pieces']>[number];

/** Kinds weighed on the fine scale, because a gram of them is felt in the bread. */
export const FINE_SCALE_KINDS: ReadonlySet<IngredientKind> = new Set(['salt', 'leavener']);
