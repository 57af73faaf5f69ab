import { expect, test } from './test';
import { asWritten, bench } from './bench';

test.beforeEach(({ page }) => asWritten(page));

test('from formula to log: the whole batch on a phone', async ({ page }) => {
  await page.clock.install();
  const cook = bench(page);
  await page.goto('/');
  await cook.goTo('Formulas');
  await page.getByRole('link', { name: /Deckhand wrap/ }).click();
  await expect(cook.title).toHaveText('Deckhand wrap');
  await cook.press('Plan a batch');

  await page.getByLabel('Pieces', { exact: true }).fill('10');
  await page.getByRole('button', { name: 'Pieces: more' }).click();
  await page.getByRole('button', { name: 'Pieces: more' }).click();
  await expect(page.getByRole('button', { name: /^Strong flour 535\sg 69\.9\s% why/ })).toBeVisible();
  await cook.press(/^Dough 1,279\sg/);
  await expect(page.getByRole('dialog')).toContainText('Pieces × ball weight ÷ what is kept');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await cook.press(/^Start batch/);

  await cook.step('Weigh strong flour');
  const id = new URL(page.url()).pathname.split('/').at(-1) ?? '';
  await cook.weighAll();
  await cook.mix();
  await cook.press('Start kneading');
  await cook.press('It is right');

  await cook.press('Covered: start the rest');
  await expect(page.getByText(/^good from \d\d:\d\d to \d\d:\d\d$/)).toBeVisible();
  await page.clock.fastForward('15:00');
  await cook.press('Rest is done. Quiet');
  await expect(page.getByRole('button', { name: 'Rest is done. Quiet' })).toBeHidden();
  await cook.press('Rested: go on');

  await cook.step('Divide');
  await cook.press('Weigh the dough');
  await cook.keyIn('1260');
  await cook.press('The dough weighs 1260 g');
  await cook.press(/^Cut 12 × 104\s?g|^Cut 12 × 105\s?g/);
  await cook.press('Covered: start the rest');
  await cook.endEarly();
  await cook.press('Rolled to: more');
  await cook.press('First discs rolled');

  for (const piece of [1, 2]) {
    await cook.press(`Piece ${piece} on`);
    await page.clock.fastForward(23_000);
    await expect(page.getByRole('button', { name: /^Turn now.*Quiet$/ })).toBeVisible();
    await cook.press(`Turn: piece ${piece}`);
    await page.clock.fastForward(17_000);
    await expect(page.getByRole('button', { name: /^Take off now.*Quiet$/ })).toBeVisible();
    await cook.press(`Take off: piece ${piece}`);
  }
  await cook.noMorePieces('Thrown out');

  await cook.step('Finish');
  await expect(page.getByLabel('Pieces made', { exact: true })).toHaveValue('2');
  await page.getByLabel('Good pieces', { exact: true }).fill('3');
  await expect(page.getByText('There are more good pieces than pieces made.')).toBeVisible();
  await page.getByLabel('Good pieces', { exact: true }).fill('1');
  await cook.more();
  await page.getByLabel('Note for the log').fill('One torn <b>edge</b>');
  await cook.press('Finish batch');
  await cook.step('Batch finished');
  await cook.press('See it in the log');

  await expect(page.getByText('One torn <b>edge</b>')).toBeVisible();
  await expect(page.getByText('1,260 g')).toBeVisible();
  await expect(page.getByRole('row', { name: /Strong flour/ })).toContainText('535 g');
  await cook.goTo('Log');
  await expect(page.locator(`a[href="/log/${id}"]`)).toContainText('finished');
});

test('an over-pour: the batch follows it, with top-ups, and undo takes it back', async ({ page }) => {
  const cook = bench(page);
  await cook.start('deckhand-wrap', '?by=pieces&pieces=24&ball=105 g');
  await cook.press(/ is in$/);
  await cook.press(/ is in$/);
  await cook.step('Weigh water');
  await cook.press('Key it in');
  await cook.keyIn('900');
  await cook.press('Use 900 g');
  await cook.step('Too much water');
  await expect(page.getByRole('button', { name: /^Keep it at 58\.6\s%$/ })).toBeVisible();
  await cook.more();
  await expect(page.getByText('24 → 26')).toBeVisible();
  await cook.press(/^Make 26 instead: \d+\sg more strong flour/);
  await cook.step('Add more strong flour');
  await cook.press('90 g is in');
  await cook.step('Add more soft flour');
  await cook.press('Undo');
  // The weight and what was chosen for it were one press.
  await cook.step('Add more strong flour');
  await cook.press('Undo');
  await cook.step('Weigh water');
  await expect(page.getByRole('button', { name: '745 g is in' })).toBeVisible();
});

test('a reload returns to the same second of the same step', async ({ page, request }) => {
  await page.clock.install();
  const cook = bench(page);
  await cook.start('lantern-round', '?by=pieces&pieces=6&ball=58 g');
  await cook.weighAll();
  await cook.mix();
  await cook.press('Start kneading');
  await cook.expectSaved();
  const id = page.url().split('/').at(-1);
  const { events } = (await (await request.get(`/api/v1/batches/${id}`)).json()) as {
    events: { type: string; stepId?: string; at: string }[];
  };
  const startedMs = Date.parse(
    events.find((event) => event.type === 'started' && event.stepId === 'knead-1')?.at ?? '',
  );
  /** How far the shown time is from what start and clock say at the same moment, in seconds. */
  const error = async () => {
    const { now, text } = await page.evaluate(() => ({
      now: Date.now(),
      text: document.querySelector('[role="timer"]')?.textContent ?? '',
    }));
    const [, minutes, seconds] = /(\d+):(\d\d)to go/.exec(text) ?? [];
    return Math.abs(Number(minutes) * 60 + Number(seconds) - (300 - (now - startedMs) / 1000));
  };
  await page.clock.fastForward('00:47');
  await expect.poll(error).toBeLessThanOrEqual(1.3);
  await page.reload();
  await cook.step('Knead');
  await expect.poll(error).toBeLessThanOrEqual(1.3);
  await page.clock.fastForward('08:00');
  await expect(page.getByRole('timer')).toContainText('too long');
});

test('an hour without the server: acts wait on the phone, survive a reload, and arrive once', async ({
  page,
  request,
}) => {
  const cook = bench(page);
  await cook.start('pilot-press', '?by=pieces&pieces=10&ball=36 g');
  const id = page.url().split('/').at(-1);
  await page.route('**/events', (route) => route.abort());
  await cook.press(/ is in$/);
  await cook.step('Weigh water');
  await cook.press(/ is in$/);
  await cook.step('Weigh lard');
  await expect(page.getByText('offline, kept here')).toBeVisible();
  await page.reload();
  await cook.step('Weigh lard');
  await page.unroute('**/events');
  await cook.expectSaved();
  const batch = (await (await request.get(`/api/v1/batches/${id}`)).json()) as { events: { type: string }[] };
  expect(batch.events.map(({ type }) => type)).toEqual(['weighed', 'weighed']);
});

test('by pedal and keyboard alone', async ({ page }) => {
  const cook = bench(page);
  await cook.start('lantern-round', '?by=pieces&pieces=6&ball=58 g');
  await page.keyboard.press('PageDown');
  await cook.step('Weigh water');
  await page.keyboard.press('Backspace');
  await cook.step('Weigh fine wholemeal');
  await page.keyboard.press('Space');
  await cook.step('Weigh water');
  await page.keyboard.press('Enter');
  await cook.step('Mix');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Space');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await cook.step('Mix');
});

test('a note is kept, a batch can be abandoned, and the log says why', async ({ page }) => {
  const cook = bench(page);
  await cook.start('lantern-round', '?by=pieces&pieces=6&ball=58 g');
  await cook.press('Why?');
  await expect(page.getByRole('dialog')).toContainText('Flour of the bowl × its share');
  await page.keyboard.press('Escape');
  await cook.more();
  await cook.press('Write a note');
  await cook.press('Save the note');
  await expect(page.getByRole('dialog').getByRole('alert')).toHaveText('Note is empty.');
  await page.getByLabel('Note', { exact: true }).fill('Bag was damp');
  await cook.press('Save the note');
  await cook.press('Abandon');
  await page.getByLabel('Reason', { exact: true }).fill('No gas');
  await cook.press('Abandon batch');
  await cook.step('Batch abandoned');
  await cook.press('See it in the log');
  await expect(page.getByText('Bag was damp')).toBeVisible();
  await expect(page.getByText('No gas')).toBeVisible();
});

test('two bowls are weighed, mixed and kneaded one after the other, then go on as one dough', async ({
  page,
}) => {
  const cook = bench(page);
  await cook.start('pilot-press', '?by=pieces&pieces=600&ball=36 g');
  const bowl = (n: number) => expect(page.getByText(`Pilot press · bowl ${n} of 2`)).toBeVisible();
  for (const n of [1, 2]) {
    await bowl(n);
    await cook.weighAll();
    await bowl(n);
    await cook.mix();
    await cook.press('Start kneading');
    await cook.press('It is right');
  }
  await cook.step('Divide');
  // Weighing comes before cutting, until somebody leaves it out.
  await expect(page.getByRole('button', { name: /^Cut \d/ })).toHaveCount(0);
  await cook.press('Cut unweighed');
  await expect(page.getByRole('button', { name: /^Cut (599|600|601) × 3[56]/ })).toBeVisible();
});

test('a second phone sees what the first has done, and both may act', async ({ page, browser }) => {
  const cook = bench(page);
  await cook.start('lantern-round', '?by=pieces&pieces=6&ball=58 g');
  const phone = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await phone.goto(page.url());
  const second = bench(phone);
  await second.step('Weigh fine wholemeal');
  await cook.press(/ is in$/);
  await second.step('Weigh water');
  await second.press(/ is in$/);
  await second.step('Mix');
  await cook.step('Mix');
  await phone.close();
});

test('in ounces: weighed and keyed in the measures of the reader, stored in grams', async ({
  page,
  request,
}) => {
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'oz, in, °F' }).click();
  const cook = bench(page);
  await cook.start('lantern-round', '?by=pieces&pieces=6&ball=58 g');
  await cook.press('Key it in');
  await cook.keyIn('7.6');
  await cook.press('Use 7.6 oz');
  await cook.step('Weigh water');
  await cook.expectSaved();
  const id = page.url().split('/').at(-1);
  const { events } = (await (await request.get(`/api/v1/batches/${id}`)).json()) as {
    events: { massG: number }[];
  };
  expect(events[0]?.massG).toBeCloseTo(7.6 * 28.3495, 1);
});
