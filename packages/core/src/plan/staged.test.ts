import { said } from '../test/said';
import { foldBatch } from '../batch/foldBatch';
import { batchRecord } from '../batch/record';
import { refuseEvent } from '../batch/refuseEvent';
import { runningDough, topUps } from '../batch/runningDough';
import type { EventBody } from '../batch/eventSchema';
import { correctFeel, feelWord } from '../dough/feel';
import { setLate, toDraft, toFormula } from '../formula/draft';
import { type Formula, formulaSchema } from '../formula/formulaSchema';
import type { FatIn, MixingSchool } from '../formula/methodSchema';
import { kneadWords } from '../formula/workWords';
import { CATALOGUE } from '../ingredient/catalogue';
import { ORDINARY_DAY } from '../kitchen/conditionsSchema';
import { eventsOf, formula, request } from '../test/examples';
import { mixGuide } from './mixGuide';
import { planBatch } from './planBatch';
import { stepTitle, stepWindow } from './stepText';

/** Kneaded, left for ten minutes, then butter and the last of the flour are worked in, then once more. */
const staged: Formula = formulaSchema.parse({
  ...formula,
  formatVersion: 4,
  lines: [
    { id: 'strong', ingredient: 'flour-strong', fraction: 0.9 },
    { id: 'later', ingredient: 'flour-strong', fraction: 0.1, late: true },
    { id: 'water', ingredient: 'water', fraction: 0.54 },
    { id: 'oil', ingredient: 'oil-rapeseed', fraction: 0.05 },
    { id: 'butter', ingredient: 'butter', fraction: 0.06, late: true },
    { id: 'salt', ingredient: 'salt-fine', fraction: 0.019 },
  ],
  method: {
    ...formula.method,
    knead: {
      ...formula.method.knead,
      aim: 'stiff',
      again: [
        { by: 'hand', pauseS: 600, minS: 120, maxS: 240 },
        { by: 'machine', pauseS: 0, minS: 60, maxS: 90 },
      ],
    },
  },
});
const plan = planBatch(request({ formula: staged, need: { by: 'pieces', pieces: 20, ballG: 92 } }));
const weighAll: EventBody[] = plan.sheet.map(({ lineId, massG }) => ({
  ...{ type: 'weighed', stepId: `weigh-1-${lineId}`, massG },
}));
const stateAfter = (...more: EventBody[]) => foldBatch(plan, eventsOf(...weighAll, ...more));

describe('work in stages', () => {
  test('the steps are kneading, a pause, what goes in late, and kneading again, each with its own time', () => {
    const after = plan.steps.filter(({ kind }) => kind === 'knead' || kind === 'pause');
    expect(said(after.map((step) => stepTitle(plan, step)))).toEqual([
      ...['Knead', 'Leave the dough', 'Work in strong flour and butter, unsalted', 'Knead again'],
    ]);
    expect(after.map((step) => stepWindow(plan, step)?.earliestS)).toEqual([300, 600, 120, 60]);
    expect(said(kneadWords(staged, (id) => id)[1])).toMatch(
      /^Leave it covered for 10\smin, then work in flour-strong/,
    );
  });

  test('what goes in late is weighed last, named in no part of mixing, and is not in the dough before', () => {
    const weighed = plan.steps.filter(({ kind }) => kind === 'weigh').map(({ lineId }) => lineId);
    expect(weighed).toEqual(['strong', 'water', 'oil', 'salt', 'later', 'butter']);
    expect(JSON.stringify(mixGuide(plan))).not.toMatch(/butter/);
    const before = runningDough(plan, stateAfter(), 1);
    const flourG = (id: string) => plan.sheet.find(({ lineId }) => lineId === id)?.massG ?? 0;
    expect(before?.flourG).toBe(flourG('strong'));
    expect(before && topUps(before).map(({ line }) => line.lineId)).not.toContain('butter');
    const after = runningDough(plan, stateAfter({ type: 'started', stepId: 'knead-1-again-1' }), 1);
    expect(after?.flourG).toBe(flourG('strong') + flourG('later'));
    expect(after?.lines.map(({ line }) => line.lineId)).toContain('butter');
  });

  test('the last kneading closes the bowl, and what it says of the dough is what counts', () => {
    const feel = (stepId: string, as: 'sticky' | 'right'): EventBody[] => [
      { type: 'felt', stepId, feel: as },
      { type: 'done', stepId },
    ];
    const first = feel('knead-1', 'sticky');
    expect(stateAfter(...first).bowls[0]?.closed).toBe(false);
    const rounds = [...first, ...feel('knead-1-again-1', 'sticky'), ...feel('knead-1-again-2', 'right')];
    expect(stateAfter(...rounds).bowls[0]?.closed).toBe(true);
    const day = planBatch({ ...request({ formula: staged }), conditions: ORDINARY_DAY });
    const record = batchRecord(day, foldBatch(day, eventsOf(...rounds)));
    expect(record.lotPoints).toBeDefined();
  });

  test('a line let go in late brings the kneading that works it in', () => {
    const food = new Map(CATALOGUE.map((one) => [one.id, one]));
    const late = toFormula(setLate(toDraft(formula), 'oil', true), (id) => food.get(id));
    expect(late.lines.find(({ id }) => id === 'oil')?.late).toBe(true);
    expect(late.method.knead.again).toHaveLength(1);
    expect(setLate(toDraft(late), 'oil', false).lines.some((line) => line.late)).toBe(false);
  });

  test.each(['strong', 'water'])('a dough whose %s is all late is refused in words', (id) => {
    const lines = staged.lines.map((line) => (line.id === id ? { ...line, late: true } : line));
    expect(() => planBatch(request({ formula: { ...staged, lines } }))).toThrow(
      /some of it must be in the mix/,
    );
  });
});

describe('where the fat goes', () => {
  const guide = (school: MixingSchool, fatIn?: FatIn, fat = 'lard') => {
    const lines = formula.lines.map((line) => (line.id === 'oil' ? { ...line, ingredient: fat } : line));
    const method = { ...formula.method, school, liquidTempC: 96, ...(fatIn ? { fatIn } : {}) };
    const of = { ...formula, lines, method };
    return mixGuide(planBatch({ ...request({ formula: of }), conditions: ORDINARY_DAY }));
  };
  const order = (...asked: Parameters<typeof guide>) => guide(...asked).map(({ id }) => id);

  test('any school takes it where the formula wants it', () => {
    expect(order('boiling-water')).toEqual(['dry', 'scald', 'cool', 'fat', 'by-feel']);
    expect(order('boiling-water', 'rubbed')).toEqual(['dry', 'fat', 'scald', 'cool', 'by-feel']);
    expect(order('hold-back', 'creamed')[0]).toBe('fat');
    expect(order('oil', 'rubbed', 'oil-rapeseed')).toEqual(['dry', 'fat', 'liquid', 'by-feel']);
    expect(order('hold-back', 'worked')).toEqual(['dry', 'liquid', 'fat', 'by-feel']);
    expect(order('yogurt-leavener', 'worked')).toEqual(['leavener', 'liquid', 'fat', 'by-feel']);
  });

  test('oil is rubbed in to damp sand, solid fat to crumbs', () => {
    const words = (fat: string) => guide('hold-back', 'rubbed', fat).find(({ id }) => id === 'fat')?.text;
    expect(said(words('oil-rapeseed'))).toMatch(/^Rapeseed oil over the flour.*damp sand/);
    expect(said(words('lard'))).toMatch(/crumbs/);
  });

  test('wherever the fat goes, nobody waits for a heap to cool: spread out it takes two to ten minutes', () => {
    for (const fatIn of [undefined, 'rubbed'] as const) {
      const cool = guide('boiling-water', fatIn).find(({ id }) => id === 'cool');
      expect(cool?.waitS).toBeGreaterThan(120);
      expect(cool?.waitS).toBeLessThan(600);
      expect(said(cool?.caution?.text)).toMatch(/In a heap it stays hot for/);
    }
  });
});

describe('the feel that is wanted', () => {
  test('advice starts from it: a stiff dough that is right wants no water, whatever it is called elsewhere', () => {
    expect(feelWord('right', 'stiff')).toBe('stiff: right');
    expect(feelWord('a bit tacky', 'stiff')).toBe('soft');
    expect(feelWord('right', 'slightly tacky')).toBe('slightly tacky: right');
    const question = { flourG: 1000, hydration: 0.5, topped: [], stillDrinking: false };
    expect(correctFeel({ ...question, feel: 'right' }).kind).toBe('none');
    expect(correctFeel({ ...question, feel: 'a bit tacky' }).kind).toBe('flour');
  });
});

test('a step of an unknown round is refused, a pause is begun and ended', () => {
  const [pause, strange] = eventsOf(
    { type: 'started', stepId: 'pause-1-1' },
    { type: 'started', stepId: 'pause-1-2' },
  );
  expect(pause && refuseEvent(plan, [], pause)).toBeNull();
  expect(said(strange && refuseEvent(plan, [], strange)?.message)).toMatch(/no step/);
});
