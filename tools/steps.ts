import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './install.mjs';
import { type Count, type Outcome, keptOr, sourcesKey } from './kept';
import { type Ran, runProgram } from './runProgram';

/** One part of the tests: what it came to, and how long it took or that it was kept. */
export interface Part extends Count {
  name: string;
  took: string;
}

const CACHE = join(ROOT, '.cache');
const MS_PER_S = 1000;

/** Kitchens made for tests lie here, and go with it at the end. */
const SCRATCH = mkdtempSync(join(tmpdir(), 'kettle-test-'));
process.once('exit', () => rmSync(SCRATCH, { recursive: true, force: true }));
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(1));

/** Runs a program with what the parts have in common. */
const run = (
  command: string,
  args: readonly string[],
  env: Record<string, string> = {},
  limitMs?: number,
): Promise<Ran> => {
  const common = { npm_config_loglevel: 'error', FORCE_COLOR: '0', TMPDIR: SCRATCH };
  return runProgram(command, args, { ...common, ...env }, limitMs);
};

const node = (...args: readonly string[]) => run('node', args);
const one = ({ ok, output }: Ran): Outcome => ({
  ...(ok ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }),
  output,
});

/** Runs a part and says at its end, in one piece, what it said, what it came to and how long it took. */
async function part(name: string, work: () => Promise<Outcome>): Promise<Part> {
  const startMs = performance.now();
  process.stderr.write(`${name} …\n`);
  const { passed, failed, kept, output } = await work();
  const took = kept ? 'kept' : `${((performance.now() - startMs) / MS_PER_S).toFixed(0)} s`;
  process.stdout.write(`\n== ${name}\n${output}-- ${name}: ${passed} passed, ${failed} failed, ${took}\n`);
  return { name, passed, failed, took };
}

const KEPT = join(CACHE, 'kept');

/** Has every part run again, whatever was kept. */
export const forget = (): void => rmSync(KEPT, { recursive: true, force: true });

/**
 * A part that depends on nothing but sources: nothing in it is meant to differ from one run to the next, as the moments of a
 * kill do, or what a browser and a server do to each other. It is run when one of them has changed.
 */
const partOf = (sources: readonly string[], name: string, work: () => Promise<Outcome>): Promise<Part> =>
  part(name, () => {
    const key = sourcesKey(sources.map((path) => join(ROOT, path)));
    return keptOr(join(KEPT, name), key, work);
  });

const PROJECTS = ['packages/core', 'packages/simulation', 'apps/server', 'apps/kitchen', 'tools', 'e2e'];

/** The compiler that runs natively: a fifth of the time of the one in JavaScript, which the linter reads sources with. */
const TSC = 'node_modules/typescript7/bin/tsc';

/** Type check of every workspace, one count each, by one compiler on one thread: what they share it reads once. */
export const types = (): Promise<Part> =>
  part('types', async () => {
    const { ok, output } = await node(TSC, '-b', '--singleThreaded', ...PROJECTS);
    const wrong = PROJECTS.filter((project) => new RegExp(`^${project}/`, 'm').test(output)).length;
    const failed = wrong === 0 && !ok ? 1 : wrong;
    return { passed: PROJECTS.length - failed, failed, output };
  });

/** ESLint, Prettier, knip for what is dead or undeclared, and the languages against the sources; one count each. */
export const lint = (): Promise<Part> =>
  partOf(['.'], 'lint', async () => {
    mkdirSync(CACHE, { recursive: true });
    const cached = (name: string) => ['--cache', '--cache-location', join(CACHE, name)];
    const ran = [
      await node('node_modules/eslint/bin/eslint.js', '.', '--max-warnings', '0', ...cached('eslint')),
      await node(
        'node_modules/prettier/bin/prettier.cjs',
        '--check',
        '.',
        '--log-level',
        'warn',
        ...cached('prettier'),
      ),
      await node('node_modules/knip/bin/knip.js', '--no-progress'),
      await node('tools/run.mjs', 'words'),
    ];
    return { ...sum(ran.map(one)), output: ran.map(({ output }) => output).join('') };
  });

/** What a runner wrote about itself; a runner that wrote nothing has failed. */
function reportAt(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as unknown;
  } catch (error) {
    process.stdout.write(`No report at ${file}: ${String(error)}\n`);
    return null;
  }
}

/** Jest over the projects that the arguments say. */
async function jest(name: string, args: readonly string[]): Promise<Outcome> {
  const report = join(CACHE, `jest-${name.replaceAll(' ', '-')}.json`);
  rmSync(report, { force: true });
  const { ok, output } = await node(
    'node_modules/jest/bin/jest.js',
    '--cacheDirectory',
    join(CACHE, 'jest'),
    '--passWithNoTests',
    '--json',
    '--outputFile',
    report,
    ...args,
  );
  const result = reportAt(report) as {
    numPassedTests: number;
    numFailedTests: number;
    numRuntimeErrorTestSuites: number;
  } | null;
  if (!result) return { passed: 0, failed: 1, output };
  const failed = result.numFailedTests + result.numRuntimeErrorTestSuites;
  // The report goes to standard output as well; it is of no use to a reader.
  const said = output.replace(/^\{"numFailedTestSuites".*$/m, '');
  return { passed: result.numPassedTests, failed: failed === 0 && !ok ? 1 : failed, output: said };
}

/** The unit tests of all projects; with `--onlyChanged` those that the working tree touches. */
export const unit = (args: readonly string[] = []): Promise<Part> => part('unit', () => jest('unit', args));

/** Seen by watching which files the tests open. */
const MODEL = [
  'packages',
  'languages',
  'tools/jest',
  'jest.config.mjs',
  'package.json',
  'package-lock.json',
  'tsconfig.base.json',
];

/** Of about the same weight: by one process after the other, a second processor stands idle at the end. */
const UNIT_PARTS = [
  { name: 'unit others', which: ['--ignoreProjects', 'core', 'simulation', 'kitchen'], sources: ['.'] },
  { name: 'unit model', which: ['--selectProjects', 'core', 'simulation'], sources: MODEL },
  { name: 'unit screens', which: ['--selectProjects', 'kitchen'], sources: [...MODEL, 'apps/kitchen'] },
];

/** Jest in parts that can run side by side. */
export const unitParts = UNIT_PARTS.map(
  ({ name, which, sources }) =>
    () =>
      partOf(sources, name, () => jest(name, which)),
);

/** The web app and the server, each built when its sources have changed. */
export const web = (): Promise<Part> =>
  // What the builder has read before is kept where it keeps it by itself.
  part('web build', async () => one(await run('node', ['tools/run.mjs', 'build'], { TMPDIR: tmpdir() })));

/** A little longer than Playwright's own, which ends with a report. */
const JOURNEYS_LIMIT_MS = 50 * 60 * MS_PER_S;

/** Playwright journeys through the real app and the real server; all, or those of the files that are named. */
export const journeys = (chromium: string, files: readonly string[] = []): Promise<Part> =>
  part('journeys', async () => {
    const report = join(CACHE, 'playwright.json');
    rmSync(report, { force: true });
    const cli = 'node_modules/@playwright/test/cli.js';
    const words = [cli, 'test', '-c', 'e2e/playwright.config.ts', ...files];
    const env = { CHROMIUM_PATH: chromium, PLAYWRIGHT_JSON_OUTPUT_NAME: report };
    const { ok, output } = await run('node', words, env, JOURNEYS_LIMIT_MS);
    const result = reportAt(report) as {
      stats: { expected: number; flaky: number; unexpected: number };
    } | null;
    if (!result) return { passed: 0, failed: 1, output };
    const failed = result.stats.unexpected + result.stats.flaky;
    return { passed: result.stats.expected, failed: failed === 0 && !ok ? 1 : failed, output };
  });

/** A few kills of the server, cuts of the network, and tabs closed without warning; nothing that was acknowledged may be lost. */
export const durability = (chromium: string): Promise<Part> =>
  part('durability', async () => {
    const short = ['tools/run.mjs', 'durability', '--kills', '8', '--tabs', '2', '--cuts', '40'];
    return one(await run('node', short, { CHROMIUM_PATH: chromium }));
  });

/** A few kills at moments of a first start, a start of the demo and an upgrade; each must start again, and whole. */
export const firstStart = (): Promise<Part> =>
  part('first start', async () => one(await node('tools/run.mjs', 'firstStart', '--kills', '6')));

/**
 * Each in its short form; the long ones are `npm run syncs`, `fuzz` and `soak`. Everything else runs beside them, so time tells
 * nothing. Two rows at once: a soak waits for its phones most of the time.
 */
const FAULTS: readonly (readonly (readonly string[])[])[] = [
  [
    ['syncs', '--acts', '40'],
    ['fuzz', '--inputs', '2000', '--limit', '30000'],
  ],
  [['soak', '--minutes', '0.2', '--acts', '40', '--batches', '200'], ['crowd']],
];

async function inRow(row: readonly (readonly string[])[]): Promise<Ran[]> {
  const ran: Ran[] = [];
  for (const words of row) ran.push(await node('tools/run.mjs', ...words));
  return ran;
}

/** What is on the disk before it is acknowledged, nonsense at every address, and many phones at once; one count each. */
export const faults = (): Promise<Part> =>
  part('faults', async () => {
    const ran = (await Promise.all(FAULTS.map(inRow))).flat();
    return { ...sum(ran.map(one)), output: ran.map(({ output }) => output).join('') };
  });

export const sum = (counts: readonly Count[]): Count => ({
  passed: counts.reduce((total, count) => total + count.passed, 0),
  failed: counts.reduce((total, count) => total + count.failed, 0),
});

/** Each part in a line, then the closing line over all runners, and the exit code. */
export function close(parts: readonly Part[]): void {
  const line = ({ name, passed, failed, took }: Part) =>
    `${name.padEnd(12)} ${String(passed).padStart(5)} passed ${String(failed).padStart(3)} failed ${took.padStart(7)}`;
  const { passed, failed } = sum(parts);
  process.stdout.write(`\n${parts.map(line).join('\n')}\n\n${passed} passed, ${failed} failed\n`);
  process.exitCode = failed === 0 ? 0 : 1;
}
