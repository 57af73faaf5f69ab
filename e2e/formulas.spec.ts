import { readFileSync } from 'node:fs';
import { type APIRequestContext, type Download, type Page, expect, test } from '@playwright/test';

const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' }).click();
const choose = (page: Page, name: string | RegExp) =>
  page.getByRole('radio', { name, exact: typeof name === 'string' }).click();
const textOf = async (download: Download) => readFileSync(await download.path(), 'utf8');

/** A copy to work on: the demo's own formulas stay as the other journeys expect them. */
async function copyOf(request: APIRequestContext, from: string, id: string): Promise<string> {
  const formula = (await (await request.get(`/api/v1/formulas/${from}`)).json()) as object;
  const copy = { ...formula, id, name: `Zephyr ${id}` };
  const saved = await request.post('/api/v1/formulas', { data: { formula: copy, reason: 'for work' } });
  expect(saved.status()).toBe(201);
  return `/formulas/${id}`;
}

/** A list as it comes over the phone: every kind of mess in one. */
const MESSY = `Tide round
For the dough:
• 2¾ cups flour
½ stick butter, cold, cubed
1) 1 to 1¼ cups warm water (100°F)
a pinch of sugar, 1 1/2 tsp salt
2 heaped tsp baking powder
flour for dusting
Makes 12
Rest it until it stops springing back.`;

async function writeDown(page: Page, text: string): Promise<void> {
  await page.goto('/write');
  await page.getByLabel(/^One ingredient a line/).fill(text);
}

test('a formula in cups, pasted on a phone, becomes grams; the own cup is weighed and makes version 2', async ({
  page,
}) => {
  await writeDown(page, MESSY);
  const reading = page.getByRole('region', { name: 'As understood' });
  await expect(page.getByRole('button', { name: 'Next of 5 questions' })).toBeVisible();
  await choose(page, 'Strong flour');
  await choose(page, 'scooped, 390 g');
  await choose(page, 'Butter, unsalted');
  await choose(page, 'Fine salt');
  await press(page, 'To the last question');
  await choose(page, 'No, leave it out');
  await expect(reading).toContainText('at 38 °C');
  await expect(reading).toContainText('keep back 59 g');
  await expect(reading).toContainText('364 g to 416 g');
  await expect(reading).toContainText('Rest it until it stops springing back.');
  // The list and its answers outlive a reload.
  await page.reload();
  await press(page, 'Put it in the book');
  await expect(page).toHaveURL(/\/formulas\/tide-round$/);
  await expect(page.getByText(/^78\.1\s% \(73\.\d to 83\.\d\)$/)).toBeVisible();

  await press(page, 'Weigh Strong flour once');
  await page.getByLabel('It weighs, g').fill('700');
  await press(page, 'This is our cup');
  await expect(page.getByRole('alert')).toContainText('far from the usual 132 to 151 g');
  await page.getByLabel('It weighs, g').fill('152');
  await press(page, 'This is our cup');
  await press(page, 'Use what our cups weigh');
  await expect(page).toHaveURL(/tide-round\/edit$/);
  await expect(page.getByLabel('Strong flour, weight, g')).toHaveValue('418');
  await press(page, 'Save version 2');
  await expect(page.getByLabel(/^Why/)).toHaveValue('Our own cups, weighed');
  await press(page, 'Save');
  await expect(page.getByText('Version 2 · Our own cups, weighed')).toBeVisible();
});

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
    await page.getByLabel('Dough in all, g').fill('3000');
    await expect(grams(page, 'Fine wholemeal')).toHaveValue('2,000');
    await expect(page.getByRole('alert').or(water)).toBeVisible();

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
    await press(page, 'Give this work up');
    await expect(page).toHaveURL(/lantern-round$/);
    await expect(page.getByRole('button', { name: 'Edit' })).toBeVisible();
  });

  test('dragged by the mouse; bad figures get a sentence and lose nothing; warnings say what the bread does', async ({
    page,
  }) => {
    // All lines in sight: a page that scrolls under the pointer would carry the line further.
    await page.setViewportSize({ width: 390, height: 1800 });
    await page.goto('/formulas/sailcloth-sheet/edit');
    await expect(page.getByLabel('Dough in all, g')).toBeVisible();
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
    await expect(page.getByRole('alert')).toHaveText('Percent must be a number.');
    await expect(salt).toHaveValue('lots');
    await salt.fill('5');
    await expect(page.getByText(/Salt is 5 %.*taste salty/)).toBeVisible();
    await press(page, 'Give this work up');
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
  await page.getByLabel(/^Why/).fill('a thirstier lot');
  await press(page, 'Save');
  await press(page, 'Versions');
  await expect(page.getByText('a thirstier lot')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Shares of flour' })).toContainText('Water');
  await expect(page.getByRole('table', { name: 'Griddle' })).toContainText('205 °C');
  await press(page, 'Go back to version 1');
  await expect(page.getByText('Version 3 · Back to version 1')).toBeVisible();
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
  await page.getByLabel(/^Why/).fill('first');
  await press(page, 'Save');
  await expect(page).toHaveURL(/thick-again$/);
  await press(other, /^Save version/);
  await other.getByLabel(/^Why/).fill('second');
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
  await press(page, 'Choose what takes its place');
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

test('files: out as JSON, CSV, recipe and the whole book, dragged back in; the card; duplicate and put away', async ({
  page,
  request,
}) => {
  await page.goto('/formulas/lantern-round');
  await press(page, 'More');
  await press(page, 'Duplicate');
  await expect(page).toHaveURL(/lantern-round-copy$/);
  await expect(page.getByText(/^Version 1 · Copy of Lantern round/)).toBeVisible();
  const files: Record<string, string> = {};
  for (const [kind, name] of [
    ['json', /^JSON/],
    ['csv', /^CSV/],
    ['jsonld', /^Recipe/],
  ] as const) {
    await press(page, 'More');
    const [download] = await Promise.all([page.waitForEvent('download'), press(page, name)]);
    expect(download.suggestedFilename()).toBe(`lantern-round-copy.${kind}`);
    files[kind] = await textOf(download);
  }
  const drop = async (name: string, text: string) => {
    await page.goto('/formulas');
    await expect(page.getByRole('button', { name: 'Bring in a file' })).toBeVisible();
    const transfer = await page.evaluateHandle(
      ([fileName, content]) => {
        const data = new DataTransfer();
        data.items.add(new File([content ?? ''], fileName ?? ''));
        return data;
      },
      [name, text],
    );
    await page.dispatchEvent('body', 'dragover', { dataTransfer: transfer });
    await expect(page.getByText('Drop it to bring it in')).toBeVisible();
    await page.dispatchEvent('body', 'drop', { dataTransfer: transfer });
  };
  for (const [kind, text] of Object.entries(files)) {
    await drop(`bread.${kind}`, text);
    await press(page, 'Bring in 1');
    await expect(page.getByText('The same as here')).toBeVisible();
  }
  await drop(
    'recipe.json',
    JSON.stringify({
      '@type': 'Recipe',
      name: 'Far bread',
      recipeIngredient: ['500 g bread flour', '300 ml water'],
      recipeYield: 8,
    }),
  );
  await expect(page.getByLabel(/^One ingredient a line/)).toHaveValue(
    '500 g bread flour\n300 ml water\nMakes 8',
  );
  await press(page, 'Clear');

  await page.goto('/formulas');
  await press(page, 'Take the book out');
  const [book] = await Promise.all([page.waitForEvent('download'), press(page, /^CSV/)]);
  const rows = await textOf(book);
  expect(rows).toContain('lantern-round-copy,line');
  await drop(
    'book.csv',
    rows.replace(
      'lantern-round-copy,line,water,,water,Water,',
      'lantern-round-copy,line,water,,water,Water,9',
    ),
  );
  await expect(page.getByRole('alert')).toContainText(/Line \d+: .*Nothing was brought in/);
  expect((await (await request.get('/api/v1/formulas/lantern-round-copy')).json()).version).toBe(1);

  await page.goto('/formulas/lantern-round-copy/card');
  const card = page.frameLocator('iframe');
  await expect(card.getByRole('heading', { level: 1 })).toHaveText('Lantern round, copy');
  await expect(card.getByText(/local food code/)).toBeVisible();

  await page.goto('/formulas/lantern-round-copy');
  await press(page, 'More');
  await press(page, 'Put it away');
  await page.goto('/formulas');
  await page.getByLabel('Find by name or ingredient').fill('copy');
  await expect(page.getByText('Lantern round, copy')).toBeHidden();
  await page.getByRole('checkbox', { name: /^Put away/ }).click();
  await expect(page.getByRole('link', { name: /Lantern round, copy/ })).toBeVisible();
});

test('ingredients: found by any name, priced, added, hidden; the cost of a formula follows', async ({
  page,
}) => {
  await page.goto('/ingredients');
  await page.keyboard.press('/');
  await page.keyboard.type('besan');
  await page.getByRole('link', { name: /Chickpea flour/ }).click();
  await expect(page.getByText(/No gluten: the dough does not hold/).first()).toBeVisible();
  await page.goto('/ingredients/new');
  await page.getByLabel('Name', { exact: true }).fill('Quay seaweed');
  await page.getByLabel('A pack holds, g').fill('1000');
  await page.getByLabel('and costs, EUR').fill('-4');
  await expect(page.getByRole('alert')).toContainText('Price of a pack must be between');
  await page.getByLabel('and costs, EUR').fill('40');
  await press(page, 'Save');
  await expect(page).toHaveURL(/ingredients\/quay-seaweed$/);
  await writeDown(page, 'Weed round\n1000 g bread flour\n600 ml water\n100 g quay seaweed');
  await press(page, 'Put it in the book');
  await expect(page.getByRole('list', { name: 'Share of the cost' })).toContainText('Quay seaweed€4.00');
  await page.goto('/ingredients/quay-seaweed');
  await press(page, 'Remove this ingredient');
  await expect(page.getByRole('alert')).toContainText('used by Weed round. Hide it instead.');
  await page.getByRole('checkbox', { name: 'Hide it from lists' }).click();
  await press(page, 'Save');
  await page.goto('/ingredients');
  await page.getByLabel(/^Find among/).fill('seaweed');
  await expect(page.getByRole('link', { name: /Quay seaweed/ })).toBeHidden();
});
