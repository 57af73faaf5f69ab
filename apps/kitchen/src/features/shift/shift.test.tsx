import { type BatchSummary, batchRecord } from '@kettle-scale/core/batch';
import type { LotState } from '@kettle-scale/core/flourLot';
import type { SavedPlan } from '@kettle-scale/core/plan';
import { screen } from '@testing-library/react';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { draw, entry, liveBatch, press, see } from '../../test/liveBatch';
import { push } from '../../test/router';
import { HeldSheet } from '../../shared/HeldSheet';
import { ShiftScreen } from './ShiftScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const NOW = Date.UTC(2026, 2, 4, 10, 30);

/** A batch as the server lists it, folded from what happened in it. */
function listed(id: string, formulaName: string, ...bodies: Parameters<typeof liveBatch>): BatchSummary {
  const { live } = liveBatch(...bodies);
  const { lines: _lines, ...record } = batchRecord(live.batch.plan, live.state);
  return { id, formulaName, startedAt: live.batch.startedAt, record } as unknown as BatchSummary;
}

const lot = (changes: Partial<LotState>) =>
  ({ id: 'lot', name: 'Quay mill', leftG: 12_340, runsOutOn: null, ...changes }) as LotState;

function open(batches: BatchSummary[], lots: LotState[] = [], plans: Partial<SavedPlan>[] = []): void {
  jest.spyOn(api, 'batches').mockResolvedValue(batches);
  queryClient.setQueryData(keys.batches('running'), batches);
  queryClient.setQueryData(keys.book, [entry()]);
  queryClient.setQueryData(keys.flourLots, lots);
  queryClient.setQueryData(keys.savedPlans, plans);
  draw(<ShiftScreen HeldSheet={HeldSheet} />);
}
const title = () => screen.getByRole('heading', { level: 1 }).textContent;

beforeEach(() => {
  jest.useFakeTimers();
  jest.setSystemTime(NOW);
  queryClient.clear();
  push.mockReset();
});
afterEach(() => jest.useRealTimers());

test('with nothing running it offers what to make', () => {
  open([]);
  expect(title()).toBe('Shift');
  press('Test round');
  expect(push).toHaveBeenCalledWith('/plan/test-round');
});

test('running batches stand with their clock, the late one first, and lead to the bench', () => {
  const resting = listed('resting', 'Soft round', { type: 'started', stepId: 'rest-1' });
  const weighing = listed('weighing', 'Press');
  open([weighing, { ...resting, record: { ...resting.record, now: nowAt('rest', 5, 20) } } as BatchSummary]);
  expect(title()).toBe('2 batches, 20 pieces');
  const links = screen.getAllByRole('link').map((link) => [link.getAttribute('href'), link.textContent]);
  expect(links[0]?.[0]).toBe('/bench/weighing');
  expect(links[0]?.[1]).toContain('waits for a hand');
  expect(links[1]).toEqual(['/bench/resting', expect.stringMatching(/Soft round.*in5:00/)]);
});

test('a late batch is counted in the headline and says by how much', () => {
  const batch = listed('late', 'Wrap');
  open([{ ...batch, record: { ...batch.record, now: nowAt('knead', -9, -3) } } as BatchSummary]);
  expect(title()).toBe('1 batch, 10 pieces, 1 late');
  expect(see('late by')).toBeTruthy();
  expect(see('3:00')).toBeTruthy();
});

test('the timeline is told in words to who cannot see it', () => {
  open([listed('one', 'Wrap')]);
  const line = screen.getByRole('img', { name: /^Timeline/ }).getAttribute('aria-label') ?? '';
  expect(line).toMatch(/Wrap: weigh to \d\d:\d\d, mix to .*rest the dough to .*griddle to/);
});

test('flour that runs out within days says when; kept plans are named', () => {
  open(
    [],
    [lot({ runsOutOn: '2026-03-06' }), lot({ id: 'b', name: 'Plenty', leftG: 80_000 })],
    [{ id: 'p', name: 'Friday sailing' }],
  );
  expect(see('to 03-06')).toBeTruthy();
  expect(see('Friday sailing')).toBeTruthy();
});

function nowAt(kind: 'rest' | 'knead', opensMin: number, closesMin: number) {
  return {
    ...{ stepId: `${kind}-1`, kind, title: kind, startedMs: NOW - 600_000 },
    opensMs: NOW + opensMin * 60_000,
    closesMs: NOW + closesMin * 60_000,
  };
}
