import { readFileSync } from 'node:fs';
import { type Download, type Page, expect, test } from './test';
import { fieldError } from './bench';
import { choose, openBook, press } from './formulas';
import { follow } from './views';

const textOf = async (download: Download) => readFileSync(await download.path(), 'utf8');

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
  const reading = page.getByRole('region', { name: 'As read' });
  await expect(page.getByRole('button', { name: 'Next of 5 questions' })).toBeVisible();
  await choose(page, 'Strong flour');
  await choose(page, 'scooped, 390 g');
  await choose(page, 'Butter, unsalted');
  await choose(page, 'Fine salt');
  await press(page, 'To the last question');
  await choose(page, 'No, leave it out');
  await expect(reading.getByText(/^Hydration is 78.* how the cup of strong flour was filled/)).toBeVisible();
  await expect(reading).toContainText('at 38 °C');
  await expect(reading).toContainText('hold back 59 g');
  await expect(reading).toContainText('364 g to 416 g');
  await expect(reading).toContainText('Rest it until it stops springing back.');
  // The list and its answers outlive a reload.
  await page.reload();
  await press(page, 'Save the formula');
  await expect(page).toHaveURL(/\/formulas\/tide-round$/);
  await expect(page.getByText(/^78\.1\s% \(73\.\d to 83\.\d\)$/)).toBeVisible();

  await press(page, 'Weigh Strong flour once');
  await page.getByLabel('It weighs, g').fill('700');
  await press(page, 'This is our cup');
  await expect(fieldError(page)).toContainText(/far from the usual 132\sg to 151\sg/);
  await page.getByLabel('It weighs, g').fill('152');
  await press(page, 'This is our cup');
  await press(page, 'Use what our cups weigh');
  await expect(page).toHaveURL(/tide-round\/edit$/);
  await expect(page.getByLabel('Strong flour, weight, g')).toHaveValue('418');
  await press(page, 'Save version 2');
  await expect(page.getByLabel(/^Reason, for/)).toHaveValue('Our own cups, weighed');
  await press(page, 'Save');
  await expect(page.getByText('Version 2 · Our own cups, weighed')).toBeVisible();
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
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  const drop = async (name: string, text: string) => {
    await openBook(page);
    await expect(page.getByRole('button', { name: 'Import a file' })).toBeVisible();
    const transfer = await page.evaluateHandle(
      ([fileName, content]) => {
        const data = new DataTransfer();
        data.items.add(new File([content ?? ''], fileName ?? ''));
        return data;
      },
      [name, text],
    );
    await page.dispatchEvent('body', 'dragover', { dataTransfer: transfer });
    await expect(page.getByText('Drop the file to import it')).toBeVisible();
    await page.dispatchEvent('body', 'drop', { dataTransfer: transfer });
  };
  for (const [kind, text] of Object.entries(files)) {
    await drop(`bread.${kind}`, text);
    await press(page, 'Import 1');
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

  await openBook(page);
  await press(page, 'Export the book');
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
  await expect(fieldError(page)).toContainText(/Line \d+: .*Nothing was imported/);
  expect((await (await request.get('/api/v1/formulas/lantern-round-copy')).json()).version).toBe(1);

  await follow(page, '/formulas/lantern-round-copy/card');
  const card = page.frameLocator('iframe');
  await expect(card.getByRole('heading', { level: 1 })).toHaveText('Lantern round, copy');
  await expect(card.getByText(/local food code/)).toBeVisible();

  await follow(page, '/formulas/lantern-round-copy');
  await press(page, 'More');
  await press(page, 'Archive');
  await follow(page, '/formulas');
  await page.getByLabel('Find by name or ingredient').fill('copy');
  await expect(page.getByText('Lantern round, copy')).toBeHidden();
  await page.getByRole('checkbox', { name: /^Archived/ }).click();
  await expect(page.getByRole('link', { name: /Lantern round, copy/ })).toBeVisible();
});

test('ingredients: found by any name, priced, added, hidden; the cost of a formula follows', async ({
  page,
}) => {
  await page.goto('/ingredients');
  await page.keyboard.press('/');
  await page.keyboard.type('besan');
  await page.getByRole('link', { name: /Chickpea flour/ }).click();
  await expect(page.getByText(/Does not bind like wheat/).first()).toBeVisible();
  await follow(page, '/ingredients/new');
  await page.getByLabel('Name', { exact: true }).fill('Quay seaweed');
  await page.getByLabel('A pack holds, g').fill('1000');
  await page.getByLabel('and costs, EUR').fill('-4');
  await expect(fieldError(page)).toContainText('Price of a pack must be between');
  await page.getByLabel('and costs, EUR').fill('40');
  await press(page, 'Save');
  await expect(page).toHaveURL(/ingredients\/quay-seaweed$/);
  await writeDown(page, 'Weed round\n1000 g bread flour\n600 ml water\n100 g quay seaweed');
  await press(page, 'Save the formula');
  await expect(page.getByRole('list', { name: 'Share of the cost' })).toContainText('Quay seaweed€4.00');
  await follow(page, '/ingredients/quay-seaweed');
  await press(page, 'Remove this ingredient');
  await expect(fieldError(page)).toContainText('used by Weed round. Hide it instead.');
  await page.getByRole('checkbox', { name: 'Hide it from lists' }).click();
  await press(page, 'Save');
  await follow(page, '/ingredients');
  await page.getByLabel(/^Find among/).fill('seaweed');
  await expect(page.getByRole('link', { name: /Quay seaweed/ })).toBeHidden();
});
