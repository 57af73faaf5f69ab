import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { AS_APP, type Page, expect, test } from './test';
import { type RunningServer, startServer } from '../tools/demoServer';
import { v7 as uuidv7 } from 'uuid';
import { bench, fieldError } from './bench';
import { reachFor } from './formulas';

/** A demo kitchen of its own: its service is changed, taken from and planned again. */
let kitchen: RunningServer;
test.beforeAll(async () => {
  kitchen = await startServer(['--demo', '--data', mkdtempSync(join(tmpdir(), 'kettle-service-'))]);
});
test.afterAll(() => kitchen.stop());

const open = async (page: Page, path: string) => {
  await page.goto(kitchen.url + path);
  await expect(page.getByText(/^Fetching/)).toHaveCount(0);
};

test('the demo opens on a planned day: next acts, a batch moved, bread counted, taken and taken back', async ({
  page,
}) => {
  const cook = bench(page);
  await open(page, '/shift');
  await cook.press('Follow the service');
  await expect(cook.title).toHaveText('Three sailings');
  await expect(page.getByRole('heading', { name: 'Next' })).toBeVisible();
  // By its button, then back, and by dragging the picture.
  const batch = page.getByRole('button', { name: /^Move \d+ / }).last();
  const words = (await batch.getAttribute('aria-label'))?.replace('Move ', '') ?? '';
  await batch.click();
  const saved = () => page.waitForResponse((response) => response.request().method() === 'PUT');
  const startOf = async () => {
    const { service } = (await (await page.request.get(`${kitchen.url}/api/v1/services`)).json())[0] as {
      service: { plan: { batches: { start: number }[] } };
    };
    return service.plan.batches.map(({ start }) => start);
  };
  const before = await startOf();
  await Promise.all([saved(), cook.press(`${words} 5 min later`)]);
  const moved = await startOf();
  expect(moved.reduce((sum, one) => sum + one, 0)).toBe(before.reduce((sum, one) => sum + one, 0) + 300);

  await cook.press('Count the tray: Deckhand wrap');
  for (const digit of '12') await cook.press(digit);
  await cook.press('Save');
  await expect(page.getByText('12 made, 0 taken')).toBeVisible();
  await cook.press('Take 5 Deckhand wrap');
  await expect(page.getByText('12 made, 5 taken')).toBeVisible();
  await cook.press(/^Undo: taken 5/);
  await expect(page.getByText('12 made, 0 taken')).toBeVisible();
  await cook.press('Throw out Deckhand wrap');
  await page.getByRole('radio', { name: 'dropped' }).click();
  await cook.press('2');
  await cook.press('Save');
  await page.reload();
  await expect(page.getByText('12 made, 0 taken')).toBeVisible();
  await cook.press('Hand over');
  await expect(page.getByText('Thrown out today')).toBeVisible();
});

test('what the day is to bring: learned, from a file, refused at its field; then planned and chosen', async ({
  page,
}) => {
  const cook = bench(page);
  await open(page, '/service/edit');
  await page.getByLabel('Service to', { exact: true }).fill('half past');
  await cook.press('Save the service');
  await expect(fieldError(page).first()).toHaveText('A time is written like 11:45.');
  await expect(page.getByLabel('Service to', { exact: true })).toHaveValue('half past');
  await page.reload();
  await page.getByRole('checkbox', { name: /on this weekday/ }).click();
  await expect(page.getByText(/^\d+ to \d+$/).first()).toBeVisible();
  const file = (text: string) =>
    page.getByLabel('File of what is wanted').setInputFiles({
      ...{ name: 'day.csv', mimeType: 'text/csv' },
      buffer: Buffer.from(text),
    });
  await file('bread,opens,peak,closes,pieces\nMoon bread,11:00,,12:00,20');
  await expect(page.getByText('“Moon bread” is no formula of the book.')).toBeVisible();
  const [from, to] = [
    page.getByLabel('Service from', { exact: true }),
    page.getByLabel('Service to', { exact: true }),
  ];
  const [opens, closes] = [await from.inputValue(), await to.inputValue()];
  await file(`bread,opens,peak,closes,pieces\nLantern round,${opens},,${closes},40`);
  await expect(page.getByLabel('Pieces', { exact: true })).toHaveValue('40');
  await cook.press('Add an order of Lantern round');
  await page.getByLabel('Order, at', { exact: true }).fill('noon');
  await page.getByLabel('Order, pieces', { exact: true }).fill('12');
  await cook.press('Save the service');
  await expect(fieldError(page).first()).toHaveText('A time is written like 11:45.');
  await page.getByLabel('Order, at', { exact: true }).fill(closes);
  await cook.press('Save the service');
  await page.waitForURL(/\/service$/);
  await cook.press(/^(Plan again|Make a plan)$/);
  await expect(page.getByRole('table', { name: /Plans to choose from/ })).toBeVisible({ timeout: 120_000 });
  await page.getByRole('radio', { name: 'Safest' }).click();
  await cook.press('Use this plan');
  await expect(page.getByRole('button', { name: /^Move \d+ Lantern round/ }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Move \d+ Deckhand wrap/ })).toHaveCount(0);
});

test('ready by: counted back from a time, with ways out when it is too late', async ({ page }) => {
  await open(page, '/plan/lantern-round');
  const at = (minutes: number) => {
    const time = new Date(Date.now() + minutes * 60_000);
    return `${String(time.getUTCHours()).padStart(2, '0')}:${String(time.getUTCMinutes()).padStart(2, '0')}`;
  };
  await page.getByLabel('Time', { exact: true }).fill('soon');
  await expect(page.getByText('A time is written like 11:45.')).toBeVisible();
  // What is past by the clock is meant for tomorrow, so the way out is looked for an hour ahead.
  await page.getByLabel('Time', { exact: true }).fill(at(50));
  await expect(page.getByText('Latest start')).toBeVisible();
  await expect(page.getByText(/^Too late by/)).toBeVisible();
  await expect(page.getByText(/^Ready by \d\d:\d\d instead\.$/)).toBeVisible();
  await page.getByLabel('Time', { exact: true }).fill(at(300));
  await expect(page.getByText(/^Too late by/)).toBeHidden();
});

interface Begun {
  id: string;
  plan: {
    doughG: number;
    ballG: number;
    steps: { id: string; kind: string; lineId?: string }[];
    sheet: { lineId: string; massG: number }[];
  };
}

/** What another phone tells the kitchen: a batch, and what happens to it. */
function otherPhone(page: Page) {
  const post = async (path: string, data: object): Promise<unknown> => {
    const answer = await page.request.post(`${kitchen.url}/api/v1${path}`, { data, headers: AS_APP });
    expect(answer.ok(), await answer.text()).toBe(true);
    return answer.json();
  };
  const tell = async (id: string, ...bodies: object[]) => {
    for (const body of bodies) {
      await post(`/batches/${id}/events`, { ...body, id: uuidv7(), at: new Date().toISOString() });
    }
  };
  const begin = async (formulaId: string, pieces: number): Promise<Begun> => {
    const need = { by: 'pieces', pieces, ballG: 60 };
    const start = { id: uuidv7(), at: new Date().toISOString(), formulaId, formulaVersion: 1, need };
    return (await post('/batches', start)) as Begun;
  };
  /** Everything up to balls that rest. */
  const divide = async ({ id, plan: { steps, sheet, doughG, ballG } }: Begun, pieces: number) => {
    for (const { id: stepId, kind, lineId } of steps) {
      const massG = sheet.find((line) => line.lineId === lineId)?.massG;
      if (kind === 'weigh') await tell(id, { type: 'weighed', stepId, massG });
      if (kind === 'divide') return tell(id, { type: 'divided', doughG, pieces, ballG });
      if (kind !== 'weigh') await tell(id, { type: 'started', stepId }, { type: 'done', stepId });
    }
  };
  return { begin, divide, tell };
}

test('what waits in the fridge begins a plan, whole, and is out of it once it is taken out; a running batch against a time', async ({
  page,
}) => {
  const cook = bench(page);
  const other = otherPhone(page);
  const batch = await other.begin('lantern-round', 40);
  await other.divide(batch, 40);
  await other.tell(batch.id, { type: 'chilled', pieces: 24 });
  await open(page, '/service');
  await expect(page.getByText('24 balls of Lantern round')).toBeVisible();
  await cook.press('Plan 24 Lantern round out of the fridge');
  await expect(page.getByText('24 of them are in the plan.')).toBeVisible();
  await expect(page.getByText('Take 24 Lantern round out of the fridge')).toBeVisible();
  await cook.press('Open the batch of 24 Lantern round in the fridge');
  await page.waitForURL(/\/bench\//);
  await cook.more();
  await cook.press('Take balls out');
  await cook.press('Remove them');
  await cook.press('Ready by');
  await expect(page.getByText(/first at \d\d:\d\d, all at \d\d:\d\d\./)).toBeVisible();
  await open(page, '/service');
  await expect(page.getByRole('heading', { name: 'Next' })).toBeVisible();
  await expect(page.getByText('In the fridge')).toBeHidden();
  await expect(page.getByText('Take 24 Lantern round out of the fridge')).toBeHidden();
});

test('held bread of any day is served or thrown out with a reason; a start of the plan rings, and can be silenced', async ({
  page,
}) => {
  const cook = bench(page);
  const other = otherPhone(page);
  const { id } = await other.begin('deckhand-wrap', 20);
  const ends = { type: 'finished', pieces: 20, good: 20 };
  await other.tell(id, ends, { type: 'held', how: 'freezer', pieces: 20 });
  await open(page, '/shift');
  await cook.press(/^20 Deckhand wrap, freezer/);
  await page.getByLabel('Pieces', { exact: true }).fill('21');
  await expect(fieldError(page).first()).toHaveText('Pieces must be a whole number from 1 to 20.');
  await page.getByLabel('Pieces', { exact: true }).fill('12');
  await cook.press('Save');
  await cook.press(/^8 Deckhand wrap, freezer/);
  await page.getByRole('radio', { name: 'throw it out' }).click();
  await page.getByRole('radio', { name: 'not good enough' }).click();
  await cook.press('Save');
  await expect(page.getByRole('button', { name: /Deckhand wrap, freezer/ })).toHaveCount(0);
  await open(page, `/log/${id}`);
  await expect(page.getByText(/^8 held pieces thrown out: €\d/)).toBeVisible();

  const [record] = (await (await page.request.get(`${kitchen.url}/api/v1/services`)).json()) as {
    service: { day: string; breads: object[]; plan?: object };
  }[];
  const { service } = record ?? {};
  if (!service) throw new Error('no service');
  const start = Math.floor((Date.now() - Date.parse(`${service.day}T00:00:00.000Z`)) / 1000) - 60;
  const batch = { id: uuidv7(), formulaId: 'breakwater-thick', n: 33, start, bakeAt: start + 7200 };
  const at = `${kitchen.url}/api/v1/services/${service.day}`;
  const { etag = '' } = (await page.request.get(at)).headers();
  const put = await page.request.put(at, {
    headers: { ...AS_APP, 'if-match': etag },
    data: {
      ...service,
      breads: [...service.breads.slice(0, 1), { formulaId: 'breakwater-thick', waves: [] }],
      plan: { batches: [batch], chosenAt: new Date().toISOString() },
    },
  });
  expect(put.ok()).toBe(true);
  await open(page, '/formulas');
  await reachFor(page);
  const quiet = page.getByRole('button', { name: 'Quiet: Weigh 33 Breakwater thick' });
  await expect(quiet).toBeVisible();
  await quiet.click();
  await expect(quiet).toBeHidden();
  await page.reload();
  await expect(cook.title).toBeVisible();
  await expect(quiet).toBeHidden();
});
