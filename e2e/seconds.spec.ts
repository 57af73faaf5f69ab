import type { Formula } from '@kettle-scale/core/formula';
import { v7 as uuidv7 } from 'uuid';
import { expect, test } from './test';

test('seconds that the model would have otherwise are asked about once, and hold on card, bench and live plate', async ({
  page,
  request,
}) => {
  const book = (await (await request.get('/api/v1/formulas')).json()) as Formula[];
  const wrap = book.find(({ id }) => id === 'deckhand-wrap');
  if (!wrap) throw new Error('the wrap is in the demo');
  const bake = { ...wrap.bake, sides: [{ seconds: 60 }, { seconds: 60 }] };
  const slow = { ...wrap, id: 'slow-wrap', name: 'Slow wrap', bake };
  const headers = { 'Kettle-App': 'kitchen' };
  await request.post('/api/v1/formulas', { headers, data: { reason: 'Two opinions', formula: slow } });
  const start = {
    id: uuidv7(),
    at: new Date().toISOString(),
    formulaId: slow.id,
    formulaVersion: 1,
    need: { by: 'pieces', pieces: 4, ballG: 105 },
  };
  expect((await request.post('/api/v1/batches', { headers, data: start })).status()).toBe(201);

  const line = /^The formula says 60\s\+\s60 s: \d of 100 come out in standard. On Long plate it would be/;
  await page.goto('/formulas/slow-wrap/card');
  await expect(page.getByText(line)).toBeVisible();
  await expect(page.getByRole('radio', { name: 'The formula’s 60 + 60 s' })).not.toBeChecked();
  const card = page.frameLocator('iframe');
  await expect(card.getByText(line)).toBeVisible();
  await page.goto(`/griddle/live/${start.id}`);
  await expect(page.getByRole('heading', { name: 'Use which?' })).toBeVisible();
  const here = page.getByRole('button', { name: /^Here \d+ \+ \d+ s$/ });
  const [first, second] = ((await here.textContent()) ?? '').match(/\d+/g) ?? [];
  await here.click();
  // The plate is as hot as it is: near the formula's 230 °C the seconds are those that were chosen.
  await expect(page.getByRole('button', { name: /^Side 1/ })).toBeVisible();
  await page.goto('/formulas/slow-wrap');
  await expect(page.getByText(`${first} s`, { exact: true })).toBeVisible();
  await expect(page.getByText(`${second} s`, { exact: true })).toBeVisible();
  await expect(page.getByRole('radio', { name: /^Here/ })).toBeChecked();
  await page.goto('/formulas/slow-wrap/card');
  await expect(card.getByText(new RegExp(`side 1 ${first} s`))).toBeVisible();
});
