import { DEFAULT_KITCHEN, type Kitchen, withChange } from '@kettle-scale/core/kitchen';
import type { Lesson } from '@kettle-scale/core/log';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { Refused, api } from '../../api/api';
import { queryClient } from '../../api/queries';
import { draw } from '../../test/liveBatch';
import { LessonsScreen } from './LessonsScreen';
import { lessonFigure } from '../../shared/lessonText';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const lesson = (changes: Partial<Lesson> = {}): Lesson => ({
  ...{ id: 'bowl-loss', kind: 'bowl-loss', title: 'Lost in the bowl', words: '1.6 % stays.', unit: 'share' },
  ...{ value: 0.016, low: 0.015, high: 0.017, before: 0.01, batches: 2, on: true },
  evidence: [
    { batchId: 'a', at: '2026-03-01T10:00:00.000Z', formulaName: 'Round', value: 0.015 },
    { batchId: 'b', at: '2026-03-02T10:00:00.000Z', formulaName: 'Round', value: 0.017 },
  ],
  adjustment: {
    id: 'bowl-loss',
    from: 'lesson',
    what: 'bowl-loss',
    value: 0.016,
    words: 'mean of 2 batches',
  },
  ...changes,
});

let kitchen: Kitchen;
beforeEach(() => {
  queryClient.clear();
  kitchen = { ...DEFAULT_KITCHEN, lessonsOff: ['water/gone'] };
  jest.spyOn(api, 'kitchen').mockImplementation(() => Promise.resolve(kitchen));
  jest
    .spyOn(api, 'changeKitchen')
    .mockImplementation(async (change) => (kitchen = withChange(kitchen, change)));
});

test('a lesson shows figure, interval and evidence, and is kept out of plans by its switch', async () => {
  jest.spyOn(api, 'lessons').mockResolvedValue([
    lesson(),
    lesson({
      id: 'ball-spread/round',
      kind: 'ball-spread',
      title: 'Balls of Round',
      unit: 'g',
      adjustment: null,
    }),
  ]);
  draw(<LessonsScreen />);
  expect(await screen.findByText(/^1\.5\s% to 1\.7\s%$/)).toBeTruthy();
  expect(screen.getByText('For information; it changes no plan.')).toBeTruthy();
  const use = screen.getByRole('checkbox', { name: 'Use in plans' });
  await act(async () => fireEvent.click(use));
  expect(kitchen.lessonsOff).toEqual(['water/gone', 'bowl-loss']);
  await waitFor(() => expect(use.getAttribute('aria-checked')).toBe('false'));
  await act(async () => fireEvent.click(use));
  expect(kitchen.lessonsOff).toEqual(['water/gone']);
  fireEvent.click(screen.getAllByRole('button', { name: 'Evidence' })[0] as Element);
  fireEvent.click(await screen.findByRole('button', { name: 'As a table' }));
  expect(screen.getAllByRole('row').map(({ textContent }) => textContent)).toEqual([
    'Batchday% of dough',
    '1 Round1 Mar1.5',
    '2 Round2 Mar1.7',
  ]);
});

test('two lessons switched off one after the other both stay off; where the second is refused, the first alone', async () => {
  const off = () =>
    screen.getAllByRole('checkbox').map((one) => one.getAttribute('aria-checked') === 'false');
  jest.spyOn(api, 'lessons').mockResolvedValue([lesson(), lesson({ id: 'bench-loss', title: 'Bench' })]);
  let back: () => void = () => undefined;
  const away = new Promise<void>((resolve) => (back = resolve));
  jest
    .spyOn(api, 'changeKitchen')
    .mockImplementationOnce(async (change) => away.then(() => (kitchen = withChange(kitchen, change))));
  draw(<LessonsScreen />);
  const [first, second] = await screen.findAllByRole('checkbox', { name: 'Use in plans' });
  fireEvent.click(first as Element);
  await waitFor(() => expect(off()).toEqual([true, false]));
  fireEvent.click(second as Element);
  await waitFor(() => expect(off()).toEqual([true, true]));
  await act(async () => back());
  await waitFor(() => expect(kitchen.lessonsOff).toEqual(['water/gone', 'bowl-loss', 'bench-loss']));
  expect(off()).toEqual([true, true]);
  jest.spyOn(api, 'changeKitchen').mockRejectedValueOnce(new Refused(400, 'Not this one.', []));
  await act(async () => fireEvent.click(second as Element));
  expect((await screen.findByRole('alert')).textContent).toBe('Not this one.');
  expect(off()).toEqual([true, true]);
});

test('before anything was finished it says how the first lesson comes', async () => {
  jest.spyOn(api, 'lessons').mockResolvedValue([]);
  draw(<LessonsScreen />);
  expect(await screen.findByText('No lessons yet')).toBeTruthy();
});

test.each<[Partial<Lesson>, number, string]>([
  [{ unit: 'points', kind: 'water' }, -1.24, '−1.2 points'],
  [{ unit: 'times', kind: 'relaxing' }, 1.3, '× 1.30'],
  [{ unit: 'min', kind: 'rest' }, 23.4, '23 min'],
  [{ unit: 'g', kind: 'ball-spread' }, 1.44, '1.4 g'],
  [{ unit: 'EUR a month', kind: 'cost' }, 0.0163, '+€0.016'],
])('%j of %d reads %s', (of, value, words) => {
  expect(lessonFigure(lesson(of), value, 'metric')).toBe(words);
});
