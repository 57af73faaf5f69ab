import { join } from 'node:path';
import { type Page, chromium } from '@playwright/test';
import { build } from 'esbuild';
import type { Measured } from '../bench';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { startServer } from '../demoServer';
import { ROOT } from '../install.mjs';
import { quiet } from '../quiet';
import { frames, framesRow } from './frames';

const PHONE = { width: 390, height: 844 };
const WINDOW_BAR_MS = 2000;
const SLIDER_BAR_MS = 50;
const DRAGS = 20;
const BAKE_BAR_MS = 1;
/** Where the page finds the worker that is measured. */
const WORKER_PATH = '/bake-in-worker.js';

/**
 * Runs in the page, as text: moves a slider and gives how long each answer took to be shown, ms. It jumps to and fro, never
 * twice to the same place: after a small step the picture may say the same as before, and a place where it was is answered.
 */
const DRAG = `async (steps) => {
  const slider = document.querySelector('input[type=range][aria-label="Thickness as it goes on"]');
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
  const picture = () => document.querySelector('[role=img][aria-label^="After "]').getAttribute('aria-label');
  const took = [];
  for (let i = 0; i < steps; i += 1) {
    const before = picture();
    const start = performance.now();
    set.call(slider, String(1.5 + 0.05 * ((7 * i) % steps)));
    slider.dispatchEvent(new Event('input', { bubbles: true }));
    await new Promise((resolve) => {
      const look = () => (picture() !== before || performance.now() - start > 2000 ? resolve() : requestAnimationFrame(look));
      look();
    });
    took.push(performance.now() - start);
  }
  return took;
}`;

async function slider(page: Page): Promise<Measured> {
  const took = await page.evaluate<number[]>(`(${DRAG})(${DRAGS})`);
  const median = took.sort((a, b) => a - b)[DRAGS / 2] ?? NaN;
  return {
    what: 'a what-if slider moved, until the new times and the section are drawn',
    value: `${median.toFixed(0)} ms`,
    bar: `${SLIDER_BAR_MS} ms`,
    holds: median <= SLIDER_BAR_MS,
  };
}

/** One bake where the app bakes: in a worker of the browser, in one classic script. */
async function bakeInWorker(page: Page): Promise<Measured> {
  const { outputFiles } = await build({
    entryPoints: [join(ROOT, 'tools', 'bench', 'bakeInWorker.ts')],
    ...{ bundle: true, format: 'iife', write: false, external: ['stream'], logLevel: 'error' },
  });
  await page.route(`**${WORKER_PATH}`, (route) =>
    route.fulfill({ contentType: 'text/javascript', body: outputFiles[0]?.text ?? '' }),
  );
  const ms = await page.evaluate<number>(
    `new Promise((told) => {
      const worker = new Worker('${WORKER_PATH}');
      worker.onmessage = ({ data }) => { worker.terminate(); told(data); };
    })`,
  );
  return {
    what: 'the same bake in a worker of the browser',
    value: `${ms.toFixed(2)} ms`,
    bar: `${BAKE_BAR_MS} ms`,
    holds: ms <= BAKE_BAR_MS,
  };
}

/** The griddle in the real app: sliders that answer, and a window that comes in the worker while the page keeps drawing. */
export async function benchGriddlePage(): Promise<Measured[]> {
  const server = await startServer(['--demo']);
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: PHONE });
    await page.goto(`${server.url}/griddle`);
    await page.getByRole('radio', { name: 'Lantern round' }).click();
    await page.getByText(/pieces come out in standard/).waitFor();
    await quiet(page);
    const dragged = await slider(page);
    await page.getByRole('button', { name: 'As Lantern round says' }).click();
    await page.getByText(/pieces come out in standard/).waitFor();
    await quiet(page);
    let ms = NaN;
    const seen = await frames(page, async () => {
      const start = performance.now();
      await page.getByRole('link', { name: 'Heat and thickness picture' }).click();
      await page.getByRole('img', { name: /^Heat from/ }).waitFor({ timeout: 60_000 });
      ms = performance.now() - start;
    });
    return [
      await bakeInWorker(page),
      dragged,
      {
        what: 'window of 48 × 32 in the app, from the tap to the picture',
        value: `${(ms / 1000).toFixed(2)} s`,
        bar: `${WINDOW_BAR_MS / 1000} s`,
        holds: ms <= WINDOW_BAR_MS,
      },
      framesRow('frames dropped while the worker computes it, opening and drawing included', seen),
    ];
  } finally {
    await browser.close();
    await server.stop();
  }
}
