import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Request, expect, test } from './test';
import { type RunningServer, startServer } from '../tools/demoServer';
import { bench } from './bench';
import { openBook } from './formulas';
import { follow } from './views';

/** A real kitchen of its own with one formula in it and nothing simulated. */
let real: RunningServer;
let wrap: { id: string };
test.beforeAll(async ({ request }) => {
  real = await startServer(['--data', mkdtempSync(join(tmpdir(), 'kettle-real-'))]);
  [wrap] = (await (await request.get('/api/v1/formulas')).json()) as [{ id: string }];
  await request.post(`${real.url}/api/v1/formulas`, { data: { formula: wrap, reason: 'new' } });
});
test.afterAll(() => real.stop());

test('an empty kitchen shows no figure that nobody measured, and everything can be typed', async ({
  browser,
}) => {
  const page = await browser.newPage({ baseURL: real.url, viewport: { width: 390, height: 844 } });
  await page.goto(`/plan/${wrap.id}`);
  await expect(
    page.getByText(/^Air .* \(assumed\), flour .* \(assumed\), liquid .* \(assumed\)/),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Change air/ }).click();
  await expect(page.getByLabel('Air, assumed, °C')).toBeVisible();
  await expect(page.getByText(/sensor|simulated/i)).toHaveCount(0);
  await follow(page, '/settings');
  await expect(page.getByText(/default values: nobody has set them/)).toBeVisible();

  const cook = bench(page);
  await cook.start(wrap.id);
  await cook.more();
  await page.getByRole('checkbox', { name: 'Live scale' }).click();
  // There is no scale, so nothing is shown of one and the weight is confirmed or keyed in.
  await expect(page.getByRole('button', { name: / is in$/ })).toBeVisible();
  await expect(page.getByText(/simulated/i)).toHaveCount(0);
  await follow(page, new URL(page.url()).pathname.replace('/bench/', '/griddle/live/'));
  await expect(page.getByText('no thermometer')).toBeVisible();
  await cook.more();
  await page.getByRole('button', { name: 'Type it: plate, °C' }).click();
  for (const digit of '231') await page.getByRole('button', { name: digit, exact: true }).click();
  await page.getByRole('button', { name: 'It is 231 °C' }).click();
  await expect(page.getByText('typed', { exact: true })).toBeVisible();
  await page.close();
});

test('from an empty kitchen to a running batch in twelve taps', async ({ browser }) => {
  const empty = await startServer(['--data', mkdtempSync(join(tmpdir(), 'kettle-empty-'))]);
  const page = await browser.newPage({ baseURL: empty.url, viewport: { width: 390, height: 844 } });
  let taps = 0;
  const tap = async (role: 'button' | 'radio' | 'link', name: string | RegExp) => {
    taps += 1;
    await page.getByRole(role, { name, exact: typeof name === 'string' }).click();
  };
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Start here' })).toBeVisible();
  await expect(page.locator('[aria-checked=true]')).toHaveCount(0);
  await tap('radio', '2 g');
  await tap('radio', '5.0\u00a0kg');
  await tap('radio', 'Cast-iron pan');
  await expect(page.getByRole('radio', { name: 'Cast-iron pan' })).toBeChecked();
  await tap('button', 'Write your first formula');
  await page.getByLabel(/^One ingredient a line/).fill('3 cups flour\n1 cup warm water\n1 tsp salt');
  await tap('button', 'Use the first answer to every question');
  await page.getByLabel('Name', { exact: true }).fill('First rounds');
  await page.getByLabel('Pieces it makes').fill('8');
  await tap('button', 'Save the formula');
  await expect(page.getByRole('heading', { level: 1, name: 'First rounds' })).toBeVisible();
  await tap('button', /^Plan/);
  await tap('button', /^Start batch/);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Weigh/);
  expect(taps).toBeLessThanOrEqual(12);
  const kitchen = await (await page.request.get('/api/v1/kitchen')).json();
  expect(kitchen).toMatchObject({ benchStepG: 2, bowlCapacityG: 5000 });
  expect(kitchen.griddles).toHaveLength(1);
  await page.close();
  await empty.stop();
});

test('a device is heard with its age; a reading of years ago is grey and unused', async ({
  browser,
  request,
}) => {
  const page = await browser.newPage({ baseURL: real.url, viewport: { width: 390, height: 844 } });
  await page.goto('/griddle');
  const post = (at: string) =>
    request.post(`${real.url}/api/v1/devices/thermometer/readings`, {
      data: { kind: 'thermometer', at, tempC: 229, steady: true },
    });
  await post('2023-05-04T10:00:00.000Z');
  const old = page.getByRole('button', { name: /^Take 229 °C from the thermometer$/ });
  await expect(old).toBeDisabled();
  await expect(page.getByText(/^Thermometer: .* old, not used$/)).toBeVisible();
  await post(new Date().toISOString());
  await expect(page.getByText('Thermometer: live')).toBeVisible();
  await expect(old).toBeEnabled();
  await page.close();
});

test('seven tabs of one browser work, share one stream, and one goes on listening when the first is closed', async ({
  browser,
  request,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL: baseURL ?? '', viewport: { width: 390, height: 844 } });
  const streams = new Set<Request>();
  context.on('request', (one) => {
    if (one.url().includes('/api/v1/stream')) streams.add(one);
  });
  context.on('requestfailed', (one) => streams.delete(one));
  context.on('requestfinished', (one) => streams.delete(one));
  const open = () => [...streams].filter((one) => !one.frame().page().isClosed()).length;
  const tabs = [];
  for (let n = 0; n < 7; n += 1) {
    const tab = await context.newPage();
    await tab.goto('/formulas');
    await expect(tab.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(tab.getByText('Deckhand wrap').first()).toBeVisible();
    tabs.push(tab);
  }
  expect(open()).toBe(1);
  await tabs[0]?.close();
  await expect.poll(open).toBe(1);
  // A tab that does not listen itself hears of what is stored, from the one that took over.
  const other = tabs[5];
  if (!other) throw new Error('no tab');
  await other.goto('/plans');
  const plan = {
    ...{ id: '019a0000-0000-7000-8000-00000000e8e8', name: 'Told through another tab' },
    ...{ savedAt: new Date().toISOString(), formulaId: 'deckhand-wrap', formulaVersion: 1 },
    need: { by: 'pieces', pieces: 7, ballG: 60 },
  };
  await expect(other.getByRole('heading', { level: 1 })).toBeVisible();
  await request.put(`/api/v1/saved-plans/${plan.id}`, { data: plan });
  const told = other.getByRole('heading', { name: plan.name });
  await expect(told).toBeVisible();
  await request.delete(`/api/v1/saved-plans/${plan.id}`);
  await expect(told).toHaveCount(0);
  expect(open()).toBe(1);
  await context.close();
});

test('a page made of open scripts does not hold the app', async ({ page }) => {
  await openBook(page);
  await page.getByLabel('Formula file').setInputFiles({
    name: 'page.html',
    mimeType: 'text/html',
    buffer: Buffer.from(`<!doctype html>${'<script '.repeat(400_000)}`),
  });
  await expect(page.getByRole('alert')).toContainText('holds no recipe');
  await page.getByLabel('Formula file').setInputFiles({
    name: 'deep.json',
    mimeType: 'application/json',
    buffer: Buffer.from(`${'['.repeat(200_000)}${']'.repeat(200_000)}`),
  });
  await expect(page.getByRole('alert')).toContainText('deeper than 64 levels');
});

test('a buttered bread: its butter is in the editor, on the sheet and on the label', async ({ page }) => {
  await page.goto('/formulas/pilot-press/edit');
  await page
    .getByRole('tab', { name: 'Griddle' })
    .or(page.getByRole('radio', { name: 'Griddle' }))
    .first()
    .click();
  await page.getByRole('checkbox', { name: 'buttered' }).last().click();
  await expect(page.getByText(/^Butter, unsalted, after the turn: the method says so/)).toBeVisible();
  await page.getByRole('button', { name: 'Add to the bread' }).click();
  await page.getByLabel('Find an ingredient').fill('ghee');
  await page.getByRole('button', { name: 'Ghee' }).click();
  await page.getByLabel('Ghee, a piece, g').fill('2.5');
  await expect(page.getByText(/the method says so/)).toHaveCount(0);
});

test('a demo kitchen beside an empty one is looked at, worked in and thrown away', async ({ browser }) => {
  const empty = await startServer(['--data', mkdtempSync(join(tmpdir(), 'kettle-empty-'))]);
  const page = await browser.newPage({ baseURL: empty.url, viewport: { width: 390, height: 844 } });
  await page.goto('/');
  await page.getByRole('button', { name: 'Look at a demo kitchen' }).click();
  await page.waitForURL((url) => url.port !== new URL(empty.url).port);
  const demo = new URL(page.url()).origin;
  await expect(page.getByRole('region', { name: 'Demo kitchen' })).toBeVisible();
  await page.goto(`${demo}/plan/deckhand-wrap?by=pieces&pieces=12&ball=105 g`);
  await page.getByRole('button', { name: /^Start batch/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Weigh strong flour' })).toBeVisible();

  await page.getByRole('button', { name: 'Delete and leave' }).click();
  await page.waitForURL((url) => url.origin === new URL(empty.url).origin);
  await expect(page.getByRole('button', { name: 'Write your first formula' })).toBeVisible();
  const kept = await (await page.request.get(`${empty.url}/api/v1/batches`)).json();
  expect(kept).toEqual([]);
  // Nobody listens there any more, and the kitchen itself ends as if nothing had been.
  await expect(page.request.get(`${demo}/api/v1/health`)).rejects.toThrow('ECONNREFUSED');
  await page.close();
  await empty.stop();
});

test('two leads change the settings at the same time: both changes are saved, and where they differ the last is asked', async ({
  browser,
  request,
}) => {
  const options = { baseURL: real.url, viewport: { width: 390, height: 844 } };
  const [first, second] = await Promise.all([browser.newPage(options), browser.newPage(options)]);
  for (const page of [first, second]) {
    await page.goto('/settings');
    await expect(page.getByLabel('Most dough a bowl takes, g')).toHaveValue('12000');
  }
  const saved = async (): Promise<object> =>
    (await (await request.get(`${real.url}/api/v1/kitchen`)).json()) as object;
  await first.getByLabel('Most dough a bowl takes, g').fill('10000');
  await first.getByLabel('Lost on the bench, %').fill('1');
  await first.getByRole('button', { name: 'Save the kitchen' }).click();
  await expect(first.getByText('Saved.')).toBeVisible();

  await second.getByLabel('Most dough a bowl takes, g').fill('8000');
  await second.getByLabel('Stays in bowl and on hands, %').fill('2');
  await second.getByRole('button', { name: 'Save the kitchen' }).click();
  const sheet = second.getByRole('dialog', { name: 'Somebody saved meanwhile' });
  await expect(
    sheet.getByRole('row', { name: /^Most dough a bowl takes.*12,000.*8,000.*10,000/ }),
  ).toBeVisible();
  await sheet.getByRole('button', { name: 'Take theirs' }).click();
  await expect(second.getByText('Saved.')).toBeVisible();
  await expect(second.getByLabel('Most dough a bowl takes, g')).toHaveValue('10000');
  expect(await saved()).toMatchObject({ bowlCapacityG: 10_000, benchLoss: 0.01, bowlLoss: 0.02 });
});
