import { DEFAULT_KITCHEN, type Kitchen } from '@kettle-scale/core/kitchen';
import { act, fireEvent, screen } from '@testing-library/react';
import { keys, queryClient } from '../api/queries';
import { chooseCook, cookOfAct } from '../batch/cookHere';
import { draw, press } from '../test/liveBatch';
import { CookChoice, CookMark } from './CookChoice';

const COOKS = [
  { id: 'early', name: 'Early cook' },
  { id: 'late', name: 'Late cook' },
  { id: 'old', name: 'Old cook', gone: true as const },
];
const know = (cooks: Kitchen['cooks']) =>
  queryClient.setQueryData<Kitchen>(keys.kitchen, { ...DEFAULT_KITCHEN, ...(cooks ? { cooks } : {}) });
const choose = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));

beforeEach(() => {
  queryClient.clear();
  queryClient.setDefaultOptions({ queries: { staleTime: Infinity } });
  act(() => chooseCook(null));
});

test('one tap says who works here; from then on acts carry the cook, until nobody says', () => {
  know(COOKS);
  draw(<CookChoice />);
  expect(screen.getAllByRole('radio').map(({ textContent }) => textContent)).toEqual([
    ...['Early cook', 'Late cook', 'Nobody says'],
  ]);
  expect(cookOfAct()).toEqual({});
  choose('Late cook');
  expect(cookOfAct()).toEqual({ cook: 'late' });
  choose('Nobody says');
  expect(cookOfAct()).toEqual({});
});

test('a cook who has left is not at work on a phone that still says so', () => {
  know(COOKS);
  act(() => chooseCook('old'));
  expect(cookOfAct()).toEqual({});
  queryClient.clear();
  // Before the kitchen is known, as without a network, the phone is believed.
  expect(cookOfAct()).toEqual({ cook: 'old' });
});

test('on a step the mark names the cook, and a tap on another closes what it opened', () => {
  know(COOKS);
  draw(<CookMark />);
  press('Who? Nobody has said');
  choose('Early cook');
  expect(screen.getByRole('button', { name: 'Cook: Early cook' })).toBeTruthy();
  expect(cookOfAct()).toEqual({ cook: 'early' });
});

test('a kitchen that names nobody is not asked', () => {
  know(undefined);
  draw(
    <>
      <CookChoice />
      <CookMark />
    </>,
  );
  expect(screen.queryByRole('radio')).toBeNull();
  expect(screen.queryByRole('button')).toBeNull();
});
