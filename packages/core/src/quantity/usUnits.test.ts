import { heatSigns } from '../bake/plate/heatWords';
import { notReadyWords } from '../bake/live/livePlate';
import { NO_TRIM, trimBy } from '../bake/live/trim';
import { reachWords, sensitivityWords, wayOutWords } from '../bake/solve/solveText';
import { diagnose } from '../diagnosis/diagnose';
import { SYMPTOM_IDS } from '../diagnosis/table';
import { reheatings } from '../log/reheating';
import { planBatch } from '../plan/planBatch';
import { eventId, eventsOf, request } from '../test/examples';
import { formatTempDifference } from './formatQuantity';

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

test.each<[string, string[]]>([
  ['the plate that is not ready', [notReadyWords({ tempC: 205, steady: false }, 230, 'us') ?? '']],
  ['heat by words', [heatSigns({ fromC: 185, toC: 210 }, 'us')]],
  ['a tap', trimBy(NO_TRIM, { bite: 'stiff' }, 'us').words],
  [
    'the range of heat and thickness',
    [reachWords(reach, 'heat', 'us'), reachWords({ ...reach, least: 2, most: 1 }, 'thickness', 'us')],
  ],
  [
    'what changes the seconds',
    (['hotter', 'thicker', 'dough colder'] as const).map((what) =>
      sensitivityWords({ what, by: 10, changeS: [1] }, 'us'),
    ),
  ],
  [
    'ways out',
    (['heat', 'thickness'] as const).map((what) => wayOutWords({ what, value: 2, seconds: [20] }, 'us')),
  ],
  ['ways to reheat', reheatings('fridge', 4, 'us').map(({ text }) => text)],
  [
    'what may be wrong',
    SYMPTOM_IDS.flatMap((symptom) => {
      const { suspects, ask } = diagnose(batch, [symptom], {}, 'us');
      return [
        ...suspects.flatMap(({ evidence, change }) => [evidence.words, change.words]),
        ...ask.map(({ question }) => question),
      ];
    }),
  ],
])('%s is told in °F, inches and ounces', (_what, words) => {
  expect(words.filter((text) => METRIC.test(text))).toEqual([]);
  expect(words.join(' ').length).toBeGreaterThan(10);
});

test('a difference of temperatures is no temperature: 10 °C are 18 °F', () => {
  expect(formatTempDifference(-10, 'us')).toBe('18\u00a0°F');
  expect(formatTempDifference(-10)).toBe('10\u00a0°C');
});
