import type { Batch } from '@kettle-scale/core/batch';
import { QueryClient } from '@tanstack/react-query';
import { liveBatch } from '../test/liveBatch';
import { Unreachable, api } from './api';

const mockKept = new Map<string, Batch>();
const mockSet = jest.fn(async (id: string, batch: Batch) => void mockKept.set(id, batch));
jest.mock('idb-keyval', () => ({
  createStore: () => ({}),
  delMany: async (ids: string[]) => ids.forEach((id) => mockKept.delete(id)),
  get: async (id: string) => mockKept.get(id),
  set: (id: string, batch: Batch) => mockSet(id, batch),
  values: async () => [...mockKept.values()],
}));

const settled = () => new Promise((resolve) => setTimeout(resolve, 0));
const { live } = liveBatch({ type: 'note', text: 'begun' });
const batch = { ...live.batch, id: 'kept' };

beforeAll(() => Object.assign(globalThis, { indexedDB: {} }));

test('a batch is written when something was added to it, and not when it was only looked at again', async () => {
  const { keepBatchesOf, batchOrKept } = await import('./keptBatches');
  const client = new QueryClient();
  keepBatchesOf(client);
  const told = async (now: Batch) => {
    client.setQueryData(['batch', now.id], { ...now });
    await settled();
  };
  await told(batch);
  await told(batch);
  await told(batch);
  expect(mockSet).toHaveBeenCalledTimes(1);
  const more = { ...batch, events: [...batch.events, ...batch.events] };
  await told(more);
  expect(mockSet).toHaveBeenCalledTimes(2);

  jest.spyOn(api, 'batch').mockRejectedValue(new Unreachable());
  expect((await batchOrKept('kept')).events).toHaveLength(2);
  await expect(batchOrKept('another')).rejects.toBeInstanceOf(Unreachable);
});

test('what could not be kept is tried again with the next change', async () => {
  const { keepBatchesOf } = await import('./keptBatches');
  const client = new QueryClient();
  keepBatchesOf(client);
  mockSet.mockClear().mockRejectedValueOnce(new Error('full'));
  client.setQueryData(['batch', 'full'], { ...batch, id: 'full' });
  await settled();
  client.setQueryData(['batch', 'full'], { ...batch, id: 'full' });
  await settled();
  expect(mockSet).toHaveBeenCalledTimes(2);
});
