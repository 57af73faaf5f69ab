import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { Refused, api } from '../../api/api';
import { draftStore, dropDraft } from '../../drafts/drafts';
import { keys, queryClient } from '../../api/queries';
import { draw, entry, formula, press } from '../../test/liveBatch';
import { push } from '../../test/router';
import { EditScreen } from './EditScreen';
import { SwapScreen } from './SwapScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const { id } = formula;
beforeEach(() => {
  push.mockReset();
  dropDraft(id);
  queryClient.setQueryData(keys.book, [entry()]);
  queryClient.setQueryData(keys.ingredients, [...CATALOGUE]);
  queryClient.setQueryData(keys.kitchen, DEFAULT_KITCHEN);
});

const field = (label: string | RegExp) => screen.getByLabelText<HTMLInputElement>(label);
const type = (label: string | RegExp, value: string) => {
  fireEvent.focus(field(label));
  fireEvent.change(field(label), { target: { value } });
};
/** By the words on it: asking a large screen for roles takes seconds in the test browser. */
const tap = (words: string | RegExp) => fireEvent.click(screen.getByText(words));
const done = (label: string | RegExp) => fireEvent.blur(field(label));
const grams = () =>
  draftStore(id)
    .getState()
    .draft?.lines.map(({ massG }) => massG);

describe('the percent editor', () => {
  beforeEach(() => void draw(<EditScreen id={id} />));

  test('percent, grams and total follow each other', () => {
    type('Water, share of flour, %', '65');
    expect(grams()).toEqual([1000, 650, 20]);
    done('Water, share of flour, %');
    type('Plain flour, weight, g', '2 kg');
    expect(grams()).toEqual([2000, 1300, 40]);
    done('Plain flour, weight, g');
    type('Total dough, g', '1670');
    expect(grams()?.[0]).toBeCloseTo(1000, 9);
    expect(screen.getByText('65.0 %')).toBeTruthy();
  });

  test('typing is one step of undo, and undo is undone', () => {
    for (const text of ['6', '66', '66.5']) type('Water, share of flour, %', text);
    done('Water, share of flour, %');
    press('Undo');
    expect(grams()).toEqual([1000, 600, 20]);
    press('Redo');
    expect(grams()?.[1]).toBeCloseTo(665, 9);
    fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
    expect(grams()).toEqual([1000, 600, 20]);
  });

  test('a locked line stays, and cannot be typed over', () => {
    fireEvent.click(screen.getByRole('switch', { name: 'Lock Fine salt' }));
    type('Total dough, g', '3220');
    expect(grams()).toEqual([2000, 1200, 20]);
    expect(field('Fine salt, weight, g').readOnly).toBe(true);
  });

  test.each([
    ['Water, share of flour, %', 'lots', /must be a number/],
    ['Water, share of flour, %', '900', /between 0 and 500/],
    ['Plain flour, share of flour, %', '80', /only flour is always 100/],
    ['Plain flour, weight, g', '3 cups', /what a cup of it weighs depends/],
    ['Total dough, g', '-4', /negative/],
  ])('%s “%s” gets a sentence, and nothing changes', (label, text, sentence) => {
    type(label, text);
    done(label);
    expect(screen.getByRole('alert').textContent).toMatch(sentence);
    expect(field(label).value).toBe(text);
    expect(grams()).toEqual([1000, 600, 20]);
  });

  test('outside the usual range it says what the bread would do', () => {
    type('Water, share of flour, %', '80');
    expect(screen.getByText(/Hydration is 80 %.*stick to the bench/)).toBeTruthy();
  });

  test('the method, the griddle and the bread are data too', () => {
    tap('Method');
    tap('Boiling water');
    type('Knead from, min', '20');
    expect(screen.getAllByRole('alert')[0]?.textContent).toMatch(/shortest time is longer/);
    type('Knead from, min', '2');
    tap('Griddle');
    tap('Add a side');
    fireEvent.click(screen.getAllByText('buttered')[2] as HTMLElement);
    tap('Bread');
    fireEvent.click(screen.getAllByText('Thickness')[0] as HTMLElement);
    type('Width, mm', '200');
    const draft = draftStore(id).getState().draft;
    expect(draft?.method).toMatchObject({ school: 'boiling-water', knead: { minS: 120 } });
    expect(draft?.bake.sides[2]).toEqual({ seconds: 30, butter: true });
    expect(draft?.product.thicknessMm).toBeCloseTo(2.7, 1);
  });
});

describe('two people at one formula', () => {
  const theirs = entry({ version: 2, summary: 'theirs' });

  test('the second sees both and saves on top, keeps both, or gives way', async () => {
    const save = jest
      .spyOn(api, 'saveVersion')
      .mockRejectedValueOnce(new Refused(412, 'Someone saved.', [], theirs))
      .mockResolvedValueOnce(theirs);
    jest.spyOn(api, 'book').mockResolvedValue([theirs]);
    draw(<EditScreen id={id} />);
    type('Water, share of flour, %', '65');
    tap('Save version 2');
    fireEvent.change(field(/^Reason, for/), { target: { value: 'wetter' } });
    tap('Save');
    await screen.findByText('Somebody saved version 2 meanwhile');
    expect(screen.getByText(/Keep both/)).toBeTruthy();
    expect(screen.getByText(/Discard yours/)).toBeTruthy();
    tap('Save yours as version 3');
    await waitFor(() => expect(push).toHaveBeenCalledWith('/formulas/test-round'));
    expect(save.mock.calls.map(([, reason, after]) => [reason, after])).toEqual([
      ['wetter', 1],
      ['wetter', 2],
    ]);
    expect(draftStore(id).getState().draft).toBeNull();
  });
});

test('a swap shows before and after, and what follows', () => {
  queryClient.setQueryData(keys.book, [
    entry({ lines: [...formula.lines, { id: 'butter', ingredient: 'butter', fraction: 0.1 }] }),
  ]);
  draw(<SwapScreen id={id} />);
  fireEvent.click(screen.getByRole('radio', { name: /^Butter/ }));
  press('Choose a replacement');
  press('Lard');
  const table = screen.getByRole('table', { name: 'Before and after' });
  expect(table.textContent).toMatch(/Butter, unsalted10\.0.%–/);
  expect(table.textContent).toMatch(/Lard–8\.2/);
  expect(table.textContent).toMatch(/Effective hydration61\.7.%61\.7/);
  expect(screen.getByText(/No longer contains milk/)).toBeTruthy();
});
