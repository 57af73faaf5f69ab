import { clear, createStore, entries, set } from 'idb-keyval';
import { act, screen, waitFor } from '@testing-library/react';
import { NoKey, api } from '../../api/api';
import { useKey } from '../../api/key';
import { keys, queryClient } from '../../api/queries';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { draw, pressed } from '../../test/liveBatch';
import * as saving from '../../shared/saveText';
import { NoKeyPage } from './NoKeyPage';

jest.mock('idb-keyval', () => {
  const stores = new Map<string, Map<string, unknown>>();
  const of = (name: string) => stores.get(name) ?? stores.set(name, new Map()).get(name);
  return {
    createStore: (name: string) => name,
    set: async (key: string, value: unknown, name: string) => void of(name)?.set(key, value),
    entries: async (name: string) => [...(of(name) ?? [])],
    values: async (name: string) => [...(of(name)?.values() ?? [])],
    clear: async (name: string) => of(name)?.clear(),
  };
});
const batches = createStore('kettle-scale-batches', 'batches');
const waiting = createStore('kettle-scale', 'waiting-events');
const note = {
  batchId: 'b',
  event: {
    id: '01890a5d-ac96-774b-bcce-b302099a8057',
    at: '2026-03-04T10:00:00.000Z',
    type: 'note',
    text: 'late',
  },
} as const;

const deleted: string[] = [];
beforeEach(async () => {
  deleted.length = 0;
  Object.assign(globalThis, {
    indexedDB: {},
    caches: {
      keys: async () => ['workbox-precache-v2', 'last-known'],
      delete: async (name: string) => deleted.push(name),
    },
  });
  localStorage.clear();
  await clear(batches);
});
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'indexedDB');
  Reflect.deleteProperty(globalThis, 'caches');
  jest.restoreAllMocks();
});

test('a phone that hears that it has no key forgets the kitchen, and keeps what it has not sent', async () => {
  await set('b', { id: 'b' }, batches);
  await set(note.event.id, note, waiting);
  localStorage.setItem('kettle-scale-draft-wrap', '{}');
  localStorage.setItem('kettle-scale-preferences', '{}');
  queryClient.setQueryData(keys.book, []);
  draw(<NoKeyPage />);
  await waitFor(async () => expect(await entries(batches)).toEqual([]));
  expect(deleted).toEqual(['last-known']);
  expect(Object.keys(localStorage)).toEqual(['kettle-scale-preferences']);
  expect(queryClient.getQueryData(keys.book)).toBeUndefined();
  expect(await entries(waiting)).toEqual([[note.event.id, note]]);
});

test('what is not sent is counted, and saved to a file', async () => {
  const state = { ...kitchenQueue.state(), pending: [note] };
  jest.spyOn(kitchenQueue, 'state').mockReturnValue(state);
  const save = jest.spyOn(saving, 'saveText').mockImplementation(() => undefined);
  draw(<NoKeyPage />);
  expect(screen.getByText('1 act is not sent. Paired again, this phone sends it.')).toBeTruthy();
  await pressed('Save what is not sent');
  expect(JSON.parse(save.mock.lastCall?.[1] ?? '')).toEqual([note]);
});

test('any answer that there is no key is heard', async () => {
  Object.assign(AbortSignal, { timeout: () => new AbortController().signal });
  const answer = { ok: false, status: 401, headers: new Map(), json: async () => ({ detail: 'Pair it.' }) };
  Object.assign(globalThis, { fetch: async () => answer });
  await act(() => expect(api.book()).rejects.toBeInstanceOf(NoKey));
  expect(useKey.getState().lost).toBe(true);
});
