import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const DEBIAN_PATH = '/usr/bin/chromium';

/**
 * What the browser does beside showing pages. Only the last list of this kind counts, so this one replaces Playwright's, and
 * names first what that names.
 */
const UNWANTED_FEATURES = [
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'PaintHolding',
  'ThirdPartyStoragePartitioning',
  'AvoidCorsURLLoaderRestartOnRedirect',
  'OptimizationHints',
  'NetworkTimeServiceQuerying',
  'AimEnabled',
  'PreconnectToSearch',
  // Pages of the browser's own under its address bar: two renderers for every window, though none is ever seen.
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
];

/** Keeps Chromium from looking for the outside world, and from work for a window that nobody sees. */
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  `--disable-features=${UNWANTED_FEATURES.join(',')}`,
];

const CERTUTIL_PATH = '/usr/bin/certutil';

/** Installs a package of Debian. */
function install(name: string, ifNot: string): void {
  process.stderr.write(`Installing ${name} from Debian …\n`);
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', name],
  ]) {
    const apt = spawnSync('apt-get', args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    if (apt.status !== 0) {
      process.stderr.write(`${name} could not be installed; ${ifNot}\n`);
      process.exit(1);
    }
  }
}

/** The tool that puts a certificate into a browser's own store. */
export function ensureCertutil(): void {
  if (!existsSync(CERTUTIL_PATH)) install('libnss3-tools', 'the journeys need its certutil.');
}

const STRACE_PATH = '/usr/bin/strace';

/** The tool that watches what a program asks of the system. */
export function ensureStrace(): string {
  if (!existsSync(STRACE_PATH)) install('strace', 'syncs to the disk cannot be watched without it.');
  return STRACE_PATH;
}

/** The browser for tests and pictures: the one named by CHROMIUM_PATH, else Debian's, installed when missing. */
export function ensureChromium(): string {
  const path = process.env.CHROMIUM_PATH || DEBIAN_PATH;
  if (existsSync(path)) return path;
  if (path !== DEBIAN_PATH) {
    process.stderr.write(`CHROMIUM_PATH names ${path}, which is not there.\n`);
    process.exit(1);
  }
  install('chromium', 'set CHROMIUM_PATH to a browser of yours.');
  return path;
}
