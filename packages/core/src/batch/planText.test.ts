import { ENGLISH_US } from '../message/reader';
import { said } from '../test/said';
import { DOCUMENT_NAMES, jsonSchemaOf, parseJson } from '../document/documents';
import { formula, kitchen, request } from '../test/examples';
import { bakePhases, bakeSecondsOf } from '../formula/bakePhases';
import { eventSchema } from './eventSchema';
import { explainFigure } from '../explain/explain';
import { foldBatch } from './foldBatch';
import { planBatch } from '../plan/planBatch';
import { planRequestSchema } from '../plan/planRequestSchema';
import { batchRecord } from './record';
import { kneadTestWords } from '../formula/kneadTestWords';
import { stepTitle, stepWindow } from '../plan/stepText';

const plan = planBatch(request());
const step = (id: string) => {
  const found = plan.steps.find((s) => s.id === id);
  if (!found) throw new Error(id);
  return found;
};

describe('steps in words', () => {
  test.each([
    ['weigh-1-strong', 'Weigh strong flour'],
    ['mix-1', 'Mix'],
    ['rest-1', 'Rest the dough'],
    ['rest-2', 'Rest the balls'],
    ['griddle', 'Griddle'],
  ])('%s is called "%s"', (id, title) => expect(said(stepTitle(plan, step(id)))).toBe(title));

  test('timed steps have a window, others have none', () => {
    expect(stepWindow(plan, step('mix-1'))).toEqual({ earliestS: 120, latestS: 240 });
    expect(stepWindow(plan, step('rest-2'))).toEqual({ earliestS: 600, latestS: 1800 });
    expect(stepWindow(plan, step('divide'))).toBeNull();
    expect(kneadTestWords(plan)).toBe('a finger dent stays');
  });

  test('usual times add up to the ready time', () => {
    expect(plan.expectedS).toBe(plan.steps.reduce((sum, { expectedS }) => sum + expectedS, 0));
    const slow = planBatch(
      request({ formula: { ...formula, bake: { ...formula.bake, sides: [{ seconds: 300 }] } } }),
    );
    const griddle = (p: typeof plan) => p.steps.find(({ kind }) => kind === 'griddle')?.expectedS;
    // By pin a piece takes 32 s to roll, which hides a quarter of 45 s over heat but not a quarter of 300 s.
    expect(griddle(plan)).toBe(64 * 32);
    expect(griddle(slow)).toBe(64 * 75);
  });
});

describe('bake phases', () => {
  test('sides in order, then the finish', () => {
    const bake = {
      ...formula.bake,
      sides: [
        { seconds: 25, wetFace: true },
        { seconds: 20, press: true, butter: true },
      ],
      finish: { kind: 'flame' as const, seconds: 6 },
    };
    expect(said(bakePhases(bake))).toEqual([
      { name: 'Side 1', seconds: 25, flame: false, act: 'wet face down' },
      { name: 'Side 2', seconds: 20, flame: false, pressed: true, act: 'press lightly, butter it' },
      { name: 'Flame', seconds: 6, flame: true, act: 'tongs, hands clear' },
    ]);
    expect(bakeSecondsOf(bake)).toBe(51);
    // A bread that clings is not taken to the fire: its iron is turned.
    const clings = bakePhases({ ...bake, sides: [{ seconds: 40, wetFace: true }] });
    expect(clings.at(-1)?.act).toMatch(/^iron over the fire, kept moving/);
  });
});

describe('explanations', () => {
  test('show the inputs that the equation needs, in the units of the reader', () => {
    const metric = explainFigure(plan, 'dough');
    expect(said(metric.value)).toBe('5,978\u00a0g');
    expect(said(metric.inputs)).toContainEqual({ label: 'Before rounding', value: '5,977.4\u00a0g' });
    expect(said(explainFigure(plan, 'dough').value, ENGLISH_US)).toMatch(/^13 lb .*oz$/);
    expect(said(explainFigure(plan, 'disc').value, ENGLISH_US)).toMatch(/in$/);
  });

  test('hydration names every line that brings water, and they add up', () => {
    const { inputs, value } = explainFigure(plan, 'hydration');
    expect(inputs).toHaveLength(1);
    expect(said(inputs[0]?.value)).toBe(said(value));
  });

  test('a line that the plan does not have is a mistake of the program', () => {
    expect(() => explainFigure(plan, 'line:moon')).toThrow(RangeError);
  });
});

describe('the record of several bowls', () => {
  const two = planBatch(request({ kitchen: { ...kitchen, bowlCapacityG: 4000 } }));
  const at = '2026-03-04T10:00:00.000Z';
  const weighed = (bowl: number, massG: number, n: number) =>
    eventSchema.parse({
      id: `019a0000-0000-7000-8000-00000000000${n}`,
      at,
      type: 'weighed',
      stepId: `weigh-${bowl}-strong`,
      massG,
    });

  test('a line counts as weighed when every bowl has it', () => {
    const planned = two.sheet[0]?.massG ?? 0;
    const strong = (...events: ReturnType<typeof weighed>[]) =>
      batchRecord(two, foldBatch(two, events)).lines[0];
    expect(strong(weighed(1, planned, 1))).toMatchObject({ plannedG: planned * 2, weighedG: null });
    expect(strong(weighed(1, planned, 1), weighed(2, planned + 5, 2))).toMatchObject({
      weighedG: planned * 2 + 5,
    });
  });

  test('what was weighed differently shows in the hydration of the dough as made', () => {
    const drier = foldBatch(two, [weighed(1, (two.sheet[0]?.massG ?? 0) + 100, 1)]);
    const { planned, actual } = batchRecord(two, drier);
    expect(actual.hydration).toBeLessThan(planned.hydration);
  });
});

describe('documents', () => {
  test.each(['bake-request', 'griddle'] as const)(
    '%s, a part of no file, forbids unknown fields too',
    (name) => {
      expect(jsonSchemaOf(name)).toMatchObject({ additionalProperties: false });
    },
  );

  test.each(DOCUMENT_NAMES.filter((name) => !['backup-line', 'bake-request', 'griddle'].includes(name)))(
    '%s has a JSON Schema that forbids unknown fields',
    (name) => {
      const schema = jsonSchemaOf(name) as { additionalProperties: boolean; required: string[] };
      expect(schema.additionalProperties).toBe(false);
      expect(schema.required).toEqual(expect.arrayContaining(['format', 'formatVersion']));
    },
  );

  test('every kind of line of a backup forbids unknown fields', () => {
    const { oneOf = [] } = jsonSchemaOf('backup-line') as { oneOf?: { additionalProperties: boolean }[] };
    expect(oneOf.length).toBeGreaterThan(7);
    expect(oneOf.every(({ additionalProperties }) => additionalProperties === false)).toBe(true);
  });

  test('a plan request read back from its own text plans the same', () => {
    const document = { format: 'kettle-scale/plan-request', formatVersion: 1, ...request() };
    const read = planRequestSchema.parse(parseJson(JSON.stringify(document)));
    expect(planBatch(read)).toEqual(plan);
  });

  test('text that is not JSON is told with its line', () => {
    expect(() => parseJson('{\n  "format": "a",\n  oops\n}')).toThrow(/not JSON: look at line 3/);
  });
});
