import { type Adjustment, type Carried, planBatch } from '@kettle-scale/core/plan';
import { ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { act, fireEvent, screen } from '@testing-library/react';
import { api } from '../../api/api';
import { draw, formula, plan as asWritten, press } from '../../test/liveBatch';
import { LessonsTicket } from './LessonsTicket';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const hotter: Adjustment = {
  ...{ id: 'diagnosis/b/plate-cold', from: 'diagnosis', what: 'plate', value: 10 },
  words: 'Plate too cold: pale',
};
const loss: Adjustment = {
  ...{ id: 'bowl-loss', from: 'lesson', what: 'bowl-loss', value: 0.02 },
  words: 'mean of 9 batches',
};
const carried: Carried = {
  ...{ id: hotter.id, formulaId: formula.id, batchId: 'b', at: '2026-03-04T10:00:00.000Z' },
  adjustment: hotter,
};
const planned = (...adjustments: Adjustment[]) =>
  planBatch({
    formula,
    need: asWritten.need,
    kitchen: asWritten.kitchen,
    conditions: ORDINARY_DAY,
    adjustments,
  });

test('a plan says what history changed in it, lets each be left out, and drops what was carried', async () => {
  const leave = jest.fn();
  const drop = jest.spyOn(api, 'dropCarried').mockResolvedValue([]);
  draw(
    <LessonsTicket
      plan={planned(hotter, loss)}
      offered={[hotter, loss]}
      carried={[carried]}
      left={new Set()}
      onLeave={leave}
    />,
  );
  expect(screen.getByText('Plate too cold: pale')).toBeTruthy();
  fireEvent.click(
    screen.getByRole('checkbox', { name: /^2\.0\s% of the dough counted as lost in the bowl/ }),
  );
  expect(leave).toHaveBeenLastCalledWith('bowl-loss', true);
  await act(async () => press('Delete'));
  expect(drop).toHaveBeenLastCalledWith(hotter.id);
});

test('what is left out can be taken in again; without history there is nothing to say', () => {
  const leave = jest.fn();
  const common = { carried: [], onLeave: leave };
  const { unmount } = draw(
    <LessonsTicket {...common} plan={planned()} offered={[loss]} left={new Set(['bowl-loss'])} />,
  );
  fireEvent.click(screen.getByRole('checkbox', { name: 'Lost in the bowl: left out of this batch' }));
  expect(leave).toHaveBeenLastCalledWith('bowl-loss', false);
  unmount();
  draw(<LessonsTicket {...common} plan={planned()} offered={[]} left={new Set()} />);
  expect(screen.queryByText('Learned from earlier batches')).toBeNull();
});
