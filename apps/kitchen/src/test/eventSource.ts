import type { DeviceKind, HeardReading } from '@kettle-scale/core/device';

/** Stands in for the browser's server-sent events: a test says what the server sends. */
export class FakeEventSource extends EventTarget {
  static open: FakeEventSource[] = [];

  readonly CLOSED = 2;
  readyState = 1;

  constructor(readonly url: string) {
    super();
    FakeEventSource.open.push(this);
  }

  close(): void {
    FakeEventSource.open = FakeEventSource.open.filter((other) => other !== this);
  }
}

/** Puts it in the browser's place for one test file. */
export function fakeStreams(): void {
  FakeEventSource.open = [];
  Object.assign(globalThis, { EventSource: FakeEventSource });
}

/** The kitchen's stream as it was opened last. */
export function stream(): FakeEventSource {
  const found = FakeEventSource.open.at(-1);
  if (!found) throw new Error('nobody listens to the kitchen');
  return found;
}

/** Sends a message down the stream, where the kitchen's news are so far. */
export const tell = (type: string, data: unknown, lastEventId = ''): boolean =>
  stream().dispatchEvent(new MessageEvent(type, { data: JSON.stringify(data), lastEventId }));

/** Sends a reading as the server hears it: fresh, of a device, unless said otherwise. */
export const tellReading = (
  reading: { kind: DeviceKind } & object,
  more: Partial<HeardReading> = {},
): boolean =>
  tell('reading', {
    reading: { at: '2026-03-04T10:00:00.000Z', ...reading },
    ...{ source: 'device', ageS: 0, usable: true },
    ...more,
  });
