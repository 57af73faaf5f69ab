import { existsSync } from 'node:fs';
import { Agent, request as httpRequest } from 'node:http';
import { join } from 'node:path';
import type { BatchEvent, BatchSummary } from '@kettle-scale/core/batch';
import { v7 as uuidv7 } from 'uuid';
import { startServer } from '../demoServer';
import { ROOT } from '../install.mjs';
import type { Measured } from '../bench';
import { makeHistory } from './history';
import { benchLog } from './log';

const PER_SECOND = 100;
const INTERVAL_MS = 1000 / PER_SECOND;
const BARS = { medianMs: 5, p99Ms: 25 } as const;
const WARM_UP_S = 2;

interface Call {
  method: 'GET' | 'POST';
  path: string;
  body?: string;
}

const agent = new Agent({ keepAlive: true });

/** One call, to its last byte; the answer's status. */
const send = (url: string, { method, path, body }: Call): Promise<number> =>
  new Promise((resolve, reject) => {
    const headers = {
      'accept-encoding': 'gzip',
      ...(body ? { 'content-type': 'application/json', 'kettle-app': 'tool' } : {}),
    };
    const call = httpRequest(url + path, { method, agent, headers }, (answer) => {
      answer.resume();
      answer.on('end', () => resolve(answer.statusCode ?? 0));
    });
    call.on('error', reject);
    call.end(body);
  });

const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.floor((sorted.length - 1) * share)] ?? NaN;

/** Open loop: a call every ten milliseconds whatever became of those before; times count from when it was due. */
async function measure(
  url: string,
  what: string,
  call: (index: number) => Call,
  seconds: number,
): Promise<Measured[]> {
  const warmUp = WARM_UP_S * PER_SECOND;
  const calls = warmUp + seconds * PER_SECOND;
  const times: number[] = [];
  let failed = 0;
  const start = performance.now();
  await Promise.all(
    Array.from({ length: calls }, async (_, index) => {
      const due = start + index * INTERVAL_MS;
      await new Promise((resolve) => setTimeout(resolve, due - performance.now()));
      const status = await send(url, call(index));
      if (status >= 300) failed += 1;
      if (index >= warmUp) times.push(performance.now() - due);
    }),
  );
  times.sort((a, b) => a - b);
  const row = (name: string, ms: number, barMs: number): Measured => ({
    what: `${what}, ${name}`,
    value: failed > 0 ? `${failed} failed` : `${ms.toFixed(1)} ms`,
    bar: `${barMs} ms`,
    holds: failed === 0 && ms <= barMs,
  });
  return [row('median', at(times, 0.5), BARS.medianMs), row('99th percentile', at(times, 0.99), BARS.p99Ms)];
}

/** Batches that the measured writes are spread over, as in a kitchen that works several at once. */
const RUNNING = 8;

async function startBatches(url: string): Promise<string[]> {
  const formulas = (await (await fetch(`${url}/api/v1/formulas`)).json()) as { id: string }[];
  const need = { by: 'pieces', pieces: 60, ballG: 60 };
  const ids = Array.from({ length: RUNNING }, () => uuidv7());
  for (const id of ids) {
    const start = { id, at: new Date().toISOString(), formulaId: formulas[0]?.id, formulaVersion: 1, need };
    await send(url, { method: 'POST', path: '/api/v1/batches', body: JSON.stringify(start) });
  }
  return ids;
}

/** Reads and event writes at 100 a second over a year of history: 5,000 batches, a million events (a tenth when quick). */
export async function benchApi(quick: boolean): Promise<Measured[]> {
  const batches = quick ? 500 : 5000;
  const data = join(ROOT, '.cache', `history-${batches}`);
  if (!existsSync(data)) await makeHistory(data, batches);
  // The history is made up and says so: only a demo learns from it.
  const server = await startServer(['--demo', '--data', data]);
  const { url } = server;
  const seconds = quick ? 5 : 15;
  try {
    const answer = await fetch(`${url}/api/v1/batches?status=finished&limit=100`);
    const past = ((await answer.json()) as BatchSummary[]).map(({ id }) => id);
    const running = await startBatches(url);
    const note = (): BatchEvent => ({
      id: uuidv7(),
      at: new Date().toISOString(),
      type: 'note',
      text: 'measured',
    });
    return [
      ...(await measure(
        url,
        'first page of the log',
        () => ({ method: 'GET', path: '/api/v1/batches?limit=50' }),
        seconds,
      )),
      ...(await measure(
        url,
        'the log searched by a word and a formula',
        () => ({ method: 'GET', path: '/api/v1/batches?limit=50&text=wrap&formula=deckhand-wrap' }),
        seconds,
      )),
      ...(await measure(
        url,
        'one batch with its events',
        (index) => ({ method: 'GET', path: `/api/v1/batches/${past[index % past.length]}` }),
        seconds,
      )),
      ...(await measure(
        url,
        'an event written',
        (index) => ({
          method: 'POST',
          path: `/api/v1/batches/${running[index % RUNNING]}/events`,
          body: JSON.stringify(note()),
        }),
        seconds,
      )),
      ...(await benchLog(url)),
    ];
  } finally {
    agent.destroy();
    await server.stop();
  }
}
