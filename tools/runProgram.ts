import { spawn } from 'node:child_process';
import { ROOT } from './install.mjs';

const MS_PER_S = 1000;
/** Only to end what hangs: the longest part has taken a third of it on a machine that was shared by many. */
const LIMIT_MS = 20 * 60 * MS_PER_S;

export interface Ran {
  ok: boolean;
  output: string;
}

/** The programs that run now, each the first of a group of its own. */
const running = new Set<number>();
process.once('exit', () => running.forEach(endGroup));

/** Ends a program and whatever it started. */
function endGroup(pid: number): void {
  try {
    process.kill(-pid, 'SIGKILL');
  } catch (error) {
    // Nobody of the group is left.
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error;
  }
}

/**
 * Runs a program; what it says is kept together, because several run side by side. What it leaves behind ends with it, and it
 * is ended when it hangs: a run that never comes to its end tells nobody what went wrong.
 * @param limitMs how long it may take
 */
export const runProgram = (
  command: string,
  args: readonly string[],
  env: Record<string, string>,
  limitMs = LIMIT_MS,
): Promise<Ran> =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...env },
    });
    let output = '';
    const keep = (chunk: Buffer) => void (output += chunk.toString());
    child.stdout.on('data', keep);
    child.stderr.on('data', keep);
    child.on('error', (error) => resolve({ ok: false, output: `${output}${error.message}\n` }));
    const { pid } = child;
    if (pid === undefined) return;
    running.add(pid);
    const limit = setTimeout(() => {
      output += `\n${[command, ...args].join(' ')} hung: ended after ${limitMs / MS_PER_S} s.\n`;
      endGroup(pid);
    }, limitMs);
    child.on('exit', () => {
      clearTimeout(limit);
      running.delete(pid);
      // Whoever it left behind holds its output open.
      endGroup(pid);
    });
    child.on('close', (code) => resolve({ ok: code === 0, output }));
  });
