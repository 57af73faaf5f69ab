import { expect, test } from './test';
import { bench } from './bench';
import { follow, metricOn, openView, prefer } from './views';

test('in ounces and Fahrenheit a bound is said in them, and nothing metric is left on a large plan and at the bench', async ({
  page,
}) => {
  await prefer(page, { units: 'us' });
  await openView(page, '/plan/breakwater-thick?by=pieces&pieces=60');
  expect(await metricOn(page)).toBeNull();
  await follow(page, '/settings');
  await expect(page.getByLabel('Most dough a bowl takes, oz')).toBeVisible();
  await page.getByLabel('Most dough a bowl takes, oz').fill('1');
  await expect(page.getByText(/Bowl capacity must be between [\d.]+ and [\d.,]+ oz\./)).toBeVisible();

  const cook = bench(page);
  await cook.start('breakwater-thick', '?by=pieces&pieces=6');
  for (const act of ['weigh', 'mix', 'knead'] as const) {
    expect(await metricOn(page), act).toBeNull();
    if (act === 'weigh') await cook.weighAll();
    if (act === 'mix') await cook.mix();
  }
});
