import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { generateSW } from 'workbox-build';
import { WEB_DIR, builtOf } from './built.mjs';
import { filesBelow } from './files.mjs';
import { ROOT } from './install.mjs';
import { languages } from './words/languages';

const LANGUAGES = join(WEB_DIR, 'languages');
const WORKER = join(WEB_DIR, 'sw.js');
const COMPRESSED = /\.(js|css|html|json|svg|ttf|ico)$/;
const LEAST_BYTES = 1024;

/** Puts the languages where the app fetches them, with a list of what there is. */
function writeLanguages(): void {
  mkdirSync(LANGUAGES, { recursive: true });
  const all = languages();
  for (const language of all)
    writeFileSync(join(LANGUAGES, `${language.language}.json`), JSON.stringify(language));
  const offered = all.map(({ language, name }) => ({ language, name }));
  writeFileSync(join(LANGUAGES, 'index.json'), JSON.stringify(offered));
}

/** One less than the most: 1.7 % larger in less than half of the time, 10 s instead of 23. */
const BROTLI_QUALITY = 10;

/** Compresses once what the server will send often. */
function compress(files: readonly string[]): void {
  for (const file of files.filter((name) => COMPRESSED.test(name))) {
    const content = readFileSync(file);
    if (content.length < LEAST_BYTES) continue;
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY } }),
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
      'languages/*.json',
    ],
    swDest: WORKER,
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
          /\/api\/v1\/(book|ingredients|kitchen|flour-lots|saved-plans|carried|lessons|bake-opinions|batch-facts|batches\?|services(\/[\d-]+)?$)/,
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

function exportApp(): void {
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
}

/** Exports the web app when its sources have changed since the last time; words alone are put beside it anew. */
export async function ensureWebBuild(): Promise<void> {
  const [app, words] = [builtOf('app'), builtOf('words')];
  if (app.holds && words.holds) return;
  if (!app.holds) exportApp();
  writeLanguages();
  await writeServiceWorker();
  compress(app.holds ? [...filesBelow(LANGUAGES), WORKER] : filesBelow(WEB_DIR));
  app.stamp();
  words.stamp();
}
