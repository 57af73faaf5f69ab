import { formatMoment, formatDay, type DayStyle } from '../quantity/days';
import { MEASURED, type Measured, type Quantity } from './message';
import {
  formatBulk,
  formatClock,
  formatFigure,
  formatLength,
  formatMass,
  formatMoney,
  formatPercent,
  formatSpan,
  formatTemp,
  formatTempDifference,
  thicknessFigure,
  volumeFigure,
} from '../quantity/formatQuantity';
import { readerUnit } from '../quantity/readerUnit';
import type { Reader } from './reader';

const SPACE = '\u00a0';
/** Digits of a bound that was converted, and decimals of one that was not. */
const [READ_DIGITS, MOST_DECIMALS] = [4, 6] as const;
const signOf = (value: number, signed: boolean | undefined): string =>
  signed ? (value < 0 ? '−' : '+') : '';
const sized = (value: number, signed: boolean | undefined): number => (signed ? Math.abs(value) : value);

type Of<K extends Measured> = Extract<Quantity, Record<K, unknown>>;
type Writers = {
  [K in Measured]: (quantity: Of<K>, reader: Reader, text: (english: string) => string) => string;
};

const WRITERS: Writers = {
  g: ({ g, stepG }, reader) => formatMass(g, stepG, reader),
  bulkG: ({ bulkG }, reader) => formatBulk(bulkG, reader),
  mm: ({ mm }, reader) => formatLength(mm, reader),
  thicknessMm: ({ thicknessMm }, reader) => {
    const { value, unit } = thicknessFigure(thicknessMm, reader);
    return `${value}${SPACE}${unit}`;
  },
  tempC: ({ tempC }, reader) => formatTemp(tempC, reader),
  kelvin: ({ kelvin, decimals }, reader) => formatTempDifference(kelvin, reader, decimals),
  kelvinPerMin: ({ kelvinPerMin, decimals = 1 }, reader) => {
    const { times, unit } = readerUnit('K/min', reader.units);
    return `${formatFigure(kelvinPerMin * times, decimals, reader)}${SPACE}${unit}`;
  },
  s: ({ s }, reader) => formatSpan(s, reader),
  clockS: ({ clockS }) => formatClock(clockS),
  share: ({ share, decimals, signed }, reader) =>
    `${signOf(share, signed)}${formatPercent(sized(share, signed), decimals, reader)}`,
  points: ({ points, decimals = 1, signed }, reader, text) =>
    `${signOf(points, signed)}${formatFigure(sized(points, signed), decimals, reader)}${SPACE}${text('points')}`,
  ml: ({ ml, measures }, reader, text) => {
    const { value, unit } = volumeFigure(ml, measures);
    return `${value}${SPACE}${text(unit)}`;
  },
  gPerMl: ({ gPerMl }, reader) => {
    const { times, unit } = readerUnit('g/ml', reader.units);
    return `${formatFigure(gPerMl * times, reader.units === 'metric' ? 3 : 2, reader)}${SPACE}${unit}`;
  },
  money: ({ money, currency, decimals }, reader) => formatMoney(money, currency, decimals, reader),
  figure: ({ figure, decimals = 0, most = decimals, signed }, reader) =>
    `${signOf(figure, signed)}${formatFigure(sized(figure, signed), Math.max(most, decimals), reader, decimals)}`,
  bound: ({ bound, of }, reader) => {
    const { times, plus } = readerUnit(of, reader.units);
    const read = times === 1 && plus === 0 ? bound : Number((bound * times + plus).toPrecision(READ_DIGITS));
    return formatFigure(read, MOST_DECIMALS, reader, 0);
  },
  unitOf: ({ unitOf }, reader, text) => text(readerUnit(unitOf, reader.units).unit),
  ms: ({ ms, zone, style }, reader) => formatMoment(ms, zone, style as DayStyle, reader.locale),
  day: ({ day, style }, reader) => formatDay(day, style as DayStyle, reader.locale),
};

/**
 * A measured value in the reader's units and language.
 * @param quantity what was measured
 * @param reader who is told
 * @param text looks up a word of the catalogue
 */
export function writeQuantity(quantity: Quantity, reader: Reader, text: (english: string) => string): string {
  const kind = MEASURED.find((key) => key in quantity);
  if (!kind) return '';
  const write = WRITERS[kind] as (one: Quantity, reader: Reader, text: (english: string) => string) => string;
  return write(quantity, reader, text);
}
