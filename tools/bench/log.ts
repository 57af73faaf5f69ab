import { chromium } from '@playwright/test';
import type { Measured } from '../bench';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { quiet } from '../quiet';
import { drawFrames, frames, framesRow } from './frames';

const PHONE = { width: 390, height: 844 };
const LESSONS_BAR_MS = 1000;
const LESSONS_RUNS = 5;
/** Pages of the log that are fetched before it is scrolled. */
const PAGES = 6;
const WHEEL_TURNS = 60;
const WHEEL_PX = 400;
const FRAMES_A_TURN = 4;

/** Lessons over the whole year at the server; and a long log on a phone, scrolled. */
export async function benchLog(url: string): Promise<Measured[]> {
  const times: number[] = [];
  // The first one works out what an older program did not keep.
  for (let run = 0; run <= LESSONS_RUNS; run += 1) {
    const start = performance.now();
    const answer = await fetch(`${url}/api/v1/lessons`);
    await answer.text();
    if (run > 0) times.push(performance.now() - start);
  }
  const lessonsMs = times.sort((a, b) => a - b)[Math.floor(LESSONS_RUNS / 2)] ?? NaN;

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
        what: 'lessons over a year',
        value: `${lessonsMs.toFixed(0)} ms`,
        bar: `${LESSONS_BAR_MS} ms`,
        holds: lessonsMs <= LESSONS_BAR_MS,
      },
      framesRow(`frames dropped, ${PAGES * 50} batches of the log scrolled`, scrolled),
    ];
  } finally {
    await browser.close();
  }
}
