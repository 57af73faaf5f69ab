import { expect, test } from './test';
import { act, asWritten, batchOf, bench } from './bench';

// There is one scale: whoever uses it has it to himself.
test.describe.configure({ mode: 'serial' });

test('the live scale: weight against target, auto-advance, over-pour and scoop', async ({
  page,
  request,
}) => {
  const cook = bench(page);
  await act(request, 'scale', { act: 'clear' });
  await cook.start('lantern-round', '?by=pieces&pieces=20&ball=58 g');
  const { plan } = await batchOf(page, request);
  const [flour, water] = plan.sheet;
  await cook.more();
  await page.getByRole('checkbox', { name: 'Live scale' }).click();
  await cook.press('Tare');
  await page
    .getByRole('checkbox', { name: 'Continue automatically when steady and within tolerance' })
    .click();
  await act(request, 'scale', { act: 'pour', massG: (flour?.massG ?? 0) - 100, seconds: 1 });
  await expect(page.getByRole('status').getByText(/^1?\d\d\sg to go, steady/)).toBeVisible();
  await act(request, 'scale', { act: 'place', massG: 160 });
  await expect(page.getByRole('status').getByText(/too much, steady/)).toBeVisible();
  await cook.press(/^Take /);
  await cook.step(/^Too much/);
  await cook.press(/^Take out/);
  // Steady and right: it goes on by itself, and the scale is tared for the next line.
  await act(request, 'scale', { act: 'scoop', massG: 60 });
  await cook.step('Weigh water');
  await act(request, 'scale', { act: 'pour', massG: (water?.massG ?? 0) + 60, seconds: 1 });
  await expect(page.getByRole('status').getByText(/too much, steady/)).toBeVisible();
  await cook.press(/^Take /);
  await cook.step('Too much water');
  // Water on flour is not taken out again: the batch follows it, or it is kept.
  await expect(page.getByRole('button', { name: /^Take out/ })).toHaveCount(0);
  await cook.press(/^Keep it at/);
  await cook.step('Mix');
  await cook.expectSaved();
  const { events } = await batchOf(page, request);
  expect(events.slice(0, 2).map(({ type }) => type)).toEqual(['weighed', 'weighed']);
  expect(events[0]?.by).toBe('scale');
  expect(Math.abs((events[0]?.massG ?? 0) - (flour?.massG ?? 0))).toBeLessThanOrEqual(6);
});

test('same ball, same disc, same bread: divide by the scale, check, measure, inspect, hold, label', async ({
  page,
  request,
}) => {
  await asWritten(page);
  const reads = async () =>
    (await (await request.get('/api/v1/devices')).json()).find(
      (one: { kind: string }) => one.kind === 'scale',
    ).heard.reading as {
      massG: number;
      steady: boolean;
    };
  // The pan swings out before its zero is set.
  await act(request, 'scale', { act: 'clear' });
  await expect.poll(async () => (await reads()).steady).toBe(true);
  await act(request, 'scale', { act: 'tare' });
  await expect.poll(async () => Math.abs((await reads()).massG)).toBeLessThan(2);
  const cook = bench(page);
  await cook.start('deckhand-wrap', '?by=pieces&pieces=12&ball=105 g');
  await cook.weighAll();
  await cook.mix();
  await cook.press('Start kneading');
  await cook.press('It is right');
  await cook.press('Covered: start the rest');
  await cook.endEarly();

  await cook.step('Divide');
  await page.evaluate(() => {
    localStorage.setItem('kettle-scale-preferences', JSON.stringify({ state: { scale: true }, version: 0 }));
  });
  await page.reload();
  await act(request, 'scale', { act: 'place', massG: 1262 });
  await cook.press(/^Use 1,26\d\sg on the scale$/);
  await expect(page.getByText(/stayed in the bowl and on hands/)).toBeVisible();
  await cook.more();
  await page.getByRole('radio', { name: /^Keep 105/ }).click();
  await page.getByRole('radio', { name: 'Fridge dough' }).click();
  await cook.press('Guide to 11 parts');
  await expect(page.getByRole('img', { name: /weigh off 11 from each: 11 of 105/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await act(request, 'scale', { act: 'clear' });
  await cook.press(/^Cut 11 × 105/);

  await cook.more();
  await cook.press('Check the balls: weigh 5');
  await cook.step('Check the balls');
  await cook.more();
  for (let ball = 1; ball <= 5; ball += 1) {
    await expect(page.getByText('put the next ball on')).toBeVisible();
    await cook.press('Put a ball on');
    await expect(page.getByText('taken: lift it')).toBeVisible();
    await cook.press('Lift it');
  }
  await expect(page.getByText('Mean of 5', { exact: true })).toBeVisible();
  await cook.press('Enough');

  await cook.press('Covered: start the rest');
  await cook.endEarly();
  await cook.more();
  await cook.press('True size, and measure a disc');
  await page.getByLabel('Rolled to, mm').fill('300');
  await page.getByLabel('Across, mm').fill('262');
  await page.getByLabel('Along, mm').fill('266');
  await cook.more();
  await page.getByLabel('middle, mm').fill('1.6');
  await page.getByLabel('far edge, mm').fill('1.3');
  await cook.press('Save this disc');
  await expect(page.getByText(/^Springs back: rest the others \d+/)).toBeVisible();
  await cook.press('Back to the batch');
  await cook.press('First discs rolled');
  await cook.press('Piece 1 on');
  await cook.press('Turn: piece 1');
  await cook.press('Take off: piece 1');
  await cook.noMorePieces('Baked by others');

  await cook.step('Finish');
  await page.getByLabel('Pieces made', { exact: true }).fill('11');
  await page.getByLabel('Good pieces', { exact: true }).fill('11');
  await cook.more();
  await cook.press('One more torn, 0 so far');
  await expect(page.getByLabel('Good pieces', { exact: true })).toHaveValue('10');
  await cook.press('Judge a piece');
  await page
    .getByRole('radiogroup', { name: 'First side' })
    .getByRole('radio', { name: 'freckles', exact: true })
    .click();
  await page.getByRole('radio', { name: 'folds in half' }).click();
  await cook.press('Save');
  await page.getByRole('radio', { name: 'cloth', exact: true }).click();
  await cook.press('Finish batch');
  await cook.press('See it in the log');
  await page.waitForURL(/\/log\//);

  await expect(page.getByText('10 pieces, cloth')).toBeVisible();
  await expect(page.getByText(/of its dough in the fridge/)).toBeVisible();
  await cook.press('Label to print');
  const label = page.frameLocator('iframe');
  await expect(label.getByText('10 pieces, cloth')).toBeVisible();
  await expect(label.getByText(/gluten, wheat/)).toBeVisible();
  await expect(label.locator('aside svg')).toBeVisible();
});
