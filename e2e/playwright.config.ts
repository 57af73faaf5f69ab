import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS } from '../tools/chromium';

const PORT = 4317;
/** One demo kitchen for the run; the config is read again by every worker, so its place is handed on. */
const data = (process.env.KETTLE_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'kettle-e2e-')));

export default defineConfig({
  testDir: '.',
  fullyParallel: true,
  workers: 2,
  forbidOnly: Boolean(process.env.CI),
  // A machine that has just built everything is slow.
  expect: { timeout: 15_000 },
  // Only to end what hangs: on a busy machine of two processors a journey of 15 s has taken 90.
  timeout: 240_000,
  // When nothing works, a few journeys tell as much as all of them, each waiting to its end.
  maxFailures: 8,
  globalTimeout: 45 * 60_000,
  reporter: [['list'], ['json']],
  outputDir: '../.cache/playwright',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    // Putting the whole app on the device takes a second or two of every journey: it is done where it is what matters.
    serviceWorkers: 'block',
    timezoneId: 'UTC',
    // A recording slows every page down by a third: it is made where somebody will look at it.
    trace: process.env.KETTLE_TRACE ? 'retain-on-failure' : 'off',
    launchOptions: { executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium', args: CHROMIUM_ARGS },
  },
  webServer: {
    command: `node tools/serve.mjs --demo --port ${PORT} --data ${data}`,
    cwd: '..',
    url: `http://127.0.0.1:${PORT}/api/v1/health`,
    // The kitchen of the journeys hangs its clock where the browser does.
    env: { TZ: 'UTC' },
    timeout: 240_000,
    reuseExistingServer: false,
  },
});
