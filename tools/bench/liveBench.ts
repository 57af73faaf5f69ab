import { type Browser, chromium } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import type { Measured } from '../bench';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { type RunningServer, startServer } from '../demoServer';
import { quiet } from '../quiet';
import { frames, framesRow } from './frames';

const PHONE = { width: 390, height: 844 };
const POUR = { massG: 2500, seconds: 8 } as const;
const AWAY = '01:00:00';
const CHANGES = 8;
const LARGEST_ERROR_MS = 100;
const WIDE = { width: 1280, height: 800 };
const MS_PER_S = 1000;
/** How often a place looks at the clock, and how long it is watched. */
const LOOK_MS = 100;
const WATCHED_MS = 10_000;
const TICK_BAR_MS = 2;
const LAID_C = 215;

const send = (url: string, path: string, body: object) =>
  fetch(`${url}/api/v1${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'kettle-app': 'tool' },
    body: JSON.stringify(body),
  });

async function startBatch({ url }: RunningServer): Promise<string> {
  const id = uuidv7();
  const need = { by: 'pieces', pieces: 40, ballG: 58 };
  const at = new Date().toISOString();
  await send(url, '/batches', { id, at, formulaId: 'lantern-round', formulaVersion: 1, need });
  return id;
}

/** Frames drawn while the live weight moves. */
async function weightFrames(browser: Browser, server: RunningServer): Promise<Measured> {
  const page = await browser.newPage({ viewport: PHONE });
  await page.goto(`${server.url}/bench/${await startBatch(server)}`);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByRole('checkbox', { name: 'Live scale' }).click();
  await page.getByRole('button', { name: 'Tare' }).waitFor();
  await quiet(page);
  const seen = await frames(page, async () => {
    await send(server.url, '/devices/scale/acts', { act: 'pour', ...POUR });
    await page.getByText(/ too much, steady$/).waitFor();
  });
  await page.close();
  return framesRow('frames dropped while the live weight moves', seen);
}

/** Runs in the page, as text: when the shown seconds changed, by the page's own clock. */
const CHANGES_OF = `(wanted) => new Promise((resolve) => {
  const shown = () => document.querySelector('[role="timer"]')?.textContent;
  const seen = [];
  let last = shown();
  const look = () => {
    if (shown() !== last) {
      last = shown();
      seen.push(Date.now());
    }
    if (seen.length < wanted) requestAnimationFrame(look);
    else resolve(seen);
  };
  look();
})`;

/** How far the shown seconds are from the clock after an hour away. */
async function timerError(browser: Browser, server: RunningServer): Promise<Measured> {
  const page = await browser.newPage({ viewport: PHONE });
  await page.clock.install();
  const id = await startBatch(server);
  const plan = (
    (await (await fetch(`${server.url}/api/v1/batches/${id}`)).json()) as {
      plan: { steps: { id: string; kind: string }[] };
    }
  ).plan;
  const startedMs = Date.now();
  const at = new Date(startedMs).toISOString();
  for (const { id: stepId, kind } of plan.steps) {
    if (kind === 'rest') {
      await send(server.url, `/batches/${id}/events`, { id: uuidv7(), at, type: 'started', stepId });
      break;
    }
    const body = kind === 'weigh' ? { type: 'weighed', stepId, massG: 100 } : { type: 'done', stepId };
    await send(server.url, `/batches/${id}/events`, { id: uuidv7(), at, ...body });
  }
  await page.goto(`${server.url}/bench/${id}`);
  await page.getByRole('timer').waitFor();
  await page.clock.fastForward(AWAY);
  // The first change is the jump itself.
  const [, ...changes] = await page.evaluate<number[]>(`(${CHANGES_OF})(${CHANGES + 1})`);
  const worstMs = Math.max(
    ...changes.map((ms) => {
      const into = (ms - startedMs) % 1000;
      return Math.min(into, 1000 - into);
    }),
  );
  await page.close();
  return {
    what: 'timer against the clock after an hour away',
    value: `${worstMs.toFixed(0)} ms`,
    bar: `${LARGEST_ERROR_MS} ms`,
    holds: worstMs <= LARGEST_ERROR_MS,
  };
}

/** Script that a live griddle full of pieces takes for each look at the clock. */
async function liveTick(browser: Browser, server: RunningServer): Promise<Measured> {
  const page = await browser.newPage({ viewport: WIDE });
  const id = await startBatch(server);
  await page.goto(`${server.url}/griddle/live/${id}`);
  const places = page.getByRole('button', { name: /^Place \d/ });
  await places.first().waitFor();
  const count = await places.count();
  const at = new Date().toISOString();
  for (let piece = 1; piece <= count; piece += 1)
    await send(server.url, `/batches/${id}/events`, {
      ...{ id: uuidv7(), at, type: 'piece-on', piece, place: piece, plateC: LAID_C },
    });
  await page.getByRole('button', { name: new RegExp(`^Place ${count}, piece`) }).waitFor();
  await quiet(page);
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const scriptS = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'ScriptDuration')?.value ?? NaN;
  };
  const before = await scriptS();
  await page.waitForTimeout(WATCHED_MS);
  const perTickMs = ((await scriptS()) - before) * (MS_PER_S / (WATCHED_MS / LOOK_MS));
  await page.close();
  return {
    what: `live griddle with ${count} pieces, script for each look at the clock (every ${LOOK_MS} ms)`,
    value: `${perTickMs.toFixed(1)} ms`,
    bar: `${TICK_BAR_MS} ms`,
    holds: perTickMs <= TICK_BAR_MS,
  };
}

/** The bench as it runs: the live weight drawn, timers that agree with the wall, and a plate full of countdowns. */
export async function benchBench(): Promise<Measured[]> {
  const server = await startServer(['--demo']);
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
  try {
    return [
      await weightFrames(browser, server),
      await timerError(browser, server),
      await liveTick(browser, server),
    ];
  } finally {
    await browser.close();
    await server.stop();
  }
}
