import { readFileSync } from 'node:fs';
import { languageSchema } from '@kettle-scale/core/message';
import { type Page, expect, test } from './test';
import { asWritten } from './bench';

const spanish = languageSchema.parse(
  JSON.parse(readFileSync(new URL('../languages/es.json', import.meta.url), 'utf8')),
);

/** Marks around every text that came out of the catalogue, and so much more of it as the longest languages need. */
const [OPEN, CLOSE, LONGER] = ['‹', '›', 0.4];
const pseudo = (text: string): string => {
  const [, before = '', words = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/.exec(text) ?? [];
  const plain = words.replace(/\{[^{}]*(?:\{[^{}]*\}[^{}]*)*\}/g, '');
  return `${before}${OPEN}${words}${'~'.repeat(Math.max(0, Math.round(plain.length * LONGER) - 2))}${CLOSE}${after}`;
};
const PSEUDO = {
  ...{ language: 'zh', name: 'Pseudo', foods: {}, lists: {}, terms: [] },
  texts: Object.fromEntries(Object.keys(spanish.texts).map((text) => [text, pseudo(text)])),
};

/** A page that speaks the pseudo-language, and the names that the kitchen itself has given. */
async function speakPseudo(page: Page): Promise<Set<string>> {
  await page.addInitScript(() =>
    localStorage.setItem(
      'kettle-scale-preferences',
      JSON.stringify({ state: { language: 'zh' }, version: 0 }),
    ),
  );
  await page.route('**/languages/index.json', (route) =>
    route.fulfill({ json: [{ language: PSEUDO.language, name: PSEUDO.name }] }),
  );
  await page.route('**/languages/zh.json', (route) => route.fulfill({ json: PSEUDO }));
  const names = new Set<string>(['Pseudo', 'English', 'Kettle', 'Scale', 'Europe/Lisbon']);
  page.on('response', async (response) => {
    const type = response.headers()['content-type'] ?? '';
    if (!response.url().includes('/api/') || !type.includes('json')) return;
    namesIn(await response.json().catch(() => null), '', names);
  });
  return names;
}

/** What people of the kitchen wrote: nobody translates that. */
const GIVEN =
  /^(?:name|summary|notes?|formulaName|lot|lotName|cook|phone|product|reason|look|hold|address|version|currency|aliases|bread|cover|id)$/;
function namesIn(value: unknown, key: string, names: Set<string>): void {
  if (typeof value === 'string') {
    if ((GIVEN.test(key) || key === 'measure.text') && value.length > 1) names.add(value);
  } else if (Array.isArray(value)) value.forEach((one) => namesIn(one, key, names));
  else if (value && typeof value === 'object')
    for (const [inner, one] of Object.entries(value))
      namesIn(one, key === 'measure' ? `measure.${inner}` : inner, names);
}

/** Units and marks that are the same in every language. */
const SAME = /\b(?:g|kg|mm|ml|min|h|s|oz|px|EUR|MB|GB|pt|K|C|W|kW|kJ|L|JSON|CSV|x|baud|Cp|Cpk)\b/g;

/** Texts on the page, those for screen readers among them, that no catalogue was asked for. */
async function untranslated(page: Page, names: ReadonlySet<string>): Promise<string[]> {
  const texts = await page.evaluate(() => {
    const shown: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode())
      if (!walker.currentNode.parentElement?.closest('script, style, noscript'))
        shown.push(walker.currentNode.textContent ?? '');
    for (const attribute of ['aria-label', 'placeholder', 'title', 'aria-valuetext'])
      for (const element of document.querySelectorAll(`[${attribute}]`))
        shown.push(element.getAttribute(attribute) ?? '');
    return shown;
  });
  const given = [...names].sort((a, b) => b.length - a.length);
  return texts.filter((text) => {
    let [depth, outside] = [0, ''];
    for (const sign of text) {
      if (sign === OPEN) depth += 1;
      else if (sign === CLOSE) depth -= 1;
      else if (depth === 0) outside += sign;
    }
    for (const name of given) outside = outside.replaceAll(name, '').replaceAll(name.toLowerCase(), '');
    return /[A-Za-z]{2}/.test(outside.replace(SAME, ''));
  });
}

/** Words that do not fit where they stand; a list's lines may be cut on purpose, names in them are told whole elsewhere. */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('body *')]
      .filter((element) => element.scrollWidth > element.clientWidth + 1)
      .filter((element) => getComputedStyle(element).textOverflow === 'ellipsis')
      .map((element) => element.textContent?.slice(0, 80) ?? '')
      .concat(document.documentElement.scrollWidth > window.innerWidth ? ['the page'] : []),
  );

const VIEWS = [
  ...['/shift', '/formulas', '/formulas/breakwater-thick', '/formulas/breakwater-thick/edit'],
  ...['/formulas/breakwater-thick/swap', '/formulas/breakwater-thick/versions', '/write', '/ingredients'],
  ...['/ingredients/flour-strong', '/service', '/service/edit', '/service/handover', '/stock', '/plans'],
  ...[
    '/plan/sailcloth-sheet',
    '/bench',
    '/griddle',
    '/griddle/plates',
    '/griddle/window',
    '/log',
    '/lessons',
  ],
  ...['/charts', '/settings'],
];

test('a language from a file alone: no view keeps English, and longer words are not cut off', async ({
  page,
}) => {
  const names = await speakPseudo(page);
  for (const path of VIEWS) {
    await page.goto(path);
    await expect(page.getByRole('main')).toContainText(OPEN);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await expect(page.getByText(/Fetching/)).toHaveCount(0);
    expect.soft(await untranslated(page, names), path).toEqual([]);
    expect.soft(await cutOff(page), `${path}, cut off`).toEqual([]);
  }
});

test('a batch in a language from a file alone: no step keeps English', async ({ page }) => {
  await asWritten(page);
  await page.clock.install();
  const names = await speakPseudo(page);
  const title = page.getByRole('heading', { level: 1 });
  const look = async () =>
    expect.soft(await untranslated(page, names), (await title.textContent()) ?? '').toEqual([]);
  const press = async (name: string | RegExp) => {
    await look();
    await page.getByRole('button', { name }).first().click();
  };
  await page.goto('/plan/deckhand-wrap?by=pieces&pieces=8&ball=105 g');
  await press('Start batch');
  await page.waitForURL(/\/bench\//);
  for (;;) {
    const before = (await title.textContent()) ?? '';
    if (/‹Mix/.test(before)) break;
    await press(' is in');
    await expect(title).not.toHaveText(before);
  }
  await press('Start mixing');
  await press('All in and mixed');
  await press('Start kneading');

  await press('It is right already');
  await press('Covered: start the rest');
  await page.clock.fastForward('15:00');
  await press('Rested: go on');
  await press('Key it in');
  for (const digit of '840') await page.getByRole('button', { name: digit, exact: true }).click();
  await press('The dough weighs');
  await press('Cut ');
  await press('Covered: start the rest');
  await press('End the rest early');
  await press('First discs are rolled');
  await press('Piece 1 on');
  await page.clock.fastForward(23_000);
  await press(/Turn.*piece 1/);
  await page.clock.fastForward(17_000);
  await press(/Take off.*piece 1/);
  await press('No more pieces');
  await press('Finish batch');
  await press('See it in the log');
  await expect(title).toBeVisible();
  await look();
  const record = new URL(page.url()).pathname;
  for (const part of ['/wrong', '/compare']) {
    await page.goto(record + part);
    await expect(page.getByText(/Fetching/)).toHaveCount(0);
    await expect(title).toBeVisible();
    await look();
  }
});
