import { numericQuantity } from 'numeric-quantity';
import { type Measures, type Unit, type UnitKind, unitsFor } from './units';

/** An amount as typed, and what it comes to. */
export interface Quantity {
  kind: UnitKind;
  /** Grams for a mass, millilitres for a volume. */
  amount: number;
  /** The pieces as written: "2 lb 3 oz" has two. */
  parts: { value: number; unit: Unit['id'] }[];
}

export type ParsedQuantity = { ok: true; quantity: Quantity } | { ok: false; message: string };

export interface ParseOptions {
  /** Which cups and spoons; US when not said. */
  measures?: Measures;
  /** Unit of a bare number ("350"); without it a bare number is a problem. */
  defaultUnit?: Unit['id'];
}

/** More than this is a slip of the finger, not a batch: one tonne, or a thousand litres. */
const LARGEST_AMOUNT = 1_000_000;

const PART = /([-−]?(?:\d|[.,]\d|[¼-¾⅐-⅞])[\d.,/⁄\s¼-¾⅐-⅞]*)([^\d¼-¾⅐-⅞]*)/gu;

const problem = (message: string): ParsedQuantity => ({ ok: false, message });

/** "1,250" and "1,250.5" use the comma for thousands; any other comma ("1,5") is a decimal comma. */
function normaliseCommas(text: string): string {
  return /^\d{1,3}(,\d{3})+(\.\d+)?$/.test(text) ? text.replaceAll(',', '') : text.replace(',', '.');
}

/**
 * Reads a kitchen amount: "1 1/2 tsp", "350ml", "2¾ cups", "2 lb 3 oz", "1,5 kg".
 * Parts of one kind add up. Returns the amount in grams or millilitres, or one sentence saying what is wrong.
 */
export function parseQuantity(text: string, options: ParseOptions = {}): ParsedQuantity {
  const input = text.trim();
  if (!input) return problem('Say how much, for example 350 ml.');
  if (input.length > 60) return problem('That is too long for an amount; write it like 2 lb 3 oz.');
  if (/^[-−]/.test(input)) return problem('An amount cannot be negative.');

  const units = unitsFor(options.measures ?? 'us');
  const matches = [...input.matchAll(PART)];
  if (matches.length === 0 || matches.map((m) => m[0]).join('') !== input) {
    return problem(`“${input}” does not start with a number; write it like 1 1/2 tsp.`);
  }

  const parts: Quantity['parts'] = [];
  let kind: UnitKind | undefined;
  let amount = 0;
  for (const [, numberText = '', unitText = ''] of matches) {
    const value = numericQuantity(normaliseCommas(numberText.trim()), { round: false });
    if (!Number.isFinite(value))
      return problem(`“${numberText.trim()}” is not a number this kitchen can read.`);
    if (value < 0) return problem('An amount cannot be negative.');
    const name = unitText.trim().toLowerCase().replace(/\.$/, '').replace(/\s+/g, ' ');
    const unit = name
      ? units.find((u) => u.names.includes(name))
      : units.find((u) => u.id === options.defaultUnit);
    if (!unit) {
      return problem(
        name
          ? `“${unitText.trim()}” is not a unit this kitchen knows; use g, kg, oz, lb, ml, l, tsp, tbsp or cup.`
          : `${numberText.trim()} of what? Add a unit, like g or ml.`,
      );
    }
    if (kind && unit.kind !== kind) return problem('That mixes weight and volume; use one of them.');
    kind = unit.kind;
    amount += value * unit.size;
    parts.push({ value, unit: unit.id });
  }
  if (!kind || amount === 0) return problem('The amount is zero; say how much.');
  if (amount > LARGEST_AMOUNT) {
    return problem(`That is more than ${kind === 'mass' ? '1,000 kg' : '1,000 l'}; check the amount.`);
  }
  return { ok: true, quantity: { kind, amount, parts } };
}
