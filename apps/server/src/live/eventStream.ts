import type { RequestHandler, Response } from 'express';
import type { Hub } from './hub';

/** A comment now and then keeps phones and proxies from closing a quiet stream. */
const KEEP_ALIVE_MS = 20_000;
/** Pause before a browser asks again after the stream broke. */
const RETRY_MS = 1000;

export type Send = (type: string, data: unknown) => void;

/** Opens a stream of server-sent events; `follow` starts what feeds it and returns how to stop that. */
function openStream(response: Response, hub: Hub, follow: (send: Send) => () => void): void {
  response.set({
    'Content-Type': 'text/event-stream',
    // Compression would hold messages back until a block is full.
    'Cache-Control': 'no-cache, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  response.write(`retry: ${RETRY_MS}\n\n`);
  const stopFollowing = follow((type, data) => {
    response.write(`event: ${type}\ndata: ${JSON.stringify(data)}\n\n`);
  });
  const keepAlive = setInterval(() => response.write(': still here\n\n'), KEEP_ALIVE_MS);
  keepAlive.unref();
  const offClose = hub.onClose(() => response.end());
  response.on('close', () => {
    clearInterval(keepAlive);
    stopFollowing();
    offClose();
  });
}

/** An address that streams. */
export const streamHandler =
  (hub: Hub, follow: (send: Send) => () => void): RequestHandler =>
  (_request, response) => {
    openStream(response, hub, follow);
  };

/** Everything that is stored, as it is stored. */
export const newsStream = (hub: Hub) =>
  streamHandler(hub, (send) => hub.subscribe(({ type, ...data }) => send(type, data)));
