import { type Words, message } from '../message/message';
import { readsAlike } from '../message/writeWords';
import type { Plan } from './planSchema';

export interface PlanDifference {
  what: string;
  a: Words;
  b: Words;
  same: boolean;
}

type Row = readonly [what: string, of: (plan: Plan) => Words];

const ROWS: readonly Row[] = [
  [
    'Formula',
    (plan) =>
      message('{name}, version {version, number}', {
        name: plan.formula.name,
        version: plan.formula.version,
      }),
  ],
  ['Pieces', (plan) => ({ figure: plan.pieces })],
  ['Ball', (plan) => ({ g: plan.ballG, stepG: 0.1 })],
  ['Disc', (plan) => ({ mm: plan.relaxed.diameterMm })],
  [
    'Bowls',
    (plan) =>
      plan.mixer
        ? message('{bowls, number} × {mixer}', { bowls: plan.bowls, mixer: { name: plan.mixer.name } })
        : { figure: plan.bowls },
  ],
  ['Dough', (plan) => ({ g: plan.doughG, stepG: plan.kitchen.benchStepG })],
  ['Flour', (plan) => ({ g: plan.flourG, stepG: plan.kitchen.benchStepG })],
  ['Hydration', (plan) => ({ share: plan.totals.hydration, decimals: 1 })],
  ['Liquid at', (plan) => ({ tempC: plan.today?.liquid?.tempC ?? plan.formula.method.liquidTempC })],
  ['Dough at', (plan) => (plan.today ? { tempC: plan.today.doughC } : '–')],
  ['Flour moisture', (plan) => (plan.today ? { share: plan.today.flourMoisture, decimals: 1 } : '–')],
  ['Takes', (plan) => ({ s: plan.expectedS })],
];

/**
 * Two plans figure by figure; then every line of their sheets.
 * @param a one
 * @param b the other
 */
export function comparePlans(a: Plan, b: Plan): PlanDifference[] {
  const row = (what: string, ofA: Words, ofB: Words) => ({
    what,
    a: ofA,
    b: ofB,
    same: readsAlike(ofA, ofB),
  });
  const names = [...new Set([...a.sheet, ...b.sheet].map(({ name }) => name))];
  const massOf = (plan: Plan, name: string): Words => {
    const lines = plan.sheet.filter((line) => line.name === name);
    const [first] = lines;
    const massG = lines.reduce((sum, line) => sum + line.massG * plan.bowls, 0);
    return first ? { g: massG, stepG: first.stepG } : '–';
  };
  return [
    ...ROWS.map(([what, of]) => row(what, of(a), of(b))),
    ...names.map((name) => row(name, massOf(a, name), massOf(b, name))),
  ];
}
