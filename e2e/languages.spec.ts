import { readFileSync } from 'node:fs';
import { type MessageFormatElement, TYPE, parse } from '@formatjs/icu-messageformat-parser';
import { printAST } from '@formatjs/icu-messageformat-parser/printer.js';
import { languageSchema } from '@kettle-scale/core/message';
import { type Page, expect, test } from './test';
import { asWritten } from './bench';
import { ALL_VIEWS, cutOff, follow, prefer, sideways, walk } from './views';

const spanish = languageSchema.parse(
  JSON.parse(readFileSync(new URL('../languages/es.json', import.meta.url), 'utf8')),
);

/** Every letter with a mark, so that what is still plain came out of no catalogue, in a sentence as on its own. */
const PLAIN = 'abcdefghijklnopqrstuyzABCDEFGHIJKLNOPQRSTUYZ';
const MARKED = 'àƀçđèƒĝĥìĵķĺñòþɋŕšţùýžÀƁÇĐÈƑĜĤÌĴĶĹÑÒÞɊŔŠŢÙÝŽ';
const marked = (words: string): string =>
  [...words].map((letter) => MARKED[PLAIN.indexOf(letter)] ?? letter).join('');
/** So much longer as the longest languages are. */
const LONGER = 0.4;

function pseudo(text: string): string {
  const change = (elements: MessageFormatElement[]): MessageFormatElement[] =>
    elements.map((element) => {
      if (element.type === TYPE.literal) return { ...element, value: marked(element.value) };
      if (element.type !== TYPE.plural) return element;
      const options = Object.entries(element.options).map(([count, option]) => [
        count,
        { ...option, value: change(option.value) },
      ]);
      return { ...element, options: Object.fromEntries(options) as typeof element.options };
    });
  const words = text.includes('{') ? printAST(change(parse(text, { ignoreTag: true }))) : marked(text);
  const letters = text.replace(/\{[^{}]*(?:\{[^{}]*\}[^{}]*)*\}/g, '').trim().length;
  const tail = /\s*$/.exec(words)?.[0] ?? '';
  return words.trimEnd() + '~'.repeat(Math.round(letters * LONGER)) + tail;
}
const PSEUDO = {
  ...{ language: 'zh', name: 'Pseudo', foods: {}, lists: {}, terms: [] },
  texts: Object.fromEntries(Object.keys(spanish.texts).map((text) => [text, pseudo(text)])),
};

/** What stands until there is something to show. */
const FETCHING = new RegExp(`^${marked('Fetching')}`);

/** The names that the kitchen itself has given, as far as the page has heard them. */
type Names = () => Promise<ReadonlySet<string>>;

/** A page that speaks the pseudo-language. */
async function speakPseudo(page: Page): Promise<Names> {
  await prefer(page, { language: PSEUDO.language });
  await page.route('**/languages/index.json', (route) =>
    route.fulfill({ json: [{ language: PSEUDO.language, name: PSEUDO.name }] }),
  );
  await page.route('**/languages/zh.json', (route) => route.fulfill({ json: PSEUDO }));
  const names = new Set<string>(['Pseudo', 'English', 'Kettle', 'Scale', 'Europe/Lisbon']);
  // The page may show an answer before it is read here: whoever asks for the names waits for what is under way.
  const underWay = new Set<Promise<void>>();
  page.on('response', (response) => {
    const type = response.headers()['content-type'] ?? '';
    if (!response.url().includes('/api/') || !type.includes('json')) return;
    const reading = response
      .json()
      // An answer that the page left before it had come was not shown.
      .then(
        (answer) => namesIn(answer, '', names),
        () => undefined,
      )
      .finally(() => underWay.delete(reading));
    underWay.add(reading);
  });
  return async () => {
    await Promise.all(underWay);
    return names;
  };
}

/** What people of the kitchen wrote: nobody translates that. */
const GIVEN =
  /^(?:name|formulaId|summary|notes?|formulaName|lot|lotName|cook|phone|product|reason|look|hold|address|version|currency|aliases|cover)$/;
function namesIn(value: unknown, key: string, names: Set<string>): void {
  if (typeof value === 'string') {
    if ((GIVEN.test(key) || key === 'measure.text') && value.length > 1) names.add(value);
  } else if (Array.isArray(value)) value.forEach((one) => namesIn(one, key, names));
  else if (value && typeof value === 'object')
    for (const [inner, one] of Object.entries(value))
      namesIn(one, key === 'measure' ? `measure.${inner}` : inner, names);
}

/** Texts on the page, those for screen readers among them, that no catalogue was asked for. */
async function untranslated(page: Page, names: Names): Promise<string[]> {
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
  const given = [...(await names())]
    .filter((name) => !(name in spanish.texts))
    .sort((a, b) => b.length - a.length);
  return texts.filter((text) => {
    const rest = given.reduce(
      (left, name) => left.replaceAll(name, ' ').replaceAll(name.toLowerCase(), ' '),
      text,
    );
    // A word has a vowel; units have none, or are the same in every language.
    return /(?<![\p{L}\d])(?=\p{L}*[aeiou])(?!(?:oz|in|min|cup|tbsp|tsp|baud|Iso)\b)[A-Za-z]{2,}(?!\p{L})/u.test(
      rest,
    );
  });
}

test('a language from a file alone: no view keeps English, and longer words are not cut off', async ({
  page,
}) => {
  const names = await speakPseudo(page);
  for await (const path of walk(page, ALL_VIEWS)) {
    await expect(page.getByRole('main')).toContainText(/[àèìòù]/);
    await expect(page.getByText(FETCHING)).toHaveCount(0);
    expect.soft(await untranslated(page, names), path).toEqual([]);
    expect.soft(await cutOff(page), `${path}, cut off`).toEqual([]);
    expect.soft(await sideways(page), `${path}, sideways`).toBe(false);
  }
});

test('a batch in a language from a file alone: no step keeps English', async ({ page }) => {
  await asWritten(page);
  await page.clock.install();
  const names = await speakPseudo(page);
  const title = page.getByRole('heading', { level: 1 });
  const look = async () => {
    const more = page.getByRole('button', { name: new RegExp(`^${marked('More')}`), expanded: false });
    if ((await more.count()) > 0) await more.click();
    expect.soft(await untranslated(page, names), (await title.textContent()) ?? '').toEqual([]);
  };
  /** The button whose name holds these words, one after the other. */
  const press = async (...words: string[]) => {
    const name = new RegExp(words.map(marked).join('.*'));
    const button = page.getByRole('button', { name }).first();
    await expect(button).toBeVisible();
    await look();
    await button.click();
  };
  await page.goto('/plan/deckhand-wrap?by=pieces&pieces=8&ball=105 g');
  await press('Start batch');
  await page.waitForURL(/\/bench\//);
  for (;;) {
    const before = (await title.textContent()) ?? '';
    if (before.startsWith(marked('Mix'))) break;
    await press(' is in');
    await expect(title).not.toHaveText(before);
  }
  await press('Start mixing');
  await press('All mixed');
  await press('Start kneading');

  await press('It is right');
  await press('Covered: start the rest');
  await page.clock.fastForward('15:00');
  await press('Rested: go on');
  await press('Weigh the dough');
  for (const digit of '840') await page.getByRole('button', { name: digit, exact: true }).click();
  await press('The dough weighs');
  await press('Cut ');
  await press('Covered: start the rest');
  await press('End the rest early');
  await press('End it', 'early');
  await press('First discs rolled');
  const bench = new URL(page.url()).pathname;
  for (const beside of [
    `${bench}/balls`,
    `${bench}/disc`,
    bench.replace('/bench/', '/griddle/live/'),
    bench,
  ]) {
    await follow(page, beside);
    await expect(page.getByRole('main')).toContainText(/[àèìòù]/);
    await look();
  }
  await press('Piece 1 on');
  await page.clock.fastForward(23_000);
  await press('Turn', 'piece 1');
  await page.clock.fastForward(17_000);
  await press('Take off', 'piece 1');
  await press('No more pieces');
  await press('Thrown out');
  await press('Finish batch');
  await press('See it in the log');
  await expect(title).toBeVisible();
  await look();
  const record = new URL(page.url()).pathname;
  for (const part of ['/wrong', '/compare']) {
    await follow(page, record + part);
    await expect(page.getByText(FETCHING)).toHaveCount(0);
    await look();
  }
});

test('Spanish: chosen once, read everywhere, numbers with a comma, a list as it is said on a line', async ({
  page,
}) => {
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'Español' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Ajustes');
  await expect(page.locator('html')).toHaveAttribute('lang', 'es');

  await test.step('a list', async () => {
    await page.goto('/write');
    await page
      .getByLabel('Un ingrediente por línea, tal como lo dices')
      .fill(
        ['4 tazas de harina', 'media taza de manteca', '1½ cdita de sal', '1 a 1¼ tazas de agua tibia'].join(
          '\n',
        ),
      );
    await expect(page.getByText('Harina común', { exact: true }).first()).toBeVisible();
    await expect(page.getByText(/^Lard or shortening/)).toHaveCount(0);
    await page.getByLabel('Nombre', { exact: true }).fill('Tortillas del muelle');
    await page.getByLabel(/^Piezas que rinde/).fill('12');
    await page.getByRole('button', { name: 'Usar la primera respuesta en todas' }).click();
    await page.getByRole('button', { name: 'Guardar la fórmula' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Tortillas del muelle');
    await expect(page.getByText(/^\d+,\d\s%$/).first()).toBeVisible();
  });

  await test.step('a wrong figure is told at its field, and a comma is a decimal one', async () => {
    await follow(page, '/plan/lantern-round');
    await page.getByLabel('Piezas', { exact: true }).fill('0');
    await expect(page.getByText('Piezas: debe estar entre 1 y 10.000.')).toBeVisible();
    await page.getByLabel('Piezas', { exact: true }).fill('8');
    await page.getByLabel('Bola, g', { exact: true }).fill('58,5');
    const start = page.getByRole('button', { name: /^Empezar tanda/ });
    // Another journey may change the kitchen in between: the plan says so, and is started as it is now.
    const renewed = page.getByRole('button', { name: 'Mostrar el plan nuevo' });
    await page.addLocatorHandler(renewed, async () => {
      await renewed.click();
      await start.click();
    });
    await start.click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Pesar /);
    await page.removeLocatorHandler(renewed);
  });

  await test.step('back to English, at once', async () => {
    await follow(page, '/settings');
    await page.getByRole('radio', { name: 'English' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Settings');
  });
});
