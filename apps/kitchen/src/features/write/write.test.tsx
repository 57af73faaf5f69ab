import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { draftStore } from '../../drafts/drafts';
import { keys, queryClient } from '../../api/queries';
import { useWriting } from '../../drafts/writing';
import { draw, press } from '../../test/liveBatch';
import { push } from '../../test/router';
import { WriteScreen } from './WriteScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

beforeEach(() => {
  push.mockReset();
  useWriting.getState().begin('', '');
  queryClient.setQueryData(keys.book, []);
  queryClient.setQueryData(keys.ingredients, [...CATALOGUE]);
  queryClient.setQueryData(keys.kitchen, DEFAULT_KITCHEN);
  draw(<WriteScreen />);
});

const write = (text: string) =>
  fireEvent.change(screen.getByLabelText(/^One ingredient a line/), { target: { value: text } });
const choose = (name: RegExp) => fireEvent.click(screen.getByRole('radio', { name }));
const reading = () => screen.getByRole('region', { name: 'As read' }).textContent;

test('a list in cups goes in by a few taps', async () => {
  const add = jest
    .spyOn(api, 'addFormula')
    .mockImplementation(async (formula, reason) => ({ formula, reason, savedAt: '' }));
  jest.spyOn(api, 'book').mockResolvedValue([]);
  write('Quay rounds\n2 3/4 cups flour\n1 to 1¼ cups warm water\n2 tsp table salt\nMakes 9');
  expect(screen.getByRole('button', { name: 'Next of 2 questions' })).toBeTruthy();
  choose(/^Strong flour$/);
  choose(/^scooped, 390\sg$/);
  expect(reading()).toMatch(/Hydration, as measured75\.\d.%? \(\d\d\.\d to \d\d\.\d\)/);
  expect(reading()).toMatch(/at 38\s°C.*hold back 59\sg/);
  press('Save the formula');
  await waitFor(() => expect(push).toHaveBeenCalledWith('/formulas/quay-rounds'));
  const [saved, reason] = add.mock.calls[0] ?? [];
  expect(saved).toMatchObject({ name: 'Quay rounds', method: { holdBack: 0.2, liquidTempC: 38 } });
  expect(saved?.lines[0]).toMatchObject({
    ingredient: 'flour-strong',
    measure: { text: '2 3/4 cups, scooped' },
  });
  expect(reason).toBe('Saved as a note');
  expect(useWriting.getState().text).toBe('');
});

test('what is not in the catalogue is chosen from it or left out; all else can be taken as usual', () => {
  write('500 g flour\n20 g moon dust\n1 tsp salt');
  press(/^Leave out 20 g moon dust$/);
  press('Use the first answer to every question');
  expect(screen.getByRole('button', { name: 'Save the formula' })).toBeTruthy();
  expect(reading()).toMatch(/Kept as a note, not weighed20 g moon dust/);
});

test('the draft can be worked on before it is in the book', () => {
  write('500 g bread flour\n300 ml water');
  press('Edit first');
  expect(push).toHaveBeenCalledWith('/formulas/new-formula/edit');
  expect(draftStore('new-formula').getState()).toMatchObject({
    after: 0,
    draft: { lines: [{ massG: 500 }, {}] },
  });
});

test('without flour it cannot be saved, and the words stay', () => {
  write('300 ml water');
  press('Save the formula');
  expect(screen.getByRole('alert').textContent).toMatch(/how much flour/);
  expect(useWriting.getState().text).toBe('300 ml water');
});

test('one weighing of the own cup goes to the kitchen', async () => {
  const save = jest.spyOn(api, 'saveIngredient').mockImplementation(async (food) => food);
  write('2 cups bread flour, scooped');
  press('Weigh Strong flour once');
  fireEvent.change(screen.getByLabelText('It weighs, g'), { target: { value: '700' } });
  press('This is our cup');
  expect((await screen.findByRole('alert')).textContent).toMatch(/far from the usual/);
  fireEvent.change(screen.getByLabelText('It weighs, g'), { target: { value: '150' } });
  press('This is our cup');
  await waitFor(() => expect(reading()).toMatch(/Strong flour300\sg294\sg to 306\sg/));
  expect(save.mock.calls[0]?.[0].densities?.find(({ fill }) => fill === 'scooped')?.weighedOn).toMatch(
    /^\d{4}-/,
  );
});

test('an answer can be changed, and the pieces are asked where the list is written', async () => {
  const add = jest
    .spyOn(api, 'addFormula')
    .mockImplementation(async (formula, reason) => ({ formula, reason, savedAt: '' }));
  write('3 cups flour\n300 ml water');
  choose(/^Strong flour$/);
  const answered = Object.keys(useWriting.getState().answers);
  press('Change the answer: 3 cups flour');
  expect(answered).toHaveLength(1);
  expect(useWriting.getState().answers).toEqual({});
  press('Use the first answer to every question');
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Six rounds' } });
  fireEvent.change(screen.getByLabelText('Pieces it makes'), { target: { value: '0' } });
  press('Save the formula');
  expect(screen.getByRole('alert').textContent).toBe('Pieces must be between 1 and 20,000.');
  fireEvent.change(screen.getByLabelText('Pieces it makes'), { target: { value: '6' } });
  press('Save the formula');
  await waitFor(() => expect(push).toHaveBeenCalledWith('/formulas/six-rounds'));
  const saved = add.mock.calls.at(-1)?.[0];
  const doughG = (saved?.flourG ?? 0) * (saved?.lines.reduce((sum, { fraction }) => sum + fraction, 0) ?? 0);
  expect((saved?.product.ballG ?? 0) * 6).toBeGreaterThan(0.9 * doughG);
});
