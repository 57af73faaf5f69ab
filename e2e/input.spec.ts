import { expect, test } from './test';
import { startServer } from '../tools/demoServer';
import { asWritten, fieldError } from './bench';
import { openBook } from './formulas';

test('bad input on the plan: a sentence at the field, the last plan stays, nothing can start', async ({
  page,
}) => {
  await page.goto('/plan/deckhand-wrap');
  const pieces = page.getByLabel('Pieces', { exact: true });
  const ball = page.getByLabel('Ball, g', { exact: true });
  const start = page.getByRole('button', { name: /^Start batch/ });
  for (const [field, typed, sentence] of [
    [pieces, '0', 'Pieces must be between 1 and 10,000.'],
    [pieces, '-3', 'Pieces must be between 1 and 10,000.'],
    [pieces, '', 'Enter how many pieces.'],
    [ball, '5 pood', '“pood” is not a unit this kitchen knows; use g, kg, oz, lb, ml, l, tsp, tbsp or cup.'],
    [ball, '90000', 'Ball weight must be between 5 and 2,000 g.'],
  ] as const) {
    const right = await field.inputValue();
    await field.fill(typed);
    await expect(fieldError(page)).toHaveText(sentence);
    await expect(field).toHaveValue(typed);
    await expect(start).toBeDisabled();
    await expect(page.getByRole('button', { name: /^Strong flour .*why/ })).toBeVisible();
    await field.fill(right);
    await expect(start).toBeEnabled();
  }
  await ball.fill('3 1/2 oz');
  await expect(fieldError(page)).toBeHidden();
  await expect(start).toBeEnabled();
  await page.reload();
  await expect(ball).toHaveValue('99');
  await page.getByRole('radio', { name: 'Flour at hand' }).click();
  await page.getByLabel('Flour at hand, g', { exact: true }).fill('20');
  await expect(fieldError(page)).toContainText('less than one ball');
});

test('a formula file is brought in whole or not at all', async ({ page, request }) => {
  const book = async () =>
    ((await (await request.get('/api/v1/formulas')).json()) as { id: string }[]).map(({ id }) => id);
  const [wrap] = (await (await request.get('/api/v1/formulas')).json()) as { id: string; lines: object[] }[];
  const before = await book();
  await openBook(page);
  const bring = (content: unknown) =>
    page.getByLabel('Formula file').setInputFiles({
      name: 'formula.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
    });
  const refused = fieldError(page);
  await bring('{ "format": "kettle-scale/formula",\n oops }');
  await expect(refused).toContainText('Line 2: this is not JSON');
  await bring({ ...wrap, id: 'new-one', surprise: true });
  await expect(refused).toContainText('The field “surprise” is not known here');
  await bring({ ...wrap, id: 'new-one', lines: wrap?.lines.slice(1) });
  await expect(refused).toContainText('A formula needs flour');
  await bring({ ...wrap, id: 'new-one', formatVersion: 9 });
  await expect(refused).toContainText('This file is of version 9');
  await bring('id,what,share\n1,flour,all\n"unclosed');
  await expect(refused).toContainText('a quotation mark is not closed');
  expect(await book()).toEqual(before);

  await bring({ ...wrap, id: 'new-one', name: '<img src=x onerror=alert(1)>' });
  await page.getByRole('button', { name: 'Import 1' }).click();
  await expect(page.getByText('New in the book')).toBeVisible();
  await page.goto('/formulas/new-one');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('<img src=x onerror=alert(1)>');
});

test('kitchen settings: a sentence at the field, and saved when right', async ({ page }) => {
  await page.goto('/settings');
  const step = page.getByLabel('Step of the bench scale, g');
  await step.fill('3');
  await expect(page.getByText(/must be a step that scales show/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save the kitchen' })).toBeDisabled();
  await step.fill('5');
  // Only what moves no other journey's plan is changed: all share one kitchen.
  await page.getByLabel('Most the fine scale can weigh, g').fill('600,5');
  await page.getByRole('button', { name: 'Save the kitchen' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Most the fine scale can weigh, g')).toHaveValue('600.5');
});

test('an event for a finished batch and an address that leads nowhere say so plainly', async ({
  page,
  request,
}) => {
  const [done] = (await (await request.get('/api/v1/batches?status=finished&limit=1')).json()) as {
    id: string;
  }[];
  const answer = await request.post(`/api/v1/batches/${done?.id}/events`, {
    data: {
      id: '019a0000-0000-7000-8000-000000000001',
      at: new Date().toISOString(),
      type: 'dusted',
      stepId: 'flatten',
      massG: 5,
    },
  });
  expect(answer.status()).toBe(409);
  expect(((await answer.json()) as { detail: string }).detail).toMatch(/This batch is finished/);
  await page.goto('/bench/nobody');
  await expect(page.getByText('This batch is not in this kitchen.')).toBeVisible();
  await page.goto('/nowhere/at/all');
  await expect(page.getByText('Page not found')).toBeVisible();
});

test('a plan that the kitchen has outrun does not start: both are shown, and the new one starts', async ({
  page,
  request,
}) => {
  // A kitchen of its own: what is changed in it is no business of the other journeys.
  const server = await startServer(['--demo']);
  try {
    await asWritten(page);
    // This phone hears no news.
    await page.route('**/api/v1/stream*', (route) => route.abort());
    await page.goto(`${server.url}/plan/breakwater-thick`);
    const sheet = page.getByRole('table', { name: 'What differs' });
    const start = page.getByRole('button', { name: /^Start batch/ });
    await expect(start).toBeEnabled();
    const settings = `${server.url}/api/v1/kitchen`;
    const now = await request.get(settings);
    const kitchen = (await now.json()) as { bowlLoss: number };
    const headers = { 'if-match': now.headers().etag ?? '' };
    await request.put(settings, { data: { ...kitchen, bowlLoss: 0.09 }, headers });
    await start.click();
    await expect(sheet.getByRole('row', { name: /^Dough / })).toBeVisible();
    await expect(page).toHaveURL(/\/plan\//);
    await page.getByRole('button', { name: 'Show the new plan' }).click();
    await start.click();
    await page.waitForURL(/\/bench\//);
  } finally {
    await server.stop();
  }
});
