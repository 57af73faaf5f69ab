import type { Page } from '@playwright/test';
import type { Measured } from '../bench';

export const FRAME_MS = 1000 / 60;
/** A gap this long means that a frame at 60 a second was not drawn. */
const DROPPED_MS = 1.5 * FRAME_MS;

/** Runs in the page, as text: notes the time between frames until it is stopped. */
const WATCH = `(() => {
  globalThis.frameGaps = [];
  let last = performance.now();
  const tick = (now) => {
    globalThis.frameGaps.push(now - last);
    last = now;
    globalThis.frameTimer = requestAnimationFrame(tick);
  };
  globalThis.frameTimer = requestAnimationFrame(tick);
})()`;
const STOP = '(cancelAnimationFrame(globalThis.frameTimer), globalThis.frameGaps)';

/** Counts the frames that were drawn and dropped while something happens on a page. */
export async function frames(
  page: Page,
  act: () => Promise<void>,
): Promise<{ drawn: number; dropped: number }> {
  await page.evaluate(WATCH);
  await act();
  const gaps = await page.evaluate<number[]>(STOP);
  const dropped = gaps.reduce((sum, gap) => sum + (gap > DROPPED_MS ? Math.round(gap / FRAME_MS) - 1 : 0), 0);
  return { drawn: gaps.length, dropped };
}

/** Runs in the page, as text: resolves when so many frames were drawn. */
const DRAW = `(left) => new Promise((resolve) => {
  const next = () => ((left -= 1) > 0 ? requestAnimationFrame(next) : resolve());
  requestAnimationFrame(next);
})`;

/** Lets the page draw some frames. */
export const drawFrames = (page: Page, count: number): Promise<unknown> =>
  page.evaluate(`(${DRAW})(${count})`);

export const framesRow = (
  what: string,
  { drawn, dropped }: { drawn: number; dropped: number },
): Measured => ({
  what,
  value: `${dropped} of ${drawn + dropped}`,
  bar: 'none',
  holds: dropped === 0,
});
