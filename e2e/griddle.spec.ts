import { type APIRequestContext, type Page, expect, test } from './test';
import { act, bench, batchOf } from './bench';
import { follow } from './views';

// There is one plate, with one thermometer: whoever uses it has it to himself.
test.describe.configure({ mode: 'serial' });

/** A clock of one's own, and an empty plate at a heat. */
async function ownPlate(page: Page, request: APIRequestContext, tempC: number): Promise<void> {
  await page.clock.install();
  await act(request, 'thermometer', { act: 'clear' });
  await act(request, 'thermometer', { act: 'heat', tempC, atOnce: true });
}

test('times answer while a slider is dragged, say what binds them, and what to change where there is no good bread', async ({
  page,
}) => {
  await page.goto('/griddle');
  await page.getByRole('radio', { name: 'Deckhand wrap', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Griddle: Deckhand wrap');
  const side = page.getByRole('button', { name: /^Side 1/ });
  await expect(side).toBeVisible();
  await expect(page.getByText(/pieces come out in standard with these/)).toBeVisible();
  await expect(page.getByText(/^The last side may take|The first side (may|must) end/)).toBeVisible();
  const seconds = async () => Number(/(\d+)/.exec((await side.innerText()).replace('Side 1', ''))?.[1]);
  const before = await seconds();
  const plate = page.getByRole('slider', { name: 'Plate' });
  await plate.fill('250');
  await expect.poll(seconds).toBeLessThan(before);
  await side.click();
  const why = page.getByRole('dialog', { name: 'Why: Side 1' });
  await expect(why.getByText('Bubbles show after')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('img', { name: /^After \d+ s: plate \d+/ })).toBeVisible();

  await page.getByRole('slider', { name: 'Thickness as it goes on' }).fill('0.7');
  await expect(page.getByRole('heading', { name: /^No good bread here: it dries/ })).toBeVisible();
  await expect(page.getByText(/it works: \d+ s \+ \d+ s/).first()).toBeVisible();
  await page.getByRole('button', { name: 'As Deckhand wrap says' }).click();
  await expect(side).toBeVisible();
});

test('the heat and thickness picture comes in the background, with its table', async ({ page }) => {
  await page.goto('/griddle');
  await page.getByRole('radio', { name: 'Deckhand wrap', exact: true }).click();
  await page.getByRole('link', { name: 'Heat and thickness picture' }).click();
  await page.waitForURL('**/griddle/window');
  await expect(page.getByRole('img', { name: /^Heat from 160 °C to 290 °C against thickness/ })).toBeVisible({
    timeout: 60_000,
  });
  await page.getByRole('button', { name: 'As a table' }).click();
  await expect(page.getByRole('table', { name: /^Seconds of the first and the last side/ })).toBeVisible();
  await expect(page.getByText(/^Below \d+\s°C/)).toBeVisible();
});

test('a plate: pieces that fit, pace, marks and spots by the thermometer, and a fit to its own pieces that asks first', async ({
  page,
  request,
}) => {
  await act(request, 'thermometer', { act: 'heat', tempC: 262, atOnce: true });
  await page.goto('/griddle/plates');
  const lantern = page.getByRole('radio', { name: 'Lantern round', exact: true });
  // Formulas that other journeys write come in between, and a button that moves under the finger is not pressed.
  await expect(async () => {
    await lantern.click();
    await expect(lantern).toBeChecked({ timeout: 1000 });
  }).toPass();
  await expect(
    page.getByRole('img', { name: /^Long plate, 900 mm by 600 mm: \d+ pieces of 1\d\d mm/ }),
  ).toBeVisible();
  await expect(page.getByText('pieces an hour')).toBeVisible();
  await expect(page.getByText(/^Held back by/)).toBeVisible();
  await page.getByLabel('Mark', { exact: true }).fill('7');
  await page.getByRole('button', { name: /^Take 26\d °C, plate at mark 7, simulated$/ }).click();
  const seven = page.getByRole('button', { name: /^Mark 7: 26\d °C$/ });
  await seven.click();
  await page.getByRole('button', { name: 'Delete mark 7' }).click();
  await expect(seven).toHaveCount(0);
  await page.getByRole('button', { name: 'Fit the model' }).click();
  const use = page.getByRole('button', { name: 'Use it for Lantern round on this plate' });
  await expect(use).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText('Speed of browning')).toBeVisible();
  await use.click();
  await expect(page.getByText(/^In use: fitted to \d+ pieces/)).toBeVisible();
  await page.getByRole('button', { name: 'Restore the usual values' }).click();
  await expect(page.getByText(/^In use: fitted/)).toHaveCount(0);
});

test('a masa from cups to the plate without a word of warning; a trial piece, a turn more, back on for a little', async ({
  page,
  request,
}) => {
  await ownPlate(page, request, 205);
  const cook = bench(page);
  await page.goto('/write');
  await page
    .getByLabel(/^One ingredient a line/)
    .fill('Corn rounds\n6 cups masa harina\n4½ cups water\n1 tsp salt\nmakes 40');
  const reading = page.getByRole('region', { name: 'As read' });
  await expect(reading.getByText('maize', { exact: true })).toBeVisible();
  await cook.press('Use the first answer to every question');
  await expect(page.getByText(/the usual range|usual for wheat/)).toHaveCount(0);
  await cook.press('Save the formula');
  await expect(page).toHaveURL(/\/formulas\/corn-rounds$/);
  await expect(page.getByText(/^\d+ of 100 pieces come out in standard with these\.$/)).toBeVisible();

  await cook.start('corn-rounds', '?by=pieces&pieces=4');
  const id = page.url().split('/').at(-1) ?? '';
  await cook.weighAll();
  await cook.mix();
  await cook.press('Start kneading');
  await expect(page.getByText('Until it shows no cracks.')).toBeVisible();
  await cook.press('It is right');
  await cook.press('Covered: start the rest');
  await cook.endEarly();
  await cook.step('Divide');
  await follow(page, `/griddle/live/${id}`);
  await page.clock.runFor(2000);
  await expect(page.getByRole('group', { name: 'Plate', exact: true })).toBeVisible();

  const place = page.getByRole('button', { name: /^Place 1, piece/ });
  const forPiece = async (what: string | RegExp) => {
    await cook.press('More for a piece');
    await cook.press(what);
  };
  await page.keyboard.press('1');
  await expect(place).toHaveAccessibleName(/piece 1, side 1: turn/);
  await cook.more();
  await forPiece('It is a trial piece');
  await forPiece('Bubble popped');
  for (const [side, layS] of [
    [2, 28],
    [3, 48],
  ] as const) {
    await page.clock.runFor(1000 * layS);
    await page.keyboard.press('1');
    await expect(place).toHaveAccessibleName(new RegExp(`side ${side}`));
  }
  await forPiece('One more turn');
  await expect(place).toHaveAccessibleName(/side 4/);
  await page.clock.runFor(15_000);
  await page.keyboard.press('1');
  await expect(place).toHaveCount(0);
  await forPiece(/^Piece 1 back on for a little$/);
  await expect(place).toHaveAccessibleName(/piece 1/);
  await page.clock.runFor(20_000);
  await page.keyboard.press('1');
  await expect(place).toHaveCount(0);
  // A trial piece is none of the batch's.
  await expect(page.getByText('Corn rounds · 0/3')).toBeVisible();
  const types = (await batchOf(page, request)).events.map(({ type }) => type);
  expect(types).toEqual(expect.arrayContaining(['trial', 'helped', 'back-on']));
});

test('the live griddle: wait for the plate, four places by keys and touch, judge, reject, to the end', async ({
  page,
  request,
}) => {
  await ownPlate(page, request, 180);
  const cook = bench(page);
  await cook.start('lantern-round', '?by=pieces&pieces=5&ball=58 g');
  const id = new URL(page.url()).pathname.split('/').at(-1) ?? '';
  await follow(page, `/griddle/live/${id}`);
  await expect(page.getByRole('heading', { name: /^The plate is \d+ °C too cold/ })).toBeVisible();
  await act(request, 'thermometer', { act: 'heat', tempC: 215, atOnce: true });
  await page.clock.runFor(2000);
  // While the seconds are worked out there is no plate to put a piece on.
  await expect(page.getByRole('group', { name: 'Plate', exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^The plate is/ })).toHaveCount(0);

  const place = (n: number) => page.getByRole('button', { name: new RegExp(`^Place ${n}, piece`) });
  await page.keyboard.press('1');
  await expect(place(1)).toBeVisible();
  await page.clock.runFor(6000);
  await page.keyboard.press('2');
  await page.clock.runFor(6000);
  await page.getByRole('button', { name: 'Place 3: put a piece on' }).click();
  await page.clock.runFor(6000);
  await page.keyboard.press('4');
  await expect(place(4)).toBeVisible();
  await expect(place(4)).toHaveAccessibleName(/side 1: turn in \d+ s/);
  // Their time comes, the one on the hottest place first: it is said, and the pedal turns it.
  await page.clock.runFor(30_000);
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText(/^Turn [1-4]$/);
  const first = Number((await title.textContent())?.at(-1));
  await page.keyboard.press('PageDown');
  await expect(place(first)).toHaveAccessibleName(/side 2: off/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(place(first)).toHaveAccessibleName(/side 1: turn/);
  for (const n of [1, 2, 3, 4]) {
    await page.keyboard.press(String(n));
    await expect(place(n)).toHaveAccessibleName(/side 2/);
  }
  await page.clock.runFor(25_000);
  await page.keyboard.press('1');
  await cook.more();
  await page.getByRole('radiogroup', { name: 'Side 1' }).getByRole('radio', { name: 'Pale' }).click();
  await expect(page.getByText('Next piece: side 1 8 % longer.')).toBeVisible();
  await page.getByRole('button', { name: 'Reject', exact: true }).click();
  await page.getByRole('radiogroup', { name: 'Place' }).getByRole('radio', { name: '2' }).click();
  await page.getByRole('radio', { name: 'torn' }).click();
  await expect(place(2)).toHaveCount(0);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  for (const n of [3, 4]) {
    await page.keyboard.press(String(n));
    await expect(place(n)).toHaveCount(0);
  }
  await page.keyboard.press('1');
  await expect(place(1)).toHaveAccessibleName(/piece 5/);
  // A slip of the finger turns nothing.
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'Leave it where it lies' }).click();
  await expect(place(1)).toHaveAccessibleName(/piece 5, side 1/);
  await page.clock.runFor(40_000);
  await page.keyboard.press('1');
  await expect(place(1)).toHaveAccessibleName(/side 2/);
  await page.clock.runFor(30_000);
  await page.keyboard.press('1');
  await expect(page.getByRole('button', { name: 'All pieces are off' })).toBeVisible();

  // The page is left in the moment of the last act.
  await page.goto(`/bench/${id}`);
  await cook.expectSaved();
  const { events } = await batchOf(page, request);
  const count = (type: string) => events.filter((event) => event.type === type).length;
  expect(count('piece-on')).toBe(5);
  expect(count('piece-off')).toBe(5);
  expect(count('judged')).toBe(1);
  expect(count('rejected')).toBe(1);
});

test('a plate that counts by itself: 24 pieces on a phone, upright and on its side, late, torn and five minutes away', async ({
  page,
  request,
}) => {
  await ownPlate(page, request, 226);
  const cook = bench(page);
  await cook.start('deckhand-wrap', '?by=pieces&pieces=24&ball=105 g');
  await follow(page, new URL(page.url()).pathname.replace('/bench/', '/griddle/live/'));
  let touches = 0;
  const touch = async (name: string | RegExp) => {
    touches += 1;
    await cook.press(name);
  };
  const title = page.getByRole('heading', { level: 1 });
  const eyebrow = page.getByText(/^Deckhand wrap · \d+\/24/);
  const events = async () =>
    (await batchOf(page, request)).events as { type: string; piece?: number; assumed?: boolean }[];
  await page.clock.runFor(3000);
  await touch('Count by itself');
  await expect(page.getByText(/^Put the first one on/)).toBeVisible();
  await touch('Put on 1');
  // The headline names the next act and counts down to it; at its time it is taken as done.
  await expect(title).toHaveText(/^Put on 2 in \d+\ss$/);
  const goOn = async (until: RegExp) => {
    await expect(async () => {
      await page.clock.runFor(1000);
      await expect(title).toHaveText(until, { timeout: 100 });
    }).toPass();
  };
  await goOn(/^Take off 1/);
  await touch('Late: 3 s more');
  await goOn(/^Take off 2/);

  await page.setViewportSize({ width: 844, height: 390 });
  for (const place of [1, 2, 3, 4, 5, 6])
    await expect(page.getByRole('button', { name: new RegExp(`^Place ${place}[,:]`) })).toBeInViewport({
      ratio: 1,
    });
  await touch(/^Torn \d$/);
  await expect(eyebrow).toHaveText(/1 waste$/);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.clock.fastForward('05:00');
  await page.clock.runFor(1000);
  await expect(page.getByRole('heading', { name: /^5 min away: what became of the plate\?$/ })).toBeVisible();
  await touch('It went as planned');
  await goOn(/^All off$/);
  await expect(eyebrow).toHaveText(/23\/24 · 1 waste$/);
  expect(touches).toBeLessThanOrEqual(8);

  await expect.poll(async () => (await events()).filter(({ type }) => type === 'piece-off').length).toBe(24);
  const done = await events();
  expect(done.filter(({ type, assumed }) => type === 'flipped' && !assumed)).toEqual([]);
  expect(new Set(done.flatMap(({ type, piece }) => (type === 'piece-on' ? [piece] : []))).size).toBe(24);
});
