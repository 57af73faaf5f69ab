// Kills the server with SIGKILL again and again while phones write, and counts what is lost or doubled:
//   npm run durability [-- --kills 200]
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import type { Batch, BatchEvent, Formula } from '@kettle-scale/core';
import { v7 as uuidv7 } from 'uuid';
import { openRandom } from '../apps/server/src/random';
import { type RunningServer, startServer } from './demoServer';

const { values } = parseArgs({
  options: { kills: { type: 'string', default: '200' }, seed: { type: 'string', default: '1' } },
});
const kills = Number(values.kills);
const random = openRandom(Number(values.seed));

/** Phones that write at once. */
const PHONES = 3;
/** The server lives this long between kills. */
const LIFE_MS = [60, 500] as const;

const data = mkdtempSync(join(tmpdir(), 'kettle-kill-'));
const batchId = uuidv7();
const acknowledged = new Set<string>();
/** Sent and never answered: each phone sends its own again after the restart. */
const unanswered = new Map<number, BatchEvent>();

const post = (url: string, path: string, body: unknown): Promise<Response> =>
  fetch(`${url}/api/v1${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

async function write(phone: number, url: string, isUp: () => boolean): Promise<void> {
  while (isUp()) {
    const at = new Date().toISOString();
    const event: BatchEvent = unanswered.get(phone) ?? {
      id: uuidv7(),
      at,
      type: 'note',
      text: `phone ${phone}`,
    };
    unanswered.set(phone, event);
    try {
      const answer = await post(url, `/batches/${batchId}/events`, event);
      if (answer.ok) acknowledged.add(event.id);
      else throw new Error(`an event was refused with ${answer.status}: ${await answer.text()}`);
      unanswered.delete(phone);
    } catch (error) {
      // The server died under this request; what became of the act is not known, so it is sent again later.
      if (!(error instanceof TypeError)) throw error;
    }
  }
}

async function liveAndDie(server: RunningServer): Promise<void> {
  let up = true;
  const gone = new Promise((resolve) => server.process.once('exit', resolve));
  const phones = Array.from({ length: PHONES }, (_, phone) => write(phone, server.url, () => up));
  await new Promise((resolve) => setTimeout(resolve, random.int(...LIFE_MS)));
  server.process.kill('SIGKILL');
  up = false;
  await Promise.all([gone, ...phones]);
}

let server = await startServer(['--demo', '--data', data], 'server');
const [formula] = (await (await fetch(`${server.url}/api/v1/formulas`)).json()) as Formula[];
await post(server.url, '/batches', {
  id: batchId,
  at: new Date().toISOString(),
  formulaId: formula?.id,
  formulaVersion: 1,
  need: { by: 'pieces', pieces: 20, ballG: 60 },
});
for (let kill = 0; kill < kills; kill += 1) {
  await liveAndDie(server);
  server = await startServer(['--demo', '--data', data], 'server');
}
const batch = (await (await fetch(`${server.url}/api/v1/batches/${batchId}`)).json()) as Batch;
await server.stop();

const stored = batch.events.map(({ id }) => id);
const lost = [...acknowledged].filter((id) => !stored.includes(id)).length;
const doubled = stored.length - new Set(stored).size;
process.stdout.write(
  `${kills} kills, ${acknowledged.size} events acknowledged, ${lost} lost, ${doubled} doubled\n`,
);
process.exitCode = lost + doubled === 0 && acknowledged.size > 0 ? 0 : 1;
