import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { type Page, expect } from './test';
import type { AxeResults, RunOptions } from 'axe-core';

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What only the colours of a page decide. */
const OF_COLOURS = ['color-contrast', 'link-in-text-block'];
const COLOURS_ALONE: RunOptions = { runOnly: OF_COLOURS };
/** In another language a page has the same colours. */
export const ALL_BUT_COLOURS: RunOptions = {
  rules: Object.fromEntries(OF_COLOURS.map((rule) => [rule, { enabled: false }])),
};

/** What axe finds that is serious or worse, as "rule: element"; by all its rules, unless it is told otherwise. */
export async function seriousOn(page: Page, which: RunOptions = {}): Promise<string[]> {
  await page.evaluate(() => document.fonts.ready);
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axeSource);
  // Without the style sheets and films that axe fetches for rules that are not asked, or find nothing here.
  const options: RunOptions = { resultTypes: ['violations'], preload: false, ...which };
  const results = await page.evaluate<AxeResults>(`axe.run(document, ${JSON.stringify(options)})`);
  return results.violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) => nodes.map(({ html }) => `${id}: ${html.slice(0, 160)}`));
}

/** Until colours that change have changed: halfway between two themes nothing can be read. */
const settled = (page: Page) =>
  page.evaluate(async () => {
    for (let frame = 0; frame < 2; frame += 1) await new Promise(requestAnimationFrame);
    const passing = document
      .getAnimations()
      .filter(({ effect }) => effect?.getComputedTiming().endTime !== Infinity);
    await Promise.allSettled(passing.map(({ finished }) => finished));
  });

/** Paper, and iron, which is what the page is on a dark device: there it differs in its colours alone. */
const LOOKS = [
  ['light', {}],
  ['dark', COLOURS_ALONE],
] as const;

/** The same on paper and on iron, beginning with the one that the page has on: a change draws all of it anew. */
export async function seriousOnBoth(page: Page): Promise<string[]> {
  const isDark = await page.evaluate(() => matchMedia('(prefers-color-scheme: dark)').matches);
  const found: string[] = [];
  for (const [colorScheme, which] of isDark ? LOOKS.toReversed() : LOOKS) {
    await page.emulateMedia({ colorScheme });
    await settled(page);
    found.push(...(await seriousOn(page, which)).map((one) => `${colorScheme}: ${one}`));
  }
  return found;
}

/** Anything that makes the page scroll sideways. */
export const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth);

/** The main views by what they are for: each is looked at by axe, which takes its time on a slow machine. */
export const MAIN_VIEWS = {
  formulas: [
    '/formulas',
    '/formulas/breakwater-thick',
    '/formulas/breakwater-thick/edit',
    '/formulas/breakwater-thick/swap',
    '/formulas/breakwater-thick/versions',
    '/formulas/breakwater-thick/card',
    '/write',
  ],
  planning: [
    '/ingredients',
    '/ingredients/flour-strong',
    '/stock',
    '/shift',
    '/service',
    '/service/edit',
    '/service/handover',
    '/plans',
  ],
  work: ['/plan/sailcloth-sheet', '/bench', '/griddle', '/griddle/plates', '/griddle/window'],
  record: ['/log', '/lessons', '/charts', '/settings'],
};
export const ALL_VIEWS = Object.values(MAIN_VIEWS).flat();

/** A device on which somebody has chosen a language, or measures. */
export const prefer = (page: Page, chosen: { language?: string; units?: string }): Promise<unknown> =>
  page.addInitScript(
    (state) => localStorage.setItem('kettle-scale-preferences', JSON.stringify({ state, version: 0 })),
    chosen,
  );

/** Until a view is drawn with what it shows. */
async function drawn(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await expect(page.getByText(/^(?:Fetching|Cargando)/)).toHaveCount(0);
}

export async function openView(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await drawn(page);
}

/**
 * A view reached from the one that is open, as by a link: nothing is loaded again, which costs a second of a processor. That
 * every view can be loaded by its address is seen by the sweeps in English. Where no view is open, it is loaded.
 */
export async function follow(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') return openView(page, path);
  await page.evaluate((to) => {
    for (const title of document.querySelectorAll('h1')) title.dataset.left = 'behind';
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await expect(page.locator('h1[data-left]')).toHaveCount(0);
  await drawn(page);
}

/** Every one of these views in turn. */
export async function* walk(page: Page, paths: readonly string[]): AsyncGenerator<string, void, void> {
  for (const path of paths) {
    await follow(page, path);
    yield path;
  }
}

/** The view that is open, on a screen of another size: a page follows its window without being loaded again. */
export async function resize(page: Page, viewport: { width: number; height: number }): Promise<void> {
  await page.setViewportSize(viewport);
  await settled(page);
  await drawn(page);
}

/** Words that do not fit where they stand: cut with dots, or past the edge of the screen; what can be scrolled to is not lost. */
export const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const words = (element: Element) => element.textContent?.trim().slice(0, 80) ?? '';
    const scrolls = (element: Element | null): boolean =>
      element !== null &&
      (['auto', 'scroll'].includes(getComputedStyle(element).overflowX) || scrolls(element.parentElement));
    const all = [...document.querySelectorAll<HTMLElement>('body *')];
    const dotted = all.filter(
      (element) =>
        element.scrollWidth > element.clientWidth + 1 &&
        getComputedStyle(element).textOverflow === 'ellipsis',
    );
    const outside = all.filter((element) => {
      const { left, right, width } = element.getBoundingClientRect();
      const shown = width > 1 && left < window.innerWidth && right > window.innerWidth + 1;
      return shown && element.children.length === 0 && words(element) !== '' && !scrolls(element);
    });
    return [...dotted, ...outside].map(words);
  });

/** A figure in a metric unit; millilitres define a cup, and stay. */
const METRIC = /[\d.,]+\s(?:°C|mm|g|kg)(?![\w/])|g\/ml|[^\n]*, (?:mm|g|kg|°C)$/gm;

/** What is metric of everything that is read or heard on a page. */
export async function metricOn(page: Page): Promise<RegExpMatchArray | null> {
  const said = await page.evaluate(() =>
    [
      document.body.innerText,
      ...[...document.querySelectorAll('svg text')].map((text) => text.textContent),
      ...[...document.querySelectorAll('[aria-label], [aria-valuetext]')].map(
        (one) => `${one.getAttribute('aria-label') ?? ''}\n${one.getAttribute('aria-valuetext') ?? ''}`,
      ),
    ].join('\n'),
  );
  return said.match(METRIC);
}
