import type { Batch } from '@kettle-scale/core/batch';
import { QueryObserver } from '@tanstack/react-query';
import { waitFor } from '@testing-library/react';
import { FakeEventSource, fakeStreams, stream, tell } from '../test/eventSource';
import { followNews } from './news';
import { keys, queryClient } from '../api/queries';

const note = (n: number) => ({ id: `id-${n}`, at: '2026-03-04T10:00:00.000Z', type: 'note', text: `${n}` });
const batch = (...events: object[]) => ({ id: 'b', events }) as unknown as Batch;
const held = () => queryClient.getQueryData<Batch>(keys.batch('b'))?.events.map(({ id }) => id);

let stop: () => void;
let invalidated: jest.SpyInstance;
beforeEach(() => {
  fakeStreams();
  queryClient.clear();
  invalidated = jest.spyOn(queryClient, 'invalidateQueries');
  invalidated.mockClear();
  stop = followNews();
});
afterEach(() => stop());

const asked = () =>
  invalidated.mock.calls.map(([filter]) => (filter as { queryKey: string[] }).queryKey.join('/'));

test('an act from another phone joins the batch held here, once', () => {
  queryClient.setQueryData(keys.batch('b'), batch(note(1)));
  tell('event', { batchId: 'b', event: note(2) });
  tell('event', { batchId: 'b', event: note(2) });
  expect(held()).toEqual(['id-1', 'id-2']);
  expect(asked()).toEqual(['batches', 'batches']);
});

test('an act of a batch that is not held here renews the lists, and the batch where it is on its way', () => {
  tell('event', { batchId: 'b', event: note(2) });
  expect(held()).toBeUndefined();
  expect(asked()).toEqual([keys.batch('b').join('/'), 'batches']);
});

test.each([
  ['batch', { batchId: 'new' }, ['batches', 'log', 'flour-lots']],
  [
    'event',
    { batchId: 'b', event: { ...note(1), type: 'finished' } },
    ['facts', 'log', 'flour-lots', keys.batch('b').join('/'), 'batches'],
  ],
  ['lots', {}, ['flour-lots']],
  ['plans', {}, ['saved-plans', 'carried']],
  ['book', {}, ['book', 'versions']],
  ['ingredients', {}, ['ingredients']],
  ['settings', {}, ['kitchen', 'facts/lessons']],
])('“%s” has its lists fetched again', (type, data, renewed) => {
  tell(type, data);
  expect(asked()).toEqual(renewed);
});

test('what happened while the stream was broken is fetched when it is back, and only then', () => {
  tell('hello', {}, 'start.3');
  stream().dispatchEvent(new Event('error'));
  tell('hello', {}, 'start.3');
  const everything = () => invalidated.mock.calls.filter((call) => call.length === 0).length;
  expect(everything()).toBe(0);
  stream().dispatchEvent(new Event('error'));
  tell('hello', {}, 'start.4');
  expect(everything()).toBe(1);
  // A broken stream may mean that this phone's key was taken away.
  expect(invalidated).toHaveBeenCalledWith({ queryKey: keys.access });
});

test('a first answer that news has overtaken is asked for again when it is here, once', async () => {
  const answers: ((plans: string[]) => void)[] = [];
  const ask = jest.fn(() => new Promise<string[]>((resolve) => answers.push(resolve)));
  const end = new QueryObserver(queryClient, { queryKey: keys.savedPlans, queryFn: ask }).subscribe(
    () => undefined,
  );
  tell('plans', {});
  tell('plans', {});
  expect(ask).toHaveBeenCalledTimes(1);
  answers[0]?.(['before']);
  await waitFor(() => expect(ask).toHaveBeenCalledTimes(2));
  answers[1]?.(['after']);
  await waitFor(() => expect(queryClient.getQueryData(keys.savedPlans)).toEqual(['after']));
  expect(ask).toHaveBeenCalledTimes(2);
  end();
});

test('it stops listening when the page is left', () => {
  stop();
  expect(FakeEventSource.open).toEqual([]);
});
