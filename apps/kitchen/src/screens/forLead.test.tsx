import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { screen } from '@testing-library/react';
import { api } from '../api/api';
import { keys, queryClient } from '../api/queries';
import { EditScreen } from '../features/edit/EditScreen';
import { FormulasScreen } from '../features/formulas/FormulasScreen';
import { WriteScreen } from '../features/write/WriteScreen';
import { draw, entry } from '../test/liveBatch';

jest.mock('expo-router', () => jest.requireActual('../test/router'));

const NONE = () => null;
const parts = { FormulaPage: NONE, BringIn: () => 'Import', TakeBook: NONE };
const here = (role: 'cook' | 'lead') => {
  queryClient.clear();
  queryClient.setQueryData(keys.access, { role, phone: { id: 'p', name: 'Griddle phone' } });
  queryClient.setQueryData(keys.book, [entry()]);
  queryClient.setQueryData(keys.ingredients, [...CATALOGUE]);
  queryClient.setQueryData(keys.kitchen, DEFAULT_KITCHEN);
  jest.spyOn(api, 'access').mockReturnValue(new Promise(() => undefined));
};

describe('what only a lead may do', () => {
  test('is offered to a lead', () => {
    here('lead');
    draw(<FormulasScreen parts={parts} />);
    expect(screen.getByRole('button', { name: 'Write a formula' })).toBeTruthy();
    expect(screen.getByText('Import')).toBeTruthy();
  });

  test('is not offered to a cook, who would only be refused after the work', () => {
    here('cook');
    draw(<FormulasScreen parts={parts} />);
    expect(screen.queryByRole('button', { name: 'Write a formula' })).toBeNull();
    expect(screen.queryByText('Import')).toBeNull();
  });

  test.each([
    ['writing a formula', <WriteScreen key="write" />],
    ['changing one', <EditScreen key="edit" id="test-round" />],
  ])('says so to a cook who comes by its address, before anything is typed: %s', (_, page) => {
    here('cook');
    draw(page);
    expect(screen.getByText('For a lead')).toBeTruthy();
    expect(screen.queryByRole('textbox')).toBeNull();
  });
});

test('formulas that were never fetched are not called none', async () => {
  queryClient.clear();
  jest.spyOn(api, 'book').mockRejectedValue(new Error('The server does not answer.'));
  jest.spyOn(api, 'ingredients').mockRejectedValue(new Error('The server does not answer.'));
  draw(<FormulasScreen parts={parts} />);
  expect(await screen.findByText('Not fetched yet: formulas', {}, { timeout: 5000 })).toBeTruthy();
  expect(screen.queryByText(/^No formulas/)).toBeNull();
});
