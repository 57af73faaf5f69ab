import { chromium } from '@playwright/test';
import type { Measured } from '../bench';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { startServer } from '../demoServer';
import { quiet } from '../quiet';
import { drawFrames, frames, framesRow } from './frames';

const PHONE = { width: 390, height: 844 };
const DRAG_PX = 60;
const PLANNING_MS = 60_000;

/** The service in the real app: the page keeps drawing while the worker plans, and while a batch is dragged. */
export async function benchShiftPage(): Promise<Measured[]> {
  const server = await startServer(['--demo']);
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
  try {
    const page = await browser.newPage({ viewport: PHONE });
    await page.goto(`${server.url}/service`);
    await page.getByRole('heading', { name: 'Next' }).waitFor();
    await quiet(page);
    const planning = await frames(page, async () => {
      await page.getByRole('button', { name: 'Plan again' }).click();
      await page.getByRole('table', { name: /Plans to choose from/ }).waitFor({ timeout: PLANNING_MS });
    });
    const timeline = page.getByRole('img', { name: /^The day from/ });
    await timeline.scrollIntoViewIfNeeded();
    const box = await timeline.boundingBox();
    if (!box) throw new Error('the day is not drawn');
    await quiet(page);
    const y = box.y + box.height / 2;
    const dragging = await frames(page, async () => {
      await page.mouse.move(box.x + box.width / 2, y);
      await page.mouse.down();
      for (let px = 2; px <= DRAG_PX; px += 2) {
        await page.mouse.move(box.x + box.width / 2 + px, y);
        await drawFrames(page, 1);
      }
      await page.mouse.up();
    });
    return [
      framesRow('frames dropped while a service is planned', planning),
      framesRow('frames dropped while its day is dragged', dragging),
    ];
  } finally {
    await browser.close();
    await server.stop();
  }
}
