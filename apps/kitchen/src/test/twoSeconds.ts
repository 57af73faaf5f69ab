import { formulaSchema } from '@kettle-scale/core/formula';
import { DEFAULT_KITCHEN, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { planBatch } from '@kettle-scale/core/plan';
import { cleanup } from '@testing-library/react';
import spanish from '../../../../languages/es.json';
import { queryClient } from '../api/queries';
import { usePreferences } from '../reader/preferences';
import { fakeStreams } from './eventSource';
import { formula } from './liveBatch';

/** What a cook can read with hands in the dough. */
const MOST_WORDS = 25;
const UNITS = new Set(['kg', 'mm', 'min']);
const MORE = { en: 'More', es: 'Más' } as const;

/** With all that asks for words: hot water held back, milk, a mixer, a hot press, a wiped plate, a flame. */
export const fullPlan = planBatch({
  formula: formulaSchema.parse({
    ...formula,
    formatVersion: 4,
    name: 'Lantern round',
    lines: [...formula.lines, { id: 'milk', ingredient: 'milk-whole', fraction: 0.05 }],
    bake: { ...formula.bake, care: [{ what: 'wipe it with oil', every: 1 }] },
  }),
  need: { by: 'pieces', pieces: 10, ballG: 100 },
  kitchen: { ...DEFAULT_KITCHEN, bowlMinimumG: 0, bowlCapacityG: 1200 },
  conditions: ORDINARY_DAY,
});

/** Classes of what is there for who cannot see: not drawn, or drawn clear. */
const unseen = (): string =>
  [...document.styleSheets]
    .flatMap(({ cssRules }) => [...cssRules] as CSSStyleRule[])
    .filter(({ style }) => style?.display === 'none' || style?.opacity === '0')
    .map(({ selectorText }) => selectorText)
    .join();

/** The words in sight where they are more than can be read in two seconds; none where they are not. */
export function tooManyWords(page: HTMLElement): string[] {
  const texts: string[] = [];
  const hidden = unseen();
  const walk = document.createTreeWalker(page, NodeFilter.SHOW_TEXT);
  while (walk.nextNode()) {
    const { parentElement, textContent } = walk.currentNode;
    if (textContent && !parentElement?.closest(hidden)) texts.push(textContent);
  }
  const words = texts.flatMap((text) => text.match(/\p{L}{2,}/gu) ?? []).filter((word) => !UNITS.has(word));
  expect(words.length).toBeGreaterThan(0);
  return words.length > MOST_WORDS ? words : [];
}

/**
 * Tests in English and in Spanish.
 * @param tests is given the word that unfolds what is not in sight
 */
export function inEachLanguage(what: string, tests: (more: string) => void): void {
  describe.each(['en', 'es'] as const)(`${what}, in %s`, (language) => {
    beforeEach(() => {
      queryClient.clear();
      fakeStreams();
      Object.assign(globalThis, {
        fetch: jest.fn(async (path: string) => ({
          ok: true,
          json: async () =>
            path.endsWith('index.json') ? [{ language: 'es', name: 'Español' }] : (spanish as unknown),
        })),
      });
      usePreferences.setState({ language });
    });
    afterEach(async () => {
      cleanup();
      usePreferences.setState({ language: null });
      await jest.advanceTimersByTimeAsync(1000);
    });
    tests(MORE[language]);
  });
}
