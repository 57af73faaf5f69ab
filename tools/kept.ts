// Results that need not be worked out again: of parts of the tests that depend on nothing but sources.
import { existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { filesBelow, hashOf } from './files.mjs';
import { ROOT } from './install.mjs';

export interface Count {
  passed: number;
  failed: number;
}

export interface Outcome extends Count {
  /** What the runner said. */
  output: string;
  /** It was not run: this is what it came to when it was. */
  kept?: true;
}

/**
 * Changes with the content of any of these files and folders, with the version of Node, and with the day: there are tests
 * that look at a calendar, and tests that make up new cases each time.
 */
export function sourcesKey(paths: readonly string[], now = new Date()): string {
  const files = paths.flatMap((path) => (statSync(path).isDirectory() ? filesBelow(path) : [path]));
  return [hashOf(files, ROOT), process.version, now.toDateString()].join(' ');
}

/**
 * A green result is kept, and stands for its part until what it was worked out from changes. Nothing of a run with a failure
 * is kept.
 * @param path Where the result is kept.
 * @param of What the result is of, as `sourcesKey` has it.
 */
export async function keptOr(path: string, of: string, work: () => Promise<Outcome>): Promise<Outcome> {
  // What it is of stands last: a file that was cut short is of something else.
  const [passed, keptOf] = existsSync(path) ? readFileSync(path, 'utf8').split('\n') : [];
  if (keptOf === of) {
    return { passed: Number(passed), failed: 0, kept: true, output: 'Nothing that it reads has changed.\n' };
  }
  rmSync(path, { force: true });
  const outcome = await work();
  if (outcome.failed === 0 && outcome.passed > 0) {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, `${outcome.passed}\n${of}`);
  }
  return outcome;
}
