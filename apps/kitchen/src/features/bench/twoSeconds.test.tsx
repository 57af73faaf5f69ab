import type { EventBody } from '@kettle-scale/core/batch';
import { formulaSchema } from '@kettle-scale/core/formula';
import { DEFAULT_KITCHEN, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { planBatch } from '@kettle-scale/core/plan';
import { act, cleanup } from '@testing-library/react';
import spanish from '../../../../../languages/es.json';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { useLanguage } from '../../reader/language';
import { usePreferences } from '../../reader/preferences';
import { fakeStreams } from '../../test/eventSource';
import { START_MS, atTheBench, draw, formula, liveBatchOf, press } from '../../test/liveBatch';
import { BatchScreen } from './BatchScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

atTheBench();

/** What a cook can read with hands in the dough. */
const MOST_WORDS = 25;
const UNITS = new Set(['kg', 'mm', 'min']);
const MINUTE_MS = 60_000;

/** With all that asks for words: hot water held back, milk, a mixer, a hot press, a wiped plate, a flame. */
const plan = planBatch({
  formula: formulaSchema.parse({
    ...formula,
    formatVersion: 4,
    name: 'Lantern round',
    lines: [...formula.lines, { id: 'milk', ingredient: 'milk-whole', fraction: 0.05 }],
    bake: { ...formula.bake, care: [{ what: 'wipe it with oil', every: 1 }] },
  }),
  need: { by: 'pieces', pieces: 10, ballG: 100 },
  kitchen: { ...DEFAULT_KITCHEN, bowlMinimumG: 0, bowlCapacityG: 1200 },
  conditions: ORDINARY_DAY,
});

const weighed: EventBody[] = plan.sheet.map(({ lineId, massG, startG = massG }) => ({
  ...{ type: 'weighed', stepId: `weigh-1-${lineId}`, massG: startG },
}));
const did = (...stepIds: string[]): EventBody[] => stepIds.map((stepId) => ({ type: 'done', stepId }));
const begun = (stepId: string): EventBody => ({ type: 'started', stepId });
const part = (id: string): EventBody => ({ type: 'part-done', stepId: 'mix-1', part: id });
const kneading = [...weighed, ...did('mix-1'), begun('knead-1')];
const rested = [...weighed, ...did('mix-1', 'knead-1'), begun('rest-1'), ...did('rest-1')];
const divided: EventBody[] = [...rested, { type: 'divided', doughG: 1000, pieces: 10, ballG: 99.5 }];
const flat: EventBody[] = [...divided, { type: 'flattened', diameterMm: 200, thicknessMm: 2 }];

interface Step {
  name: string;
  acts: readonly EventBody[];
  /** Minutes after the last act. */
  laterMin?: number;
}

const STEPS: readonly Step[] = [
  { name: 'weighing flour', acts: [] },
  { name: 'weighing hot water', acts: weighed.slice(0, 1) },
  { name: 'before mixing', acts: weighed },
  { name: 'the first part', acts: [...weighed, begun('mix-1')] },
  { name: 'the liquid', acts: [...weighed, begun('mix-1'), part('dry')] },
  { name: 'the rest by feel', acts: [...weighed, begun('mix-1'), part('dry'), part('liquid')] },
  { name: 'all parts in', acts: [...weighed, begun('mix-1'), part('dry'), part('liquid'), part('by-feel')] },
  { name: 'before kneading', acts: [...weighed, ...did('mix-1')] },
  { name: 'kneading', acts: kneading },
  { name: 'felt dry', acts: [...kneading, { type: 'felt', stepId: 'knead-1', feel: 'a bit dry' }] },
  { name: 'felt sticky', acts: [...kneading, { type: 'felt', stepId: 'knead-1', feel: 'sticky' }] },
  { name: 'time for the test', acts: kneading, laterMin: 6 },
  { name: 'kneaded too long', acts: kneading, laterMin: 20 },
  { name: 'before the rest', acts: [...weighed, ...did('mix-1', 'knead-1')] },
  { name: 'resting', acts: [...weighed, ...did('mix-1', 'knead-1'), begun('rest-1')], laterMin: 1 },
  { name: 'rested', acts: [...weighed, ...did('mix-1', 'knead-1'), begun('rest-1')], laterMin: 12 },
  { name: 'dividing', acts: rested },
  { name: 'flattening', acts: divided },
  { name: 'the first piece', acts: flat },
  { name: 'a piece on', acts: [...flat, { type: 'piece-on', piece: 1 }] },
  {
    name: 'the plate is due',
    acts: [...flat, { type: 'piece-on', piece: 1 }, { type: 'piece-off', piece: 1 }],
  },
  { name: 'the end', acts: [...flat, ...did('griddle')] },
];

function Bench() {
  return useLanguage() === null ? null : <BatchScreen id="b" />;
}

async function wordsOn(acts: readonly EventBody[], laterMin: number): Promise<string[]> {
  const { live } = liveBatchOf(plan, ...acts);
  jest.spyOn(api, 'batch').mockResolvedValue(live.batch);
  jest.spyOn(api, 'kitchen').mockResolvedValue(plan.kitchen);
  queryClient.setQueryData(keys.batch('b'), live.batch);
  jest.setSystemTime(START_MS + (acts.length + laterMin) * MINUTE_MS);
  let container: HTMLElement | undefined;
  await act(async () => {
    ({ container } = draw(<Bench />));
  });
  const texts: string[] = [];
  const walk = document.createTreeWalker(container ?? document.body, NodeFilter.SHOW_TEXT);
  while (walk.nextNode()) texts.push(walk.currentNode.textContent ?? '');
  return texts.flatMap((text) => text.match(/\p{L}{2,}/gu) ?? []).filter((word) => !UNITS.has(word));
}

beforeEach(() => {
  queryClient.clear();
  fakeStreams();
  Object.assign(globalThis, {
    fetch: jest.fn(async (path: string) => ({
      ok: true,
      json: async () =>
        path.endsWith('index.json') ? [{ language: 'es', name: 'Español' }] : (spanish as unknown),
    })),
  });
});

describe.each(['en', 'es'])('a step is read in two seconds, in %s', (language) => {
  beforeEach(() => usePreferences.setState({ language }));
  afterEach(() => {
    cleanup();
    usePreferences.setState({ language: null });
  });

  test.each(STEPS)('$name', async ({ acts, laterMin = 0 }) => {
    const words = await wordsOn(acts, laterMin);
    expect(words.length).toBeGreaterThan(0);
    expect(words.length > MOST_WORDS ? words : []).toEqual([]);
    // What is longer is a tap away.
    press(language === 'es' ? 'Más' : 'More');
  });
});
