/** Stands in for the browser's server-sent events: a test says what the server sends. */
export class FakeEventSource extends EventTarget {
  static open: FakeEventSource[] = [];

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

/** The open stream of an address. */
export function streamAt(end: string): FakeEventSource {
  const found = FakeEventSource.open.find(({ url }) => url.endsWith(end));
  if (!found)
    throw new Error(
      `nobody listens at ${end}; open are ${FakeEventSource.open.map(({ url }) => url).join()}`,
    );
  return found;
}

/** Sends a message down a stream. */
export const tell = (end: string, type: string, data: unknown): boolean =>
  streamAt(end).dispatchEvent(new MessageEvent(type, { data: JSON.stringify(data) }));
