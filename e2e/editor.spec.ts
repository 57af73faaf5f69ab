import { type Page, expect, test } from './test';
import { fieldError } from './bench';
import { choose, copyOf, press } from './formulas';

test.describe('the percent editor', () => {
  const grams = (page: Page, name: string) => page.getByLabel(`${name}, weight, g`);
  const names = (page: Page) =>
    page
      .getByLabel(/, weight, g$/)
      .evaluateAll((fields) => fields.map((field) => field.getAttribute('aria-label')?.split(',')[0]));

  test('figures follow each other, lines move, undo takes back, and a reload loses nothing', async ({
    page,
  }) => {
    await page.goto('/formulas/lantern-round/edit');
    const water = page.getByLabel('Water, share of flour, %');
    await water.fill('68');
    await expect(grams(page, 'Water')).toHaveValue('680');
    await grams(page, 'Fine wholemeal').fill('2 kg');
    await expect(grams(page, 'Water')).toHaveValue('1,360');
    await page.getByRole('switch', { name: 'Lock Fine wholemeal' }).click();
    await page.getByLabel('Total dough, g').fill('3000');
    await expect(grams(page, 'Fine wholemeal')).toHaveValue('2,000');
    await expect(fieldError(page).or(water)).toBeVisible();

    const before = await names(page);
    const handle = page.getByRole('button', { name: `Move ${before[0]}` });
    await handle.focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText(`${before[0]}: place 2 of ${before.length}`)).toBeVisible();
    await expect(handle).toBeFocused();
    await expect.poll(() => names(page)).toEqual([before[1], before[0], ...before.slice(2)]);
    await page.keyboard.press('Control+z');
    await expect.poll(() => names(page)).toEqual(before);
    await page.keyboard.press('Control+Shift+z');
    await expect.poll(() => names(page)).not.toEqual(before);

    await page.reload();
    await expect(grams(page, 'Fine wholemeal')).toHaveValue('2,000');
    await expect.poll(() => names(page)).not.toEqual(before);
    await press(page, 'Discard changes');
    await press(page, 'Press again to discard the changes');
    await expect(page).toHaveURL(/lantern-round$/);
    await expect(page.getByRole('button', { name: 'Edit' })).toBeVisible();
  });

  test('dragged by the mouse; bad figures get a sentence and lose nothing; warnings say what the bread does', async ({
    page,
  }) => {
    // All lines in sight: a page that scrolls under the pointer would carry the line further.
    await page.setViewportSize({ width: 390, height: 1800 });
    await page.goto('/formulas/sailcloth-sheet/edit');
    await expect(page.getByLabel('Total dough, g')).toBeVisible();
    await page.evaluate(() => document.fonts.ready);
    const before = await names(page);
    const [first, third] = [
      page.getByRole('button', { name: `Move ${before[0]}` }),
      page.getByRole('button', { name: `Move ${before[2]}` }),
    ];
    const [from, to] = [await first.boundingBox(), await third.boundingBox()];
    if (!from || !to) throw new Error('no handles');
    await page.mouse.move(from.x + 10, from.y + 10);
    await page.mouse.down();
    await page.mouse.move(from.x + 10, from.y + 40, { steps: 4 });
    await page.mouse.move(to.x + 10, to.y + 20, { steps: 8 });
    await page.mouse.up();
    await expect.poll(() => names(page)).toEqual([before[1], before[2], before[0], ...before.slice(3)]);

    const salt = page.getByLabel('Fine salt, share of flour, %');
    await salt.fill('lots');
    await expect(fieldError(page)).toHaveText('Percent must be a number.');
    await expect(salt).toHaveValue('lots');
    await salt.fill('5');
    await expect(page.getByText(/Salt is 5 %.*taste salty/)).toBeVisible();
    await press(page, 'Discard changes');
    await press(page, 'Press again to discard the changes');
  });
});

test('versions: a reason for each, two compared line by line, and back to the first', async ({
  page,
  request,
}) => {
  await page.goto(`${await copyOf(request, 'pilot-press', 'press-again')}/edit`);
  await page.getByLabel('Water, share of flour, %').fill('56');
  await choose(page, 'Griddle');
  await page.getByLabel('Plate at, °C').fill('205');
  await press(page, 'Save version 2');
  await page.getByLabel(/^Reason, for/).fill('a thirstier lot');
  await press(page, 'Save');
  await press(page, 'Versions');
  await expect(page.getByText('a thirstier lot')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Shares of flour' })).toContainText('Water');
  await expect(page.getByRole('table', { name: 'Griddle' })).toContainText('205 °C');
  await press(page, 'Restore version 1');
  await expect(page.getByText('Version 3 · Restored version 1')).toBeVisible();
});

test('two people at one formula: the second gets both to choose from, and nothing is lost', async ({
  page,
  context,
  request,
}) => {
  const address = await copyOf(request, 'breakwater-thick', 'thick-again');
  const other = await context.newPage();
  for (const [who, percent] of [
    [page, '61'],
    [other, '66'],
  ] as const) {
    await who.goto(`${address}/edit`);
    await who.getByLabel('Olive oil, share of flour, %').fill(percent === '61' ? '5' : '6');
  }
  await press(page, /^Save version/);
  await page.getByLabel(/^Reason, for/).fill('first');
  await press(page, 'Save');
  await expect(page).toHaveURL(/thick-again$/);
  await press(other, /^Save version/);
  await other.getByLabel(/^Reason, for/).fill('second');
  await press(other, 'Save');
  await expect(other.getByText(/^Somebody saved version \d+ meanwhile$/)).toBeVisible();
  await expect(other.getByRole('table', { name: 'Shares of flour' })).toContainText('5.00 %');
  await expect(other.getByRole('table', { name: 'Shares of flour' })).toContainText('6.00 %');
  await press(other, /^Save yours as version/);
  await expect(other).toHaveURL(/thick-again$/);
  await press(other, 'Versions');
  await expect(other.getByText('first', { exact: true })).toBeVisible();
  await expect(other.getByText('second', { exact: true })).toBeVisible();
});

test('a swap shows before and after, and is saved as a version', async ({ page, request }) => {
  await page.goto(await copyOf(request, 'deckhand-wrap', 'wrap-again'));
  await press(page, 'Swap');
  await choose(page, /^Rapeseed oil/);
  await press(page, 'Choose a replacement');
  await page.getByLabel('Find an ingredient').fill('unsalted');
  await press(page, 'Butter, unsalted');
  const table = page.getByRole('table', { name: 'Before and after' });
  await expect(table).toContainText(/Water54\.0.%51\.7/);
  await expect(table).toContainText(/Effective hydration54\.0.%54\.0/);
  await expect(page.getByText(/New allergen: milk/)).toBeVisible();
  await press(page, /^Save as version/);
  await press(page, 'Save');
  await expect(page.getByText(/Butter, unsalted for rapeseed oil/)).toBeVisible();
  await expect(page.getByRole('note')).toContainText('milk');
});
