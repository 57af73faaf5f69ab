import { figure, formatMoney, formatPercent } from '../reader/figures';
import { say } from '../reader/say';
import type { Lesson } from '@kettle-scale/core/log';
import { type UnitSystem, readerUnit } from '@kettle-scale/core/quantity';

const signed = (value: number, digits: number): string =>
  `${value < 0 ? '−' : '+'}${figure(Math.abs(value), digits)}`;

/** A lesson's figure in its own unit. */
export function lessonFigure(
  { kind, unit }: Pick<Lesson, 'kind' | 'unit'>,
  value: number,
  units: UnitSystem,
): string {
  if (kind === 'cost')
    return `${value < 0 ? '−' : '+'}${formatMoney(Math.abs(value), unit.slice(0, 3) || 'EUR')}`;
  if (unit === 'share') return formatPercent(value, 1);
  if (unit === 'points') return say('{signed} points', { signed: signed(value, 1) });
  if (unit === 'times') return `× ${figure(value, 2)}`;
  if (unit === 'min') return say('{value, number} min', { value: Math.round(value) });
  const { unit: read, times } = readerUnit(unit, units);
  return `${figure(value * times, read === 'oz' ? 2 : 1)} ${read}`;
}

/** What its evidence is measured in, for the axis of a chart. */
const EVIDENCE_AXIS: Record<Lesson['kind'], string> = {
  water: 'points',
  season: 'points',
  'bowl-loss': '% of dough',
  'bench-loss': '% of dough',
  relaxing: 'times the model',
  rest: 'min rested',
  'ball-spread': 'g',
  'disc-spread': '% of diameter',
  cost: 'a piece',
  rejects: '% of pieces',
  'step-time': 'times the plan',
  feel: 'points',
};

/** Shares are drawn as percent, masses as the reader reads them; everything else as it is. */
export const evidenceValue = ({ unit }: Pick<Lesson, 'unit'>, value: number, units: UnitSystem): number =>
  unit === 'share' ? value * 100 : value * readerUnit(unit, units).times;

/** The axis in the reader's units. */
export const evidenceAxis = (kind: Lesson['kind'], units: UnitSystem): string =>
  readerUnit(EVIDENCE_AXIS[kind], units).unit;

export const evidenceWords = (value: number): string =>
  Math.abs(value) >= 10 ? figure(value) : Math.abs(value) >= 1 ? figure(value, 1) : figure(value, 2);
