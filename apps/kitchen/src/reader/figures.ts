import * as core from '@kettle-scale/core/quantity';
import { reader } from './say';

/** Figures that stand alone, as this person reads them; those within a sentence are values of its message. */

/** A plain number, with as many decimals. */
export const figure = (value: number, decimals = 0): string => core.formatFigure(value, decimals, reader());

export const formatPercent = (fraction: number, decimals = 0): string =>
  core.formatPercent(fraction, decimals, reader());

export const formatMoney = (money: number, currency?: string, decimals?: number): string =>
  core.formatMoney(money, currency, decimals, reader());

export const formatSpan = (seconds: number): string => core.formatSpan(seconds, reader());

export const formatMoment = (ms: number, zone: core.Zone, style: core.DayStyle): string =>
  core.formatMoment(ms, zone, style, reader().locale);

export const formatDay = (day: core.Day, style: core.DayStyle): string =>
  core.formatDay(day, style, reader().locale);
