import type { DayClock } from '@kettle-scale/core/quantity';
import type { ServiceAct, ServiceDay, Wave } from '@kettle-scale/core/shift';
import { v7 as uuidv7 } from 'uuid';
import type { Random } from '../random';

const S_PER_MIN = 60;

/** Sailings of the quay: minutes after the doors open at which each wave opens, is at its peak and closes. */
const SAILINGS = [
  [0, 30, 45],
  [50, 95, 110],
  [120, 160, 180],
] as const;
const SERVICE_MIN = 180;
/** From the kitchen's opening to the doors', and from closing to the end of the shift. */
const BEFORE_MIN = 180;
const AFTER_MIN = 30;

/** Pieces of each bread by sailing. */
const WANTED: readonly (readonly [formulaId: string, pieces: readonly number[]])[] = [
  ['deckhand-wrap', [36, 44, 26]],
  ['lantern-round', [24, 30, 22]],
  ['breakwater-thick', [12, 18, 14]],
];

/** The plan that was chosen for it, as the planner finds it in two thousand tries: minutes after the kitchen opens. */
const PLAN: readonly (readonly [formulaId: string, n: number, startMin: number, bakeMin: number])[] = [
  ['breakwater-thick', 24, 2, 45],
  ['lantern-round', 50, 31, 92],
  ['breakwater-thick', 33, 85, 130],
  ['deckhand-wrap', 59, 115, 172],
  ['deckhand-wrap', 71, 159, 217],
  ['lantern-round', 40, 193, 254],
];

/** The demo's plan of a day whose kitchen opens at `opensS`, chosen at `chosenMs`. */
export const demoPlan = (
  opensS: number,
  chosenMs: number,
  random: Random,
): NonNullable<ServiceDay['plan']> => ({
  batches: PLAN.map(([formulaId, n, startMin, bakeMin]) => ({
    id: uuidv7({ msecs: chosenMs, random: random.bytes(16) }),
    ...{ formulaId, n, start: opensS + startMin * S_PER_MIN, bakeAt: opensS + bakeMin * S_PER_MIN },
  })),
  chosenAt: new Date(chosenMs).toISOString(),
});

const wavesOf = (pieces: readonly number[], fromS: number): Wave[] =>
  SAILINGS.map(([opens, peak, closes], index) => ({
    opens: fromS + opens * S_PER_MIN,
    peak: fromS + peak * S_PER_MIN,
    closes: fromS + closes * S_PER_MIN,
    pieces: pieces[index] ?? 0,
  }));

/** The demo's lunch: three sailings, a cook and a helper; the kitchen opens at `opensS` from midnight. */
export function demoService(day: string, opensS: number): ServiceDay {
  const serviceFrom = opensS + BEFORE_MIN * S_PER_MIN;
  const serviceTo = serviceFrom + SERVICE_MIN * S_PER_MIN;
  return {
    ...{ format: 'kettle-scale/service-day', formatVersion: 1, day, name: 'Three sailings' },
    ...{ opens: opensS, serviceFrom, serviceTo, ends: serviceTo + AFTER_MIN * S_PER_MIN },
    cooks: [
      { id: 'cook', name: 'Cook', can: ['weigh', 'load', 'knead', 'divide', 'roll', 'bake'] },
      { id: 'helper', name: 'Helper', can: ['weigh', 'load', 'divide', 'roll', 'bake'] },
    ],
    breads: WANTED.map(([formulaId, pieces]) => ({ formulaId, waves: wavesOf(pieces, serviceFrom) })),
    ...{ sureness: 0.85, leftAtClose: 'thrown out' },
  };
}

/** What guests of a past day took, tap by tap: a few pieces at a time, a little more or less than was told. */
export function demoTakings(service: ServiceDay, toMs: DayClock['toMs'], random: Random): ServiceAct[] {
  const factor = Math.max(0.6, random.normal(1.05, 0.12));
  return service.breads
    .flatMap(({ formulaId, waves }) =>
      waves.flatMap(({ opens, peak, closes, pieces }) => {
        const taps = Math.max(1, Math.round((pieces * factor) / 5));
        return Array.from({ length: taps }, () => {
          const atS = (random.uniform() < 0.5 ? opens : peak) + random.uniform() * (closes - peak);
          return { formulaId, at: toMs(Math.min(closes, atS)) };
        });
      }),
    )
    .sort((a, b) => a.at - b.at)
    .map(({ formulaId, at }) => ({
      ...{ type: 'taken', formulaId, pieces: 5, at: new Date(at).toISOString() },
      id: uuidv7({ msecs: Math.round(at), random: random.bytes(16) }),
    }));
}
