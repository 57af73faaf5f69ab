import { say, reader } from '../../reader/say';
import { type Need, needSchema } from '@kettle-scale/core/plan';
import {
  type Told,
  numberOrNaN,
  numberQuestion,
  readNumber,
  type Unit,
  type UnitSystem,
  MM_PER_INCH,
  lengthFigure,
  massFigure,
  parseQuantity,
} from '@kettle-scale/core/quantity';
import { z } from 'zod';

/** What the plan screen's fields hold, as typed. */
export interface NeedText {
  by: Need['by'];
  pieces: string;
  ball: string;
  flour: string;
  flourEach: string;
  dough: string;
  diameter: string;
  thickness: string;
  bowls: string;
  /** At hand, by ingredient; empty where there is plenty. */
  stock: Record<string, string>;
}

export type NeedField = Exclude<keyof NeedText, 'by' | 'stock'>;
/** What the address of the plan screen may hold. */
export type NeedAddress = Partial<Record<NeedField | 'by' | 'stock' | 'lot', string>>;
export type NeedErrors = Partial<Record<keyof NeedText, string>>;

const MASS_FIELDS: ReadonlySet<NeedField> = new Set(['ball', 'flour', 'flourEach', 'dough']);

/** A bare number in a weight field is in the unit this person reads. */
export const bareUnit = (units: UnitSystem): Unit['id'] => (units === 'metric' ? 'g' : 'oz');

type Read = { value: number } | { problem: string | Told };

function readMass(text: string, units: UnitSystem): Read {
  const parsed = parseQuantity(text, { defaultUnit: bareUnit(units) });
  if (parsed.ok && parsed.quantity.kind === 'mass') return { value: parsed.quantity.amount };
  return { problem: parsed.ok ? 'Give a weight here, like 105 g or 4 oz.' : parsed.message };
}

/** A length in mm, or in inches for those who read them. */
function readLength(text: string, units: UnitSystem): Read {
  const [, digits = '', unit = ''] = /^\s*([\d.,]+)\s*(mm|cm|in|")?\s*$/i.exec(text) ?? [];
  const value = numberOrNaN(digits);
  const question = numberQuestion(digits);
  if (question) return { problem: question };
  if (digits === '' || !Number.isFinite(value)) return { problem: 'Give a length here, like 240 mm.' };
  const inches = unit === 'in' || unit === '"' || (unit === '' && units === 'us');
  return { value: inches ? value * MM_PER_INCH : unit.toLowerCase() === 'cm' ? value * 10 : value };
}

function readCount(text: string, what: string): Read {
  const read = readNumber(text);
  // Pieces come whole: a group of three after a comma can only be thousands.
  if (read.as !== 'none') return { value: read.as === 'number' ? read.value : read.readings[0] };
  return {
    problem: text.trim()
      ? say('{what} must be a whole number.', { what })
      : say('Enter how many {what}.', { what: { lower: what } }),
  };
}

const READ: Record<NeedField, (text: string, units: UnitSystem) => Read> = {
  pieces: (text) => readCount(text, 'Pieces'),
  bowls: (text) => readCount(text, 'Bowls'),
  ball: readMass,
  flour: readMass,
  flourEach: readMass,
  dough: readMass,
  diameter: readLength,
  thickness: readLength,
};

/** Fields of the screen for each way of saying the need, and the fields of the need they fill. */
export const FIELDS_OF: Record<Need['by'], readonly (readonly [NeedField, string])[]> = {
  pieces: [
    ['pieces', 'pieces'],
    ['ball', 'ballG'],
  ],
  discs: [
    ['pieces', 'pieces'],
    ['diameter', 'diameterMm'],
    ['thickness', 'thicknessMm'],
  ],
  'flour-each': [
    ['pieces', 'pieces'],
    ['flourEach', 'flourEachG'],
  ],
  dough: [
    ['dough', 'doughG'],
    ['ball', 'ballG'],
  ],
  flour: [
    ['flour', 'flourG'],
    ['ball', 'ballG'],
  ],
  stock: [['ball', 'ballG']],
  bowl: [
    ['bowls', 'bowls'],
    ['ball', 'ballG'],
  ],
};

/** Typed text to a need for core, or every problem at its field. */
export function readNeed(
  text: NeedText,
  units: UnitSystem,
): { need: Need; errors: null } | { need: null; errors: NeedErrors } {
  const errors: NeedErrors = {};
  const candidate: Record<string, unknown> = { by: text.by };
  for (const [field, name] of FIELDS_OF[text.by]) {
    const read = READ[field](text[field], units);
    if ('value' in read) candidate[name] = read.value;
    else errors[field] = say(read.problem);
  }
  if (text.by === 'stock') {
    const atHand = Object.entries(text.stock).filter(([, typed]) => typed.trim() !== '');
    const read = atHand.map(([ingredient, typed]) => ({ ingredient, ...readMass(typed, units) }));
    const bad = read.find((one) => 'problem' in one);
    if (bad && 'problem' in bad) errors.stock = say(bad.problem);
    candidate.atHand = read.map((one) => ({
      ingredient: one.ingredient,
      massG: 'value' in one ? one.value : undefined,
    }));
  }
  if (Object.keys(errors).length > 0) return { need: null, errors };
  const need = needSchema.safeParse(candidate);
  if (need.success) return { need: need.data, errors: null };
  for (const { path, message } of need.error.issues) {
    const field = FIELDS_OF[text.by].find(([, name]) => name === path[0])?.[0] ?? 'stock';
    errors[field] ??= say(message);
  }
  return { need: null, errors };
}

/** Finer than the scale: a tenth of an ounce is three grams, too coarse for the weight of a ball. */
const TYPED_STEP_G: Record<UnitSystem, number> = { metric: 1, us: 0.1 };

/** Writes a mass the way it may be typed back: "105", "3.70"; or "3 lb 12.80 oz" when it needs both. */
export function typedMass(massG: number, units: UnitSystem): string {
  const { value, unit } = massFigure(massG, TYPED_STEP_G[units], { ...reader(), units });
  return value.includes('lb') ? `${value} ${unit}` : value;
}

/** Writes a length the way it may be typed back. */
const typedLength = (mm: number, units: UnitSystem): string => lengthFigure(mm, { ...reader(), units }).value;

/** A typed weight as the address keeps it: with its unit, so that it means the same to someone who reads other units. */
export const toAddress = (text: string, units: UnitSystem): string =>
  /[a-z]/i.test(text) ? text : `${text} ${bareUnit(units)}`;

/** A weight from the address as this person would type it; what cannot be read is shown as it is. */
export function fromAddress(text: string | undefined, otherwiseG: number, units: UnitSystem): string {
  if (text === undefined) return typedMass(otherwiseG, units);
  const read = readMass(text, units);
  return 'value' in read ? typedMass(read.value, units) : text;
}

const stockSchema = z.record(z.string(), z.string());

/** The address of a plan holds what was typed, so that a reload or a shared link finds the same plan. */
export function needToAddress(text: NeedText, units: UnitSystem): Record<string, string> {
  const typed = FIELDS_OF[text.by].map(([field]): [string, string] => [
    field,
    MASS_FIELDS.has(field) ? toAddress(text[field], units) : text[field],
  ]);
  const stock: Record<string, string> = text.by === 'stock' ? { stock: JSON.stringify(text.stock) } : {};
  return { by: text.by, ...Object.fromEntries(typed), ...stock };
}

/** Offered when a formula is first planned. */
const FIRST = { pieces: 24, flourG: 2000, flourEachG: 30, doughG: 3000, bowls: 1 } as const;

interface First {
  ballG: number;
  diameterMm: number;
  thicknessMm: number;
}

/** The fields as an address says, or as they are first offered. */
export function needFromAddress(address: NeedAddress, first: First, units: UnitSystem): NeedText {
  const by = address.by ?? '';
  const length = (field: 'diameter' | 'thickness', mm: number) => address[field] ?? typedLength(mm, units);
  let stock: Record<string, string> = {};
  if (address.stock !== undefined) {
    try {
      stock = stockSchema.parse(JSON.parse(address.stock));
    } catch (error) {
      // An address that was cut short: the fields start empty.
      if (!(error instanceof SyntaxError || error instanceof z.ZodError)) throw error;
    }
  }
  return {
    by: by in FIELDS_OF ? (by as Need['by']) : 'pieces',
    pieces: address.pieces ?? String(FIRST.pieces),
    bowls: address.bowls ?? String(FIRST.bowls),
    ball: fromAddress(address.ball, first.ballG, units),
    flour: fromAddress(address.flour, FIRST.flourG, units),
    flourEach: fromAddress(address.flourEach, FIRST.flourEachG, units),
    dough: fromAddress(address.dough, FIRST.doughG, units),
    diameter: length('diameter', first.diameterMm),
    thickness: length('thickness', first.thicknessMm),
    stock,
  };
}

/** A need as the address of the plan screen, to open a plan that was kept. */
export function addressOfNeed(need: Need): Record<string, string> {
  const fields = FIELDS_OF[need.by].map(([field, name]): [string, string] => {
    const value = String((need as unknown as Record<string, number>)[name]);
    return [
      field,
      MASS_FIELDS.has(field)
        ? `${value} g`
        : field === 'diameter' || field === 'thickness'
          ? say('{value} mm', { value })
          : value,
    ];
  });
  const stock: Record<string, string> =
    need.by === 'stock'
      ? {
          stock: JSON.stringify(
            Object.fromEntries(need.atHand.map(({ ingredient, massG }) => [ingredient, `${massG} g`])),
          ),
        }
      : {};
  return { by: need.by, ...Object.fromEntries(fields), ...stock };
}
