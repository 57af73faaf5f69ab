import type { BatchEvent } from '@kettle-scale/core/batch';
import { type Queued, type QueuedEvent, idOf } from '../api/waitingActs';
import { type SendResult, createEventQueue } from './eventQueue';

const act = (n: number): QueuedEvent => ({
  batchId: 'b',
  event: { id: `id-${n}`, at: '2026-03-04T10:00:00.000Z', type: 'note', text: `${n}` } as BatchEvent,
});

/** A queue over storage in memory and a server that answers from a list. */
function openQueue({ kept = [] as Queued[], answers = [] as SendResult['outcome'][] } = {}) {
  const disk = new Map(kept.map((queued) => [idOf(queued), queued]));
  const sent: string[] = [];
  const stored: string[] = [];
  const retries: (() => void)[] = [];
  const queue = createEventQueue({
    storage: {
      load: async () => [...disk.values()],
      put: async (queued) => void disk.set(idOf(queued), queued),
      remove: async (id) => void disk.delete(id),
    },
    send: async (queued) => {
      sent.push(idOf(queued));
      const outcome = answers.shift() ?? 'stored';
      return outcome === 'refused' ? { outcome, message: 'No.' } : { outcome };
    },
    onStored: (queued) => void stored.push(idOf(queued)),
    retryLater: (retry) => void retries.push(retry),
  });
  return { queue, disk, sent, stored, retry: () => retries.shift()?.() };
}

/** Lets everything that can be sent now be sent. */
const settle = () => new Promise<void>((resolve) => setTimeout(resolve, 0));

describe('event queue', () => {
  test('sends in order, once each, and forgets what is stored', async () => {
    const { queue, disk, sent, stored } = openQueue();
    await queue.resume();
    [1, 2, 3].forEach((n) => queue.add(act(n)));
    expect(queue.state()).toMatchObject({ status: 'sending', pending: [act(1), act(2), act(3)] });
    await settle();
    expect(sent).toEqual(['id-1', 'id-2', 'id-3']);
    expect(stored).toEqual(sent);
    expect(queue.state()).toMatchObject({ status: 'saved', pending: [] });
    expect(disk.size).toBe(0);
  });

  test('keeps everything while the server is away, then goes on from the same act', async () => {
    const { queue, disk, sent, retry } = openQueue({ answers: ['stored', 'later'] });
    await queue.resume();
    [1, 2, 3].forEach((n) => queue.add(act(n)));
    await settle();
    expect(queue.state().status).toBe('offline');
    expect([...disk.keys()]).toEqual(['id-2', 'id-3']);
    retry();
    await settle();
    expect(sent).toEqual(['id-1', 'id-2', 'id-2', 'id-3']);
    expect(queue.state().status).toBe('saved');
  });

  test('without a server it calls nothing kept that is still on its way to the disk, and waits for one retry', async () => {
    const written: (() => void)[] = [];
    const retryLater = jest.fn();
    const away = createEventQueue({
      storage: {
        load: async () => [],
        put: () => new Promise<void>((resolve) => written.push(resolve)),
        remove: async () => undefined,
      },
      send: async () => ({ outcome: 'later' }),
      onStored: () => undefined,
      retryLater,
    });
    const heardWith: number[] = [];
    away.subscribe(() => heardWith.push(written.length));
    for (const n of [1, 2, 3]) {
      void away.add(act(n));
      await settle();
      expect(away.state().status).toBe('sending');
      written.pop()?.();
      await settle();
      expect(away.state().status).toBe('offline');
    }
    expect(retryLater).toHaveBeenCalledTimes(1);
    // Each was on its way before anybody heard of it.
    expect(heardWith[0]).toBe(1);
  });

  test('says what this device could not keep, until it is sent', async () => {
    const full = createEventQueue({
      storage: {
        load: async () => [],
        put: () => Promise.reject(new DOMException('full', 'QuotaExceededError')),
        remove: async () => undefined,
      },
      send: async () => ({ outcome: answers.shift() ?? 'stored' }) as SendResult,
      onStored: () => undefined,
      retryLater: () => undefined,
    });
    const answers: string[] = ['later'];
    await full.resume();
    await expect(full.add(act(1))).rejects.toThrow('full');
    await settle();
    expect(full.state()).toMatchObject({ status: 'offline', notKept: true });
    await full.drain();
    expect(full.state()).toMatchObject({ status: 'saved', notKept: false, pending: [] });
  });

  test('takes up what an earlier visit left behind, before what is new', async () => {
    const { queue, sent } = openQueue({ kept: [act(1), act(2)] });
    // Until it is read, nobody knows that nothing waits.
    expect(queue.state().status).toBe('opening');
    const resumed = queue.resume();
    expect(queue.state().status).toBe('opening');
    await resumed;
    queue.add(act(3));
    await settle();
    expect(sent).toEqual(['id-1', 'id-2', 'id-3']);
  });

  test('a refused act holds nothing up, and is kept until the cook decides', async () => {
    const { queue, disk, sent, stored } = openQueue({ answers: ['refused', 'stored', 'stored'] });
    await queue.resume();
    [1, 2].forEach((n) => queue.add(act(n)));
    await settle();
    expect(stored).toEqual(['id-2']);
    expect(queue.state()).toMatchObject({
      status: 'saved',
      pending: [],
      refused: [{ ...act(1), message: 'No.' }],
    });
    expect([...disk.keys()]).toEqual(['id-1']);
    queue.sendRefused();
    await settle();
    expect(sent).toEqual(['id-1', 'id-2', 'id-1']);
    expect(queue.state()).toMatchObject({ status: 'saved', refused: [] });
    expect(disk.size).toBe(0);
  });

  test('a refused act comes up again after the tab was closed, and goes when it is given up', async () => {
    const { queue, disk, sent } = openQueue({ kept: [act(1)], answers: ['refused'] });
    await queue.resume();
    expect(queue.state().refused).toHaveLength(1);
    await queue.dropRefused();
    expect(queue.state().refused).toEqual([]);
    expect(disk.size).toBe(0);
    expect(sent).toEqual(['id-1']);
  });
});

describe('what nobody foresaw', () => {
  test('a batch that was begun here is sent before its acts, also after a reload', async () => {
    const start = { batchId: 'id-0', start: { id: 'id-0' } } as unknown as Queued;
    const first = openQueue({ answers: ['later'] });
    [start, act(1), act(2)].forEach((one) => void first.queue.add(one));
    await settle();
    expect(first.sent).toEqual(['id-0']);
    const second = openQueue({ kept: [...first.disk.values()] });
    await second.queue.resume();
    expect(second.sent).toEqual(['id-0', 'id-1', 'id-2']);
    expect(second.disk.size).toBe(0);
  });

  test('a send that throws sets its act aside, in sight, and those behind it go on', async () => {
    const disk = new Map<string, Queued>();
    const queue = createEventQueue({
      storage: {
        load: async () => [],
        put: async (queued) => void disk.set(idOf(queued), queued),
        remove: async (id) => void disk.delete(id),
      },
      send: async (queued) => {
        if (idOf(queued) === 'id-1') throw new RangeError('bug');
        return { outcome: 'stored' };
      },
      onStored: () => undefined,
      retryLater: () => undefined,
    });
    await queue.resume();
    [1, 2, 3].forEach((n) => void queue.add(act(n)));
    await settle();
    expect(queue.state()).toMatchObject({ status: 'saved', pending: [], refused: [{ ...act(1) }] });
    expect(queue.state().refused[0]?.message).toMatch(/could not be sent \(bug\)/);
    expect([...disk.keys()]).toEqual(['id-1']);
  });

  test('a device that keeps nothing still sends, and says that it kept nothing', async () => {
    const sent: string[] = [];
    const queue = createEventQueue({
      storage: {
        load: async () => [],
        put: () => Promise.reject(new Error('no room')),
        remove: async () => undefined,
      },
      send: async (queued) => {
        sent.push(idOf(queued));
        return { outcome: 'stored' };
      },
      onStored: () => undefined,
      retryLater: () => undefined,
    });
    await expect(queue.add(act(1))).rejects.toThrow('no room');
    await settle();
    expect(sent).toEqual(['id-1']);
  });
});
