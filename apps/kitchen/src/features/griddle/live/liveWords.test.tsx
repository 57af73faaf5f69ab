import type { EventBody } from '@kettle-scale/core/batch';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import type { Griddle } from '@kettle-scale/core/kitchen';
import { act } from '@testing-library/react';
import { api } from '../../../api/api';
import { keys, queryClient } from '../../../api/queries';
import { useLanguage } from '../../../reader/language';
import { tellReading } from '../../../test/eventSource';
import {
  START_MS,
  agreeOnSeconds,
  atTheBench,
  draw,
  entry,
  liveBatchOf,
  press,
} from '../../../test/liveBatch';
import { fullPlan as plan, inEachLanguage, tooManyWords } from '../../../test/twoSeconds';
import * as background from '../../../workers/background';
import { LiveScreen } from './LiveScreen';

jest.mock('expo-router', () => jest.requireActual('../../../test/router'));

atTheBench();

/** Room for four of its breads, with a knob. */
const GRIDDLE: Griddle = {
  ...{ id: 'plate', name: 'Plate', material: 'steel', thicknessMm: 10, shape: 'rectangle' },
  ...{ widthMm: 480, depthMm: 480, heat: 'thermostat', powerW: 6000 },
  marks: [
    { mark: 4, tempC: 200, source: 'typed' },
    { mark: 6, tempC: 240, source: 'typed' },
  ],
};
/** What a plate's seconds are does not matter to how many words stand there. */
const timesAt = (plateC: number) => ({
  ...{ plateC, seconds: [20, 15], range: { least: [16, 12], most: [24, 20] }, keepsSplit: true, after: [] },
});

interface Moment {
  name: string;
  /** Acts, each so many seconds before now. */
  acts: readonly (readonly [agoS: number, body: EventBody])[];
  plateC?: number;
}

const on = (piece: number, place = piece): EventBody => ({
  ...{ type: 'piece-on', piece, place, plateC: 220, source: 'typed' },
});
const turned = (piece: number, side = 2): EventBody => ({ type: 'flipped', piece, side });
const off = (piece: number): EventBody => ({ type: 'piece-off', piece });
const oiled: EventBody = { type: 'cared', what: 'wipe it with oil' };
const FLAT: EventBody = { type: 'flattened', diameterMm: 200, thicknessMm: 2 };
const pale = (piece: number): EventBody => ({
  ...{ type: 'judged', piece, firstSide: 'pale', secondSide: 'pale' },
});
/** The first piece is off. */
const WORKED = [
  [70, on(1)],
  [50, turned(1)],
  [35, turned(1, 3)],
  [30, off(1)],
  [29, oiled],
] as const;

const MOMENTS: readonly Moment[] = [
  { name: 'a plate that is too hot', acts: [], plateC: 262 },
  { name: 'a plate that is too cold', acts: [], plateC: 150 },
  { name: 'the first piece goes on', acts: [[9, oiled]] },
  {
    name: 'the first side',
    acts: [
      [29, oiled],
      [12, on(1)],
    ],
  },
  { name: 'the plate is due', acts: WORKED.slice(0, -1) },
  { name: 'a full plate', acts: [...WORKED, [17, on(2, 1)], [12, on(3, 2)], [7, on(4, 3)], [2, on(5, 4)]] },
  { name: 'a turn is due', acts: [...WORKED, [21, on(2, 1)], [12, on(3, 2)], [7, on(4, 3)]] },
  { name: 'the flame is due', acts: [...WORKED, [37, on(2, 1)], [16, turned(2)], [12, on(3, 2)]] },
  {
    name: 'off the flame is due',
    acts: [...WORKED, [42, on(2, 1)], [21, turned(2)], [6, turned(2, 3)], [12, on(3, 2)]],
  },
  { name: 'two at once', acts: [...WORKED, [19, on(2, 1)], [18, on(3, 2)]] },
  { name: 'the last piece was pale', acts: [...WORKED, [12, on(2, 1)], [7, on(3, 2)], [3, pale(1)]] },
];

function Live() {
  return useLanguage() === null ? null : <LiveScreen id="live" />;
}

async function stand({ acts, plateC = 220 }: Moment): Promise<HTMLElement> {
  const bodies = [FLAT, ...acts.map(([, body]) => body)];
  const { live } = liveBatchOf(plan, ...bodies);
  const agoS = [600, ...acts.map(([s]) => s)];
  const events = live.batch.events.map((event, i) => ({
    ...event,
    at: new Date(START_MS - (agoS[i] ?? 0) * 1000).toISOString(),
  }));
  const batch = {
    ...live.batch,
    id: 'live',
    startedAt: new Date(START_MS - 3_600_000).toISOString(),
    events,
  };
  jest.spyOn(api, 'batch').mockResolvedValue(batch as never);
  const kitchen = { ...plan.kitchen, griddles: [GRIDDLE] };
  jest.spyOn(api, 'kitchen').mockResolvedValue(kitchen);
  queryClient.setQueryData(keys.batch('live'), batch);
  queryClient.setQueryData(keys.ingredients, CATALOGUE);
  queryClient.setQueryData(keys.book, [entry()]);
  queryClient.setQueryData(keys.kitchen, kitchen);
  const page = draw(<Live />).container;
  await act(() => jest.advanceTimersByTimeAsync(100));
  await act(() => jest.advanceTimersByTimeAsync(300));
  await act(() => jest.advanceTimersByTimeAsync(300));
  await act(async () => void tellReading({ kind: 'thermometer', tempC: plateC, steady: false } as never));
  await act(() => jest.advanceTimersByTimeAsync(300));
  return page;
}

beforeEach(() => {
  jest
    .spyOn(background, 'askWorker')
    .mockImplementation((async (_name: string, asks: { platesC: number[] }) =>
      asks.platesC.map(timesAt)) as never);
  agreeOnSeconds();
  jest.spyOn(api, 'ingredients').mockResolvedValue([...CATALOGUE]);
  jest.spyOn(api, 'book').mockResolvedValue([entry()]);
});

inEachLanguage('the plate is read in two seconds', (more) => {
  test.each(MOMENTS)('$name', async (moment) => {
    const page = await stand(moment);
    expect(tooManyWords(page)).toEqual([]);
    press(more);
  });
});
