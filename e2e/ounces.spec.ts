import { type Page, expect, test } from './test';
import { bench } from './bench';
import { ALL_VIEWS, follow, prefer, walk } from './views';

/** A figure in a metric unit; millilitres define a cup, and stay. */
const METRIC = /[\d.,]+\s(?:°C|mm|g|kg)(?![\w/])|g\/ml|[^\n]*, (?:mm|g|kg|°C)$/gm;

/** Everything that is read or heard on a page. */
const saidOn = (page: Page) =>
  page.evaluate(() =>
    [
      document.body.innerText,
      ...[...document.querySelectorAll('svg text')].map((text) => text.textContent),
      ...[...document.querySelectorAll('[aria-label], [aria-valuetext]')].map(
        (one) => `${one.getAttribute('aria-label') ?? ''}\n${one.getAttribute('aria-valuetext') ?? ''}`,
      ),
    ].join('\n'),
  );

test('in ounces, inches and Fahrenheit nothing metric is left on the main views', async ({ page }) => {
  await prefer(page, { units: 'us' });
  const nothingMetric = async (where: string) => {
    await expect(page.getByText(/^Fetching/)).toHaveCount(0);
    expect((await saidOn(page)).match(METRIC), where).toBeNull();
  };
  const views = ALL_VIEWS.filter((path) => path !== '/settings');
  for await (const path of walk(page, [...views, '/plan/breakwater-thick?by=pieces&pieces=60']))
    await nothingMetric(path);
  await follow(page, '/settings');
  await expect(page.getByLabel('Most dough a bowl takes, oz')).toBeVisible();
  await page.getByLabel('Most dough a bowl takes, oz').fill('1');
  await expect(page.getByText(/Bowl capacity must be between [\d.]+ and [\d.,]+ oz\./)).toBeVisible();

  const cook = bench(page);
  await cook.start('breakwater-thick', '?by=pieces&pieces=6');
  for (const act of ['weigh', 'mix', 'knead'] as const) {
    await nothingMetric(act);
    if (act === 'weigh') await cook.weighAll();
    if (act === 'mix') await cook.mix();
  }
});
