import { DEVICE_KINDS } from '@kettle-scale/core/device';
import { parseInput } from '@kettle-scale/core/message';
import type { RequestHandler, Response } from 'express';
import { z } from 'zod';
import { accessOf } from '../access/gate';
import type { Devices } from '../devices/devices';
import type { Hub, News } from './hub';

/** A comment now and then keeps phones and proxies from closing a quiet stream. */
const KEEP_ALIVE_MS = 20_000;
/** A phone that takes nothing, asleep or out of reach, is let go with so much unread: it would fill the memory. */
const MOST_UNREAD_BYTES = 1_000_000;
/** What is told within this is told together. */
const TOGETHER_MS = 40;
/** Pause before a browser asks again after the stream broke. */
const RETRY_MS = 1000;

export type Send = (type: string, data: unknown, id?: string) => void;
/** The same for what is JSON text already. */
type SendText = (type: string, text: string, id?: string) => void;

/** News that every stream tells are written out once. */
const written = new WeakMap<News, string>();
function textOf(news: News): string {
  const known = written.get(news);
  if (known !== undefined) return known;
  const { type: _type, ...data } = news;
  const text = JSON.stringify(data);
  written.set(news, text);
  return text;
}

/** Opens a stream of server-sent events; `follow` starts what feeds it and returns how to stop that. */
function openStream(
  response: Response,
  hub: Hub,
  follow: (send: Send, sendText: SendText) => () => void,
): void {
  response.set({
    'Content-Type': 'text/event-stream',
    // Compression would hold messages back until a block is full.
    'Cache-Control': 'no-cache, no-transform',
    'X-Accel-Buffering': 'no',
  });
  response.flushHeaders();
  response.write(`retry: ${RETRY_MS}\n\n`);
  let together = false;
  const flush = (): void => {
    together = false;
    response.uncork();
  };
  const sendText: SendText = (type, text, id) => {
    const position = id === undefined ? '' : `id: ${id}\n`;
    response.write(`${position}event: ${type}\ndata: ${text}\n\n`);
    // The first goes out at once; what follows so soon that nobody sees the difference goes out in one packet. Twenty phones
    // hear every act of twenty phones: packets were the most that this server had to do.
    if (!together) {
      together = true;
      response.cork();
      setTimeout(flush, TOGETHER_MS);
    }
    if (response.writableLength > MOST_UNREAD_BYTES) response.destroy();
  };
  const stopFollowing = follow((type, data, id) => sendText(type, JSON.stringify(data), id), sendText);
  const keepAlive = setInterval(() => response.write(': still here\n\n'), KEEP_ALIVE_MS);
  keepAlive.unref();
  const { phone } = accessOf(response);
  // What is told between the end and the close would be written to a stream that is over.
  const end = (): void => {
    stop();
    response.end();
  };
  const offs = [hub.onClose(end), hub.onRevoke((id) => id === phone?.id && end())];
  const stop = (): void => {
    clearInterval(keepAlive);
    stopFollowing();
    offs.forEach((off) => off());
  };
  response.on('close', stop);
}

/** An address that streams. */
export const streamHandler =
  (hub: Hub, follow: (send: Send) => () => void): RequestHandler =>
  (_request, response) => {
    openStream(response, hub, follow);
  };

const streamQuery = z.strictObject({
  /** Devices whose readings come along, with commas between. */
  devices: z
    .string()
    .max(200)
    .default('')
    .transform((text) => text.split(',').filter(Boolean))
    .pipe(z.array(z.enum(DEVICE_KINDS, { error: `The devices are: ${DEVICE_KINDS.join(', ')}.` }))),
});

/** Everything that is stored, as it is stored, and the readings of the devices that were asked for. */
export const kitchenStream =
  (hub: Hub, devices: Devices): RequestHandler =>
  (request, response) => {
    const { devices: kinds } = parseInput(streamQuery, request.query);
    openStream(response, hub, (send, sendText) => {
      send('hello', {}, hub.position());
      const stops = [
        hub.subscribe((news) => sendText(news.type, textOf(news), hub.position())),
        ...kinds.map((kind) => devices.follow(kind, send)),
      ];
      return () => stops.forEach((stop) => stop());
    });
  };
