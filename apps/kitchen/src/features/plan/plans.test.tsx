import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import type { SavedPlan } from '@kettle-scale/core/plan';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { draw, entry, press, see } from '../../test/liveBatch';
import { push } from '../../test/router';
import { PlansScreen } from './PlansScreen';
import { useDay } from './day';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const kept = (id: string, name: string, changes: Partial<SavedPlan> = {}): SavedPlan => ({
  ...{ id, name, savedAt: '2026-03-04T10:00:00.000Z', formulaId: 'test-round', formulaVersion: 1 },
  need: { by: 'pieces', pieces: 20, ballG: 100 },
  ...changes,
});

function open(...plans: SavedPlan[]): void {
  jest.spyOn(api, 'savedPlans').mockResolvedValue(plans);
  queryClient.setQueryData(keys.savedPlans, plans);
  queryClient.setQueryData(keys.book, [entry()]);
  queryClient.setQueryData(keys.ingredients, CATALOGUE);
  queryClient.setQueryData(keys.kitchen, DEFAULT_KITCHEN);
  draw(<PlansScreen />);
}
const tick = (name: string) => fireEvent.click(screen.getByRole('checkbox', { name: `Compare ${name}` }));

beforeEach(() => {
  queryClient.clear();
  push.mockReset();
  useDay.setState({ on: false, day: ORDINARY_DAY, mixer: null });
});

test('says what a kept plan comes to today, and that there is none', () => {
  open(kept('a', 'Friday'));
  expect(see(/^Test round: 20 pieces, 2\.0\skg of dough in 1 bowl$/)).toBeTruthy();
});

test('an empty shelf says how plans get here', () => {
  open();
  expect(see('No saved plan')).toBeTruthy();
});

test('two are held against each other, only where they differ', () => {
  open(
    kept('a', 'Friday'),
    kept('b', 'Saturday', { need: { by: 'pieces', pieces: 40, ballG: 100 } }),
    kept('c', 'Dry day', { conditions: { ...ORDINARY_DAY, flourMoisture: 0.11 } }),
  );
  expect(screen.queryByRole('table')).toBeNull();
  tick('Friday');
  tick('Saturday');
  const cells = (name: RegExp) => screen.getByRole('row', { name }).textContent;
  expect(cells(/^Pieces/)).toBe('Pieces2040');
  expect(screen.queryByRole('row', { name: /^Hydration/ })).toBeNull();
  // A third takes the place of the first.
  tick('Dry day');
  expect(cells(/^Flour moisture/)).toMatch(/–11\.0/);
});

test('opening one brings its day and bowl back with it', () => {
  open(kept('c', 'Dry day', { conditions: { ...ORDINARY_DAY, airC: 31, doughC: 26 } }));
  press('Open');
  expect(useDay.getState()).toMatchObject({ on: true, day: { airC: 31, doughC: 26 } });
  expect(push).toHaveBeenCalledWith({
    pathname: '/plan/[id]',
    params: { id: 'test-round', by: 'pieces', pieces: '20', ball: '100 g' },
  });
});

test('one whose formula is gone says so and cannot be opened, but can be forgotten', async () => {
  const forget = jest.spyOn(api, 'forgetPlan').mockResolvedValue([]);
  open(kept('x', 'Old', { formulaId: 'gone' }));
  expect(see('Its formula is not in the book any more.')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Open' }).getAttribute('aria-disabled')).toBe('true');
  press('Delete');
  await waitFor(() => expect(forget).toHaveBeenCalledWith('x'));
  await screen.findByText('No saved plan');
});
