import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './install.mjs';

export interface Count {
  passed: number;
  failed: number;
}

const CACHE = join(ROOT, '.cache');

function run(command: string, args: readonly string[], env: Record<string, string> = {}): boolean {
  const result = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, npm_config_loglevel: 'error', ...env },
  });
  return result.status === 0;
}

const one = (ok: boolean): Count => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });

function heading(name: string): void {
  process.stdout.write(`\n== ${name}\n`);
}

const PROJECTS = ['packages/core', 'packages/simulation', 'apps/server', 'apps/kitchen', 'tools', 'e2e'];

/** Type check of every workspace, one count each. */
export function types(): Count {
  heading('types');
  const counts = PROJECTS.map((project) => one(run('npx', ['tsc', '-p', project])));
  return sum(counts);
}

/** ESLint and Prettier, one count each. */
export function lint(): Count {
  heading('lint');
  mkdirSync(CACHE, { recursive: true });
  return sum([
    one(
      run('npx', [
        'eslint',
        '.',
        '--max-warnings',
        '0',
        '--cache',
        '--cache-location',
        join(CACHE, 'eslint'),
      ]),
    ),
    one(
      run('npx', [
        'prettier',
        '--check',
        '.',
        '--log-level',
        'warn',
        '--cache',
        '--cache-location',
        join(CACHE, 'prettier'),
      ]),
    ),
  ]);
}

/** What a runner wrote about itself; a runner that wrote nothing has failed. */
function reportAt(file: string): unknown {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as unknown;
  } catch (error) {
    process.stdout.write(`No report at ${file}: ${String(error)}\n`);
    return null;
  }
}

/** Jest over all projects; with `changed` only what the working tree touches. */
export function unit(args: readonly string[] = []): Count {
  heading('unit');
  const report = join(CACHE, 'jest.json');
  rmSync(report, { force: true });
  const ok = run('npx', ['jest', '--passWithNoTests', '--json', '--outputFile', report, ...args]);
  const result = reportAt(report) as {
    numPassedTests: number;
    numFailedTests: number;
    numRuntimeErrorTestSuites: number;
  } | null;
  if (!result) return { passed: 0, failed: 1 };
  const failed = result.numFailedTests + result.numRuntimeErrorTestSuites;
  return { passed: result.numPassedTests, failed: failed === 0 && !ok ? 1 : failed };
}

/** Playwright journeys through the real app and the real server. */
export function journeys(chromium: string): Count {
  heading('journeys');
  const report = join(CACHE, 'playwright.json');
  rmSync(report, { force: true });
  const ok = run('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts'], {
    CHROMIUM_PATH: chromium,
    PLAYWRIGHT_JSON_OUTPUT_NAME: report,
  });
  const result = reportAt(report) as {
    stats: { expected: number; flaky: number; unexpected: number };
  } | null;
  if (!result) return { passed: 0, failed: 1 };
  const failed = result.stats.unexpected + result.stats.flaky;
  return { passed: result.stats.expected, failed: failed === 0 && !ok ? 1 : failed };
}

/** A few kills of the server and tabs closed without warning; nothing that was acknowledged may be lost. */
export function durability(chromium: string): Count {
  heading('durability');
  const short = ['tools/run.mjs', 'durability', '--kills', '8', '--tabs', '2'];
  return one(run('node', short, { CHROMIUM_PATH: chromium }));
}

/** A few kills at moments of a first start, a start of the demo and an upgrade; each must start again, and whole. */
export function firstStart(): Count {
  heading('first start');
  return one(run('node', ['tools/run.mjs', 'firstStart', '--kills', '6']));
}

export function sum(counts: readonly Count[]): Count {
  return {
    passed: counts.reduce((total, count) => total + count.passed, 0),
    failed: counts.reduce((total, count) => total + count.failed, 0),
  };
}

/** The closing line over all runners, and the exit code. */
export function close({ passed, failed }: Count): void {
  process.stdout.write(`\n${passed} passed, ${failed} failed\n`);
  process.exitCode = failed === 0 ? 0 : 1;
}
