import { type APIRequestContext, type Page, expect } from './test';
import { follow } from './views';

interface Stored {
  events: { type: string; stepId?: string; massG?: number; by?: string; feel?: string }[];
  plan: { sheet: { lineId: string; massG: number; startG?: number }[]; flourG: number };
}

/** The batch of the page that is open, as the server has it. */
export const batchOf = async (page: Page, request: APIRequestContext): Promise<Stored> =>
  (await (await request.get(`/api/v1/batches/${page.url().split('/').at(-1)}`)).json()) as Stored;

/** Does something to a simulated device. */
export const act = (request: APIRequestContext, device: string, data: object) =>
  request.post(`/api/v1/devices/${device}/acts`, { data });

/** Plans follow the formulas as they are written, not the day: for journeys that know the figures. */
export const asWritten = async (page: Page): Promise<void> => {
  await page.addInitScript(() => {
    localStorage.setItem('kettle-scale-day', JSON.stringify({ state: { on: false }, version: 0 }));
  });
};

/** The sentence at a field; the bar of what is due, which other batches may fill at any time, is an alert too. */
export const fieldError = (page: Page) => page.locator('[role=alert][id$="-error"]');

/** Words for what a cook does, so that journeys read as the work. */
export function bench(page: Page) {
  const press = (name: string | RegExp) =>
    page.getByRole('button', { name, exact: typeof name === 'string' }).click();
  const title = page.getByRole('heading', { level: 1 });
  return {
    press,
    title,
    /** To a main view, and only on when it is there: the one that is left may hold links of the same name. */
    goTo: async (view: 'Formulas' | 'Log') => {
      await page.getByRole('link', { name: view }).click();
      await expect(title).toHaveText(view);
    },
    /** Plans a formula and starts it; leaves the page on the first step. */
    start: async (formula: string, query = '') => {
      await follow(page, `/plan/${formula}${query}`);
      await press(/^Start batch/);
      await page.waitForURL(/\/bench\//);
      await expect(title).toHaveText(/^Weigh/);
    },
    /** Confirms every line as planned. */
    weighAll: async () => {
      for (;;) {
        await expect(title).toHaveText(/^(Weigh|Add more|Mix)/);
        const before = await title.textContent();
        if (before === 'Mix') return;
        await press(/ is in$/);
        await expect(title).not.toHaveText(before ?? '');
      }
    },
    /** Mixes part by part, with all that was kept back. */
    mix: async () => {
      await press('Start mixing');
      const next = page.getByRole('button', {
        name: /^(Done, next|It feels right|Cool enough|Mixed)$/,
      });
      const part = () => page.getByText(/^\d of \d$/).allTextContents();
      for (;;) {
        const [words, before] = [await next.textContent(), await part()];
        if (words === 'It feels right') await press(/^All .* at once$/);
        await next.click();
        if (words === 'Mixed') return;
        await expect.poll(part).not.toEqual(before);
      }
    },
    /** Ends a rest before its time, and means it. */
    endEarly: async () => {
      await press('End the rest early');
      await press(/^End it .* early$/);
    },
    /** Ends the griddle with balls left: says what became of all of them. */
    noMorePieces: async (became: 'Back to the fridge' | 'Baked by others' | 'Dropped' | 'Thrown out') => {
      await press('No more pieces');
      await press(became);
    },
    /** Unfolds what the step holds for who asks. */
    more: () => press('More'),
    keyIn: async (digits: string) => {
      for (const digit of digits) await press(digit === '.' ? 'Point' : digit);
    },
    expectSaved: () => expect(page.getByRole('img', { name: 'saved', exact: true })).toBeVisible(),
    step: (name: string | RegExp) => expect(title).toHaveText(name),
  };
}
