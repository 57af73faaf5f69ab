import { formatQuantity } from 'format-quantity';
import { F_AT_0_C, F_PER_C, GRAMS_PER_OUNCE, MM_PER_INCH } from './customary';
import { stepDecimals } from './roundToStep';
import { type Measures, unitsFor } from './units';

/** How a person reads measures: remembered per person, not per kitchen. */
export type UnitSystem = 'metric' | 'us';

/** How a reader reads figures. */
export interface Reads {
  units: UnitSystem;
  /** BCP 47: which marks stand between digits. */
  locale: string;
}

export const METRIC: Reads = { units: 'metric', locale: 'en' };
export const US: Reads = { units: 'us', locale: 'en' };

const formats = new Map<string, Intl.NumberFormat>();

/**
 * A plain number with as many decimals as are asked for.
 * @param value the number
 * @param decimals digits after the mark
 * @param reads how the reader reads
 * @param least digits that stand even where they are zeros
 */
export function formatFigure(
  value: number,
  decimals: number,
  { locale }: Reads = METRIC,
  least = decimals,
): string {
  const key = `${locale} ${decimals} ${least}`;
  const format =
    formats.get(key) ??
    new Intl.NumberFormat(locale, { minimumFractionDigits: least, maximumFractionDigits: decimals });
  formats.set(key, format);
  return format.format(value);
}
const number = formatFigure;

const OUNCES_PER_POUND = 16;

/** A mass split into its figure and its unit, so that a screen can set them in two sizes. */
export interface Figure {
  value: string;
  unit: string;
}

/**
 * Mass to the scale's step: 1,725 g; 67.4 g; or 3 lb 12.8 oz, with the ounces as fine as the step.
 * @param massG g
 * @param stepG step of the scale, g
 * @param reads how the reader reads
 */
export function massFigure(massG: number, stepG = 1, reads: Reads = METRIC): Figure {
  if (reads.units === 'metric') return { value: number(massG, stepDecimals(stepG), reads), unit: 'g' };
  const decimals = stepG < 1 ? 2 : 1;
  const ounces = Number((massG / GRAMS_PER_OUNCE).toFixed(decimals));
  const pounds = Math.floor(ounces / OUNCES_PER_POUND);
  const rest = number(ounces - pounds * OUNCES_PER_POUND, decimals, reads);
  return { value: pounds > 0 ? `${number(pounds, 0, reads)} lb ${rest}` : rest, unit: 'oz' };
}

/** A tenth of an ounce is 3 % of a ball: too coarse to hold one to. */
const BALL_STEP_G = 0.1;

/**
 * A ball, as the bench scale shows it: 102 g where it shows whole grams; ounces to hundredths.
 * @param massG g
 * @param benchStepG step of the bench scale, g
 * @param reads how the reader reads
 */
export const ballFigure = (massG: number, benchStepG: number, reads: Reads = METRIC): Figure =>
  massFigure(massG, reads.units === 'us' ? Math.min(benchStepG, BALL_STEP_G) : benchStepG, reads);

const GRAMS_PER_KG = 1000;

/**
 * Flour by the sack and dough by the bowl: 12.5 kg, or 27.6 lb.
 * @param massG g
 * @param reads how the reader reads
 */
export function bulkFigure(massG: number, reads: Reads = METRIC): Figure {
  if (reads.units === 'metric') return { value: number(massG / GRAMS_PER_KG, 1, reads), unit: 'kg' };
  return { value: number(massG / GRAMS_PER_OUNCE / OUNCES_PER_POUND, 1, reads), unit: 'lb' };
}

/**
 * A length on the bench: 280 mm, 1.4 mm; or 11.0 in, 0.055 in.
 * @param mm mm
 * @param reads how the reader reads
 */
export function lengthFigure(mm: number, reads: Reads = METRIC): Figure {
  if (reads.units === 'metric') return { value: number(mm, mm < 10 ? 1 : 0, reads), unit: 'mm' };
  const inches = mm / MM_PER_INCH;
  return { value: number(inches, inches < 1 ? 3 : 1, reads), unit: 'in' };
}

/**
 * A thickness as fine as a calliper reads it: 1.85 mm, or thousandths of an inch.
 * @param mm mm
 * @param reads how the reader reads
 */
export function thicknessFigure(mm: number, reads: Reads = METRIC): Figure {
  return reads.units === 'metric'
    ? { value: number(mm, 2, reads), unit: 'mm' }
    : { value: number(mm / MM_PER_INCH, 3, reads), unit: 'in' };
}

const readTemp = (tempC: number, reads: Reads): number =>
  reads.units === 'metric' ? tempC : tempC * F_PER_C + F_AT_0_C;

/**
 * A temperature to the degree: 228 °C or 442 °F.
 * @param tempC °C
 * @param reads how the reader reads
 */
export const tempFigure = (tempC: number, reads: Reads = METRIC): Figure => ({
  value: number(readTemp(tempC, reads), 0, reads),
  unit: reads.units === 'metric' ? '°C' : '°F',
});

/** Joins a figure and its unit with a no-break space. */
/** A figure with its unit, which no line break parts. */
export const figureText = (figure: Figure): string => `${figure.value}\u00a0${figure.unit}`;

/**
 * @param massG g
 * @param stepG step of the scale, g
 * @param reads how the reader reads
 * @returns a text with its unit
 */
export const formatMass = (massG: number, stepG = 1, reads: Reads = METRIC): string =>
  figureText(massFigure(massG, stepG, reads));

/**
 * @param massG g
 * @param reads how the reader reads
 * @returns a text with its unit
 */
export const formatBulk = (massG: number, reads: Reads = METRIC): string =>
  figureText(bulkFigure(massG, reads));

/**
 * @param mm mm
 * @param reads how the reader reads
 * @returns a text with its unit
 */
export const formatLength = (mm: number, reads: Reads = METRIC): string =>
  figureText(lengthFigure(mm, reads));

/**
 * @param tempC °C
 * @param reads how the reader reads
 * @returns a text with its unit
 */
export const formatTemp = (tempC: number, reads: Reads = METRIC): string =>
  figureText(tempFigure(tempC, reads));

/**
 * A difference of temperatures, its size only: 12 °C or 22 °F.
 * @param kelvin K
 * @param reads how the reader reads
 * @param decimals digits after the mark
 */
export const formatTempDifference = (kelvin: number, reads: Reads = METRIC, decimals = 0): string => {
  const { times, unit } =
    reads.units === 'metric' ? { times: 1, unit: '°C' } : { times: F_PER_C, unit: '°F' };
  return figureText({ value: number(Math.abs(kelvin) * times, decimals, reads), unit });
};

/**
 * A share of flour for people: 0.5402 → "54 %"; with one decimal "54.0 %".
 * @param fraction 0.6 for 60 %
 * @param decimals digits after the mark
 * @param reads how the reader reads
 */
export const formatPercent = (fraction: number, decimals = 0, reads: Reads = METRIC): string =>
  `${number(fraction * 100, decimals, reads)}\u00a0%`;

/**
 * A running clock: 8:54, or 1:02:03 from an hour on. Whole seconds, rounded down.
 * @param seconds s
 */
export function formatClock(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const two = (n: number) => String(n).padStart(2, '0');
  const h = Math.floor(whole / 3600);
  const m = Math.floor((whole % 3600) / 60);
  return h > 0 ? `${h}:${two(m)}:${two(whole % 60)}` : `${m}:${two(whole % 60)}`;
}

const HOURS_AS_DAYS = 72;
const HOURS_A_DAY = 24;

/**
 * A span in words: "45 s", "12 min", "1 h 20 min", "60 days".
 * @param seconds s
 * @param reads how the reader reads
 */
export function formatSpan(seconds: number, { locale }: Reads = METRIC): string {
  if (seconds < 90) return `${Math.round(seconds)}\u00a0s`;
  const minutes = Math.round(seconds / 60);
  if (minutes < 90) return `${minutes}\u00a0min`;
  const hours = minutes / 60;
  if (hours >= HOURS_AS_DAYS) {
    const days = Math.round(hours / HOURS_A_DAY);
    return days
      .toLocaleString(locale, { style: 'unit', unit: 'day', unitDisplay: 'long' })
      .replace(' ', '\u00a0');
  }
  const rest = minutes % 60;
  return `${Math.floor(minutes / 60)}\u00a0h${rest ? ` ${rest}\u00a0min` : ''}`;
}

/** The least of a unit that people still measure with it: a quarter cup, a whole tablespoon. */
const LEAST_OF_UNIT = { cup: 0.25, tbsp: 1, tsp: 0 } as const;

/** A volume in the kitchen's spoons and cups with fractions: 1 1/2 tsp, 2 3/4 cup. */
export function volumeFigure(ml: number, measures: Measures = 'us'): Figure {
  const units = new Map(unitsFor(measures).map((unit) => [unit.id, unit.size]));
  const inUnit = (id: keyof typeof LEAST_OF_UNIT) => ml / (units.get(id) ?? 1);
  const id =
    (['cup', 'tbsp', 'tsp'] as const).find((unit) => inUnit(unit) >= LEAST_OF_UNIT[unit] - 0.01) ?? 'tsp';
  return { value: formatQuantity(inUnit(id), { tolerance: 0.02 }) ?? '0', unit: id };
}

/** Decimals of an amount below one: a piece costs parts of a cent. */
const FINE_DECIMALS = 3;

/**
 * Money with the decimals that matter: 0.134 of a piece, 12.40 of a batch; or as many as are asked for.
 * @param value in the currency
 * @param currency ISO 4217
 * @param decimals digits after the mark
 * @param reads how the reader reads
 */
export function formatMoney(
  value: number,
  currency = 'EUR',
  decimals?: number,
  { locale }: Reads = METRIC,
): string {
  const fine = value !== 0 && Math.abs(value) < 1;
  const digits = decimals ?? (fine ? FINE_DECIMALS : 2);
  return value.toLocaleString(locale === 'en' ? 'en-GB' : locale, {
    style: 'currency',
    currency,
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
  });
}
