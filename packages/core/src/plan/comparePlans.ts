import {
  type UnitSystem,
  formatLength,
  formatMass,
  formatPercent,
  formatSpan,
  formatTemp,
} from '../quantity/formatQuantity';
import type { Plan } from './planSchema';

export interface PlanDifference {
  what: string;
  a: string;
  b: string;
  same: boolean;
}

type Row = readonly [what: string, of: (plan: Plan, units: UnitSystem) => string];

const ROWS: readonly Row[] = [
  ['Formula', (plan) => `${plan.formula.name}, version ${plan.formula.version}`],
  ['Pieces', (plan) => `${plan.pieces}`],
  ['Ball', (plan, units) => formatMass(plan.ballG, 0.1, units)],
  ['Disc', (plan, units) => formatLength(plan.relaxed.diameterMm, units)],
  ['Bowls', (plan) => (plan.mixer ? `${plan.bowls} × ${plan.mixer.name}` : `${plan.bowls}`)],
  ['Dough', (plan, units) => formatMass(plan.doughG, plan.kitchen.benchStepG, units)],
  ['Flour', (plan, units) => formatMass(plan.flourG, plan.kitchen.benchStepG, units)],
  ['Hydration', (plan) => formatPercent(plan.totals.hydration, 1)],
  [
    'Liquid at',
    (plan, units) => formatTemp(plan.today?.liquid?.tempC ?? plan.formula.method.liquidTempC, units),
  ],
  ['Dough at', (plan, units) => (plan.today ? formatTemp(plan.today.doughC, units) : '–')],
  ['Flour moisture', (plan) => (plan.today ? formatPercent(plan.today.flourMoisture, 1) : '–')],
  ['Takes', (plan) => formatSpan(plan.expectedS)],
];

/**
 * Two plans figure by figure; then every line of their sheets.
 * @param a one
 * @param b the other
 * @param units measures of the reader
 */
export function comparePlans(a: Plan, b: Plan, units: UnitSystem = 'metric'): PlanDifference[] {
  const row = (what: string, ofA: string, ofB: string) => ({ what, a: ofA, b: ofB, same: ofA === ofB });
  const names = [...new Set([...a.sheet, ...b.sheet].map(({ name }) => name))];
  const massOf = (plan: Plan, name: string): string => {
    const lines = plan.sheet.filter((line) => line.name === name);
    const [first] = lines;
    const massG = lines.reduce((sum, line) => sum + line.massG * plan.bowls, 0);
    return first ? formatMass(massG, first.stepG, units) : '–';
  };
  return [
    ...ROWS.map(([what, of]) => row(what, of(a, units), of(b, units))),
    ...names.map((name) => row(name, massOf(a, name), massOf(b, name))),
  ];
}
