import { expect, test } from './test';
import { asWritten, batchOf, bench } from './bench';
import { choose, copyOf, press } from './formulas';

test.beforeEach(({ page }) => asWritten(page));

test('staged work and several draws: butter goes in late, part of the balls waits in the fridge', async ({
  page,
  request,
}) => {
  await page.clock.install();
  const cook = bench(page);
  const place = await copyOf(request, 'lantern-round', 'staged-round');

  await test.step('the formula is written: its feel, the pause, what goes in late, the care of the plate', async () => {
    await page.goto(`${place}/edit`);
    await press(page, 'Add a line');
    await page.getByLabel('Find an ingredient').fill('butter');
    await press(page, /^Butter, unsalted/);
    await page.getByLabel('Butter, unsalted, weight, g').fill('50');
    await press(page, 'More for Butter, unsalted');
    await page.getByRole('checkbox', { name: /^goes in late/ }).click();
    await press(page, 'Close');
    await expect(page.getByText('goes in late', { exact: true })).toBeVisible();
    await choose(page, 'Method');
    await choose(page, 'stiff');
    await page.getByLabel('After a pause of, min').fill('10');
    await choose(page, 'Griddle');
    await page.getByRole('checkbox', { name: 'wipe it with oil' }).click();
    await page.getByLabel('wipe it with oil: every, pieces').fill('2');
    await press(page, /^Save version/);
    await page.getByLabel('Reason, for later readers').fill('staged');
    await press(page, 'Save');
    await expect(page).toHaveURL(new RegExp(`${place}$`));
    await expect(
      page.getByText(/^Leave it covered for 10\smin, then work in butter, unsalted/),
    ).toBeVisible();
  });

  await test.step('the bench has the pause and the butter in their places', async () => {
    await cook.start('staged-round', '?by=pieces&pieces=8&ball=58 g');
    await cook.press(/ is in$/);
    await cook.press(/ is in$/);
    await cook.step('Weigh butter, unsalted');
    await expect(page.getByText(/^Keep it aside/)).toBeVisible();
    await cook.weighAll();
    await cook.mix();
    await cook.press('Start kneading');
    await cook.press('It is right');
    await cook.step('Leave the dough');
    await cook.press('Covered: start the pause');
    await page.clock.fastForward('10:01');
    await expect(page.getByRole('button', { name: /^The dough has had its pause.*Quiet$/ })).toBeVisible();
    await cook.press('Keep kneading');
    await cook.step('Work in butter, unsalted');
    await cook.press('It goes in now');
    await cook.press('It is right');
  });

  await test.step('two pieces now, the rest cold: the batch waits on the board', async () => {
    await cook.press('Covered: start the rest');
    await cook.endEarly();
    await cook.press('Weigh the dough');
    await cook.keyIn('470');
    await cook.press('The dough weighs 470 g');
    await cook.press(/^Cut 8 × /);
    await cook.press('Covered: start the rest');
    await cook.endEarly();
    await cook.press('First discs rolled');
    for (const piece of [1, 2]) {
      await cook.press(`Piece ${piece} on`);
      await cook.press(`Turn: piece ${piece}`);
      await cook.press(`Take off: piece ${piece}`);
    }
    await cook.press('Wipe it with oil');
    await expect(page.getByRole('button', { name: 'Wipe it with oil' })).toBeHidden();
    await cook.more();
    await cook.press('Keep balls for later, cold');
    await page.getByLabel('Balls', { exact: true }).fill('9');
    await expect(page.getByText('Balls must be a whole number from 1 to 6.')).toBeVisible();
    await page.getByLabel('Balls', { exact: true }).fill('6');
    await cook.press('They are in the fridge');
    await cook.step('6 balls in the fridge');
    const bench = page.url();
    await page.getByRole('link', { name: 'Shift' }).click();
    await page.getByRole('link', { name: /Zephyr staged-round 6 balls in the fridge/ }).click();
    await page.waitForURL(bench);
    await page.clock.fastForward('02:00:00');
    await cook.press('Take out 6 balls');
    await cook.step('Piece 3 of 8');
    // The screen goes on before the server has it.
    await expect
      .poll(async () => (await batchOf(page, request)).events.map(({ type }) => type))
      .toEqual(expect.arrayContaining(['cared', 'chilled', 'taken-out']));
  });

  await test.step('put into a closed bag: the log says how it comes back, and what may have been wrong', async () => {
    await cook.noMorePieces('Thrown out');
    await cook.more();
    await page.getByRole('radio', { name: 'closed bag' }).click();
    await cook.press('Before it is closed.');
    await expect(page.getByText(/a warm bag sweats and moulds/)).toBeVisible();
    await cook.press('Finish batch');
    await cook.press('See it in the log');
    await cook.press('Ways to reheat');
    await expect(page.getByText('10 to 20 s', { exact: true })).toBeVisible();
    await cook.press('What went wrong?');
    await page.getByRole('checkbox', { name: 'Slides off the iron' }).click();
    await expect(page.getByText('This batch supports it: oiled after piece 2.')).toBeVisible();
  });
});
