import { FakeEventSource, fakeStreams, stream } from '../test/eventSource';
import { createKitchenStream } from './kitchenStream';

/** What tabs of one browser share: a channel that others hear, and a lock that one holds. */
function fakeBrowser() {
  const channels = new Set<FakeChannel>();
  class FakeChannel {
    onmessage: ((event: { data: unknown }) => void) | null = null;
    constructor(readonly name: string) {
      channels.add(this);
    }
    postMessage(data: unknown) {
      for (const other of channels) if (other !== this) other.onmessage?.({ data: structuredClone(data) });
    }
    close() {
      channels.delete(this);
    }
  }
  let last: Promise<unknown> = Promise.resolve();
  const locks = {
    request: (_name: string, { signal }: { signal: AbortSignal }, work: () => Promise<void>) => {
      const turn = last.then(() => (signal.aborted ? undefined : work()));
      last = turn;
      return turn;
    },
  };
  Object.assign(globalThis, { BroadcastChannel: FakeChannel, structuredClone: (data: unknown) => data });
  Object.defineProperty(navigator, 'locks', { value: locks, configurable: true });
}
const settle = () => new Promise<void>((resolve) => setTimeout(resolve, 0));
const opened = (source: FakeEventSource) => source.dispatchEvent(new Event('open'));
const tell = (type: string, data: unknown) =>
  stream().dispatchEvent(new MessageEvent(type, { data: JSON.stringify(data) }));

beforeEach(() => {
  fakeStreams();
  fakeBrowser();
});
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'BroadcastChannel');
  Reflect.deleteProperty(navigator, 'locks');
});

test('six tabs have one stream, and all hear what comes down it', async () => {
  const heard: number[] = [];
  const tabs = Array.from({ length: 6 }, createKitchenStream);
  const stops = tabs.map((tab, n) => tab.on('batch', () => void heard.push(n)));
  await settle();
  expect(FakeEventSource.open).toHaveLength(1);
  tell('batch', { batchId: 'b' });
  expect(heard.sort()).toEqual([0, 1, 2, 3, 4, 5]);
  stops.forEach((stop) => stop());
});

test('the stream brings the devices that any tab wants, and no others', async () => {
  const [first, second] = [createKitchenStream(), createKitchenStream()];
  const stop = first.on('batch', () => undefined);
  await settle();
  expect(stream().url).toBe('/api/v1/stream');
  const readings: unknown[] = [];
  const stops = [second.on('reading', (reading) => void readings.push(reading)), second.want('scale')];
  expect(stream().url).toBe('/api/v1/stream?devices=scale');
  // The old stream ends when the new one is open, so that nothing falls between.
  expect(FakeEventSource.open).toHaveLength(2);
  opened(stream());
  expect(FakeEventSource.open).toHaveLength(1);
  tell('reading', { ageS: 0 });
  expect(readings).toEqual([{ ageS: 0 }]);
  const also = first.want('probe');
  expect(stream().url).toBe('/api/v1/stream?devices=probe,scale');
  stops.forEach((end) => end());
  expect(stream().url).toBe('/api/v1/stream?devices=probe');
  also();
  stop();
});

test('a tab that comes later learns that the stream is open, and how far the news are', async () => {
  const [first, second] = [createKitchenStream(), createKitchenStream()];
  const stop = first.on('batch', () => undefined);
  await settle();
  opened(stream());
  stream().dispatchEvent(new MessageEvent('lots', { data: '{}', lastEventId: 'start.7' }));
  const learned: unknown[] = [];
  const stopSecond = second.on('hello', (_, position) => void learned.push(position));
  expect([second.isOpen(), learned]).toEqual([true, ['start.7']]);
  stopSecond();
  stop();
});

test('when the tab that listened is closed another takes over, and says that something may have been missed', async () => {
  const [first, second] = [createKitchenStream(), createKitchenStream()];
  const states: boolean[] = [];
  const stop = first.on('batch', () => undefined);
  const stops = [second.onState((open) => void states.push(open)), second.want('room')];
  await settle();
  const before = stream();
  stop();
  await settle();
  expect(FakeEventSource.open).not.toContain(before);
  expect(stream().url).toBe('/api/v1/stream?devices=room');
  opened(stream());
  expect(states.slice(-2)).toEqual([false, true]);
  stops.forEach((end) => end());
  await settle();
  expect(FakeEventSource.open).toEqual([]);
});
