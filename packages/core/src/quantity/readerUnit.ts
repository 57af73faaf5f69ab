import {
  F_AT_0_C,
  F_PER_C,
  GRAMS_PER_OUNCE,
  GRAMS_PER_POUND,
  ML_PER_US_CUP,
  MM_PER_INCH,
  M_PER_FOOT,
} from './customary';
import {
  type Reads,
  US as US_READS,
  type UnitSystem,
  formatBulk,
  formatLength,
  formatMass,
  formatTemp,
} from './formatQuantity';
import { readNumber } from './readNumber';

/** Units that figures are stored in. A kelvin is a difference of temperatures. */
export type StoredUnit = 'g' | 'kg' | 'mm' | 'm' | '°C' | 'K' | 'g/ml' | 'K/min';

/** How a reader reads a stored unit: read = stored × times + plus. */
interface ReaderUnit {
  unit: string;
  times: number;
  plus: number;
}

const METRIC: Record<StoredUnit, ReaderUnit> = {
  g: { unit: 'g', times: 1, plus: 0 },
  kg: { unit: 'kg', times: 1, plus: 0 },
  mm: { unit: 'mm', times: 1, plus: 0 },
  m: { unit: 'm', times: 1, plus: 0 },
  '°C': { unit: '°C', times: 1, plus: 0 },
  K: { unit: '°C', times: 1, plus: 0 },
  'g/ml': { unit: 'g/ml', times: 1, plus: 0 },
  'K/min': { unit: '°C/min', times: 1, plus: 0 },
};
const US: Record<StoredUnit, ReaderUnit> = {
  g: { unit: 'oz', times: 1 / GRAMS_PER_OUNCE, plus: 0 },
  kg: { unit: 'lb', times: 1000 / GRAMS_PER_POUND, plus: 0 },
  mm: { unit: 'in', times: 1 / MM_PER_INCH, plus: 0 },
  m: { unit: 'ft', times: 1 / M_PER_FOOT, plus: 0 },
  '°C': { unit: '°F', times: F_PER_C, plus: F_AT_0_C },
  K: { unit: '°F', times: F_PER_C, plus: 0 },
  'g/ml': { unit: 'oz/cup', times: ML_PER_US_CUP / GRAMS_PER_OUNCE, plus: 0 },
  'K/min': { unit: '°F/min', times: F_PER_C, plus: 0 },
};

const isStored = (unit: string): unit is StoredUnit => Object.hasOwn(METRIC, unit);

/**
 * A reader's unit for a stored one; units that are the same everywhere, as % or s, stay.
 * @param unit a stored unit, as "mm"
 * @param system measures of the reader
 * @returns its name and how to convert
 */
export const readerUnit = (unit: string, system: UnitSystem): ReaderUnit =>
  isStored(unit) ? (system === 'us' ? US : METRIC)[unit] : { unit, times: 1, plus: 0 };

/** A reader's figure has so many digits that a stored step is not lost in it. */
const READ_DIGITS = 4;
const STORED_DECIMALS = 6;

/**
 * A typed or stored figure as the reader reads it.
 * @param text a figure
 * @param unit the stored unit
 * @param system measures of the reader
 * @returns the text as it is where the reader's unit is the stored one, or where it is no number
 * @example readText('25', 'kg', 'us') // '55.12'
 */
export function readText(text: string, unit: string, system: UnitSystem): string {
  const { times, plus } = readerUnit(unit, system);
  const read = readNumber(text);
  if ((times === 1 && plus === 0) || read.as !== 'number') return text;
  return String(Number((read.value * times + plus).toPrecision(READ_DIGITS)));
}

/**
 * What a reader typed, in the stored unit. What is no number, or can be two, stays as it was typed.
 * @param text a figure
 * @param unit the stored unit
 * @param system measures of the reader
 */
export function storedText(text: string, unit: string, system: UnitSystem): string {
  const { times, plus } = readerUnit(unit, system);
  const read = readNumber(text);
  if ((times === 1 && plus === 0) || read.as !== 'number') return text;
  return String(Number(((read.value - plus) / times).toFixed(STORED_DECIMALS)));
}

/** A figure and its unit as core writes them: a no-break space between, which tells them from what a person wrote. */
const WRITTEN = /(-?[\d,]+(?:\.(\d+))?)\u00a0(kg|g|mm|°C)(?![\w/])/g;

const AS_READ: Record<string, (value: number, decimals: number) => string> = {
  kg: (value) => formatBulk(value * 1000, US_READS),
  g: (value, decimals) => formatMass(value, 10 ** -decimals, US_READS),
  mm: (value) => formatLength(value, US_READS),
  '°C': (value) => formatTemp(value, US_READS),
};

/**
 * A sentence that an older version wrote down in metric figures, with the figures as the reader reads them.
 * @param sentence a sentence with metric figures
 * @param reads how the reader reads
 * @example forReader('Rolled to 280\u00a0mm.', US_READS) // 'Rolled to 11.0\u00a0in.'
 */
export const forReader = (sentence: string, { units }: Pick<Reads, 'units'>): string =>
  units === 'metric' || !sentence.includes('\u00a0')
    ? sentence
    : sentence.replace(WRITTEN, (all, figure: string, decimals: string | undefined, unit: string) => {
        const write = AS_READ[unit];
        return write ? write(Number(figure.replaceAll(',', '')), decimals?.length ?? 0) : all;
      });
