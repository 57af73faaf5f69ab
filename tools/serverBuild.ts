import { mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { SERVER_DIR, builtOf } from './built.mjs';
import { ROOT } from './install.mjs';

const SOURCES = join(ROOT, 'apps/server/src');
/** The server, and what it runs as processes of their own, one file each. */
const PROGRAMS = ['main.ts', 'aside/helper.ts', 'keeping/backupProcess.ts'];

/**
 * Bundles the server when its sources have changed: read as TypeScript, file by file, its start takes four
 * times as long, and a kitchen waits for that after a power cut.
 */
export function ensureServerBuild(): void {
  const built = builtOf('server');
  if (built.holds) return;
  const { outputFiles } = buildSync({
    entryPoints: PROGRAMS.map((program) => join(SOURCES, program)),
    ...{ outdir: SERVER_DIR, entryNames: '[name]', outExtension: { '.js': '.mjs' }, write: false },
    ...{ bundle: true, platform: 'node', format: 'esm', target: 'node20', logLevel: 'error' },
    // Comments and spaces take time to be read too.
    minifyWhitespace: true,
    // Some packages' older form asks for its own files in a way that no bundler sees.
    mainFields: ['module', 'main'],
    // Compiled for this machine, or loaded only by who uses another database.
    external: ['sqlite3', 'pg-hstore'],
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
  });
  mkdirSync(SERVER_DIR, { recursive: true });
  for (const { path, contents } of outputFiles) {
    // Whole or not at all, for whoever starts it just now.
    const whole = `${path}.${process.pid}`;
    writeFileSync(whole, contents);
    renameSync(whole, path);
  }
  built.stamp();
}
