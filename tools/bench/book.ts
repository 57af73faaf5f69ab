import { BOOK_FORMAT, BOOK_FORMAT_VERSION } from '@kettle-scale/core/document';
import { chromium } from '@playwright/test';
import { demoFormulas } from '@kettle-scale/simulation';
import type { Measured } from '../bench';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { startServer } from '../demoServer';
import { quiet } from '../quiet';
import { FRAME_MS, drawFrames, frames, framesRow as row } from './frames';

const FORMULAS = 500;
const PHONE = { width: 390, height: 844 };
const WHEEL_TURNS = 40;
const WHEEL_PX = 400;
/** A hand turns the wheel again after so many frames. */
const FRAMES_A_TURN = 4;

/** Fills a kitchen with many formulas, made from the five of the demo. */
async function fill(url: string): Promise<void> {
  const five = demoFormulas();
  const formulas = Array.from({ length: FORMULAS }, (_, index) => {
    const formula = five[index % five.length];
    if (!formula) throw new Error('no demo formulas');
    return {
      ...formula,
      id: `bread-${index}`,
      name: `Bread ${String(index).padStart(3, '0')} ${formula.name}`,
    };
  });
  const book = {
    format: BOOK_FORMAT,
    formatVersion: BOOK_FORMAT_VERSION,
    formulas,
    ingredients: [],
    archived: [],
  };
  const answer = await fetch(`${url}/api/v1/book`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'kettle-app': 'tool' },
    body: JSON.stringify({ book, onTaken: 'skip' }),
  });
  if (!answer.ok) throw new Error(await answer.text());
}

/** A book of 500 formulas on a phone: scrolled from end to end, and searched letter by letter. */
export async function benchBook(): Promise<Measured[]> {
  const server = await startServer(['--demo']);
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
  try {
    await fill(server.url);
    const page = await browser.newPage({ viewport: PHONE });
    await page.goto(`${server.url}/formulas`);
    await page.getByRole('link', { name: /Bread 000/ }).waitFor();
    await quiet(page);
    await page.mouse.move(PHONE.width / 2, PHONE.height / 2);
    const scrolled = await frames(page, async () => {
      for (let turn = 0; turn < WHEEL_TURNS; turn += 1) {
        await page.mouse.wheel(0, WHEEL_PX);
        await drawFrames(page, FRAMES_A_TURN);
      }
    });
    await page.mouse.wheel(0, -WHEEL_TURNS * WHEEL_PX);
    const find = page.getByLabel('Find by name or ingredient');
    await find.click();
    const searched = await frames(page, async () => {
      await find.pressSequentially('bread 4 lantern', { delay: 8 * FRAME_MS });
      await page.getByRole('link', { name: /Bread 042 Lantern/ }).waitFor();
    });
    return [
      row('frames dropped, 500 formulas scrolled', scrolled),
      row('frames dropped, 500 formulas searched', searched),
    ];
  } finally {
    await browser.close();
    await server.stop();
  }
}
