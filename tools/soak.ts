// Twenty phones at the plate, a hundred acts a second, over a year of history, while screens ask for what they ask for in a
// kitchen: what runs, the lots, a search, a whole batch, the health, the log, the lessons, the table for the spreadsheet.
// Counts what is lost, doubled or out of order, and measures how long an act takes and what memory and the processor do:
//   npm run soak [-- --minutes 60 --phones 20 --acts 100 --batches 3650]
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { demoFormulas } from '@kettle-scale/simulation';
import { makeHistory } from './bench/history';
import { startServer } from './demoServer';
import { ROOT } from './install.mjs';
import { type PhoneOptions, openPhone } from './soak/phone';
import { READS, type Took } from './soak/reads';

const { values } = parseArgs({
  options: {
    minutes: { type: 'string', default: '60' },
    phones: { type: 'string', default: '20' },
    acts: { type: 'string', default: '100' },
    batches: { type: 'string', default: '3650' },
  },
});
const phones = Number(values.phones);
const minutes = Number(values.minutes);
const MINUTE_MS = 60_000;
const SECONDS_A_MINUTE = 60;
const KB_IN_MB = 1024;
/** Memory is let settle for so long; then it may grow by so much. */
const SETTLES = { minutes: 10, share: 0.05 } as const;
/** So many minutes at the most on either side of its growth. */
const TREND_MINUTES = 10;
/** How long 99 in 100 acts take at the most while the machine is ours, ms. */
const SLOWEST_P99_MS = 25;
/** The column of /proc/stat with the time that was taken away. */
const STEAL = 7;
/** From this share of the processor taken away, a minute says more of the machine than of the server. */
const MACHINE_IS_OTHERS = 0.02;
/** Batches end at different times, as they do in a kitchen. */
const [FIRST_PIECES, MORE_PIECES] = [200, 20] as const;

const data = mkdtempSync(join(tmpdir(), 'kettle-soak-'));
await makeHistory(data, Number(values.batches));
const server = await startServer(['--demo', '--data', data], 'server');
const [formula] = demoFormulas();
if (!formula) throw new Error('no demo formula');

const times: number[] = [];
let minute: number[] = [];
const options: PhoneOptions = {
  url: server.url,
  rate: Number(values.acts) / phones,
  formula: { id: formula.id, ballG: formula.product.ballG },
  pieces: FIRST_PIECES,
  told: (tookMs) => {
    times.push(tookMs);
    minute.push(tookMs);
  },
};
const all = Array.from({ length: phones }, (_, index) =>
  openPhone({ ...options, pieces: FIRST_PIECES + index * MORE_PIECES }),
);
const at = (share: number, of: readonly number[]): number =>
  [...of].sort((a, b) => a - b)[Math.min(of.length - 1, Math.floor(share * of.length))] ?? NaN;
const ms = (value: number): string => value.toFixed(1);
/** Processor time of the machine so far, in its ticks: all of it, and what was taken away by others on the same hardware. */
function ticks(): { all: number; taken: number } {
  const [, ...columns] = readFileSync('/proc/stat', 'utf8').split('\n', 1)[0]?.split(/\s+/).map(Number) ?? [];
  const own = columns.slice(0, STEAL + 1);
  return { all: own.reduce((sum, one) => sum + one, 0), taken: own[STEAL] ?? 0 };
}
/** What the system says of each process, but of those that end in this moment. */
const processes = (): string[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map((name) => `/proc/${name}/status`)
    .filter((file) => existsSync(file))
    .map((file) => readFileSync(file, 'utf8'));
/** Memory that the server and its helper hold, MB. */
const memoryMb = (): number =>
  processes()
    .filter((one) => new RegExp(`^(Pid|PPid):\\s+${server.process.pid}$`, 'm').test(one))
    .reduce((sum, one) => sum + Number(/VmRSS:\s+(\d+)/.exec(one)?.[1] ?? 0), 0) / KB_IN_MB;

for (const phone of all) {
  phone.listen();
  await phone.begin();
}
const startMs = performance.now();
const untilMs = startMs + minutes * MINUTE_MS;
/** What screens ask for meanwhile; resolves with what each took. */
const looked = (): Promise<Took> =>
  new Promise((resolve, reject) => {
    const seconds = String(minutes * SECONDS_A_MINUTE);
    const child = spawn('node', [join(ROOT, 'tools/run.mjs'), 'soak/reader', server.url, seconds], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let said = '';
    child.stdout.on('data', (part: Buffer) => (said += part.toString()));
    child.on('close', (code) =>
      code === 0 ? resolve(JSON.parse(said) as Took) : reject(new Error(`the reader ended with ${code}`)),
    );
  });

const TICKS_A_SECOND = 100;
/** The columns of /proc/PID/stat with processor time in the program and in the system, after its name. */
const [IN_PROGRAM, IN_SYSTEM] = [11, 12] as const;
/** Processor time that the server has taken so far, s. */
function serverS(): number {
  const text = readFileSync(`/proc/${server.process.pid}/stat`, 'utf8');
  const columns = text
    .slice(text.lastIndexOf(')') + 2)
    .split(' ')
    .map(Number);
  return ((columns[IN_PROGRAM] ?? 0) + (columns[IN_SYSTEM] ?? 0)) / TICKS_A_SECOND;
}

const memory: number[] = [];
/** Acts of the minutes in which the machine was ours. */
const undisturbed: number[] = [];
let before = ticks();
const everyMinute = setInterval(() => {
  memory.push(memoryMb());
  const after = ticks();
  const taken = (after.taken - before.taken) / (after.all - before.all);
  before = after;
  if (taken < MACHINE_IS_OTHERS) undisturbed.push(...minute);
  process.stdout.write(
    `minute ${memory.length}: ${minute.length} acts, p50 ${ms(at(0.5, minute))} ms, p99 ${ms(at(0.99, minute))} ms, longest ${ms(at(1, minute))} ms, ${memoryMb().toFixed(0)} MB, ${(100 * taken).toFixed(1)} % of the machine taken away\n`,
  );
  minute = [];
}, MINUTE_MS);
const beforeS = serverS();
const looking = looked();
await Promise.all(
  all.map((phone, index) => phone.work(startMs + (index * 1000) / Number(values.acts), untilMs)),
);
clearInterval(everyMinute);
const tookS = (performance.now() - startMs) / 1000;
const share = (serverS() - beforeS) / tookS;
const took = await looking;
memory.push(memoryMb());

const [first] = all;
if (!first) throw new Error('no phone');
let [lost, doubled, disordered] = [0, 0, 0];
for (const { id, acts } of all.flatMap(({ batches }) => batches)) {
  const stored = (JSON.parse(await first.read(`/batches/${id}/events`)) as { id: string }[]).map(
    (one) => one.id,
  );
  lost += acts.filter((act) => !stored.includes(act)).length;
  doubled += stored.length - new Set(stored).size;
  disordered += stored.filter((act, index) => act !== acts[index]).length > 0 ? 1 : 0;
}
const deaf = all.filter((phone) => phone.heard() === 0).length;
all.forEach((phone) => phone.close());
await server.stop();
rmSync(data, { recursive: true });

const settled = memory.slice(SETTLES.minutes);
/** Single readings jump with every collection of garbage: some minutes at the beginning are held against as many at the end. */
const some = Math.min(TREND_MINUTES, Math.floor(settled.length / 2));
const growth = some > 0 ? at(0.5, settled.slice(-some)) / at(0.5, settled.slice(0, some)) - 1 : null;
for (const { path, barMs } of READS) {
  const tookMs = took[path] ?? [];
  if (tookMs.length === 0) continue;
  process.stdout.write(
    `${path}: ${tookMs.length} times, p50 ${ms(at(0.5, tookMs))} ms${barMs === null ? '' : ` (bar ${barMs})`}, p99 ${ms(at(0.99, tookMs))} ms, longest ${ms(at(1, tookMs))} ms\n`,
  );
}
process.stdout.write(`The server took ${(100 * share).toFixed(0)} % of a processor.\n`);
process.stdout.write(
  `${times.length} acts of ${phones} phones in ${minutes} min: p50 ${ms(at(0.5, times))} ms, p99 ${ms(at(0.99, times))} ms, longest ${ms(at(1, times))} ms; ` +
    `${lost} lost, ${doubled} doubled, ${disordered} batches out of order, ${deaf} phones heard nothing; ` +
    `memory ${growth === null ? 'not watched for long enough' : `grew by ${(100 * growth).toFixed(1)} % after ${SETTLES.minutes} min`}\n`,
);
process.stdout.write(
  undisturbed.length > 0
    ? `${undisturbed.length} acts of the minutes with less than ${100 * MACHINE_IS_OTHERS} % taken away: p50 ${ms(at(0.5, undisturbed))} ms, p99 ${ms(at(0.99, undisturbed))} ms\n`
    : 'No minute was undisturbed by others on this machine.\n',
);
const expected = minutes * 60 * Number(values.acts) * 0.9;
if (times.length < expected)
  process.stdout.write(`Fewer than ${expected.toFixed(0)} acts: the server did not keep up.\n`);
const sound = lost + doubled + disordered + deaf === 0 && times.length >= expected;
const quick = undisturbed.length === 0 || at(0.99, undisturbed) <= SLOWEST_P99_MS;
process.exitCode = sound && quick && (growth === null || growth <= SETTLES.share) ? 0 : 1;
