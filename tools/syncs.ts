// Watches what the server asks of the system: that every act is on the disk before it is acknowledged, and that a file
// which is put in its place (a new kitchen, a backup, a restore) was written out before it. A run that is killed tells
// nothing of this: the system still holds what a power cut would take.
//   npm run syncs [-- --acts 200]
import { spawn } from 'node:child_process';
import { copyFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { demoFormulas } from '@kettle-scale/simulation';
import { v7 as uuidv7 } from 'uuid';
import { spawnServer } from './demoServer';
import { oldKitchen } from './durability/oldKitchen';
import { openTrace, syncedWithin, unsafeRenames } from './durability/trace';
import { ROOT } from './install.mjs';

const { values } = parseArgs({ options: { acts: { type: 'string', default: '200' } } });
const acts = Number(values.acts);
const folder = () => mkdtempSync(join(tmpdir(), 'kettle-sync-'));

const send = async (url: string, path: string, body: string, type = 'application/json'): Promise<void> => {
  const answer = await fetch(`${url}/api/v1${path}`, {
    method: 'POST',
    headers: { 'content-type': type, 'kettle-app': 'tool' },
    body,
  });
  if (!answer.ok) throw new Error(`${path} was refused with ${answer.status}: ${await answer.text()}`);
};

interface Watched {
  name: string;
  /** What was not on the disk when it was said to be. */
  wrong: string[];
  renames: number;
}
const watched = (
  name: string,
  calls: ReturnType<ReturnType<typeof openTrace>['calls']>,
  wrong: string[],
): Watched => ({
  name,
  wrong: [...wrong, ...unsafeRenames(calls)],
  renames: calls.filter(({ kind }) => kind === 'rename').length,
});

/** A first start, then acts one after the other, each acknowledged before the next is sent; then a whole restore. */
async function actsAreSynced(data: string): Promise<Watched[]> {
  const trace = openTrace();
  const server = spawnServer(['--data', data], 'server', trace.under);
  const url = await server.ready;
  const started = watched('first start', trace.calls(), []);
  const [formula] = demoFormulas();
  if (!formula) throw new Error('no demo formula');
  await send(url, '/formulas', JSON.stringify({ formula, reason: 'First' }));
  const id = uuidv7();
  const need = { by: 'pieces', pieces: 20, ballG: formula.product.ballG };
  const at = new Date().toISOString();
  await send(url, '/batches', JSON.stringify({ id, at, formulaId: formula.id, formulaVersion: 1, need }));
  const told: { from: number; to: number }[] = [];
  for (let n = 0; n < acts; n += 1) {
    const note = { id: uuidv7(), at, type: 'note', text: `act ${n}` };
    const from = Date.now();
    await send(url, `/batches/${id}/events`, JSON.stringify(note));
    told.push({ from, to: Date.now() });
  }
  const calls = trace.calls();
  const late = told.filter(({ from, to }) => !syncedWithin(calls, /kitchen\.sqlite-wal$/, from, to)).length;
  const backup = await (await fetch(`${url}/api/v1/backup`)).text();
  await send(url, '/backup?replace=true', backup, 'application/x-ndjson');
  const before = calls.length;
  await server.stop();
  return [
    started,
    {
      name: `${acts} acts`,
      wrong: late > 0 ? [`${late} acts were acknowledged before they were synced`] : [],
      renames: 0,
    },
    watched('restore', trace.calls().slice(before), []),
  ];
}

/** Runs a program of the project to its end, watched. */
async function program(name: string, ...words: string[]): Promise<Watched> {
  const trace = openTrace();
  const [command = '', ...under] = trace.under;
  const child = spawn(command, [...under, 'node', 'tools/run.mjs', ...words], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const code = await new Promise<number | null>((resolve) => child.once('exit', resolve));
  return watched(name, trace.calls(), code === 0 ? [] : [`it ended with ${code}`]);
}

/** A start on what an older release left: a copy is made first. */
async function upgrade(): Promise<Watched> {
  const data = folder();
  copyFileSync(await oldKitchen(), join(data, 'kitchen.sqlite'));
  const trace = openTrace();
  const server = spawnServer(['--data', data], 'server', trace.under);
  await server.ready;
  await server.stop();
  return watched('upgrade', trace.calls(), []);
}

const data = folder();
const all = [
  ...(await actsAreSynced(data)),
  await program('backup', 'kettle', 'backup', '--data', data),
  await upgrade(),
];
for (const { name, wrong, renames } of all) {
  process.stdout.write(
    `${name}: ${renames} files put in their place; ${wrong.length === 0 ? 'all on the disk first' : wrong.join('; ')}\n`,
  );
}
// A first start, a backup and a copy before an upgrade put at least a file each in its place: a watch that saw none saw nothing.
const blind = all.filter(
  ({ name, renames }) => ['first start', 'backup', 'upgrade'].includes(name) && renames === 0,
);
if (blind.length > 0)
  process.stdout.write(`Nothing was seen of: ${blind.map(({ name }) => name).join(', ')}\n`);
process.exitCode = blind.length === 0 && all.every(({ wrong }) => wrong.length === 0) ? 0 : 1;
