import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { generateSW } from 'workbox-build';
import { filesBelow, hashOf } from './files';
import { ROOT } from './install.mjs';

export const WEB_DIR = join(ROOT, 'apps/kitchen/dist');
const STAMP = join(WEB_DIR, '.stamp');
const COMPRESSED = /\.(js|css|html|json|svg|ttf|ico)$/;
const LEAST_BYTES = 1024;

/** Everything the exported app is made from. */
function sourceHash(): string {
  const sources = [...filesBelow(join(ROOT, 'apps/kitchen')), ...filesBelow(join(ROOT, 'packages/core/src'))];
  const shipped = sources.filter((file) => !/\.test\.tsx?$|\/test\//.test(file));
  return hashOf([...shipped, join(ROOT, 'package-lock.json'), join(ROOT, 'tools/webBuild.ts')]);
}

/** Compresses once what the server will send often. */
function compress(): void {
  for (const file of filesBelow(WEB_DIR).filter((name) => COMPRESSED.test(name))) {
    const content = readFileSync(file);
    if (content.length < LEAST_BYTES) continue;
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }),
    );
  }
}

/** A file larger than this is not kept on the device. */
const LARGEST_KEPT_BYTES = 5_000_000;

/** A server that has not answered after so long is taken to be away; the app itself gives up after ten seconds. */
const SERVER_GIVEN_UP_S = 8;
/** Answers kept on a device, and for how long. */
const MOST_ANSWERS = 150;
const KEPT_DAYS = 60;

/** Writes the service worker that keeps the app on the device, so that a reload without a network finds it again. */
async function writeServiceWorker(): Promise<void> {
  await generateSW({
    globDirectory: WEB_DIR,
    globPatterns: [
      'index.html',
      'manifest.webmanifest',
      'icons/*.png',
      '_expo/static/**/*.{js,css}',
      'assets/**/*.ttf',
    ],
    swDest: join(WEB_DIR, 'sw.js'),
    navigateFallback: '/index.html',
    // The server's own pages: trust and pairing.
    navigateFallbackDenylist: [/^\/(api|pair|trust)(\/|$)/],
    dontCacheBustURLsMatching: /[.-][0-9a-f]{32}\./,
    maximumFileSizeToCacheInBytes: LARGEST_KEPT_BYTES,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    // What was last known is read without a network too: the book, the kitchen, lists, the log as it was looked at. Single batches
    // are kept by the app itself, act by act.
    runtimeCaching: [
      {
        urlPattern:
          /\/api\/v1\/(book|ingredients|kitchen|flour-lots|saved-plans|carried|lessons|batch-facts|batches\?|services(\/[\d-]+)?$)/,
        handler: 'NetworkFirst',
        options: {
          cacheName: 'last-known',
          networkTimeoutSeconds: SERVER_GIVEN_UP_S,
          expiration: { maxEntries: MOST_ANSWERS, maxAgeSeconds: KEPT_DAYS * 24 * 3600 },
          cacheableResponse: { statuses: [200] },
        },
      },
    ],
    // A new version waits until the page says that it disturbs nobody.
    skipWaiting: false,
    clientsClaim: true,
  });
}

/** Exports the web app when its sources have changed since the last time. */
export async function ensureWebBuild(): Promise<void> {
  const hash = sourceHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return;
  process.stderr.write('Building the web app; this takes about a minute …\n');
  rmSync(WEB_DIR, { recursive: true, force: true });
  const expo = spawnSync('npx', ['expo', 'export', '-p', 'web'], {
    cwd: join(ROOT, 'apps/kitchen'),
    env: { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' },
    encoding: 'utf8',
  });
  if (expo.status !== 0) {
    process.stderr.write(`${expo.stdout}\n${expo.stderr}\nThe web build failed.\n`);
    process.exit(1);
  }
  await writeServiceWorker();
  compress();
  writeFileSync(STAMP, hash);
}
