import { numericQuantity } from 'numeric-quantity';
import { type Told, numberQuestion, readNumber } from './readNumber';
import { type Measures, type Unit, type UnitKind, unitsFor } from './units';

/** An amount as typed, and what it comes to. */
export interface Quantity {
  kind: UnitKind;
  /** Grams for a mass, millilitres for a volume. */
  amount: number;
  /** The pieces as written: "2 lb 3 oz" has two. */
  parts: { value: number; unit: Unit['id'] }[];
}

export type ParsedQuantity = { ok: true; quantity: Quantity } | { ok: false; message: string | Told };

export interface ParseOptions {
  /** Which cups and spoons; US when not said. */
  measures?: Measures;
  /** Unit of a bare number ("350"); without it a bare number is a problem. */
  defaultUnit?: Unit['id'];
}

/** More than this is a slip of the finger, not a batch: one tonne, or a thousand litres. */
const LARGEST_AMOUNT = 1_000_000;

const PART = /([-−]?(?:\d|[.,]\d|[¼-¾⅐-⅞])[\d.,/⁄\s¼-¾⅐-⅞]*)([^\d¼-¾⅐-⅞]*)/gu;

const problem = (message: string | Told): ParsedQuantity => ({ ok: false, message });

/** Of these nobody writes thousandths: "1,250 g" is a grouped number, "1,250 kg" may be either. */
const NEVER_THOUSANDTHS: ReadonlySet<Unit['id']> = new Set(['g', 'mg', 'ml']);

/** What the figures of an amount come to: a plain number, a fraction, a mixed number; a sentence where it could be two. */
function valueOf(text: string, unit: Unit['id'] | undefined): { value: number } | { problem: Told } {
  const read = readNumber(text);
  if (read.as === 'number') return { value: read.value };
  if (read.as === 'none') return { value: numericQuantity(text.replace(',', '.'), { round: false }) };
  const question = numberQuestion(text);
  if (!question || (unit && NEVER_THOUSANDTHS.has(unit))) return { value: read.readings[0] };
  return { problem: question };
}

/**
 * Reads a kitchen amount: "1 1/2 tsp", "350ml", "2¾ cups", "2 lb 3 oz", "1,5 kg".
 * Parts of one kind add up. Returns the amount in grams or millilitres, or one sentence saying what is wrong.
 * @param text as typed
 * @param options kind that is expected, and the kitchen's cups
 */
export function parseQuantity(text: string, options: ParseOptions = {}): ParsedQuantity {
  const input = text.trim();
  if (!input) return problem('Enter how much, for example 350 ml.');
  if (input.length > 60) return problem('That is too long for an amount; write it like 2 lb 3 oz.');
  if (/^[-−]/.test(input)) return problem('An amount cannot be negative.');

  const units = unitsFor(options.measures ?? 'us');
  const matches = [...input.matchAll(PART)];
  if (matches.length === 0 || matches.map((m) => m[0]).join('') !== input) {
    return problem({
      text: '“{typed}” does not start with a number; write it like 1 1/2 tsp.',
      values: { typed: { name: input } },
    });
  }

  const parts: Quantity['parts'] = [];
  let kind: UnitKind | undefined;
  let amount = 0;
  for (const [, numberText = '', unitText = ''] of matches) {
    const name = unitText.trim().toLowerCase().replace(/\.$/, '').replace(/\s+/g, ' ');
    const unit = name
      ? units.find((u) => u.names.includes(name))
      : units.find((u) => u.id === options.defaultUnit);
    if (!unit) {
      return problem(
        name
          ? {
              text: '“{unit}” is not a unit this kitchen knows; use g, kg, oz, lb, ml, l, tsp, tbsp or cup.',
              values: { unit: { name: unitText.trim() } },
            }
          : {
              text: '{number} of what? Add a unit, like g or ml.',
              values: { number: { name: numberText.trim() } },
            },
      );
    }
    const read = valueOf(numberText.trim(), unit.id);
    if ('problem' in read) return problem(read.problem);
    const { value } = read;
    if (!Number.isFinite(value))
      return problem({
        text: '“{typed}” is not a number this kitchen can read.',
        values: { typed: { name: numberText.trim() } },
      });
    if (value < 0) return problem('An amount cannot be negative.');
    if (kind && unit.kind !== kind) return problem('That mixes weight and volume; use one of them.');
    kind = unit.kind;
    amount += value * unit.size;
    parts.push({ value, unit: unit.id });
  }
  if (!kind || amount === 0) return problem('The amount is zero; say how much.');
  if (amount > LARGEST_AMOUNT) {
    return problem(
      kind === 'mass'
        ? 'That is more than 1,000 kg; check the amount.'
        : 'That is more than 1,000 l; check the amount.',
    );
  }
  return { ok: true, quantity: { kind, amount, parts } };
}
