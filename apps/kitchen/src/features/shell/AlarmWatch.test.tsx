import type { BatchSummary } from '@kettle-scale/core/batch';
import { act, screen } from '@testing-library/react';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { draw, press } from '../../test/liveBatch';
import { goTo, push } from '../../test/router';
import { AlarmWatch } from './AlarmWatch';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const START = Date.UTC(2026, 2, 4, 10);
const MIN = 60_000;

const resting = (id: string, formulaName: string, opensMin: number) =>
  ({
    ...{ id, formulaName, startedAt: new Date(START).toISOString() },
    record: {
      now: {
        ...{ stepId: 'rest-1', kind: 'rest', title: 'Rest the dough', startedMs: START },
        opensMs: START + opensMin * MIN,
        closesMs: START + (opensMin + 30) * MIN,
      },
    },
  }) as unknown as BatchSummary;

const told: { title: string; body?: string; tag?: string }[] = [];
function watch(...running: BatchSummary[]): void {
  jest.spyOn(api, 'batches').mockResolvedValue(running);
  queryClient.setQueryData(keys.batches('running'), running);
  draw(<AlarmWatch />);
}
const after = (minutes: number) => act(() => void jest.advanceTimersByTime(minutes * MIN));
const alarm = () => screen.queryByRole('alert')?.textContent ?? null;

beforeEach(() => {
  jest.useFakeTimers();
  jest.setSystemTime(START);
  localStorage.clear();
  queryClient.clear();
  push.mockReset();
  goTo('/formulas');
  told.length = 0;
  Object.assign(navigator, { vibrate: jest.fn() });
  const FakeNotification = Object.assign(
    function FakeNotification(title: string, options: object) {
      told.push({ title, ...options });
    },
    { permission: 'granted' },
  );
  Object.assign(globalThis, { Notification: FakeNotification });
});
afterEach(() => jest.useRealTimers());

test('rings when a rest elsewhere is done, names it, and leads there', () => {
  watch(resting('wrap', 'Deckhand wrap', 5));
  expect(alarm()).toBeNull();
  after(5);
  expect(alarm()).toContain('Deckhand wrap: rest is done');
  press(/^Deckhand wrap: rest is done/);
  expect(push).toHaveBeenCalledWith('/bench/wrap');
  expect(alarm()).toBeNull();
});

test('the batch on the screen rings by itself', () => {
  goTo('/bench/wrap-2');
  watch(resting('wrap-2', 'Deckhand wrap', 1));
  after(2);
  expect(alarm()).toBeNull();
});

test('one after the other, and again at the latest', () => {
  watch(resting('a', 'Lantern round', 1), resting('c', 'Pilot press', 2));
  after(3);
  expect(alarm()).toContain('Lantern round');
  press(/^Lantern round/);
  expect(alarm()).toContain('Pilot press');
  press(/^Pilot press/);
  expect(alarm()).toBeNull();
  after(29);
  expect(alarm()).toContain('Lantern round: rest is past its latest');
});

test('a hidden page tells by the system, once for each mark; a visible one does not', () => {
  watch(resting('hidden', 'Sailcloth sheet', 1));
  const visible = jest.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
  after(2);
  after(2);
  expect(told).toMatchObject([{ title: 'Kettle Scale', body: 'Sailcloth sheet: rest is done' }]);
  visible.mockReturnValue('visible');
  after(30);
  expect(told).toHaveLength(1);
  visible.mockRestore();
});
