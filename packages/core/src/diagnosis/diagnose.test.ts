import { said } from '../test/said';
import type { Batch } from '../batch/batchSchema';
import type { EventBody } from '../batch/eventSchema';
import { type Formula, formulaSchema } from '../formula/formulaSchema';
import { planBatch } from '../plan/planBatch';
import { eventId, eventsOf, formula, request } from '../test/examples';
import { diagnose } from './diagnose';
import { CAUSE_IDS, LIKELIHOOD, SYMPTOM_IDS, type Cause, type Symptom } from './table';

const wiped: Formula = formulaSchema.parse({
  ...formula,
  formatVersion: 4,
  bake: { ...formula.bake, care: [{ what: 'wipe burnt flour off', every: 3 }] },
});

function batch(of: Formula, ...bodies: EventBody[]): Batch {
  const plan = planBatch(request({ formula: of, need: { by: 'pieces', pieces: 20, ballG: 92 } }));
  return {
    id: eventId(99),
    startedAt: '2026-03-04T09:00:00.000Z',
    flourLotId: null,
    plan,
    events: eventsOf(...bodies),
  };
}

/** A piece that went on a plate so hot; its sides end a minute after another, as events come. */
const piece = (number: number, plateC?: number): EventBody[] => [
  { type: 'piece-on', piece: number, ...(plateC === undefined ? {} : { plateC }) },
  { type: 'flipped', piece: number, side: 2 },
  { type: 'piece-off', piece: number },
];
const disc = (a: number, b: number): EventBody => ({
  ...{ type: 'disc-measured', diametersMm: [a, b], thicknessesMm: [] },
});

/** The batch, what is seen, the cause it speaks for, its words; and a batch that speaks against it. */
const CASES: [Symptom, Cause, RegExp, Batch, Batch | null][] = [
  [
    ...(['holes', 'little-bench-flour', /last felt “sticky”, no bench flour counted/] as const),
    batch(formula, { type: 'felt', stepId: 'knead-1', feel: 'sticky' }),
    batch(formula, { type: 'dusted', stepId: 'flatten', massG: 30 }),
  ],
  [
    ...(['sticks', 'dirty-plate', /up to 8 pieces without a wipe, one every 3 asked for/] as const),
    batch(wiped, ...Array.from({ length: 8 }, (_, n) => piece(n + 1)).flat()),
    batch(wiped, ...[1, 2, 3].flatMap((n) => piece(n)), { type: 'cared', what: 'wipe burnt flour off' }),
  ],
  [
    ...(['misshapen', 'ball-not-round', /a disc of 231\smm × 205\smm/] as const),
    batch(formula, disc(231, 205)),
    batch(formula, disc(231, 228)),
  ],
  [
    ...(['one-side-hard', 'sides-unequal', /side 2 lay 100 s over plan, side 1 35 s over/] as const),
    batch(
      formula,
      { type: 'piece-on', piece: 1 },
      { type: 'flipped', piece: 1, side: 2 },
      { type: 'note', text: 'a guest' },
      { type: 'piece-off', piece: 1 },
    ),
    batch(formula, ...piece(1)),
  ],
  [
    ...(['rim-blisters', 'plate-uneven', /pieces met a plate 35\s°C apart/] as const),
    batch(formula, ...piece(1, 215), ...piece(2, 250)),
    batch(formula, ...piece(1, 229), ...piece(2, 232)),
  ],
  [
    ...(['no-puff', 'holed', /2 pieces torn/] as const),
    batch(formula, { type: 'rejected', pieces: 2, reason: 'torn' }),
    null,
  ],
  [...(['slides-off', 'face-dry', /wets no face/] as const), batch(formula), null],
  [
    ...(['slides-off', 'plate-oily', /oiled after piece 0/] as const),
    batch(formula, { type: 'cared', what: 'wipe it with oil' }),
    null,
  ],
];

describe('each cause has the batch’s own evidence', () => {
  test.each(CASES)('%s: %s', (symptom, cause, words, guilty, innocent) => {
    const of = (one: Batch) => diagnose(one, [symptom]).suspects.find((suspect) => suspect.cause === cause);
    expect(said(of(guilty)?.evidence)).toMatchObject({
      says: 'yes',
      words: expect.stringMatching(words) as string,
    });
    const silent = of(batch(wiped));
    expect(of(guilty)?.probability).toBeGreaterThan(
      silent?.evidence.says === 'yes' ? 0 : (silent?.probability ?? 1),
    );
    if (innocent) expect(of(innocent)?.evidence.says).toBe('no');
  });

  test('but only for what shows in a symptom: a bread that wets no face is not salty for that', () => {
    const { suspects } = diagnose(batch(formula), ['salty']);
    const of = (cause: Cause) => suspects.find((suspect) => suspect.cause === cause)?.probability ?? NaN;
    expect(of('face-dry')).toBeCloseTo(of('plate-uneven'), 9);
    expect(suspects[0]?.cause).toBe('salt-high');
  });

  test('and goes by the feel that the formula aims for', () => {
    const aiming = (aim: 'slightly tacky' | 'stiff'): Formula => ({
      ...formula,
      method: { ...formula.method, knead: { ...formula.method.knead, aim } },
    });
    const says = (aim: 'slightly tacky' | 'stiff', feel: 'right' | 'a bit tacky') =>
      diagnose(batch(aiming(aim), { type: 'felt', stepId: 'knead-1', feel }), ['holes']).suspects.find(
        ({ cause }) => cause === 'little-bench-flour',
      )?.evidence;
    expect(said(says('slightly tacky', 'right'))).toMatchObject({
      says: 'yes',
      words: expect.stringMatching(/slightly tacky: right/) as string,
    });
    expect(said(says('stiff', 'a bit tacky'))).toMatchObject({
      says: 'no',
      words: expect.stringMatching(/“soft”/) as string,
    });
  });

  test('and is asked for by a cheap test where the record is silent', () => {
    const { ask } = diagnose(batch(formula), ['gummy']);
    expect(ask.map(({ cause }) => cause)).toEqual(expect.arrayContaining(['time-short', 'thick', 'holed']));
    expect(ask.every(({ minutes }) => minutes <= 2)).toBe(true);
  });
});

describe('the table', () => {
  test('every symptom has at least three causes, and every cause a symptom', () => {
    const many = SYMPTOM_IDS.filter((id) => Object.keys(LIKELIHOOD[id]).length < 3 && id !== 'salty');
    expect(many).toEqual([]);
    const shown = new Set(SYMPTOM_IDS.flatMap((id) => Object.keys(LIKELIHOOD[id])));
    expect(CAUSE_IDS.filter((cause) => !shown.has(cause))).toEqual([]);
  });

  test('what was put away at once speaks against hard bread left open', () => {
    const held = batch(formula, { type: 'held', how: 'cloth', pieces: 20 });
    const unwrapped = (one: Batch) =>
      diagnose(one, ['cracks']).suspects.find(({ cause }) => cause === 'unwrapped')?.probability ?? NaN;
    expect(unwrapped(held)).toBeLessThan(unwrapped(batch(formula)));
  });
});
