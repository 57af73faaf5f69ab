import { z } from 'zod';
import { SIDE_COLOURS } from '../bake/live/judging';
import { FOLDS, PUFFS } from '../formula/methodSchema';
import { choiceField, numberField, textField } from '../message/fields';

/** What a person fills in of an act: the event has these fields, and so has the form that asks for them. */

export const TEARS = ['tears short', 'stretches, then tears', 'pulls into layers'] as const;
/** How a piece folds, from worst to the standards a formula may ask for. */
export const FOLDED = ['breaks', 'cracks at the fold', ...FOLDS] as const;
/** Figures of past acts that may be put right. */
export const CORRECTABLE = [
  'massG',
  'doughG',
  'ballG',
  'pieces',
  'good',
  'tempC',
  'diameterMm',
  'thicknessMm',
  'rolledMm',
  'relaxedMm',
  'bakedG',
] as const;

export const weightField = (label: string) => numberField(label, { min: 0.01, max: 1_000_000, unit: 'g' });
/** What a ruler says of a disc. */
export const diameterField = (label: string) => numberField(label, { min: 30, max: 900, unit: 'mm' });
/** What a calliper says of a disc. */
export const thicknessField = (label: string) => numberField(label, { min: 0.2, max: 30, unit: 'mm' });

/** One piece looked at; what was not looked at is left out. */
export const inspectedSchema = z.strictObject({
  fold: choiceField('Fold test', FOLDED).optional(),
  tear: choiceField('Tear test', TEARS).optional(),
  firstSide: choiceField('First side', SIDE_COLOURS).optional(),
  secondSide: choiceField('Second side', SIDE_COLOURS).optional(),
  puff: choiceField('Puff', PUFFS).optional(),
  diameterMm: diameterField('Diameter').optional(),
  bakedG: weightField('Baked weight').optional(),
});

/** A past figure put right, with the reason. */
export const rightedSchema = z.strictObject({
  value: numberField('Right value', { min: 0, max: 1_000_000 }),
  reason: textField('Reason', { min: 1, max: 200 }),
});

export const noteSchema = z.strictObject({ text: textField('Note', { min: 1, max: 500 }) });
export const abandonedSchema = z.strictObject({ reason: textField('Reason', { max: 500 }) });
