import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Page, expect, test } from '@playwright/test';
import { type RunningServer, startServer } from '../tools/demoServer';
import { bench, fieldError } from './bench';

/** A demo kitchen of its own: its service is changed, taken from and planned again. */
let kitchen: RunningServer;
test.beforeAll(async () => {
  kitchen = await startServer(['--demo', '--data', mkdtempSync(join(tmpdir(), 'kettle-service-'))]);
});
test.afterAll(() => kitchen.stop());

const open = async (page: Page, path: string) => {
  await page.goto(kitchen.url + path);
  await expect(page.getByText(/^Fetching/)).toHaveCount(0);
};

test('the demo opens on a planned day: next acts, a batch moved, bread counted, taken and taken back', async ({
  page,
}) => {
  const cook = bench(page);
  await open(page, '/shift');
  await cook.press('Follow the service');
  await expect(cook.title).toHaveText('Three sailings');
  await expect(page.getByRole('heading', { name: 'Next' })).toBeVisible();
  // By its button, then back, and by dragging the picture.
  const batch = page.getByRole('button', { name: /^Move \d+ / }).last();
  const words = (await batch.getAttribute('aria-label'))?.replace('Move ', '') ?? '';
  await batch.click();
  const saved = () => page.waitForResponse((response) => response.request().method() === 'PUT');
  const startOf = async () => {
    const { service } = (await (await page.request.get(`${kitchen.url}/api/v1/services`)).json())[0] as {
      service: { plan: { batches: { start: number }[] } };
    };
    return service.plan.batches.map(({ start }) => start);
  };
  const before = await startOf();
  await Promise.all([saved(), cook.press(`${words} 5 min later`)]);
  const moved = await startOf();
  expect(moved.reduce((sum, one) => sum + one, 0)).toBe(before.reduce((sum, one) => sum + one, 0) + 300);

  await cook.press('Count the tray: Deckhand wrap');
  for (const digit of '12') await cook.press(digit);
  await cook.press('Save');
  await expect(page.getByText('12 made, 0 taken')).toBeVisible();
  await cook.press('Take 5 Deckhand wrap');
  await expect(page.getByText('12 made, 5 taken')).toBeVisible();
  await cook.press(/^Undo: taken 5/);
  await expect(page.getByText('12 made, 0 taken')).toBeVisible();
  await cook.press('Throw out Deckhand wrap');
  await page.getByRole('radio', { name: 'dropped' }).click();
  await cook.press('2');
  await cook.press('Save');
  await page.reload();
  await expect(page.getByText('12 made, 0 taken')).toBeVisible();
  await cook.press('Hand over');
  await expect(page.getByText('Thrown out today')).toBeVisible();
});

test('what the day is to bring: learned, from a file, refused at its field; then planned and chosen', async ({
  page,
}) => {
  const cook = bench(page);
  await open(page, '/service/edit');
  await page.getByLabel('Service to', { exact: true }).fill('half past');
  await cook.press('Save the service');
  await expect(fieldError(page).first()).toHaveText('A time is written like 11:45.');
  await expect(page.getByLabel('Service to', { exact: true })).toHaveValue('half past');
  await page.reload();
  await cook.press('As this weekday');
  const file = (text: string) =>
    page.getByLabel('File of what is wanted').setInputFiles({
      ...{ name: 'day.csv', mimeType: 'text/csv' },
      buffer: Buffer.from(text),
    });
  await file('bread,opens,peak,closes,pieces\nMoon bread,11:00,,12:00,20');
  await expect(page.getByText('“Moon bread” is no formula of the book.')).toBeVisible();
  const [from, to] = [
    page.getByLabel('Service from', { exact: true }),
    page.getByLabel('Service to', { exact: true }),
  ];
  const [opens, closes] = [await from.inputValue(), await to.inputValue()];
  await file(`bread,opens,peak,closes,pieces\nLantern round,${opens},,${closes},40`);
  await expect(page.getByLabel('Pieces', { exact: true })).toHaveValue('40');
  await cook.press('Save the service');
  await page.waitForURL(/\/service$/);
  await cook.press(/^(Plan again|Make a plan)$/);
  await expect(page.getByRole('table', { name: /Plans to choose from/ })).toBeVisible({ timeout: 120_000 });
  await page.getByRole('radio', { name: 'Safest' }).click();
  await cook.press('Use this plan');
  await expect(page.getByRole('button', { name: /^Move \d+ Lantern round/ }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Move \d+ Deckhand wrap/ })).toHaveCount(0);
});

test('ready by: counted back from a time, with ways out when it is too late', async ({ page }) => {
  await open(page, '/plan/lantern-round');
  const at = (minutes: number) => {
    const time = new Date(Date.now() + minutes * 60_000);
    return `${String(time.getUTCHours()).padStart(2, '0')}:${String(time.getUTCMinutes()).padStart(2, '0')}`;
  };
  await page.getByLabel('Time', { exact: true }).fill('soon');
  await expect(page.getByText('A time is written like 11:45.')).toBeVisible();
  // What is past by the clock is meant for tomorrow, so the way out is looked for an hour ahead.
  await page.getByLabel('Time', { exact: true }).fill(at(50));
  await expect(page.getByText('Begin, at the latest')).toBeVisible();
  await expect(page.getByText(/^Too late by/)).toBeVisible();
  await expect(page.getByText(/^Ready by \d\d:\d\d instead\.$/)).toBeVisible();
  await page.getByLabel('Time', { exact: true }).fill(at(300));
  await expect(page.getByText(/^Too late by/)).toBeHidden();
});
