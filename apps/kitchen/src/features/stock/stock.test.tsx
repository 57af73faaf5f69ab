import { type LotState, type LotUse, learnLotOffset } from '@kettle-scale/core/flourLot';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { draw, press, pressed, see, typed } from '../../test/liveBatch';
import { StockScreen } from './StockScreen';

const use = (points: number | null): LotUse => ({
  ...{ batchId: `b${points}`, startedAt: '2026-03-03T09:00:00.000Z', formulaName: 'Deckhand wrap' },
  ...{ flourG: 2800, points },
});
const lot = (uses: LotUse[], changes: Partial<LotState> = {}): LotState => ({
  ...{ id: 'quay-12', ingredient: 'flour-strong', name: 'Quay mill 12', receivedOn: '2026-02-20', bagKg: 25 },
  ...{ boughtG: 25_000, usedG: 5600, leftG: 19_400, perDayG: 1400, runsOutOn: '2026-03-18', uses },
  offset: learnLotOffset(uses.flatMap(({ points }) => (points === null ? [] : [points]))),
  ...changes,
});

let saved: jest.SpyInstance<Promise<LotState>, Parameters<typeof api.saveFlourLot>>;
beforeEach(() => {
  queryClient.clear();
  saved = jest.spyOn(api, 'saveFlourLot').mockResolvedValue(lot([]));
  saved.mockClear();
});

function open(...lots: LotState[]): void {
  jest.spyOn(api, 'flourLots').mockResolvedValue(lots);
  queryClient.setQueryData(keys.flourLots, lots);
  queryClient.setQueryData(keys.ingredients, CATALOGUE);
  queryClient.setQueryData(keys.kitchen, DEFAULT_KITCHEN);
  draw(<StockScreen />);
}
const sent = () => saved.mock.calls[0]?.[0];

test('says what is left, when it runs out, and what the lot has taught with its batches', () => {
  open(lot([use(2), use(3), use(null)]));
  expect(see('19.4')).toBeTruthy();
  expect(see('Wed 18 Mar')).toBeTruthy();
  expect(see('At 1.4 kg a day, as in the last week.')).toBeTruthy();
  const belief = learnLotOffset([2, 3]);
  expect(screen.getByRole('img').getAttribute('aria-label')).toContain(
    `+${belief.meanPoints.toFixed(1)} points`,
  );
  expect(see('not judged')).toBeTruthy();
});

test('a lot without a judged batch says so, with its wide interval', () => {
  open(lot([]));
  expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/^Not judged yet: .* give or take 3\.3/);
});

test('a delivery is received under an id of its own', async () => {
  open(lot([]));
  press('Receive a lot');
  await typed('What you call it', 'Quay mill 12');
  await typed('Bags', '3');
  await typed('Price of a bag, if known, EUR', '21,50');
  await typed('Moisture, if the mill says, %', '13,8');
  fireEvent.click(screen.getByRole('radio', { name: 'An open bin' }));
  await pressed('Receive it');
  await waitFor(() => expect(saved).toHaveBeenCalled());
  expect(sent()).toMatchObject({
    ...{ id: 'quay-mill-12', name: 'Quay mill 12', bags: 3, bagPrice: 21.5, storage: 'open' },
    moisture: expect.closeTo(0.138, 9),
  });
});

test('bad figures are said at their field, and nothing is sent', async () => {
  open();
  press('Receive a lot');
  await typed('Bags', 'two');
  await typed('Moisture, if the mill says, %', '40');
  await typed('Came on', 'Monday');
  await pressed('Receive it');
  const said = screen.getAllByRole('alert').map(({ textContent }) => textContent);
  expect(said).toEqual(
    expect.arrayContaining([
      'Lot name is empty.',
      'Bags must be a number.',
      'Moisture must be a fraction between 0.04 and 0.2 (4 to 20 %).',
      'The day it came must be a date like 2026-03-04.',
    ]),
  );
  expect(saved).not.toHaveBeenCalled();
});

test('a correction keeps the count; a count and “used up” keep everything else', async () => {
  const counted = { at: '2026-03-01T08:00:00.000Z', leftG: 21_000 };
  open(lot([use(2)], { counted, bags: 2 }));
  press('Correct');
  await typed('A bag, kg', '20');
  await pressed('Save');
  await waitFor(() => expect(saved).toHaveBeenCalledTimes(1));
  expect(sent()).toMatchObject({ id: 'quay-12', bagKg: 20, bags: 2, counted });
  expect(sent()).not.toHaveProperty('uses');
  saved.mockClear();
  press('Count it');
  await typed('Left now, kg', '18,2');
  const pressedMs = Date.now() + 40_000;
  jest.useFakeTimers({ advanceTimers: true, now: pressedMs });
  await pressed('Save the count');
  await waitFor(() => expect(saved).toHaveBeenCalledTimes(1));
  jest.useRealTimers();
  expect(sent()).toMatchObject({ id: 'quay-12', bagKg: 25, counted: { leftG: 18_200 } });
  // Flour that a batch took just before the press is not taken off again.
  expect(Date.parse(sent()?.counted?.at ?? '')).toBeGreaterThanOrEqual(pressedMs);
  saved.mockClear();
  press('Used up');
  await waitFor(() => expect(saved).toHaveBeenCalledTimes(1));
  expect(sent()).toMatchObject({ closed: true, counted });
});

test('a cook receives a lot; to count and correct one is a lead’s, and said before it is tried', () => {
  queryClient.setQueryData(keys.access, { role: 'cook', phone: { id: 'p', name: 'Griddle phone' } });
  jest.spyOn(api, 'access').mockReturnValue(new Promise(() => undefined));
  open(lot([]));
  expect(see('Only a lead counts and corrects a lot.')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Count it' })).toBeNull();
  expect(see('Receive a lot')).toBeTruthy();
});
