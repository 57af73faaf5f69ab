import { type APIRequestContext, type Page, expect } from './test';

/** Words for what is done with formulas, so that journeys read as the work. */
export const press = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: typeof name === 'string' }).click();
export const choose = (page: Page, name: string | RegExp) =>
  page.getByRole('radio', { name, exact: typeof name === 'string' }).click();
/** Somebody reaches for the page: what the first page can stand without comes at once, not after some seconds. */
export const reachFor = (page: Page) => page.mouse.move(1, 1);
/** The book, and somebody who reaches for it. */
export async function openBook(page: Page): Promise<void> {
  await page.goto('/formulas');
  await reachFor(page);
}
/** A copy to work on: the demo's own formulas stay as the other journeys expect them. */
export async function copyOf(request: APIRequestContext, from: string, id: string): Promise<string> {
  const formula = (await (await request.get(`/api/v1/formulas/${from}`)).json()) as object;
  const copy = { ...formula, id, name: `Zephyr ${id}` };
  const saved = await request.post('/api/v1/formulas', { data: { formula: copy, reason: 'for work' } });
  expect(saved.status()).toBe(201);
  return `/formulas/${id}`;
}
