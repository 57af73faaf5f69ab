import { type Need, type Unit, type UnitSystem, massFigure, parseQuantity } from '@kettle-scale/core';
import { needSchema } from '@kettle-scale/core/batch';
import { z } from 'zod';

/** What the plan screen's fields hold, as typed. */
export interface NeedText {
  by: Need['by'];
  pieces: string;
  ball: string;
  flour: string;
}

/** A bare number in a weight field is in the unit this person reads. */
export const bareUnit = (units: UnitSystem): Unit['id'] => (units === 'metric' ? 'g' : 'oz');

const massText = (units: UnitSystem) =>
  z.string().transform((text, context) => {
    const parsed = parseQuantity(text, { defaultUnit: bareUnit(units) });
    if (parsed.ok && parsed.quantity.kind === 'mass') return parsed.quantity.amount;
    context.addIssue({
      code: 'custom',
      message: parsed.ok ? 'Give a weight here, like 105 g or 4 oz.' : parsed.message,
    });
    return z.NEVER;
  });

const piecesText = z.string().transform((text, context) => {
  const digits = text.trim().replaceAll(',', '');
  if (/^-?\d+(\.\d+)?$/.test(digits)) return Number(digits);
  context.addIssue({
    code: 'custom',
    message: digits ? 'Pieces must be a whole number.' : 'Say how many pieces.',
  });
  return z.NEVER;
});

/** Field of the screen for a field of the need. */
const FIELD_OF: Record<string, keyof NeedText> = { pieces: 'pieces', ballG: 'ball', flourG: 'flour' };

/** The schema of the screen: typed text in, a need for core out, every problem at its field. */
export function needTextSchema(units: UnitSystem) {
  const mass = massText(units);
  return z
    .discriminatedUnion('by', [
      z.object({ by: z.literal('pieces'), pieces: piecesText, ball: mass }),
      z.object({ by: z.literal('flour'), flour: mass, ball: mass }),
    ])
    .transform((fields, context): Need => {
      const candidate =
        fields.by === 'pieces'
          ? { by: fields.by, pieces: fields.pieces, ballG: fields.ball }
          : { by: fields.by, flourG: fields.flour, ballG: fields.ball };
      const need = needSchema.safeParse(candidate);
      if (need.success) return need.data;
      for (const { path, message } of need.error.issues) {
        context.addIssue({ code: 'custom', message, path: [FIELD_OF[String(path[0])] ?? 'ball'] });
      }
      return z.NEVER;
    });
}

/** Finer than the scale: a tenth of an ounce is three grams, too coarse for the weight of a ball. */
const TYPED_STEP_G: Record<UnitSystem, number> = { metric: 1, us: 0.1 };

/** Writes a mass the way it may be typed back: "105", "3.70"; or "3 lb 12.80 oz" when it needs both. */
export function typedMass(massG: number, units: UnitSystem): string {
  const { value, unit } = massFigure(massG, TYPED_STEP_G[units], units);
  return value.includes('lb') ? `${value} ${unit}` : value;
}

/** A typed weight as the address keeps it: with its unit, so that it means the same to someone who reads other units. */
export const toAddress = (text: string, units: UnitSystem): string =>
  /[a-z]/i.test(text) ? text : `${text} ${bareUnit(units)}`;

/** A weight from the address as this person would type it; what cannot be read is shown as it is. */
export function fromAddress(text: string | undefined, otherwiseG: number, units: UnitSystem): string {
  if (text === undefined) return typedMass(otherwiseG, units);
  const parsed = parseQuantity(text, { defaultUnit: bareUnit(units) });
  return parsed.ok && parsed.quantity.kind === 'mass' ? typedMass(parsed.quantity.amount, units) : text;
}
