import { chromium } from '@playwright/test';
import type { Measured } from '../bench';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { quiet } from '../quiet';
import { drawFrames, frames, framesRow } from './frames';

const PHONE = { width: 390, height: 844 };
/** Built anew, and kept. */
const LESSONS_BAR_MS = { built: 1000, kept: 5 } as const;
const LESSONS_RUNS = 21;
/** Pages of the log that are fetched before it is scrolled. */
const PAGES = 6;
const WHEEL_TURNS = 60;
const WHEEL_PX = 400;
const FRAMES_A_TURN = 4;

/** Lessons over the whole year at the server; and a long log on a phone, scrolled. */
export async function benchLog(url: string): Promise<Measured[]> {
  const ask = async (): Promise<number> => {
    const start = performance.now();
    await (await fetch(`${url}/api/v1/lessons`)).text();
    return performance.now() - start;
  };
  // The first one works out what an older program did not keep, and reads the year.
  await ask();
  const settings = `${url}/api/v1/kitchen`;
  const kitchen = await (await fetch(settings)).text();
  await fetch(settings, {
    method: 'PUT',
    body: kitchen,
    headers: { 'content-type': 'application/json', 'kettle-app': 'tool' },
  });
  const builtMs = await ask();
  const times: number[] = [];
  for (let run = 0; run < LESSONS_RUNS; run += 1) times.push(await ask());
  const keptMs = times.sort((a, b) => a - b)[Math.floor(LESSONS_RUNS / 2)] ?? NaN;

  const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: PHONE });
    await page.goto(`${url}/log`);
    for (let more = 1; more < PAGES; more += 1) {
      const next = page.waitForResponse((answer) => answer.url().includes('before='));
      await page.getByRole('button', { name: 'Older batches' }).click();
      await next;
    }
    await page.mouse.move(PHONE.width / 2, PHONE.height / 2);
    await page.mouse.wheel(0, -1_000_000);
    await quiet(page);
    const scrolled = await frames(page, async () => {
      for (let turn = 0; turn < WHEEL_TURNS; turn += 1) {
        await page.mouse.wheel(0, WHEEL_PX);
        await drawFrames(page, FRAMES_A_TURN);
      }
    });
    return [
      {
        what: 'lessons over a year, worked out anew',
        value: `${builtMs.toFixed(0)} ms`,
        bar: `${LESSONS_BAR_MS.built} ms`,
        holds: builtMs <= LESSONS_BAR_MS.built,
      },
      {
        what: 'lessons over a year, asked again: median',
        value: `${keptMs.toFixed(1)} ms`,
        bar: `${LESSONS_BAR_MS.kept} ms`,
        holds: keptMs <= LESSONS_BAR_MS.kept,
      },
      framesRow(`frames dropped, ${PAGES * 50} batches of the log scrolled`, scrolled),
    ];
  } finally {
    await browser.close();
  }
}
