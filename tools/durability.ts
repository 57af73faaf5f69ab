// Kills the server with SIGKILL again and again while phones write and a cook works in a tab that is closed without
// warning; counts what is lost or doubled:
// Then cuts the phones' network at random moments while the server stays up.
//   npm run durability [-- --kills 200 --tabs 20 --cuts 200]
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import type { Batch, BatchEvent } from '@kettle-scale/core/batch';
import type { Formula } from '@kettle-scale/core/formula';
import { v7 as uuidv7 } from 'uuid';
import { openRandom } from '@kettle-scale/simulation';
import { WEB_DIR } from './built.mjs';
import { type RunningServer, freePort, startServer } from './demoServer';
import { openCook } from './durability/cook';
import { openCutNetwork } from './durability/cutNetwork';
import { ensureWebBuild } from './webBuild';

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '200' },
    tabs: { type: 'string', default: '20' },
    cuts: { type: 'string', default: '200' },
    seed: { type: 'string', default: '1' },
  },
});
const kills = Number(values.kills);
const tabs = Number(values.tabs);
const cuts = Number(values.cuts);
const random = openRandom(Number(values.seed));

/** Phones that write at once. */
const PHONES = 3;
/** The network holds this long between cuts: shorter and longer than an act takes. */
const HOLDS_MS = [2, 60] as const;
/** Before one in so many cuts an act is waited for: on a slow machine nothing would get through otherwise. */
const HEARD_EVERY_CUTS = 3;
/** The server lives this long between kills; with a tab, after that has done its first acts. */
const LIFE_MS = [60, 500] as const;
const LIFE_WITH_TAB_MS = [0, 4000] as const;
/** A tab outlives the server by this much, so that some acts are done without it. */
const TAB_OUTLIVES_MS = [0, 1200] as const;

/** A run in which hardly anything was written proves nothing: so many acts at least for each kill, closed tab and cut. */
const FEWEST_ACTS = { kill: 10, tab: 2, cut: 1 / HEARD_EVERY_CUTS } as const;
/** A tab is waited for no longer than this. */
const LONGEST_OPENING_MS = 30_000;

/** A long run says on its way how it stands. */
const TOLD_EVERY_KILLS = 100;

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

const data = mkdtempSync(join(tmpdir(), 'kettle-kill-'));
const batchId = uuidv7();
const acknowledged = new Set<string>();
/** Sent and never answered: each phone sends its own again after the restart. */
const unanswered = new Map<number, BatchEvent>();

const post = (url: string, path: string, body: unknown): Promise<Response> =>
  fetch(`${url}/api/v1${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'kettle-app': 'tool' },
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

async function liveAndDie(
  server: RunningServer,
  life: readonly [number, number],
  begun: Promise<void> = Promise.resolve(),
): Promise<void> {
  let up = true;
  const gone = new Promise((resolve) => server.process.once('exit', resolve));
  const phones = Array.from({ length: PHONES }, (_, phone) => write(phone, server.url, () => up));
  await begun;
  await pause(random.int(...life));
  server.process.kill('SIGKILL');
  up = false;
  await Promise.all([gone, ...phones]);
}

/** A browser keeps what waits on the device by origin, so the server comes back on the same port. */
const port = await freePort();
await ensureWebBuild();
const ARGS = ['--demo', '--data', data, '--port', String(port), '--web', WEB_DIR];
const start = () => startServer(ARGS, 'server');

let server = await start();
const [formula] = (await (await fetch(`${server.url}/api/v1/formulas`)).json()) as Formula[];
const begin = (id: string) =>
  post(server.url, '/batches', {
    id,
    at: new Date().toISOString(),
    formulaId: formula?.id,
    formulaVersion: 1,
    need: { by: 'pieces', pieces: 20, ballG: 60 },
  });
const tabBatchId = uuidv7();
await begin(batchId);
await begin(tabBatchId);

const cook = await openCook(`${server.url}/bench/${tabBatchId}`);
const everyKills = tabs > 0 ? Math.max(1, Math.floor(kills / tabs)) : Infinity;
/** Until the cook in the tab has done enough for a kill to lose something. */
async function firstActs(): Promise<void> {
  const enough = cook.kept() + FEWEST_ACTS.tab;
  const until = Date.now() + LONGEST_OPENING_MS;
  while (cook.kept() < enough && Date.now() < until) await pause(random.int(20, 60));
}

const eventsOf = async (id: string): Promise<string[]> => {
  const batch = (await (await fetch(`${server.url}/api/v1/batches/${id}`)).json()) as Batch;
  return batch.events.map((event) => event.id);
};
/** What was acknowledged and is not there. */
const lostOf = (stored: readonly string[]): number => {
  const there = new Set(stored);
  return [...acknowledged].filter((id) => !there.has(id)).length;
};

for (let kill = 0; kill < kills; kill += 1) {
  const withTab = kill % everyKills === 0;
  const acting = withTab ? cook.work(random.int(8, 20)) : Promise.resolve();
  await (withTab ? liveAndDie(server, LIFE_WITH_TAB_MS, firstActs()) : liveAndDie(server, LIFE_MS));
  if (withTab) {
    await pause(random.int(...TAB_OUTLIVES_MS));
    await cook.closeTab();
  }
  await acting;
  server = await start();
  if ((kill + 1) % TOLD_EVERY_KILLS === 0)
    process.stdout.write(
      `after ${kill + 1} kills: ${acknowledged.size} events acknowledged, ${lostOf(await eventsOf(batchId))} lost\n`,
    );
}
const told = await cook.finish();

/** Acts of which a phone does not know whether they were heard are sent again: each is there once. */
async function cutTheNetwork(): Promise<void> {
  const network = await openCutNetwork(server.url);
  let up = true;
  const phones = Array.from({ length: PHONES }, (_, phone) => write(phone, network.url, () => up));
  for (let cut = 0; cut < cuts; cut += 1) {
    const before = acknowledged.size;
    await pause(random.int(...HOLDS_MS));
    // However slow the machine, something gets through between some of the cuts.
    while (cut % HEARD_EVERY_CUTS === 0 && acknowledged.size === before) await pause(HOLDS_MS[0]);
    network.cut();
  }
  up = false;
  await Promise.all(phones);
  network.close();
}
const beforeCuts = acknowledged.size;
await cutTheNetwork();
const throughCuts = acknowledged.size - beforeCuts;
const stored = await eventsOf(batchId);
const byTab = await eventsOf(tabBatchId);
await server.stop();
rmSync(data, { recursive: true });

const lost = lostOf(stored);
const doubled = stored.length - new Set(stored).size + byTab.length - new Set(byTab).size;
// Whatever the browser had written down must have arrived, act by act.
const lostByTab = [...told.ids].filter((id) => !byTab.includes(id)).length;
// An act that was being pressed as its tab was closed may be there or not; more than were pressed cannot be.
const extra = Math.max(0, byTab.length - told.pressed);
process.stdout.write(
  `${kills} kills and ${cuts} cuts, ${acknowledged.size} events acknowledged to phones (${throughCuts} through cuts), ${lost} lost; ` +
    `${told.closed} tabs closed, ${told.ids.size} acts written down by them, ${lostByTab} lost; ${doubled + extra} doubled\n`,
);
const sound = lost + lostByTab + doubled + extra === 0;
const enough =
  beforeCuts >= FEWEST_ACTS.kill * kills &&
  throughCuts >= FEWEST_ACTS.cut * cuts &&
  Math.min(told.ids.size, told.kept) >= FEWEST_ACTS.tab * told.closed;
if (!enough) process.stdout.write('Too little was written for this run to say anything.\n');
process.exitCode = sound && enough ? 0 : 1;
