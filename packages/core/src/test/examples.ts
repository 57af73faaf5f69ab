import type { Kitchen } from '../kitchen/kitchenSchema';
import type { BatchEvent, EventBody } from '../batch/eventSchema';
import type { Need } from '../plan/planRequestSchema';
import { type Formula, formulaSchema } from '../formula/formulaSchema';

/** Inputs shared by the tests of core; made up, no product of the demo. */

export const formula: Formula = formulaSchema.parse({
  format: 'kettle-scale/formula',
  formatVersion: 1,
  id: 'test-round',
  version: 1,
  name: 'Test round',
  summary: '',
  lines: [
    { id: 'strong', ingredient: 'flour-strong', fraction: 0.7 },
    { id: 'soft', ingredient: 'flour-soft', fraction: 0.3 },
    { id: 'water', ingredient: 'water', fraction: 0.54 },
    { id: 'oil', ingredient: 'oil-rapeseed', fraction: 0.11 },
    { id: 'salt', ingredient: 'salt-fine', fraction: 0.019 },
  ],
  method: {
    school: 'hold-back',
    saltIn: 'flour',
    liquidTempC: 40,
    holdBack: 0.1,
    mix: { by: 'hand', minS: 120, maxS: 240 },
    knead: { by: 'hand', minS: 300, maxS: 600, test: 'dent-stays' },
    rests: [
      { of: 'dough', where: 'room', earliestS: 900, latestS: 2700, cover: 'cloth' },
      { of: 'balls', where: 'room', earliestS: 600, latestS: 1800, cover: 'film' },
    ],
    shaping: { how: 'pin', note: '' },
    hold: '',
  },
  bake: { surface: 'flat', plateC: 230, sides: [{ seconds: 25 }, { seconds: 20 }] },
  product: { ballG: 92, thicknessMm: 1.6, springBack: 0.06, air: 0.04, ballToleranceG: 3, look: '' },
});

export const kitchen: Kitchen = {
  benchStepG: 5,
  fineStepG: 0.1,
  fineMaxG: 500,
  bowlCapacityG: 12_000,
  bowlMinimumG: 0,
  bowlLoss: 0.01,
  benchLoss: 0.005,
};

const need: Need = { by: 'pieces', pieces: 64, ballG: 92 };

/** A plan request with some parts exchanged. */
export const request = (changes: Partial<{ formula: Formula; need: Need; kitchen: Kitchen }> = {}) => ({
  formula,
  need,
  kitchen,
  ...changes,
});

/** Gives bodies ids in order and times one minute apart from 10:00. */
export function eventsOf(...bodies: EventBody[]): BatchEvent[] {
  const start = Date.UTC(2026, 2, 4, 10);
  return bodies.map((body, index) => ({
    ...body,
    id: eventId(index),
    at: new Date(start + index * 60_000).toISOString(),
  }));
}

/** The id that `eventsOf` gives to the n-th event. */
export const eventId = (index: number): string =>
  `019a0000-0000-7000-8000-${String(index).padStart(12, '0')}`;
