import type { Batch, BatchSummary, EventBody } from '@kettle-scale/core';
import { batchRecord } from '@kettle-scale/core/batch';
import { fireEvent, screen, within } from '@testing-library/react';
import { api } from '../../data/api';
import { keys, queryClient } from '../../data/queries';
import { START_MS, draw, liveBatch, plan } from '../../test/liveBatch';
import { push } from '../../test/router';
import { BatchPage } from './BatchPage';
import { LogScreen } from './LogScreen';
import { StepThread } from './StepThread';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const [flour] = plan.sheet;
const acts: EventBody[] = [
  { type: 'weighed', stepId: 'weigh-1-flour', massG: (flour?.massG ?? 0) + 7 },
  { type: 'started', stepId: 'rest-1' },
  { type: 'done', stepId: 'rest-1' },
  { type: 'divided', doughG: 980, pieces: 10, ballG: 97.5 },
  { type: 'note', text: 'Bag was damp' },
  { type: 'finished', pieces: 10, good: 9, note: 'One torn' },
];

function past(...bodies: EventBody[]): Batch {
  const { live } = liveBatch(...bodies);
  jest.spyOn(api, 'batch').mockResolvedValue(live.batch);
  jest.spyOn(api, 'flourLots').mockResolvedValue([]);
  queryClient.setQueryData(keys.batch('b'), live.batch);
  return live.batch;
}

beforeEach(() => {
  push.mockReset();
  queryClient.clear();
});

test('a batch page puts planned and actual side by side', () => {
  past(...acts);
  draw(<BatchPage id="b" />);
  const row = within(screen.getByRole('table', { name: 'Weighed' })).getByRole('row', {
    name: /Plain flour/,
  });
  const mass = flour?.massG ?? 0;
  expect(
    within(row)
      .getAllByRole('cell')
      .map(({ textContent }) => textContent),
  ).toEqual(['Plain flour', `${mass}\u00a0g`, `${mass + 7}\u00a0g`, '+7\u00a0g']);
  for (const words of ['One torn', 'Bag was damp', '980 g', '97.5 g']) {
    expect(screen.getByText(words)).toBeTruthy();
  }
});

test('a line that was not weighed is a dash, not a zero', () => {
  past();
  draw(<BatchPage id="b" />);
  const row = screen.getByRole('row', { name: /Water/ });
  expect(row.textContent).toMatch(/––$/);
});

test('a finished batch can be planned again, a running one leads to the bench', () => {
  past(...acts);
  const { unmount } = draw(<BatchPage id="b" />);
  fireEvent.click(screen.getByRole('button', { name: 'Plan it again' }));
  expect(push).toHaveBeenLastCalledWith('/plan/test-round');
  unmount();
  past();
  draw(<BatchPage id="b" />);
  fireEvent.click(screen.getByRole('button', { name: 'Go to the bench' }));
  expect(push).toHaveBeenLastCalledWith('/bench/b');
});

test('the thread says which timed steps were too short', () => {
  const { live } = liveBatch(...acts);
  draw(<StepThread plan={plan} state={live.state} startedMs={START_MS} />);
  expect(screen.getByText('planned 10 min to 20 min')).toBeTruthy();
  expect(screen.getAllByText('too short')).toHaveLength(1);
  expect(screen.queryByText('too long')).toBeNull();
});

describe('the list', () => {
  const summary = (...bodies: EventBody[]): BatchSummary => {
    const { live } = liveBatch(...bodies);
    return {
      id: 'b',
      startedAt: live.batch.startedAt,
      formulaId: 'test-round',
      formulaName: 'Test round',
      formulaVersion: 1,
      flourLotId: null,
      record: batchRecord(plan, live.state),
    };
  };

  test.each<[string, EventBody[], string]>([
    ['running', [], 'running'],
    ['finished', acts, 'finished'],
    ['given up', [{ type: 'abandoned', reason: '' }], 'given up'],
  ])('says that a batch is %s', (_case, bodies, words) => {
    const rows = [summary(...bodies)];
    jest.spyOn(api, 'batches').mockResolvedValue(rows);
    queryClient.setQueryData(keys.batches(), rows);
    draw(<LogScreen />);
    expect(screen.getByRole('link', { name: /Test round/ }).textContent).toContain(words);
  });

  test('says so when nothing was made yet', () => {
    jest.spyOn(api, 'batches').mockResolvedValue([]);
    queryClient.setQueryData(keys.batches(), []);
    draw(<LogScreen />);
    expect(screen.getByText('Nothing made yet')).toBeTruthy();
  });

  test('a server that does not answer can be asked again', async () => {
    const { Unreachable } = jest.requireActual<typeof import('../../data/api')>('../../data/api');
    queryClient.setDefaultOptions({ queries: { retry: false } });
    const ask = jest.spyOn(api, 'batches').mockRejectedValue(new Unreachable());
    draw(<LogScreen />);
    const again = await screen.findByRole('button', { name: 'Try again' });
    expect(screen.getByText(/does not answer/)).toBeTruthy();
    ask.mockResolvedValue([]);
    fireEvent.click(again);
    expect(await screen.findByText('Nothing made yet')).toBeTruthy();
  });
});
