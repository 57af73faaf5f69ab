import { convert } from 'convert';
import { heatSigns } from '../bake/plate/heatWords';
import { notReadyWords } from '../bake/live/livePlate';
import { NO_TRIM, trimBy } from '../bake/live/trim';
import { reachWords, sensitivityWords, wayOutWords } from '../bake/solve/solveText';
import { diagnose } from '../diagnosis/diagnose';
import { SYMPTOM_IDS } from '../diagnosis/table';
import { reheatings } from '../log/reheating';
import { planBatch } from '../plan/planBatch';
import { eventId, eventsOf, request } from '../test/examples';
import type { Words } from '../message/message';
import { ENGLISH_US } from '../message/reader';
import { said } from '../test/said';
import {
  GRAMS_PER_OUNCE,
  GRAMS_PER_POUND,
  ML_PER_FLUID_OUNCE,
  ML_PER_US_CUP,
  MM_PER_INCH,
  M_PER_FOOT,
} from './customary';
import { US, formatTempDifference } from './formatQuantity';

/** A reader on ounces, inches and °F is told nothing in the other units. */
const METRIC = /°C|\bmm\b|\d\s?g\b/;
const reach = {
  good: true,
  least: 200,
  most: 240,
  advised: 210,
  leastLimit: 'raw',
  mostLimit: 'burnt',
} as const;
const plan = planBatch(request({ need: { by: 'pieces', pieces: 20, ballG: 92 } }));
const batch = {
  ...{ id: eventId(99), startedAt: '2026-03-04T09:00:00.000Z', flourLotId: null, plan },
  events: eventsOf(
    { type: 'measured', stepId: 'griddle', what: 'plate', tempC: 262, by: 'hand' },
    { type: 'disc-measured', diametersMm: [231, 205], thicknessesMm: [{ place: 'middle', mm: 3 }] },
    ...[90, 95, 99].map((massG) => ({ type: 'ball-sampled' as const, massG })),
  ),
};

test.each<[string, (Words | null)[]]>([
  ['the plate that is not ready', [notReadyWords({ tempC: 205, steady: false }, 230)]],
  ['heat by words', [heatSigns({ fromC: 185, toC: 210 })]],
  ['a tap', trimBy(NO_TRIM, { bite: 'stiff' }).words],
  [
    'the range of heat and thickness',
    [reachWords(reach, 'heat'), reachWords({ ...reach, least: 2, most: 1 }, 'thickness')],
  ],
  [
    'what changes the seconds',
    (['hotter', 'thicker', 'dough colder'] as const).map((what) =>
      sensitivityWords({ what, by: 10, changeS: [1] }),
    ),
  ],
  [
    'ways out',
    (['heat', 'thickness'] as const).map((what) => wayOutWords({ what, value: 2, seconds: [20] })),
  ],
  ['ways to reheat', reheatings('fridge', 4).map(({ text }) => text)],
  [
    'what may be wrong',
    SYMPTOM_IDS.flatMap((symptom) => {
      const { suspects, ask } = diagnose(batch, [symptom], {});
      return [
        ...suspects.flatMap(({ evidence, change }) => [evidence.words, change.words]),
        ...ask.map(({ question }) => question),
      ];
    }),
  ],
])('%s is told in °F, inches and ounces', (_what, words) => {
  const read = words.map((one) => said(one, ENGLISH_US) ?? '');
  expect(read.filter((text) => METRIC.test(text))).toEqual([]);
  expect(read.join(' ').length).toBeGreaterThan(10);
});

test('a difference of temperatures is no temperature: 10 °C are 18 °F', () => {
  expect(formatTempDifference(-10, US)).toBe('18\u00a0°F');
  expect(formatTempDifference(-10)).toBe('10\u00a0°C');
});

test('customary units are what a library of units takes them for', () => {
  expect(GRAMS_PER_OUNCE).toBeCloseTo(convert(1, 'oz').to('g'), 12);
  expect(GRAMS_PER_POUND).toBeCloseTo(convert(1, 'lb').to('g'), 12);
  expect(MM_PER_INCH).toBeCloseTo(convert(1, 'inch').to('mm'), 12);
  expect(M_PER_FOOT).toBeCloseTo(convert(1, 'ft').to('m'), 12);
  expect(ML_PER_FLUID_OUNCE).toBeCloseTo(convert(1, 'fl oz').to('ml'), 9);
  expect(ML_PER_US_CUP).toBeCloseTo(convert(1, 'cup').to('ml'), 9);
});
