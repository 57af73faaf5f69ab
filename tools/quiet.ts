import type { Page } from '@playwright/test';

/** Nothing more is fetched when nothing came for this long; the stream of news stays open, so the network is never idle. */
const QUIET_MS = 800;

/** Waits until the page has its fonts and fetches no more. */
export async function quiet(page: Page): Promise<void> {
  await page.evaluate(() => document.fonts.ready);
  await page.evaluate(
    (quietMs) =>
      new Promise<void>((resolve) => {
        let timer = setTimeout(resolve, quietMs);
        new PerformanceObserver(() => {
          clearTimeout(timer);
          timer = setTimeout(resolve, quietMs);
        }).observe({ type: 'resource' });
      }),
    QUIET_MS,
  );
}
