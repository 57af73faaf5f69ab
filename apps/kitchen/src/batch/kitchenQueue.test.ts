import type { Batch, BatchEvent } from '@kettle-scale/core/batch';
import { QueryObserver } from '@tanstack/react-query';
import { waitFor } from '@testing-library/react';
import { api } from '../api/api';
import { keys, queryClient } from '../api/queries';
import { kitchenQueue } from './kitchenQueue';

jest.mock('idb-keyval', () => ({
  createStore: () => () => Promise.resolve(),
  del: () => Promise.resolve(),
  values: () => Promise.resolve([]),
}));

const event: BatchEvent = {
  ...{ id: '00000000-0000-7000-8000-000000000001', at: '2026-03-04T12:00:00.000Z' },
  ...{ type: 'note', text: 'kept from before the reload' },
};
const batch = { id: 'b', events: [event] } as unknown as Batch;

test('an act that is stored while its batch is still on its way does not stop the batch from coming', async () => {
  const asked: ((batch: Batch) => void)[] = [];
  jest.spyOn(api, 'batch').mockImplementation(() => new Promise((resolve) => asked.push(resolve)));
  jest.spyOn(api, 'addEvent').mockResolvedValue(event);
  const page = new QueryObserver(queryClient, { queryKey: keys.batch('b'), queryFn: () => api.batch('b') });
  const leave = page.subscribe(() => undefined);
  await kitchenQueue.add({ batchId: 'b', event });
  await waitFor(() => expect(kitchenQueue.state()).toMatchObject({ status: 'saved', pending: [] }));
  await waitFor(() => expect(asked).toHaveLength(2));
  asked[1]?.(batch);
  await waitFor(() => expect(page.getCurrentResult().data).toEqual(batch));
  leave();
});

test('an act that is stored joins the batch that is on the screen', async () => {
  queryClient.setQueryData(keys.batch('c'), { ...batch, id: 'c', events: [] });
  jest.spyOn(api, 'addEvent').mockResolvedValue(event);
  await kitchenQueue.add({ batchId: 'c', event });
  await waitFor(() => expect(queryClient.getQueryData(keys.batch('c'))).toMatchObject({ events: [event] }));
});
