import { readFileSync } from 'node:fs';
import { type APIRequestContext, expect, test } from './test';
import { v7 as uuidv7 } from 'uuid';
import { batchOf, bench } from './bench';
import { follow } from './views';

/** A copy of a demo formula under its own name, with another way of mixing. */
async function variant(request: APIRequestContext, from: string, id: string, method: object): Promise<void> {
  const formula = (await (await request.get(`/api/v1/formulas/${from}`)).json()) as { method: object };
  const copy = { ...formula, id, version: 1, name: id, method: { ...formula.method, ...method } };
  const saved = await request.post('/api/v1/formulas', { data: { formula: copy, reason: 'for a journey' } });
  expect(saved.ok()).toBe(true);
}

test('a day’s dough by feel: start low, add, correct, judge; the lot learns it', async ({
  page,
  request,
}) => {
  const cook = bench(page);
  const id = 'journey-lot';
  const lot = { id, ingredient: 'flour-plain', name: 'Journey lot', receivedOn: '2026-01-05', bagKg: 25 };
  await request.put(`/api/v1/flour-lots/${id}`, { data: lot });
  await variant(request, 'breakwater-thick', 'held-thick', { school: 'hold-back' });
  await page.goto(`/plan/held-thick?by=flour&flour=2000 g&lot=${id}`);
  await cook.press('Change air, flour, water, bowl');
  await page.getByLabel('Humidity, assumed, %').fill('30');
  await page.getByLabel('Dough wanted, if known, °C').fill('27');
  await expect(page.getByRole('button', { name: /^Dough comes out at 27/ })).toBeVisible();
  await cook.press(/^Start with .*why/);
  await expect(page.getByRole('dialog')).toContainText('so the interval is wide');
  await page.keyboard.press('Escape');
  await cook.press(/^Start batch/);
  await cook.step(/^Weigh/);
  await cook.weighAll();
  await cook.press('Start mixing');
  await cook.press('Done, next');
  await cook.press('Done, next');
  await cook.press('Done, next');
  await expect(page.getByRole('button', { name: /^All .* at once$/ })).toBeVisible();
  await page
    .getByRole('button', { name: /^\+\d+\sg water/ })
    .first()
    .click();
  await cook.press('It feels right');
  await cook.press('Mixed');
  await cook.press('Start kneading');
  await cook.press('Too dry');
  await page.getByRole('radio', { name: 'a bit dry' }).click();
  await page.getByRole('button', { name: /^Add \d+\sg water$/ }).click();
  await cook.more();
  await cook.press(/^\+5\sg bench flour/);
  await cook.press('It is right');
  await cook.step('Rest the dough');
  await cook.press('Covered: start the rest');
  await cook.more();
  await page.getByRole('radio', { name: 'dent stays' }).click();
  await expect(page.getByText(/^Relaxed: springs back/)).toBeVisible();
  await cook.expectSaved();
  const { events } = await batchOf(page, request);
  expect(events.filter(({ type }) => type === 'added')).toHaveLength(2);
  expect(events.find(({ type }) => type === 'felt')?.feel).toBe('a bit dry');
  expect(events.findLast(({ type }) => type === 'felt')?.feel).toBe('right');
  await follow(page, '/stock');
  await expect(page.getByText('Journey lot', { exact: true })).toBeVisible();
  // Others may bake from it meanwhile.
  await expect(page.getByRole('group', { name: 'Journey lot' })).toContainText(/held-thick.{0,3}2\.0\skg/);
});

test('boiling water: scald cautions, the wait by the law of cooling, then by hand', async ({
  page,
  request,
}) => {
  await page.clock.install();
  const cook = bench(page);
  await variant(request, 'deckhand-wrap', 'scalded-wrap', { school: 'boiling-water', liquidTempC: 96 });
  await page.goto('/plan/scalded-wrap?by=flour&flour=1000 g&ball=105 g');
  await expect(
    page.getByRole('button', { name: /^Hot from scalding, \d+\s°C: spread it for/ }),
  ).toBeVisible();
  await cook.press(/^Start batch/);
  await cook.step(/^Weigh/);
  await cook.weighAll();
  await cook.press('Start mixing');
  await cook.press('Done, next');
  await expect(page.getByRole('note').filter({ hasText: 'long spoon' })).toBeVisible();
  await cook.press('Done, next');
  await expect(page.getByText('Spread it to cool')).toBeVisible();
  await page.clock.fastForward('20:00');
  await page.reload();
  await expect(page.getByText('Spread it to cool')).toBeVisible();
  await page.clock.fastForward('02:00:00');
  await expect(page.getByText('now', { exact: true })).toBeVisible();
  for (const name of ['Cool enough', 'Done, next', 'It feels right', 'Mixed', 'Start kneading']) {
    await cook.press(name);
  }
  await page.clock.fastForward('05:00');
  await cook.press('Test now. Quiet');
  await cook.press('It is right');
  await cook.press('Covered: start the rest');
  await page.clock.fastForward('03:00:00');
  await expect(page.getByRole('timer')).toContainText('past its best');
});

test.describe('with the app on the device', () => {
  test.use({ serviceWorkers: 'allow' });

  test('milk dough with the network cut in the middle, another phone on another batch', async ({
    page,
    browser,
  }) => {
    const cook = bench(page);
    await cook.start('sailcloth-sheet', '?by=pieces&pieces=12&ball=72 g');
    await cook.weighAll();
    const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const other = await phone.newPage();
    const second = bench(other);
    await second.start('pilot-press', '?by=pieces&pieces=10&ball=36 g');
    await page.context().setOffline(true);
    await cook.mix();
    await cook.press('Start kneading');
    await expect(page.getByText('offline, kept here')).toBeVisible();
    await cook.press('It is right');
    await cook.press('Covered: start the rest');
    await expect(page.getByText(/^Unchilled/)).toBeVisible();
    await second.press(/ is in$/);
    await page.context().setOffline(false);
    await cook.expectSaved();
    // The second phone looks at the first one's batch: everything arrived, once and in order.
    await other.goto(page.url());
    await second.step('Rest the dough');
    await second.endEarly();
    await cook.step('Divide');
    await phone.close();
  });

  test('a reload without a network comes back to the same step, and goes on from there', async ({
    page,
    request,
  }) => {
    const cook = bench(page);
    await cook.start('lantern-round', '?by=pieces&pieces=6&ball=58 g');
    // The app is on the device once its service worker has taken over, and what it asks for from then on.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.goto('/shift');
    await page
      .getByRole('link', { name: /Lantern round/ })
      .first()
      .click();
    await cook.press(/ is in$/);
    await cook.step('Weigh water');
    await cook.expectSaved();
    await page.context().setOffline(true);
    await page.reload();
    await cook.step('Weigh water');
    await cook.press(/ is in$/);
    await cook.step('Mix');
    await page.reload();
    await cook.step('Mix');
    await expect(page.getByText('offline, kept here')).toBeVisible();
    const address = page.url();
    // From cold: what was last known stands on every page that was seen, and says so.
    await page.goto('/shift');
    await expect(page.getByText(/does not answer: this is what was last known/)).toBeVisible();
    await expect(page.getByRole('link', { name: /Lantern round/ }).first()).toBeVisible();
    await page.goto(address);
    await page.context().setOffline(false);
    await cook.expectSaved();
    const { events } = await batchOf(page, request);
    expect(events.map(({ type }) => type)).toEqual(['weighed', 'weighed']);
  });

  test('a batch that is begun without a network is frozen on the phone, worked, and sent later as it was', async ({
    page,
    request,
  }) => {
    const cook = bench(page);
    await page.clock.install();
    await page.goto('/plan/lantern-round?by=pieces&pieces=5&ball=58 g');
    await expect(page.getByRole('button', { name: /^Start batch/ })).toBeEnabled();
    // Once the first page has had the network to itself, the app is kept.
    await page.clock.fastForward('00:10');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.goto('/bench');
    await page.goto('/plan/lantern-round?by=pieces&pieces=5&ball=58 g');
    await expect(page.getByRole('button', { name: /^Start batch/ })).toBeEnabled();
    await page.context().setOffline(true);
    await page.reload();
    await cook.press(/^Start batch/);
    await page.waitForURL(/\/bench\//);
    const address = page.url();
    await cook.press(/ is in$/);
    await cook.step('Weigh water');
    await page.reload();
    await cook.step('Weigh water');
    await expect(page.getByText('offline, kept here')).toBeVisible();
    const id = address.split('/').at(-1) ?? '';
    await page.goto('/bench');
    await expect(page.locator(`a[href*="${id}"]`).first()).toBeVisible();
    // What is not sent can be seen, and saved to a file.
    await page.goto('/settings');
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save what is not sent' }).click();
    const unsent = JSON.parse(readFileSync(await (await saving).path(), 'utf8')) as { batchId: string }[];
    expect(unsent.map(({ batchId }) => batchId)).toEqual([id, id]);
    const mine = () => request.get(`/api/v1/batches/${id}`);
    expect((await mine()).status()).toBe(404);
    await page.goto(address);
    await page.context().setOffline(false);
    await cook.expectSaved();
    const stored = (await (await mine()).json()) as { events: { type: string }[] };
    expect(stored.events.map(({ type }) => type)).toEqual(['weighed']);
    await page.reload();
    await cook.step('Weigh water');
  });
});

test('the shift board: what is due first, and an alarm that names batch and act wherever the cook is', async ({
  page,
}) => {
  await page.clock.install();
  const cook = bench(page);
  await cook.start('pilot-press', '?by=pieces&pieces=10&ball=36 g');
  await cook.weighAll();
  await cook.mix();
  await cook.press('Start kneading');
  const kneading = page.url();
  await cook.goTo('Formulas');
  await expect(page.getByRole('link', { name: /Deckhand wrap/ }).first()).toBeVisible();
  await page.clock.fastForward('05:00');
  const alarm = page.getByRole('alert').filter({ hasText: 'Pilot press: test the dough' });
  await expect(alarm).toBeVisible();
  await page.getByRole('link', { name: 'Shift' }).click();
  await expect(page.getByRole('link', { name: /Pilot press.*Knead/ }).first()).toContainText('ready');
  await page.clock.fastForward('30:00');
  await expect(page.getByRole('link', { name: /Pilot press.*Knead/ }).first()).toContainText('late by');
  await cook.press(/^Pilot press: stop kneading and test/);
  await page.waitForURL(kneading);
  await expect(page.getByRole('timer')).toContainText('too long');
});

test('a lot is received and counted; bad figures are said at their field', async ({ page }) => {
  const cook = bench(page);
  const lot = `Pier mill ${uuidv7().slice(-6)}`;
  await page.goto('/stock');
  await cook.press('Receive a lot');
  await page.getByLabel('A bag, kg').fill('0');
  await cook.press('Receive it');
  await expect(page.getByText('Lot name is empty.')).toBeVisible();
  await expect(page.getByText('Bag must be between 0.5 and 1,000 kg.')).toBeVisible();
  await page.getByLabel('What you call it').fill(lot);
  await page.getByLabel('A bag, kg').fill('20');
  await page.getByRole('dialog').getByRole('radio', { name: 'Fine wholemeal' }).click();
  await cook.press('Choose: Came on');
  await page
    .getByRole('dialog', { name: 'Came on' })
    // Of this month, and never a day that is still to come.
    .getByRole('button', { name: '1', exact: true })
    .click();
  await expect(page.getByLabel('Came on', { exact: true })).toHaveValue(/-01$/);
  await cook.press('Receive it');
  const mine = page.getByRole('group', { name: lot });
  await mine.getByRole('button', { name: 'Count it' }).click();
  await page.getByLabel('Left now, kg').fill('-2');
  await expect(page.getByText('Left must be between 0 and 100,000 kg.')).toBeVisible();
  await page.getByLabel('Left now, kg').fill('12.5');
  await cook.press('Save the count');
  await expect(mine.getByText('12.5 kg')).toBeVisible();
});

test('plans said six ways, kept, and held against each other', async ({ page }) => {
  const cook = bench(page);
  const name = uuidv7().slice(-6);
  await page.goto('/plan/lantern-round');
  const choose = (way: string) => page.getByRole('radio', { name: way }).click();
  await choose('Bread size');
  await page.getByLabel('Across, mm', { exact: true }).fill('200');
  await expect(page.getByRole('button', { name: /200\smm/ }).first()).toBeVisible();
  await choose('Full bowls');
  await expect(page.getByRole('button', { name: /^Dough (11,9\d\d|12,000)\sg/ })).toBeVisible();
  await choose('What is left');
  await page.getByLabel('Fine wholemeal, g').fill('1500');
  await expect(page.getByText('Fine wholemeal is what runs out first.')).toBeVisible();
  await choose('Dough');
  await page.getByLabel('Dough, g', { exact: true }).fill('3000');
  const keep = async (suffix: string) => {
    await cook.press('Keep for later');
    await page.getByLabel('Name', { exact: true }).fill(`${name} ${suffix}`);
    await cook.press('Save');
    await expect(page.getByRole('dialog')).toBeHidden();
  };
  await keep('small');
  await page.getByLabel('Dough, g', { exact: true }).fill('6000');
  await keep('large');
  await cook.press('Saved plans');
  for (const suffix of ['small', 'large']) {
    await page.getByRole('checkbox', { name: `Compare ${name} ${suffix}` }).click();
  }
  await expect(page.getByRole('row', { name: /^Dough/ })).toContainText('6,000 g');
  await page.reload();
  await expect(page.getByRole('heading', { name: `${name} small` })).toBeVisible();
});
