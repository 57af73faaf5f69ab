import {
  type Day,
  type DayStyle,
  type Zone,
  formatDay as coreDay,
  formatFigure as coreFigure,
  formatMoment as coreMoment,
  formatMoney as coreMoney,
  formatPercent as corePercent,
  formatSpan as coreSpan,
} from '@kettle-scale/core/quantity';
import { reader } from './say';

/** Figures that stand alone, as this person reads them; those within a sentence are values of its message. */

/** A plain number, with as many decimals. */
export const figure = (value: number, decimals = 0): string => coreFigure(value, decimals, reader());

export const formatPercent = (fraction: number, decimals = 0): string =>
  corePercent(fraction, decimals, reader());

export const formatMoney = (money: number, currency?: string, decimals?: number): string =>
  coreMoney(money, currency, decimals, reader());

export const formatSpan = (seconds: number): string => coreSpan(seconds, reader());

export const formatMoment = (ms: number, zone: Zone, style: DayStyle): string =>
  coreMoment(ms, zone, style, reader().locale);

export const formatDay = (day: Day, style: DayStyle): string => coreDay(day, style, reader().locale);

/** Whether this person writes one and a half as 1,5. */
const hasComma = (): boolean => coreFigure(1.5, 1, reader()).includes(',');

/** A figure as fields keep it, with a point, as this person types it. */
export const asTyped = (text: string): string =>
  hasComma() ? text.replace(/[.,]/g, (mark) => (mark === '.' ? ',' : '.')) : text;

/** What this person typed, as fields keep it, which is the same exchange back: "1.500" is fifteen hundred or asked about, never one and a half. */
export const inSource = (typed: string): string => asTyped(typed);
