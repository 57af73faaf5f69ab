// What a kitchen's network may do to the server at once: two thousand open streams, senders that never end, and
// bodies made to burst. Each time a phone beside them must still be answered.
//   npm run crowd [-- --streams 2000]
import { connect, type Socket } from 'node:net';
import { parseArgs } from 'node:util';
import { gzipSync } from 'node:zlib';
import type { Batch } from '@kettle-scale/core/batch';
import { v7 as uuidv7 } from 'uuid';
import { startServer } from './demoServer';

const { values } = parseArgs({ options: { streams: { type: 'string', default: '2000' } } });
const streams = Number(values.streams);
const MB = 1024 * 1024;
/** Sockets that are opened before the next are. */
const AT_ONCE = 100;
const SLOW_SENDERS = 300;
const HEARD_MS = 30_000;

const server = await startServer(['--demo'], 'server');
const { port } = new URL(server.url);
const own = { 'kettle-app': 'tool', 'content-type': 'application/json' };
const post = (path: string, body: string | Buffer, more: Record<string, string> = {}): Promise<Response> =>
  fetch(`${server.url}/api/v1${path}`, {
    method: 'POST',
    headers: { ...own, ...more },
    body: body as BodyInit,
  });

const raw = (words: string): Promise<Socket> =>
  new Promise((resolve, reject) => {
    const socket = connect(Number(port), '127.0.0.1', () => {
      socket.write(words);
      resolve(socket);
    });
    socket.once('error', reject);
  });
const request = (path: string) => `GET ${path} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n`;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

const failed: string[] = [];
async function check(what: string, holds: () => Promise<boolean>): Promise<void> {
  const from = performance.now();
  const good = await holds();
  process.stdout.write(
    `${good ? 'holds' : 'FAILS'}: ${what} (${(performance.now() - from).toFixed(0)} ms)\n`,
  );
  if (!good) failed.push(what);
}
const answers = async (): Promise<boolean> => (await fetch(`${server.url}/api/v1/health`)).ok;

const formulas = (await (await fetch(`${server.url}/api/v1/formulas`)).json()) as { id: string }[];
const start = {
  ...{ id: uuidv7(), at: new Date().toISOString(), formulaId: formulas[0]?.id, formulaVersion: 1 },
  need: { by: 'pieces', pieces: 20, ballG: 60 },
};
await post('/batches', JSON.stringify(start));
const act = (text: string) =>
  post(`/batches/${start.id}/events`, JSON.stringify({ id: uuidv7(), at: start.at, type: 'note', text }));

/** Opens many streams; each counts the acts that it hears. */
async function openStreams(
  count: number,
): Promise<{ sockets: Socket[]; greeted: () => number; heard: () => number }> {
  const sockets: Socket[] = [];
  let [greeted, heard] = [0, 0];
  while (sockets.length < count) {
    const some = await Promise.all(
      Array.from({ length: AT_ONCE }, () => raw(`${request('/api/v1/stream')}\r\n`)),
    );
    for (const socket of some) {
      let text = '';
      socket.on('data', (chunk: Buffer) => {
        text = (text + chunk.toString()).slice(-2000);
        if (text.includes('event: hello')) {
          greeted += 1;
          text = '';
        }
        if (!text.includes('everybody hears')) return;
        heard += 1;
        text = '';
      });
    }
    sockets.push(...some);
  }
  return { sockets, greeted: () => greeted, heard: () => heard };
}

const LOOK_MS = 50;
/** Waits until all streams are counted, or for long enough. */
async function reached(count: () => number): Promise<void> {
  for (let waitedMs = 0; count() < streams && waitedMs < HEARD_MS; waitedMs += LOOK_MS) await pause(LOOK_MS);
}

await check(`${streams} streams hear an act, and are let go when they end`, async () => {
  const { sockets, greeted, heard } = await openStreams(streams);
  await reached(greeted);
  const told = (await act('everybody hears')).ok;
  await reached(heard);
  const all = heard() === streams;
  if (!all) process.stdout.write(`${heard()} of ${streams} heard it\n`);
  sockets.forEach((socket) => socket.destroy());
  return told && all && (await answers());
});

await check(`${SLOW_SENDERS} senders that never end their headers or bodies hold nobody up`, async () => {
  const slow = await Promise.all(
    Array.from({ length: SLOW_SENDERS }, (_, n) =>
      raw(
        n % 2 === 0
          ? request('/api/v1/kitchen')
          : `POST /api/v1/batches HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nkettle-app: x\r\ncontent-type: application/json\r\ncontent-length: 9999\r\n\r\n{"id":`,
      ),
    ),
  );
  slow.forEach((socket) => socket.on('error', () => undefined));
  const good = (await answers()) && (await act('beside the slow')).ok;
  slow.forEach((socket) => socket.destroy());
  return good;
});

const deep = `${'['.repeat(200_000)}${']'.repeat(200_000)}`;
const BOMBS: readonly {
  what: string;
  body: string | Buffer;
  headers?: Record<string, string>;
  status: number;
}[] = [
  {
    what: 'a body that unpacks to 512 MB',
    body: gzipSync(Buffer.alloc(512 * MB)),
    headers: { 'content-encoding': 'gzip' },
    status: 413,
  },
  { what: 'a body of 30 MB', body: `"${'x'.repeat(30 * MB)}"`, status: 413 },
  { what: 'a body nested 200,000 deep', body: deep, status: 413 },
  {
    what: 'an object of 100,000 unknown fields',
    body: JSON.stringify(Object.fromEntries(Array.from({ length: 60_000 }, (_, n) => [`k${n}`, n]))),
    status: 422,
  },
];
for (const { what, body, headers = {}, status } of BOMBS) {
  await check(`${what} is refused with ${status}`, async () => {
    const answer = await post('/batches', body, headers);
    const { detail } = (await answer.json()) as { detail?: string };
    return answer.status === status && Boolean(detail) && (await answers());
  });
}

await check('what was told beside all this is there, once', async () => {
  const batch = (await (await fetch(`${server.url}/api/v1/batches/${start.id}`)).json()) as Batch;
  const ids = batch.events.map(({ id }) => id);
  return ids.length === 2 && new Set(ids).size === ids.length;
});
await server.stop();
process.exitCode = failed.length === 0 ? 0 : 1;
