import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ONE_CLEARS_UP } from '../apps/server/src/engine';
import { SERVER } from './built.mjs';
import { ROOT } from './install.mjs';
import { ensureServerBuild } from './serverBuild';

export interface RunningServer {
  url: string;
  process: ChildProcess;
  stop: () => Promise<void>;
}

/**
 * As `npm start` has it: a small computer keeps room for others and memory stays flat; one thread of the engine's clears up
 * beside the work. As many as it takes by itself crowd two processors every eight seconds, and acts wait up to 0.1 s.
 */
const ENGINE = ['--max-old-space-size=512', ONE_CLEARS_UP] as const;
/** The whole product, or the server alone, which needs no web build. */
const PROGRAMS = {
  product: [...ENGINE, 'tools/serve.mjs'],
  server: [...ENGINE, SERVER],
} as const;

/** A port that nobody listens on now. */
export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

/** Starts the server alone as a process of its own on a free port; ready with its address, when it says so. */
export function spawnServer(
  args: readonly string[],
  program: keyof typeof PROGRAMS = 'server',
  /** A program, with its options, that runs it and watches. */
  under: readonly string[] = [],
) {
  if (program === 'server') ensureServerBuild();
  const [command = 'node', ...words] = [...under, 'node', ...PROGRAMS[program], '--port', '0', ...args];
  const child = spawn(command, words, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const ready = new Promise<string>((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/\S+/.exec(said)?.[0];
      if (found) resolve(found);
    });
    child.on('exit', (code) => reject(new Error(`the server ended with ${code} before it was ready`)));
  });
  // Who kills it before it is ready does not wait for it.
  ready.catch(() => undefined);
  const end = (signal: NodeJS.Signals) => {
    child.kill(signal);
    return gone;
  };
  return { process: child, ready, kill: () => end('SIGKILL'), stop: () => end('SIGTERM') };
}

/** Starts the real server as a process of its own on a free port; resolves when it says that it is ready. */
export async function startServer(
  args: readonly string[] = [],
  program: keyof typeof PROGRAMS = 'product',
): Promise<RunningServer> {
  // A kitchen that nobody named a folder for goes when its server stops.
  const own = args.includes('--data') ? null : mkdtempSync(join(tmpdir(), 'kettle-'));
  const server = spawnServer([...(own ? ['--data', own] : []), ...args], program);
  const stop = async () => {
    await server.stop();
    if (own) rmSync(own, { recursive: true, force: true });
  };
  return { url: await server.ready, process: server.process, stop };
}
