import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { screen } from '@testing-library/react';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { LeadsPage } from '../../shared/ForLead';
import { draw, entry } from '../../test/liveBatch';
import { FormulasScreen } from './FormulasScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const NONE = () => null;
const parts = { FormulaPage: NONE, BringIn: () => 'Import', TakeBook: NONE };
const here = (role: 'cook' | 'lead') => {
  queryClient.clear();
  queryClient.setQueryData(keys.access, { role, phone: { id: 'p', name: 'Griddle phone' } });
  queryClient.setQueryData(keys.book, [entry()]);
  queryClient.setQueryData(keys.ingredients, [...CATALOGUE]);
  jest.spyOn(api, 'access').mockReturnValue(new Promise(() => undefined));
};
const offered = () => [
  screen.queryByRole('button', { name: 'Write a formula' }) !== null,
  screen.queryByText('Import') !== null,
];

test('what only a lead may do is offered to a lead, and not to a cook, who would only be refused after the work', () => {
  here('lead');
  const { unmount } = draw(<FormulasScreen parts={parts} />);
  expect(offered()).toEqual([true, true]);
  unmount();
  here('cook');
  draw(<FormulasScreen parts={parts} />);
  expect(offered()).toEqual([false, false]);
});

test('a cook who comes to a lead’s page by its address is told so, before anything is typed', () => {
  here('cook');
  draw(<LeadsPage title="Write a formula">the form</LeadsPage>);
  expect(screen.getByText('For a lead')).toBeTruthy();
  expect(screen.queryByText('the form')).toBeNull();
});

test('formulas that were never fetched are not called none', async () => {
  queryClient.clear();
  jest.spyOn(api, 'book').mockRejectedValue(new Error('The server does not answer.'));
  jest.spyOn(api, 'ingredients').mockRejectedValue(new Error('The server does not answer.'));
  draw(<FormulasScreen parts={parts} />);
  expect(await screen.findByText('Not fetched yet: formulas', {}, { timeout: 10_000 })).toBeTruthy();
  expect(screen.queryByText(/^No formulas/)).toBeNull();
});
