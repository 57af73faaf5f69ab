import { type Streamed, STREAMED } from './streamed';

/** A stream that the server refused or cut is asked for again after this. */
const AGAIN_MS = 3000;

interface StreamSourceOptions {
  /** Where what is wanted now comes from. */
  address: () => string;
  /** What came, and how far the kitchen's news are with it. */
  onMessage: (type: Streamed, data: unknown, position: string) => void;
  onState: (open: boolean) => void;
}

/** The connection to the server: opened again for what is wanted, and when it broke. */
export function createStreamSource({ address, onMessage, onState }: StreamSourceOptions) {
  /** The one that follows what is wanted now, and those that it takes over from. */
  let source: EventSource | null = null;
  const sources = new Set<EventSource>();
  let following = '';
  let position = '';
  let again: ReturnType<typeof setTimeout> | undefined;

  const close = (one: EventSource): void => {
    one.close();
    sources.delete(one);
  };

  /** Opens the stream for what is wanted now; the old one ends when the new one is open, so that nothing falls between. */
  function listen(): void {
    const url = address();
    if (source && url === following && source.readyState !== source.CLOSED) return;
    clearTimeout(again);
    const before = [...sources];
    const opened = new EventSource(url);
    sources.add(opened);
    source = opened;
    following = url;
    opened.addEventListener('open', () => {
      before.forEach(close);
      onState(true);
    });
    opened.addEventListener('error', () => {
      before.forEach(close);
      if (source !== opened) return;
      onState(false);
      if (opened.readyState === opened.CLOSED) again = setTimeout(listen, AGAIN_MS);
    });
    for (const type of STREAMED) {
      opened.addEventListener(type, ({ data, lastEventId }: MessageEvent<string>) => {
        position = lastEventId;
        onMessage(type, JSON.parse(data), position);
      });
    }
  }

  return {
    listen,
    /** How far the kitchen's news were when something came last. */
    position: () => position,
    end: (): void => {
      clearTimeout(again);
      sources.forEach(close);
      source = null;
    },
  };
}
