import { said } from '../test/said';
import Papa from 'papaparse';
import type { Batch } from '../batch/batchSchema';
import type { EventBody } from '../batch/eventSchema';
import { foldBatch } from '../batch/foldBatch';
import { planBatch } from '../plan/planBatch';
import { batchRecord } from '../batch/record';
import { HOLDINGS, type Holding } from '../kitchen/holdings';
import { restAfterDisc } from '../batch/restAdvice';
import { explainLoss } from '../explain/explainBench';
import { diagnose } from '../diagnosis/diagnose';
import { SYMPTOM_IDS } from '../diagnosis/table';
import { eventsOf, request } from '../test/examples';
import { batchFacts } from './batchFacts';
import { compareBatches } from './compareBatches';
import { heldBread, holdState } from './holding';
import { type BatchEvent, eventSchema } from '../batch/eventSchema';
import { refuseEvent } from '../batch/refuseEvent';
import { beforeReheating, keepingCaution, reheatings } from './reheating';
import { breadLabel } from './breadLabel';
import { labelHtml } from '../exchange/labelHtml';
import { logCsv, logDocument, logRow } from '../exchange/logRows';
import { logSchema } from './logSchema';
import { stepThread } from './stepAmounts';

const plan = planBatch(request());
const weighed = plan.sheet.map(({ lineId, massG }): EventBody => ({
  type: 'weighed',
  stepId: `weigh-1-${lineId}`,
  massG,
}));
const rest = plan.steps.filter(({ kind }) => kind === 'rest').map(({ id }) => id);
const whole = (changes: { water?: number; balls?: number[]; plate?: number } = {}): EventBody[] => [
  ...weighed.map((body) =>
    body.type === 'weighed' && body.stepId.endsWith('water')
      ? { ...body, massG: body.massG + (changes.water ?? 0) }
      : body,
  ),
  ...(['started', 'done'] as const).map((type): EventBody => ({ type, stepId: 'mix-1' })),
  ...(['started', 'done'] as const).map((type): EventBody => ({ type, stepId: 'knead-1' })),
  ...(['started', 'done'] as const).map((type): EventBody => ({ type, stepId: rest[0] ?? '' })),
  { type: 'divided', doughG: plan.doughG - 60, pieces: 64, ballG: 92 },
  ...(changes.balls ?? []).map((massG): EventBody => ({ type: 'ball-sampled', massG })),
  ...(['started', 'done'] as const).map((type): EventBody => ({ type, stepId: rest[1] ?? '' })),
  {
    type: 'disc-measured',
    rolledMm: 280,
    diametersMm: [250, 254],
    thicknessesMm: [
      { place: 'middle', mm: 1.8 },
      { place: 'far edge', mm: 1.2 },
    ],
  },
  { type: 'flattened', diameterMm: 270, thicknessMm: 1.4 },
  { type: 'measured', stepId: 'griddle', what: 'plate', tempC: changes.plate ?? 230, by: 'probe' },
  { type: 'done', stepId: 'griddle' },
  { type: 'rejected', pieces: 3, reason: 'burnt' },
  { type: 'finished', pieces: 64, good: 61, note: 'a note, with a comma' },
  { type: 'held', how: 'cloth', pieces: 61 },
];
const batch = (...bodies: EventBody[]): Batch => ({
  id: '019a0000-0000-7000-8000-00000000abcd',
  startedAt: '2026-03-04T10:00:00.000Z',
  plan,
  flourLotId: null,
  events: eventsOf(...bodies),
});

describe('facts', () => {
  const facts = batchFacts(batch(...whole({ balls: [92, 93, 91, 92, 92] })));

  test('losses from the scale and from the balls', () => {
    expect(facts.bowlLoss).toBeCloseTo(60 / plan.doughG, 9);
    expect(facts.benchLoss).toBeCloseTo(1 - (64 * 92) / (plan.doughG - 60), 9);
    expect(batchFacts(batch(...whole({ balls: [92] }))).benchLoss).toBeNull();
  });

  test('discs, rejects, and what it came to', () => {
    expect(facts.springBack.seen).toBeCloseTo(1 - Math.sqrt(250 * 254) / 280, 9);
    expect(facts.relaxing).toHaveLength(1);
    expect(facts.rejects).toEqual({ burnt: 3 });
    expect(facts.pieces).toEqual({ planned: 64, made: 64, good: 61 });
    expect(facts.costPerPiece).toBeGreaterThan(0);
    expect(facts.restMin).toBeCloseTo(2, 9);
  });
});

test('the thread: planned against actual, in time and in amount', () => {
  const { events } = batch(...whole({ water: 90 }));
  const rows = stepThread(plan, foldBatch(plan, events), Date.UTC(2026, 2, 4, 10));
  const of = (title: string) => said(rows).find((row) => row.title === title)?.amount;
  expect(of('Weigh water')).toMatchObject({ off: true });
  expect(of('Weigh strong flour')).toMatchObject({
    planned: '2,505\u00a0g',
    actual: '2,505\u00a0g',
    off: false,
  });
  expect(of('Griddle')).toMatchObject({ planned: '230\u00a0°C', actual: '230\u00a0°C', off: false });
  expect(of('Finish')).toMatchObject({ actual: '61 of 64', off: true });
});

test('two batches: what differs stands first', () => {
  const rows = compareBatches(batch(...whole()), batch(...whole({ water: 200 })));
  const out = rows.filter(({ weight }) => weight >= 1).map(({ what }) => what);
  // The same dough was divided of more that went in.
  expect(out).toEqual(['Lost in the bowl', 'Hydration']);
  expect(rows.slice(0, 2).map(({ what }) => what)).toEqual(out);
  const same = compareBatches(batch(...whole()), batch(...whole()));
  expect(same.every(({ weight }) => weight === 0)).toBe(true);
});

describe('files', () => {
  const rows = [logRow(batchFacts(batch(...whole())), ['=cmd()', 'torn, "badly"'])];

  test('a table with units in its heads; nothing in it runs as a formula', () => {
    const { data, errors } = Papa.parse<Record<string, string>>(logCsv(rows), {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).toEqual([]);
    expect(data[0]).toMatchObject({ formula: 'Test round', 'good pieces': '61', rejects: 'burnt 3' });
    expect(data[0]?.notes).toBe('\'=cmd() | torn, "badly"');
  });

  test('a document that reads back as itself', () => {
    const document = logDocument(rows, '2026-03-04T10:00:00.000Z');
    expect(logSchema.parse(JSON.parse(JSON.stringify(document)))).toEqual(document);
  });
});

describe('holding', () => {
  const record = batchRecord(plan, foldBatch(plan, batch(...whole()).events));
  const [held] = heldBread({ holdH: { cloth: 3 } }, record);
  if (!held) throw new Error('nothing held');

  test('the clock of the kitchen’s own limit', () => {
    expect(held.useByMs - held.madeMs).toBe(3 * 3_600_000);
    expect([0, 2.5, 3].map((h) => holdState(held, held.madeMs + h * 3_600_000))).toEqual([
      'good',
      'soon',
      'over',
    ]);
    expect(heldBread({}, record)[0]?.limitH).toBe(2);
  });

  test('moved bread starts the clock of where it is, thrown out it is counted, and no more leaves than is there', () => {
    const events = (...bodies: EventBody[]) => batch(...whole(), ...bodies).events;
    const frozen: EventBody = { type: 'moved', from: 'cloth', to: 'freezer', pieces: 30 };
    const served: EventBody = { type: 'moved', from: 'cloth', to: 'tray', pieces: 20 };
    const dropped: EventBody = {
      type: 'moved',
      from: 'freezer',
      to: 'thrown out',
      pieces: 4,
      reason: 'dropped',
    };
    const all = events(frozen, served, dropped);
    const after = batchRecord(plan, foldBatch(plan, all));
    const movedMs = Date.parse(all.at(-3)?.at ?? '');
    expect(after.held).toEqual([
      { how: 'cloth', pieces: 11, atMs: held.madeMs },
      { how: 'freezer', pieces: 26, atMs: movedMs },
    ]);
    expect(after.thrownOut).toBe(4);
    const refused = (body: EventBody) =>
      refuseEvent(plan, all, { ...all.at(-1), ...body } as BatchEvent)?.message;
    expect(said(refused({ ...served, pieces: 12 }))).toBe('Only 11 pieces are held in: cloth.');
    expect(refused({ ...served, pieces: 11 })).toBeUndefined();
    expect(said(refused({ ...served, from: 'fridge' }))).toBe('No pieces are held in: fridge.');
    const schema = eventSchema.safeParse({ ...all.at(-1), reason: undefined });
    expect(schema.error?.issues[0]?.path).toEqual(['reason']);
  });

  test('no move makes bread younger, but to colder than it ever was, or thawed once', () => {
    const moves: EventBody[] = [
      { type: 'moved', from: 'cloth', to: 'insulated box', pieces: 61 },
      { type: 'moved', from: 'insulated box', to: 'fridge', pieces: 61 },
      { type: 'moved', from: 'fridge', to: 'closed bag', pieces: 61 },
      { type: 'moved', from: 'closed bag', to: 'fridge', pieces: 61 },
      { type: 'moved', from: 'fridge', to: 'freezer', pieces: 61 },
      { type: 'moved', from: 'freezer', to: 'fridge', pieces: 61 },
      { type: 'moved', from: 'fridge', to: 'vacuum pack, chilled', pieces: 61 },
    ];
    const { events } = batch(...whole(), ...moves);
    const first = events.length - moves.length;
    const heldAfter = (count: number) =>
      batchRecord(plan, foldBatch(plan, events.slice(0, first + count))).held?.[0];
    const minutes = moves.map((_, index) => ((heldAfter(index + 1)?.atMs ?? 0) - held.madeMs) / 60_000);
    // One move a minute: warm to warm keeps its clock; the fridge, the freezer and the thawing begin one.
    expect(minutes).toEqual([0, 2, 2, 2, 5, 6, 6]);
    expect(heldAfter(moves.length)).toMatchObject({ thawed: true });
    const again = { ...events.at(-1), from: 'vacuum pack, chilled', to: 'freezer' } as BatchEvent;
    expect(refuseEvent(plan, events, again)?.message).toBe('Bread that was thawed is not frozen again.');
  });

  test('a label says product, times, allergens and batch, whatever is in the name', () => {
    const label = breadLabel(
      batch().id,
      { ...plan, formula: { ...plan.formula, name: '<b>Round</b>' } },
      held,
    );
    const html = labelHtml(label, { qrSvg: '<svg></svg>', zone: 'UTC' });
    expect(html).toContain('&lt;b&gt;Round&lt;/b&gt;');
    expect(html).toContain('wheat');
    expect(html).toContain('00ABCD');
    expect(html).toContain('local food code');
  });

  test('every way back has its time: thick slower than thin, frozen slower than kept, each with what can hurt', () => {
    const first = (how: Holding, thicknessMm: number) =>
      reheatings(how, thicknessMm).map(
        ({ time }) => Number.parseInt(time, 10) * (/^\S+ to \S+ min/.test(time) ? 60 : 1),
      );
    expect(reheatings('fridge', 1.5).map(({ way }) => way)).toEqual([
      ...['plate', 'stack', 'flame', 'oven', 'microwave', 'toaster', 'steam'],
    ]);
    for (const how of HOLDINGS) {
      const [thin, thick] = [first(how, 1.5), first(how, 4)];
      thin.forEach((seconds, way) => expect(thick[way] ?? NaN).not.toBeLessThan(seconds));
      expect(reheatings(how, 4).every(({ caution }) => caution.length > 0)).toBe(true);
    }
    first('freezer', 1.5).forEach((seconds, way) =>
      expect(seconds).toBeGreaterThan(first('fridge', 1.5)[way] ?? 0),
    );
    expect(said(beforeReheating('vacuum pack, frozen'))).toMatch(
      /^Cut the pack open.*Do not freeze it again/,
    );
    expect(keepingCaution('vacuum pack, chilled')).toMatch(/local code/);
    expect(keepingCaution('cloth')).toBeNull();
  });
});

test('a loss is explained: usual, much, or more than went in', () => {
  expect(explainLoss(plan, 1000, 990).unusual).toBe(false);
  expect(explainLoss(plan, 1000, 950)).toMatchObject({ unusual: true });
  expect(said(explainLoss(plan, 1000, 1040).words)).toMatch(/^40\sg more than went in/);
});

test('a disc that springs back too much asks for rest, a calm one for none', () => {
  const state = foldBatch(plan, batch(...whole()).events);
  const at = Date.UTC(2026, 2, 4, 12);
  expect(restAfterDisc(plan, state, 0.05, at)).toBe(0);
  const some = restAfterDisc(plan, state, 0.09, at);
  expect(some).toBeGreaterThan(60);
  expect(restAfterDisc(plan, state, 0.15, at)).toBeGreaterThan(some);
});

describe('diagnosis', () => {
  const wrong = batch(...whole({ plate: 262 }));

  test('probabilities are of one whole, whatever is seen', () => {
    for (const symptom of SYMPTOM_IDS) {
      const all = diagnose(wrong, [symptom]).suspects.reduce((sum, { probability }) => sum + probability, 0);
      expect(all).toBeCloseTo(1, 9);
    }
  });

  test('black spots on a plate that was read too hot: the plate, with the next change in degrees', () => {
    const [first] = diagnose(wrong, ['black-spots']).suspects;
    expect(first?.cause).toBe('plate-hot');
    expect(said(first?.evidence.words)).toBe('plate 32\u00a0°C over plan');
    expect(first?.adjustment).toMatchObject({ what: 'plate', value: -25, from: 'diagnosis' });
  });

  test('hard bread from a dough that was weighed dry: the water, in points', () => {
    const dry = batch(...whole({ water: -110 }));
    const [first] = diagnose(dry, ['hard', 'cracks']).suspects;
    expect(first?.cause).toBe('too-dry');
    expect(first?.adjustment).toMatchObject({ what: 'water', value: 3 });
  });

  test('what is not known is asked for, and the answer moves the ranking', () => {
    const { ask, suspects } = diagnose(wrong, ['cracks']);
    expect(ask.length).toBeGreaterThan(0);
    const cause = ask[0]?.cause ?? 'too-wet';
    const before = suspects.find((one) => one.cause === cause)?.probability ?? 0;
    const after = (yes: boolean) =>
      diagnose(wrong, ['cracks'], { [cause]: yes }).suspects.find((one) => one.cause === cause)
        ?.probability ?? 0;
    expect(after(true)).toBeGreaterThan(before);
    expect(after(false)).toBeLessThan(before);
    expect(diagnose(wrong, ['cracks'], { [cause]: true }).ask.some((one) => one.cause === cause)).toBe(false);
  });
});
