import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { expect, test } from './test';
import { startServer } from '../tools/demoServer';
import { bench } from './bench';
import { follow } from './views';

test('the log: found by its words, put right, held against another, and diagnosed into the next plan', async ({
  page,
}) => {
  const cook = bench(page);
  await page.goto('/log');
  await page.getByLabel('Find in notes, names and reasons').fill('black spots');
  const found = page.getByRole('list', { name: 'Batches' }).getByRole('link');
  await expect(found).toHaveCount(1);
  await found.click();
  await expect(page.getByText('Black spots: the plate had crept up.')).toBeVisible();

  await cook.press('Correct a value');
  await page.getByRole('radio', { name: /divided, ball/ }).click();
  await page.getByLabel('Right value, g').fill('104.2');
  await page.getByLabel('Reason').fill('read off the wrong line');
  await cook.press('Save');
  await expect(page.getByText('Corrected later: read off the wrong line')).toBeVisible();
  await expect(page.getByText('104.2 g').first()).toBeVisible();

  await cook.press('Compare');
  await expect(page.getByRole('table', { name: 'Two batches' })).toBeVisible();
  await page.goBack();
  await cook.press('What went wrong?');
  await page.getByRole('checkbox', { name: 'Black spots' }).click();
  await expect(page.getByText(/This batch supports it: plate \d+\s°C over plan/)).toBeVisible();
  await page.getByRole('button', { name: 'Carry into the next plan' }).first().click();
  await expect(page.getByRole('button', { name: 'Carried over: remove' })).toBeVisible();
  await cook.press('Plan it again');
  await expect(page.getByRole('checkbox', { name: /^Plate at 2\d\d\s°C: \d+ °C cooler$/ })).toBeChecked();
  await cook.press('Delete');
  await expect(page.getByText('Plate too hot: black spots')).toBeHidden();
});

test('lessons stand with their evidence, enter the plan, and stay out when switched off', async ({
  page,
}) => {
  const cook = bench(page);
  await page.goto('/plan/deckhand-wrap');
  const loss = page.getByRole('checkbox', { name: /of the dough counted as lost in the bowl$/ });
  await expect(loss).toBeVisible();
  await page.getByText('All lessons and their evidence').click();
  await expect(cook.title).toHaveText('Lessons');
  const ticket = page.locator('div', { hasText: /^Lost in the bowl/ }).last();
  await expect(ticket).toBeVisible();
  const uses = page.getByRole('checkbox', { name: 'Use in plans' });
  const count = await uses.count();
  for (let at = 0; at < count; at += 1) await expect(uses.nth(at)).toBeChecked();
  await page.getByRole('button', { name: 'Evidence' }).first().click();
  const chart = page.getByRole('img', { name: /batch by batch/ });
  await chart.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('status').filter({ hasText: 'points' })).toBeVisible();
  const saved = page.waitForResponse(
    (answer) => answer.url().endsWith('/kitchen') && answer.request().method() === 'PATCH',
  );
  await uses.nth(0).click();
  await saved;
  await expect(uses.nth(0)).not.toBeChecked();
  await uses.nth(0).click();
  await expect(uses.nth(0)).toBeChecked();
  await follow(page, '/charts');
  await expect(page.getByRole('img', { name: /^Mean of the balls/ })).toBeVisible();
});

test('a backup of the kitchen, restored into an empty one on a server of its own', async ({
  page,
  request,
}) => {
  await page.goto('/settings');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const file = await (await download).path();
  const saved = readFileSync(file, 'utf8');
  const batches = saved.split('\n').filter((line) => line.startsWith('{"kind":"batch"')).length;

  const empty = await startServer(['--data', mkdtempSync(join(tmpdir(), 'kettle-empty-'))]);
  try {
    await page.goto(`${empty.url}/settings`);
    // As the server keeps its own: packed.
    const packed = {
      name: 'kitchen-2026-03-04.jsonl.gz',
      mimeType: 'application/gzip',
      buffer: gzipSync(saved),
    };
    await page.getByLabel('Backup file').setInputFiles(packed);
    await page.getByRole('button', { name: 'Restore from this file' }).click();
    await expect(page.getByText(new RegExp(`^Restored: \\d+ formulas, ${batches} batches`))).toBeVisible();
    const again = await (await request.get(`${empty.url}/api/v1/backup`)).text();
    const contents = (text: string) => text.split('\n').slice(1).join('\n');
    expect(contents(again) === contents(saved), 'the restored kitchen gives the same backup').toBe(true);
    await page.goto(`${empty.url}/log`);
    await expect(page.getByRole('link', { name: /Deckhand wrap/ }).first()).toBeVisible();
    await page.goto(`${empty.url}/settings`);
    await page.getByLabel('Backup file').setInputFiles(file);
    await page.getByRole('button', { name: 'Restore from this file' }).click();
    // Alarms of other batches may stand beside it.
    await expect(page.getByRole('alert').filter({ hasText: 'Restore into an empty one' })).toBeVisible();
  } finally {
    await empty.stop();
  }
});
