import { formulaFacts, methodWords } from '@kettle-scale/core/formula';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { useWriting } from '../../drafts/writing';
import { draw, entry, formula, press } from '../../test/liveBatch';
import { push } from '../../test/router';
import { usePreferences } from '../../reader/preferences';
import { workInPage } from '../../test/workers';
import { BringIn } from './BringIn';
import { FormulaPage } from './FormulaPage';
import { FormulasScreen } from './FormulasScreen';
import { indexBook, orderBook, viewBook } from './bookView';
import { TakeBook } from './TakeOut';
import { bookFile, formulaFile, selfContained } from './sendOut';
import { say } from '../../reader/say';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));
const foods = [...CATALOGUE];
const parts = { FormulaPage, BringIn, TakeBook };
const moon = {
  ...(foods[0] as (typeof foods)[number]),
  id: 'moon-dust',
  name: 'Moon dust',
  kind: 'other' as const,
};
const entries = [
  entry(),
  {
    ...entry({
      id: 'other',
      name: 'Other bread',
      lines: [...formula.lines, { id: 'l', ingredient: 'lard', fraction: 0.1 }],
    }),
    savedAt: '2026-03-05T10:00:00.000Z',
  },
  { ...entry({ id: 'old', name: 'Old bread' }), archived: true },
];
const page = (changes = {}) => <FormulaPage entry={entry(changes)} entries={entries} ingredients={foods} />;

beforeEach(() => {
  workInPage();
  push.mockReset();
  usePreferences.getState().set({ units: 'metric' });
  queryClient.setQueryData(keys.book, entries);
  queryClient.setQueryData(keys.ingredients, foods);
});

test('the method is told in the order of work, with its windows', () => {
  const steps = methodWords(formula, formulaFacts(formula, foods)).map(({ name, text }) => ({
    name: say(name),
    text: say(text),
  }));
  expect(steps.map(({ name }) => name)).toEqual([
    ...['Mix', 'Knead', 'Rest the dough', 'Divide', 'Flatten', 'Griddle', 'Good bread', 'Hold'],
  ]);
  expect(steps[0]?.text).toMatch(/Liquid at 55\s°C, salt in the flour.*in the mixer/);
  expect(steps[1]?.text).toMatch(/by hand, until it stretches without tearing/);
  expect(steps[2]?.text).toMatch(/^10\smin to 20\smin, at room temperature, cloth/);
});

test('the book is found by name and ingredient, sorted, and what is put away is apart', () => {
  const names = (find: string, sort: 'name' | 'newest' | 'wettest', archived = false) =>
    viewBook(orderBook(indexBook(entries, foods), sort), { find, archived }).map(
      ({ formula: { name } }) => name,
    );
  expect(names('', 'name')).toEqual(['Other bread', 'Test round']);
  expect(names('', 'newest')).toEqual(['Other bread', 'Test round']);
  expect(names('LARD', 'name')).toEqual(['Other bread']);
  expect(names('bread moon', 'name')).toEqual([]);
  expect(names('', 'name', true)).toEqual(['Old bread']);
});

test('the book shows every formula in use with shares, hydration, ball and disc', () => {
  draw(<FormulasScreen parts={parts} />);
  const ticket = screen.getByRole('link', { name: /Test round/ });
  expect(ticket.getAttribute('href')).toBe('/formulas/test-round');
  for (const words of ['plain flour 100', 'water 60', 'fine salt 2.0', 'Hydration', '100\u00a0g']) {
    expect(ticket.textContent).toContain(words);
  }
  expect(screen.queryByText('Old bread')).toBeNull();
});

test('an empty book says how to begin; a formula that is not there is said plainly', () => {
  queryClient.setQueryData(keys.book, []);
  const { unmount } = draw(<FormulasScreen parts={parts} />);
  expect(screen.getByText('The book is empty')).toBeTruthy();
  press(/Write a formula/);
  expect(push).toHaveBeenCalledWith('/write');
  unmount();
  draw(<FormulasScreen id="moon" parts={parts} />);
  expect(screen.getByText('This formula is not in this kitchen.')).toBeTruthy();
});

test('the page of a formula leads to its plan, names its allergens and its cost', () => {
  draw(page());
  expect(screen.getByRole('note').textContent).toMatch(/Contains gluten, wheat\..*traces.*local food code/);
  expect(screen.getByText('Flame')).toBeTruthy();
  expect(screen.getByRole('list', { name: 'Share of the cost' }).textContent).toMatch(
    /Plain flour€0\.840, 98/,
  );
  press('Plan a batch');
  expect(push).toHaveBeenCalledWith('/plan/test-round');
});

test('a formula that was measured in cups says how far off it can be', () => {
  const [flour, ...rest] = formula.lines;
  const measure = { text: '3 cups, scooped', fill: 'scooped' as const, gMl: 0.6 };
  draw(page({ lines: [{ ...flour, measure }, ...rest] }));
  expect(screen.getByText('60.0 % (56.3 to 64.3)')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Weigh Plain flour once' })).toBeTruthy();
});

test('measures follow the reader', () => {
  usePreferences.getState().set({ units: 'us' });
  draw(page());
  expect(screen.getByText('428 °F')).toBeTruthy();
});

describe('files', () => {
  const bring = (text: string, name = 'formula.json') => {
    const file = new File([text], name);
    // The test browser's files cannot be read as text.
    Object.assign(file, { text: async () => text });
    fireEvent.change(screen.getByLabelText('Formula file'), { target: { files: [file] } });
  };

  test.each([
    ['not JSON', '{', /^Line 1: this is not JSON.*Nothing was imported/],
    ['no flour', JSON.stringify({ ...formula, lines: formula.lines.slice(1) }), /needs flour/],
    ['an unknown field', JSON.stringify({ ...formula, moon: 1 }), /not known/],
  ])('with %s bring nothing in', async (_case, text, sentence) => {
    const send = jest.spyOn(api, 'importBook');
    draw(<FormulasScreen parts={parts} />);
    bring(text);
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(sentence));
    expect(send).not.toHaveBeenCalled();
  });

  test('that are sound say what they hold, ask about what is here, and report what was done', async () => {
    const report = {
      added: ['new'],
      versions: [],
      copies: ['test-round-2'],
      unchanged: [],
      skipped: [],
      ingredientsAdded: [],
      ingredientsKept: [],
    };
    const send = jest.spyOn(api, 'importBook').mockResolvedValue(report);
    jest.spyOn(api, 'book').mockResolvedValue(entries);
    jest.spyOn(api, 'ingredients').mockResolvedValue(foods);
    draw(<FormulasScreen parts={parts} />);
    bring(bookFile([entry(), entry({ id: 'new' })], [], foods, 'csv'), 'book.csv');
    fireEvent.click(await screen.findByRole('radio', { name: 'a copy beside it' }));
    press('Import 2');
    await screen.findByText('Copies, yours stay');
    expect(send.mock.calls[0]?.[0].formulas.map(({ id }) => id)).toEqual(['test-round', 'new']);
    expect(send.mock.calls[0]?.[1]).toBe('copy');
  });

  test('of words go to be read', async () => {
    draw(<FormulasScreen parts={parts} />);
    bring('500 g bread flour\n300 ml water', 'list.txt');
    await waitFor(() => expect(push).toHaveBeenCalledWith('/write'));
    expect(useWriting.getState().text).toBe('500 g bread flour\n300 ml water');
  });

  test('taken out carry the ingredients that only this kitchen has', async () => {
    const dusty = {
      ...formula,
      lines: [...formula.lines, { id: 'm', ingredient: 'moon-dust', fraction: 0.01 }],
    };
    expect(selfContained(formula, [...foods, moon])).toBe(formula);
    expect(selfContained(dusty, [...foods, moon]).ingredients).toEqual([moon]);
    const topping = { id: 'top', ingredient: 'moon-dust', gPerPiece: 2, when: 'at the end' } as const;
    expect(selfContained({ ...formula, onBread: [topping] }, [...foods, moon]).ingredients).toEqual([moon]);
    expect(JSON.parse(formulaFile(dusty, [...foods, moon], 'jsonld')).recipeIngredient.at(-1)).toBe(
      '10 g Moon dust',
    );
  });
});
