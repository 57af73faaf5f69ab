import { type BatchEvent, foldBatch } from '@kettle-scale/core/batch';
import { fakeStreams, tellReading } from '../../../test/eventSource';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN, type Griddle } from '@kettle-scale/core/kitchen';
import { act, fireEvent, screen } from '@testing-library/react';
import { api } from '../../../api/api';
import { keys, queryClient } from '../../../api/queries';
import { kitchenQueue } from '../../../batch/kitchenQueue';
import { agreeOnSeconds, draw, entry, liveBatch, plan, press } from '../../../test/liveBatch';
import { workInPage } from '../../../test/workers';
import { askWorker } from '../../../workers/background';
import { usePreferences } from '../../../reader/preferences';
import { LiveScreen } from './LiveScreen';
import {
  MODEL_CONSTANTS,
  afterTurn,
  questionOfFormula,
  secondAfter,
  secondsAt,
  spreadsOf,
} from '@kettle-scale/core/bake';

jest.mock('expo-router', () => jest.requireActual('../../../test/router'));

const NOW = Date.parse('2026-03-04T12:00:00.000Z');
const GRIDDLE: Griddle = {
  ...{ id: 'plate', name: 'Plate', material: 'steel', thicknessMm: 10, shape: 'rectangle' },
  ...{ widthMm: 480, depthMm: 480, heat: 'thermostat', powerW: 6000 },
  marks: [],
};

beforeEach(() => {
  workInPage();
  queryClient.clear();
  jest.useFakeTimers({ now: NOW, doNotFake: ['queueMicrotask', 'setImmediate', 'nextTick'] });
  agreeOnSeconds();
  jest.spyOn(api, 'book').mockResolvedValue([entry()]);
  jest.spyOn(api, 'ingredients').mockResolvedValue([...CATALOGUE]);
  jest.spyOn(api, 'kitchen').mockResolvedValue({ ...DEFAULT_KITCHEN, griddles: [GRIDDLE] });
});
afterEach(() => jest.useRealTimers());

const pass = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms));

test('a late first side shortens the second', async () => {
  const at = (s: number) => new Date(NOW + s * 1000).toISOString();
  const onTime = [
    { type: 'piece-on', piece: 1, place: 1 },
    { type: 'flipped', piece: 1, side: 2 },
  ] as const;
  const leftAfter = async (firstS: number): Promise<number> => {
    const live = liveBatch().live;
    const events = onTime.map((body, i) => ({
      ...body,
      id: `00000000-0000-7000-8000-00000000000${i}`,
      at: at(i === 0 ? -firstS : 0),
    }));
    const batch = {
      ...live.batch,
      id: `late-${firstS}`,
      events: [...live.batch.events, ...events] as BatchEvent[],
    };
    expect(foldBatch(plan, batch.events).onPlate).toHaveLength(1);
    queryClient.setQueryData(keys.batch(batch.id), batch);
    jest.spyOn(api, 'batch').mockResolvedValue(batch);
    const { unmount } = draw(<LiveScreen id={batch.id} />);
    await pass(300);
    const place = await screen.findByRole('button', { name: /^Place 1, piece 1, side 2/ });
    const left = Number(/in (\d+) s/.exec(place.textContent ?? '')?.[1] ?? 0);
    unmount();
    return left;
  };
  const usual = await leftAfter(20);
  const late = await leftAfter(32);
  expect(late).toBeLessThanOrEqual(usual - 4);
});

test('times are read between the plates they were worked out for', () => {
  const table = [
    { plateC: 200, seconds: [40, 30] },
    { plateC: 220, seconds: [30, 20] },
  ];
  expect(secondsAt(table, 210)).toEqual([35, 25]);
  expect(secondsAt(table, 150)).toEqual([40, 30]);
  expect(secondsAt(table, 300)).toEqual([30, 20]);
  expect(secondsAt([], 200)).toEqual([]);
});

test('after an early or a late turn the second side follows the model', async () => {
  const { finish: _fire, ...bake } = entry().formula.bake;
  const { formula } = entry({ bake });
  const { request } = questionOfFormula(
    formula,
    CATALOGUE,
    {},
    { griddle: GRIDDLE, plateC: 220, thicknessMm: 1.6 },
  );
  const table = await askWorker('times', { request, platesC: [215, 225] });
  const seconds = secondsAt(table, 220);
  const [first = 0, second = 0] = seconds;
  const after = (before: number) =>
    afterTurn({ table, plateC: 220, seconds, side: 2, sideS: second, before });
  expect(secondAfter(table, 220, first)).toBeCloseTo(second, 0);
  expect(after(first)).toBeCloseTo(second, 0);
  // Late: it would dry out.
  expect(after(1.8 * first)).toBeLessThan(0.8 * second);
  expect(after(10 * first)).toBeGreaterThanOrEqual(0.4 * second);
  // Without a table half of what ran over is taken off.
  expect(afterTurn({ table: [], plateC: 220, seconds: [20, 15], side: 2, sideS: 15, before: 26 })).toBe(12);
});

test('the question follows the plate, what it has learned, and the product’s tolerances', async () => {
  const { formula } = entry();
  const requestOn = (griddle: Griddle) =>
    questionOfFormula(formula, CATALOGUE, {}, { griddle, plateC: 220, thicknessMm: 2 }).request;
  const plain = requestOn(GRIDDLE);
  const calibration = {
    ...{ formulaId: formula.id, at: '2026-03-01T00:00:00.000Z', pieces: 30 },
    parameters: [{ what: 'browning' as const, factor: 1.5, low: 1.2, high: 1.8 }],
  };
  const taught = (constants?: number) => ({
    ...GRIDDLE,
    calibrations: [{ ...calibration, ...(constants ? { constants } : {}) }],
  });
  const learned = requestOn(taught(MODEL_CONSTANTS));
  // What multiplied older figures says nothing about these.
  expect(requestOn(taught())).toEqual(plain);
  expect(learned.setup.model?.browning).toBeCloseTo(1.5 * (plain.setup.model?.browning ?? 0));
  expect(spreadsOf(formula, 6)).toMatchObject({ ballShare: 0.01, plateC: 6 });
  const { solved } = await askWorker('solve', { request: plain });
  const faster = await askWorker('solve', { request: learned });
  expect(faster.solved.least[1] ?? 0).toBeLessThanOrEqual(solved.least[1] ?? 0);
});

test('while the plate is too hot nothing says that a piece goes on now', async () => {
  fakeStreams();
  const live = liveBatch().live;
  const batch = { ...live.batch, id: 'hot' };
  queryClient.setQueryData(keys.batch('hot'), batch);
  jest.spyOn(api, 'batch').mockResolvedValue(batch);
  draw(<LiveScreen id="hot" />);
  await pass(300);
  expect(await screen.findByRole('heading', { level: 1 })).toBeTruthy();
  act(() => void tellReading({ kind: 'thermometer', tempC: 290, steady: true } as never));
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Wait');
  expect(screen.getByText(/too hot/)).toBeTruthy();
  expect(screen.queryByText('now')).toBeNull();
});

test('the plate is read aloud when the next act changes, not as its seconds go', async () => {
  fakeStreams();
  const said: string[] = [];
  Object.assign(window, {
    speechSynthesis: { cancel: jest.fn(), speak: ({ text }: { text: string }) => said.push(text) },
    SpeechSynthesisUtterance: class {
      constructor(readonly text: string) {}
    },
  });
  usePreferences.setState({ voice: true });
  const { live } = liveBatch();
  const at = (s: number) => new Date(NOW + s * 1000).toISOString();
  const on = [1, 2, 3, 4].map((place) => ({
    ...{ type: 'piece-on', piece: place, place, at: at(-1 - place * 2) },
    id: `00000000-0000-7000-8000-00000000000${place}`,
  }));
  const batch = { ...live.batch, id: 'aloud', events: [...live.batch.events, ...on] as BatchEvent[] };
  queryClient.setQueryData(keys.batch('aloud'), batch);
  jest.spyOn(api, 'batch').mockResolvedValue(batch);
  draw(<LiveScreen id="aloud" />);
  await pass(3000);
  expect(said).toEqual([expect.stringMatching(/^Turn 4 in \d+\ss$/)]);
  await pass(60_000);
  expect(said.at(-1)).toBe('Turn 4');
  press('Quiet');
  expect(usePreferences.getState().voice).toBe(false);
  Reflect.deleteProperty(window, 'speechSynthesis');
});

describe('an act that needs a word first', () => {
  const lain = async (name: string, seconds: number) => {
    const { live } = liveBatch();
    const on = { type: 'piece-on', piece: 1, place: 1, id: '00000000-0000-7000-8000-000000000001' };
    const at = new Date(NOW - seconds * 1000).toISOString();
    const batch = {
      ...live.batch,
      id: name,
      events: [...live.batch.events, { ...on, at }] as BatchEvent[],
    };
    queryClient.setQueryData(keys.batch(name), batch);
    jest.spyOn(api, 'batch').mockResolvedValue(batch);
    const kept = jest.spyOn(kitchenQueue, 'add').mockResolvedValue();
    kept.mockClear();
    draw(<LiveScreen id={name} />);
    await pass(300);
    fireEvent.click(await screen.findByRole('button', { name: /^Place 1, piece 1/ }));
    await pass(300);
    return () => kept.mock.calls.flatMap(([queued]) => ('event' in queued ? [queued.event] : []));
  };

  test('a turn after a second asks, and is not taken when it was not meant', async () => {
    const sent = await lain('early', 1);
    press('Leave it where it lies');
    await pass(300);
    expect(sent()).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: /^Place 1, piece 1/ }));
    press('Yes, now');
    await pass(300);
    expect(sent().map(({ type }) => type)).toEqual(['flipped']);
  });

  test('what was done in time and only not told is recorded at its time', async () => {
    const sent = await lain('long', 300);
    expect(
      screen.getByText(/^If it still lies there: \d+\ss, and it is spoilt after \d+\ss\.$/),
    ).toBeTruthy();
    press('It came off in time, untold');
    await pass(300);
    // Each at its time by the plan, as nobody saw it: such times teach nothing.
    expect(sent()).toMatchObject([
      { type: 'flipped', side: 2, assumed: true },
      { type: 'flipped', side: 3, assumed: true },
      { type: 'piece-off', assumed: true },
    ]);
    const laidS = (Date.parse(sent()[0]?.at ?? '') - (NOW - 300_000)) / 1000;
    expect(laidS).toBeGreaterThan(10);
    expect(laidS).toBeLessThan(100);
  });

  test('a burnt one is thrown out', async () => {
    const sent = await lain('burnt', 300);
    press('Burnt: throw it out');
    await pass(300);
    expect(sent()).toMatchObject([
      { type: 'piece-off', piece: 1 },
      { type: 'rejected', reason: 'burnt', pieces: 1, piece: 1 },
    ]);
  });
});
