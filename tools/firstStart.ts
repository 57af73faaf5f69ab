// Kills the server with SIGKILL at moments spread over a first start, a start of the demo and an upgrade, starts it again,
// and counts the kitchens that do not start or are half made:
//   npm run first-start [-- --kills 200]
import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import type { Formula } from '@kettle-scale/core/formula';
import { openRandom } from '@kettle-scale/simulation';
import { spawnServer } from './demoServer';
import { oldKitchen } from './durability/oldKitchen';

const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '200' },
    seed: { type: 'string', default: '1' },
    /** Only starts of this kind. */
    only: { type: 'string' },
  },
});
const kills = Number(values.kills);
const random = openRandom(Number(values.seed));

const folderOf = () => mkdtempSync(join(tmpdir(), 'kettle-first-'));

const old = await oldKitchen();

interface Kind {
  name: string;
  args: readonly string[];
  /** Puts what is there before the start. */
  before: (folder: string) => void;
  /** Says what is wrong with the kitchen once it has started; null when it is whole. */
  wrong: (formulas: number, batches: number, lots: number) => boolean;
}

const KINDS: readonly Kind[] = [
  { name: 'first start', args: [], before: () => undefined, wrong: (f, b, l) => f + b + l > 0 },
  {
    name: 'demo',
    args: ['--demo'],
    before: () => undefined,
    wrong: (f, b, l) => f !== 5 || b !== 21 || l !== 2,
  },
  {
    name: 'upgrade',
    args: [],
    before: (folder) => copyFileSync(old, join(folder, 'kitchen.sqlite')),
    wrong: (f, b, l) => f !== 0 || b !== 0 || l !== 1,
  },
];

const counted = async (url: string, path: string): Promise<number> =>
  ((await (await fetch(`${url}/api/v1${path}`)).json()) as Formula[]).length;

/** How long a start of each kind takes when nobody kills it, ms; kills are spread over that and a little more. */
async function usualMs({ args, before }: Kind): Promise<number> {
  const folder = folderOf();
  before(folder);
  const began = Date.now();
  const server = spawnServer(['--data', folder, ...args]);
  await server.ready;
  const tookMs = Date.now() - began;
  await server.kill();
  rmSync(folder, { recursive: true });
  return tookMs;
}

const kinds = KINDS.filter(({ name }) => !values.only || name === values.only);
let neverStarts = 0;
let halfMade = 0;
for (const kind of kinds) {
  const lastMs = (await usualMs(kind)) * 1.1;
  const share = Math.ceil(kills / kinds.length);
  for (let kill = 0; kill < share; kill += 1) {
    const folder = folderOf();
    mkdirSync(folder, { recursive: true });
    kind.before(folder);
    const first = spawnServer(['--data', folder, ...kind.args]);
    await new Promise((resolve) => setTimeout(resolve, lastMs * random.uniform()));
    await first.kill();
    const second = spawnServer(['--data', folder, ...kind.args]);
    const url = await second.ready.catch(() => null);
    if (url === null) neverStarts += 1;
    else {
      const [formulas, batches, lots] = await Promise.all([
        counted(url, '/formulas'),
        counted(url, '/batches?limit=200'),
        counted(url, '/flour-lots'),
      ]);
      if (kind.wrong(formulas, batches, lots)) {
        halfMade += 1;
        process.stdout.write(
          `${kind.name}: half made with ${formulas} formulas, ${batches} batches, ${lots} lots in ${folder}\n`,
        );
        await second.kill();
        continue;
      }
    }
    await second.kill();
    rmSync(folder, { recursive: true });
  }
  process.stdout.write(`${kind.name}: ${share} kills over ${Math.round(lastMs)} ms\n`);
}
process.stdout.write(`${kills} kills, ${neverStarts} never start again, ${halfMade} half made\n`);
process.exitCode = neverStarts + halfMade === 0 ? 0 : 1;
