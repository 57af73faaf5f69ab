// Plain JavaScript, because this runs before anything is installed.
// @ts-check
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

export const ROOT = fileURLToPath(new URL('..', import.meta.url));

/**
 * @typedef {{ version?: string, optional?: boolean, link?: boolean }} Locked
 * @param {string} file
 * @returns {Record<string, Locked>}
 */
const packagesIn = (file) => JSON.parse(readFileSync(file, 'utf8')).packages;

/** Says whether what npm wrote down after its last install is what the lock file asks for. */
function isInstalled() {
  const written = `${ROOT}node_modules/.package-lock.json`;
  if (!existsSync(written)) return false;
  const installed = packagesIn(written);
  return Object.entries(packagesIn(`${ROOT}package-lock.json`)).every(
    ([path, { version, optional, link }]) =>
      !path.includes('node_modules/') ||
      optional ||
      (link ? existsSync(`${ROOT}${path}`) : installed[path]?.version === version),
  );
}

/** Installs the packages when they are missing or the lock file has changed. Its words go to standard error. */
export function ensureInstalled() {
  if (isInstalled()) return;
  process.stderr.write('Installing packages; the first time this takes some minutes …\n');
  const npm = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', process.stderr, process.stderr],
  });
  if (npm.status !== 0) {
    process.stderr.write('npm ci failed; see above.\n');
    process.exit(1);
  }
}
