import { type APIRequestContext, type Page, expect, test } from './test';
import { bench } from './bench';
import { FIRST_LOAD_KB, countLoaded } from '../tools/loaded';
import {
  ALL_BUT_COLOURS,
  ALL_VIEWS,
  MAIN_VIEWS,
  cutOff,
  follow,
  metricOn,
  openView,
  prefer,
  resize,
  seriousOn,
  seriousOnBoth,
  sideways,
  walk,
} from './views';

const PHONE = { width: 390, height: 844 };
const NARROW = { width: 320, height: 700 };
const WIDE = { width: 1280, height: 800 };
/** What the log shows of a finished batch, each at an address of its own. */
async function viewsOfABatch(request: APIRequestContext): Promise<string[]> {
  const finished = (await (await request.get('/api/v1/batches?status=finished&limit=1')).json()) as {
    id: string;
  }[];
  const paths = finished.flatMap(({ id }) =>
    ['', '/wrong', '/compare', '/label'].map((part) => `/log/${id}${part}`),
  );
  expect(paths).not.toEqual([]);
  return paths;
}

/** `npm run sweep` looks at every view at every size, in both measures; `npm test` at sizes by turns. */
const WHOLE = Boolean(process.env.KETTLE_WHOLE_SWEEP);
const SIZES = [PHONE, WIDE];
/** In English every second view is seen on a phone and the others wide; in Spanish it is the other way about. */
const sizesOf = (at: number) => SIZES.filter((_, size) => WHOLE || size === at % SIZES.length);

/** What the runner itself writes there, whenever a page comes to it. */
const OWN = 'Service Worker registration blocked by Playwright';

/** What a page writes on the console that somebody should see to. */
function complaints(page: Page): string[] {
  const said: string[] = [];
  page.on('console', (message) => {
    const [type, text] = [message.type(), message.text()];
    if ((type === 'warning' || type === 'error') && text !== OWN) said.push(text);
  });
  return said;
}

for (const [kind, paths] of Object.entries(MAIN_VIEWS)) {
  for (const units of WHOLE ? ['us', 'metric'] : ['us'])
    test(`main views, ${kind}, by their addresses (${units}): silent, sound for axe, nothing cut off, nothing metric in ounces`, async ({
      page,
      request,
    }) => {
      await prefer(page, { units });
      const said = complaints(page);
      const ofABatch = kind === 'record' ? await viewsOfABatch(request) : [];
      for (const [at, path] of [...paths, ...ofABatch].entries()) {
        for (const size of sizesOf(at)) {
          await page.setViewportSize(size);
          await openView(page, path);
          expect(await sideways(page), path).toBe(false);
          expect(await seriousOnBoth(page), path).toEqual([]);
        }
        await resize(page, NARROW);
        expect.soft(await sideways(page), path).toBe(false);
        expect.soft(await cutOff(page), path).toEqual([]);
        // Where measures are chosen, both are named.
        if (units === 'us' && path !== '/settings') expect.soft(await metricOn(page), path).toBeNull();
        expect(said, path).toEqual([]);
      }
    });

  test(`main views, ${kind}, in Spanish: nothing serious for axe, nothing cut off`, async ({ page }) => {
    await prefer(page, { language: 'es' });
    for (const [at, path] of paths.entries()) {
      await follow(page, path);
      await expect(page.locator('html')).toHaveAttribute('lang', 'es');
      for (const size of sizesOf(at + 1)) {
        await resize(page, size);
        expect(await seriousOn(page, ALL_BUT_COLOURS), path).toEqual([]);
        expect.soft(await cutOff(page), path).toEqual([]);
        expect(await sideways(page), path).toBe(false);
      }
    }
  });
}

test('the first page brings little with it: what it does not draw comes later', async ({ page }) => {
  // A browser left alone gets the smaller brotli.
  await page.setExtraHTTPHeaders({ 'accept-encoding': 'gzip' });
  const loadedKb = await countLoaded(await page.context().newCDPSession(page));
  await page.goto('/formulas');
  await expect(page.getByRole('link', { name: /Deckhand wrap/ })).toBeVisible();
  expect(loadedKb('.js'), 'script, kB').toBeLessThanOrEqual(FIRST_LOAD_KB.script);
  expect(loadedKb(), 'all, kB').toBeLessThanOrEqual(FIRST_LOAD_KB.all);
});

test('working screens are sound too, on paper and on iron', async ({ page }) => {
  const cook = bench(page);
  await cook.start('breakwater-thick', '?by=pieces&pieces=4&ball=95 g');
  expect(await seriousOn(page), 'weigh').toEqual([]);
  await cook.press('Key it in');
  expect(await seriousOn(page), 'keypad').toEqual([]);
  await cook.press('Back');
  await cook.weighAll();
  expect(await seriousOn(page), 'mix').toEqual([]);
  await cook.mix();
  await cook.press('Start kneading');
  await cook.press('Too wet');
  await page.getByRole('radio', { name: 'sticky' }).click();
  await cook.more();
  await expect(page.getByText(/in all, in \d pours?; feel after each/)).toBeVisible();
  expect(await seriousOn(page), 'knead').toEqual([]);
  await cook.press('It is right');
  await cook.press('Covered: start the rest');
  await cook.more();
  await page.getByRole('radio', { name: 'fills slowly' }).click();
  expect(await seriousOn(page), 'rest').toEqual([]);
  await cook.endEarly();
  await cook.more();
  expect(await seriousOn(page), 'divide').toEqual([]);
  await cook.press('Cut unweighed');
  await cook.press(/^Cut/);
  await cook.more();
  await cook.press('Check the balls: weigh 5');
  await cook.step('Check the balls');
  expect(await seriousOn(page), 'balls').toEqual([]);
  await cook.press('Back to the batch');
  await cook.press('Covered: start the rest');
  await cook.endEarly();
  await cook.more();
  expect(await seriousOn(page), 'flatten').toEqual([]);
  await cook.press('True size, and measure a disc');
  expect(await seriousOn(page), 'disc').toEqual([]);
  await cook.press('Back to the batch');
  await cook.press('First discs rolled');
  await cook.press('Piece 1 on');
  await cook.press('Turn: piece 1');
  await cook.press('To the flame: piece 1');
  await expect(page.getByText(/^Beware: flame and smoke/)).toBeVisible();
  await cook.more();
  expect(await seriousOn(page), 'griddle').toEqual([]);
});

test('a wide screen works a batch beside its sheet and steps', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  const cook = bench(page);
  await cook.start('deckhand-wrap', '?by=pieces&pieces=8&ball=105 g');
  await expect(page.getByText('In the bowl', { exact: true })).toBeVisible();
  await cook.weighAll();
  await expect(page.getByRole('main')).toContainText('weighed (planned below it)');
});

test('measures and look are remembered on the device', async ({ page }) => {
  await page.goto('/settings');
  await page.getByText('oz, in, °F').click();
  await page.getByText('Iron (dark)').click();
  await page.goto('/formulas/deckhand-wrap');
  await expect(page.getByText('3.7', { exact: false }).first()).toBeVisible();
  await expect(page.getByText('446 °F').first()).toBeVisible();
  const ground = await page.evaluate(
    () =>
      getComputedStyle(document.querySelector('[role="main"]')?.parentElement ?? document.body)
        .backgroundColor,
  );
  expect(ground).toBe('rgb(29, 27, 24)');
});

test('by keyboard: past the navigation, along a choice, and to Start in two Tabs', async ({ page }) => {
  await page.goto('/plan/lantern-round');
  await expect(page.getByRole('button', { name: /^Start batch/ })).toBeEnabled();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('radio', { name: 'Pieces' })).toBeFocused();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Start batch/ })).toBeEnabled();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the main action' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Start batch/ })).toBeFocused();
  await follow(page, '/settings');
  const measures = page.getByRole('radiogroup', { name: 'Measures' }).getByRole('radio');
  await measures.first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(measures.nth(1)).toBeFocused();
  await expect(measures.first()).toBeChecked();
  await page.keyboard.press('Space');
  await expect(measures.nth(1)).toBeChecked();
});

test('a dark device: the page is dark as the device is, and sound for axe', async ({ page }) => {
  await page.emulateMedia({ colorScheme: 'dark' });
  await openView(page, '/settings');
  expect(await seriousOn(page)).toEqual([]);
  await expect(page.getByRole('radio', { name: 'As the device' })).toBeChecked();
});

test('with the browser’s text twice as large, on a phone: no word is cut or lost', async ({
  playwright,
  baseURL,
  launchOptions,
}) => {
  const browser = await playwright.chromium.launch({
    ...launchOptions,
    args: [...(launchOptions.args ?? []), '--blink-settings=defaultFontSize=32'],
  });
  const page = await browser.newPage({ ...(baseURL ? { baseURL } : {}), viewport: PHONE, timezoneId: 'UTC' });
  for await (const path of walk(page, ALL_VIEWS)) {
    expect.soft(await cutOff(page), path).toEqual([]);
    expect.soft(await sideways(page), path).toBe(false);
  }
  await follow(page, '/shift');
  await expect(page.getByRole('heading', { level: 1 })).toHaveCSS('font-size', '48px');
  await browser.close();
});
