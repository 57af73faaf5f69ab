import { type Batch, type BatchSummary, type EventBody, batchRecord } from '@kettle-scale/core/batch';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { Unreachable, api } from '../../api/api';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { keys, queryClient } from '../../api/queries';
import { draw, liveBatch, plan, press } from '../../test/liveBatch';
import { push } from '../../test/router';
import { BatchPage } from './BatchPage';
import { useFind } from './FindLog';
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
  jest.spyOn(api, 'kitchen').mockResolvedValue(live.batch.plan.kitchen);
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
  for (const words of ['One torn', 'Bag was damp', '980 g', '98 g']) {
    expect(screen.getByText(words)).toBeTruthy();
  }
});

test('a line that was not weighed is a dash, not a zero', () => {
  past();
  draw(<BatchPage id="b" />);
  const row = screen.getByRole('row', { name: /Water/ });
  expect(row.textContent).toMatch(/––$/);
});

test('bread that was put away shows its clock, what was looked at, and the way to a label', async () => {
  const all: EventBody[] = [
    ...acts,
    { type: 'rejected', pieces: 1, reason: 'torn' },
    { type: 'inspected', fold: 'folds in half', firstSide: 'freckles' },
    { type: 'held', how: 'cloth', pieces: 9 },
    { type: 'ball-sampled', massG: 97 },
    { type: 'ball-sampled', massG: 98 },
  ];
  past(...all);
  draw(<BatchPage id="b" />);
  expect(await screen.findByText('9 pieces, cloth')).toBeTruthy();
  expect(screen.getByText(/^over for/)).toBeTruthy();
  expect(screen.getByText('Rejected: torn')).toBeTruthy();
  expect(await screen.findByRole('img', { name: /^Balls: 97\.0/ })).toBeTruthy();
  press('Label to print');
  expect(push).toHaveBeenLastCalledWith('/log/b/label');
});

test('a past figure is put right with a reason, and what cannot be is told', async () => {
  past(...acts);
  const sent = jest.spyOn(kitchenQueue, 'add').mockResolvedValue(undefined);
  draw(<BatchPage id="b" />);
  press('Correct a value');
  fireEvent.click(screen.getByRole('radio', { name: /divided, dough 980 g$/ }));
  fireEvent.change(screen.getByLabelText('Right value, g'), { target: { value: '0' } });
  fireEvent.change(screen.getByLabelText('Reason'), { target: { value: 'bowl on the scale' } });
  press('Save');
  expect((await screen.findByRole('alert')).textContent).toMatch(/must be between 0\.01 and/);
  fireEvent.change(screen.getByLabelText('Right value, g'), { target: { value: '940' } });
  press('Save');
  await waitFor(() => expect(sent).toHaveBeenCalledTimes(1));
  expect(sent.mock.lastCall?.[0]).toMatchObject({
    batchId: 'b',
    event: { type: 'corrected', field: 'doughG', value: 940, reason: 'bowl on the scale' },
  });
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

test('the thread says who worked on a step, and which timed steps were too short', () => {
  const { live } = liveBatch(...acts);
  const nameOf = (id: string) => ({ early: 'Early cook' })[id] ?? id;
  const [first, ...others] = live.batch.events;
  const events = first ? [{ ...first, cook: 'early', phone: 'Bench phone' }, ...others] : [];
  draw(<StepThread batch={{ ...live.batch, events }} state={live.state} nameOf={nameOf} />);
  expect(screen.getAllByText('Early cook on Bench phone')).toHaveLength(1);
  expect(screen.getByText('planned 10 min to 20 min')).toBeTruthy();
  expect(screen.getAllByText('too short')).toHaveLength(1);
  expect(screen.queryByText('too long')).toBeNull();
});

test('a batch that could not be fetched is asked for again', async () => {
  const batch = past(...acts);
  queryClient.clear();
  queryClient.setDefaultOptions({ queries: { retry: false } });
  const ask = jest.spyOn(api, 'batch').mockRejectedValue(new Unreachable());
  draw(<BatchPage id="b" />);
  const again = await screen.findByRole('button', { name: 'Try again' });
  ask.mockResolvedValue(batch);
  fireEvent.click(again);
  expect(await screen.findByText('One torn')).toBeTruthy();
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

  const found = (...rows: BatchSummary[]) => jest.spyOn(api, 'findBatches').mockResolvedValue(rows);
  beforeEach(() => {
    useFind.getState().clear();
    jest.spyOn(api, 'book').mockResolvedValue([]);
  });

  test.each<[string, EventBody[], string]>([
    ['running', [], 'running'],
    ['finished', acts, 'finished'],
    ['abandoned', [{ type: 'abandoned', reason: '' }], 'abandoned'],
  ])('says that a batch is %s', async (_case, bodies, words) => {
    found(summary(...bodies));
    draw(<LogScreen />);
    expect((await screen.findByRole('link', { name: /Test round/ })).textContent).toContain(words);
  });

  test('says so when nothing was made yet', async () => {
    found();
    draw(<LogScreen />);
    expect(await screen.findByText('Nothing made yet')).toBeTruthy();
  });

  test('is found by words, formula, result and whole days, and all of it is shown again', async () => {
    const ask = found();
    draw(<LogScreen />);
    fireEvent.change(screen.getByLabelText('Find in notes, names and reasons'), {
      target: { value: 'salty' },
    });
    press('Filters');
    fireEvent.click(screen.getByRole('radio', { name: 'many rejects' }));
    fireEvent.change(screen.getByLabelText('From the day'), { target: { value: '2026-03-0' } });
    await waitFor(() =>
      expect(ask).toHaveBeenLastCalledWith({ text: 'salty', result: 'many rejects', limit: '50' }),
    );
    fireEvent.change(screen.getByLabelText('From the day'), { target: { value: '2026-03-04' } });
    await waitFor(() => expect(ask.mock.lastCall?.[0]).toMatchObject({ from: '2026-03-04' }));
    expect(await screen.findByText('No matches')).toBeTruthy();
    press('Show all');
    expect(await screen.findByText('Nothing made yet')).toBeTruthy();
  });

  test('a server that does not answer can be asked again', async () => {
    queryClient.setDefaultOptions({ queries: { retry: false } });
    const ask = jest.spyOn(api, 'findBatches').mockRejectedValue(new Unreachable());
    draw(<LogScreen />);
    const again = await screen.findByRole('button', { name: 'Try again' });
    expect(screen.getByText(/does not answer/)).toBeTruthy();
    ask.mockResolvedValue([]);
    fireEvent.click(again);
    expect(await screen.findByText('Nothing made yet')).toBeTruthy();
  });
});
