import { CATALOGUE } from '@kettle-scale/core';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../data/api';
import { keys, queryClient } from '../../data/queries';
import { draw, formula } from '../../test/liveBatch';
import { push } from '../../test/router';
import { usePreferences } from '../../ui/preferences';
import { FormulaPage } from './FormulaPage';
import { FormulasScreen } from './FormulasScreen';
import { formulaFacts } from './formulaFacts';
import { methodWords } from './methodWords';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const foods = [...CATALOGUE];
const other = { ...formula, id: 'other', name: 'Other bread' };

beforeEach(() => {
  push.mockReset();
  usePreferences.getState().set({ units: 'metric' });
  queryClient.setQueryData(keys.formulas, [formula, other]);
  queryClient.setQueryData(keys.ingredients, foods);
});

test('the facts of a formula come from core: disc, totals, allergens', () => {
  const facts = formulaFacts(formula, foods);
  expect(facts.totals.hydration).toBe(0.6);
  expect(facts.relaxed.thicknessMm).toBe(2);
  expect(facts.rolled.diameterMm).toBeGreaterThan(facts.relaxed.diameterMm);
  expect(facts.allergens).toEqual(['gluten']);
});

test('the method is told in the order of work, with its windows', () => {
  const steps = methodWords(formula, (tempC) => `${tempC} °C`);
  expect(steps.map(({ name }) => name)).toEqual([
    ...['Mix', 'Knead', 'Rest the dough', 'Divide', 'Flatten', 'Good bread', 'Hold'],
  ]);
  expect(steps[0]?.text).toMatch(/Liquid at 55 °C, salt in the flour.*in the mixer/);
  expect(steps[1]?.text).toMatch(/by hand, until it stretches thin without tearing/);
  expect(steps[2]?.text).toMatch(/^10\smin to 20\smin, at room temperature, cloth/);
});

test('the book shows every formula with shares, hydration, ball and disc', () => {
  draw(<FormulasScreen />);
  const ticket = screen.getByRole('link', { name: /Test round/ });
  expect(ticket.getAttribute('href')).toBe('/formulas/test-round');
  for (const words of ['plain flour 100', 'water 60', 'fine salt 2.0', 'Hydration', '100\u00a0g']) {
    expect(ticket.textContent).toContain(words);
  }
  expect(screen.getByRole('link', { name: /Other bread/ })).toBeTruthy();
});

test('an empty book says how to begin', () => {
  queryClient.setQueryData(keys.formulas, []);
  draw(<FormulasScreen />);
  expect(screen.getByText('The book is empty')).toBeTruthy();
  expect(screen.getByRole('button', { name: /Bring in a formula file/ })).toBeTruthy();
});

test('a formula that is not there is said plainly', () => {
  draw(<FormulasScreen id="moon" />);
  expect(screen.getByText('This formula is not in this kitchen.')).toBeTruthy();
});

test('the page of a formula leads to its plan and names its allergens', () => {
  draw(<FormulaPage formula={formula} ingredients={foods} />);
  expect(screen.getByText(/^Contains gluten\. .*traces/)).toBeTruthy();
  expect(screen.getByText('Flame')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Plan a batch' }));
  expect(push).toHaveBeenCalledWith('/plan/test-round');
});

test('measures follow the reader', () => {
  usePreferences.getState().set({ units: 'us' });
  draw(<FormulaPage formula={formula} ingredients={foods} />);
  expect(screen.getByText('428 °F')).toBeTruthy();
});

describe('a formula file', () => {
  const bring = (text: string) => {
    const file = new File([text], 'formula.json', { type: 'application/json' });
    // The test browser's files cannot be read as text.
    Object.assign(file, { text: async () => text });
    fireEvent.change(screen.getByLabelText('Formula file'), { target: { files: [file] } });
  };

  test.each([
    ['not JSON', '{', /This is not JSON.*Nothing was brought in/],
    ['no flour', JSON.stringify({ ...formula, lines: formula.lines.slice(1) }), /needs flour/],
    ['an unknown field', JSON.stringify({ ...formula, moon: 1 }), /^moon: .*not known/],
  ])('with %s brings nothing in', async (_case, text, sentence) => {
    const add = jest.spyOn(api, 'addFormula');
    draw(<FormulasScreen />);
    bring(text);
    await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(sentence));
    expect(add).not.toHaveBeenCalled();
  });

  test('that is sound is added whole and opened', async () => {
    const add = jest.spyOn(api, 'addFormula').mockResolvedValue({});
    jest.spyOn(api, 'formulas').mockResolvedValue([formula]);
    draw(<FormulasScreen />);
    bring(JSON.stringify({ ...formula, id: 'brought' }));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/formulas/brought'));
    expect(add).toHaveBeenCalledWith({ ...formula, id: 'brought' });
  });
});
