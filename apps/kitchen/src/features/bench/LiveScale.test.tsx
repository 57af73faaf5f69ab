import type { HeardReading } from '@kettle-scale/core/device';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { fakeStreams, stream, tellReading } from '../../test/eventSource';
import { draw, liveBatch, plan, press, see, stepOf } from '../../test/liveBatch';
import { usePreferences } from '../../reader/preferences';
import { WeighStep } from './steps/WeighStep';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const flour = plan.sheet[0];
const targetG = flour?.massG ?? 0;

let deviceActs: jest.SpyInstance;
beforeEach(() => {
  fakeStreams();
  deviceActs = jest.spyOn(api, 'deviceAct').mockResolvedValue({} as never);
  deviceActs.mockClear();
  usePreferences.setState({ scale: true, autoAdvance: false });
});
afterEach(() => usePreferences.setState({ scale: false, autoAdvance: false }));

function weighing() {
  const { live, acts } = liveBatch();
  draw(<WeighStep live={live} step={stepOf('weigh-1-flour')} />);
  return acts;
}
/** The scale shows a weight. */
const shows = (
  massG: number,
  more: { steady?: boolean; overload?: boolean } = {},
  heard: Partial<HeardReading> = {},
) =>
  act(() => {
    const reading = { kind: 'scale', at: '2026-03-04T10:00:00.000Z', massG, steady: true, overload: false };
    tellReading({ ...reading, ...more } as never, heard);
  });
const state = () =>
  screen
    .getAllByRole('status')
    .map(({ textContent }) => textContent)
    .join(' ');

test('before the scale says anything the line can be confirmed by hand', () => {
  const acts = weighing();
  press(/ is in$/);
  expect(acts).toMatchObject([{ type: 'weighed', massG: targetG, by: 'hand' }]);
});

test('water beyond the start is of the hold-back, and too much only above all of it', () => {
  const water = plan.sheet.find(({ lineId }) => lineId === 'water');
  const { live } = liveBatch({ type: 'weighed', stepId: 'weigh-1-flour', massG: targetG });
  draw(<WeighStep live={live} step={stepOf('weigh-1-water')} />);
  shows((water?.startG ?? 0) + 20);
  expect(state()).toContain('right, with 20\u00a0g of the hold-back');
  shows((water?.massG ?? 0) + 30);
  expect(state()).toContain('30\u00a0g too much');
});

test('shows how much is to go, when it is right, and when it is too much', () => {
  weighing();
  shows(targetG - 100, { steady: false });
  expect(state()).toContain('100\u00a0g to go');
  expect(state()).not.toContain('steady');
  shows(targetG);
  expect(state()).toContain('right, steady');
  shows(targetG + 50);
  expect(state()).toContain('50\u00a0g too much');
  shows(40_000, { overload: true });
  expect(state()).toContain('Overloaded');
});

test('a right weight is taken as it stands, and the scale is tared for the next line', async () => {
  const acts = weighing();
  shows(targetG + 1);
  press(/^Take/);
  await waitFor(() => expect(acts).toHaveLength(1));
  expect(acts).toEqual([
    { type: 'weighed', stepId: 'weigh-1-flour', massG: targetG + 1, by: 'scale', source: 'device' },
  ]);
  expect(deviceActs).toHaveBeenCalledWith('scale', { act: 'tare' });
});

test('an over-pour is a choice, as by hand; scooped out it is weighed again on the scale', () => {
  const acts = weighing();
  shows(targetG + 60);
  press(/^Take/);
  expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Too much plain flour');
  expect(acts).toEqual([]);
  press(/^Take out/);
  shows(targetG);
  expect(state()).toContain('right');
});

test('by itself it goes on only when steady and right, and only once', async () => {
  usePreferences.setState({ autoAdvance: true });
  const acts = weighing();
  shows(targetG, { steady: false });
  shows(targetG - 30);
  expect(acts).toEqual([]);
  shows(targetG);
  shows(targetG);
  await waitFor(() => expect(acts).toHaveLength(1));
  shows(targetG - 1);
  shows(targetG);
  expect(acts).toHaveLength(1);
});

test('a scale that goes away leaves the step by hand', () => {
  weighing();
  shows(120);
  expect(screen.queryByRole('button', { name: / is in$/ })).toBeNull();
  act(() => void stream().dispatchEvent(new Event('error')));
  expect(screen.getByRole('button', { name: / is in$/ })).toBeTruthy();
});

test('salt goes on the fine scale, by hand', () => {
  const { live } = liveBatch();
  draw(<WeighStep live={live} step={stepOf('weigh-1-salt')} />);
  press('More');
  expect(screen.queryByRole('checkbox', { name: 'Live scale' })).toBeNull();
  expect(see(/On the fine scale/)).toBeTruthy();
});

test('the simulated scale says so, pours what is missing, scoops and clears', () => {
  weighing();
  shows(100);
  press('More');
  expect(screen.queryByRole('button', { name: 'Simulated scale: pour, scoop' })).toBeNull();
  shows(100, {}, { source: 'simulated' });
  expect(see(/^On the scale, simulated: /)).toBeTruthy();
  press('Simulated scale: pour, scoop');
  const inSheet = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
  inSheet(/^Scoop 50/);
  inSheet('Clear');
  inSheet(/^Pour what is missing/);
  expect(deviceActs.mock.calls.map(([, what]) => what)).toMatchObject([
    { act: 'scoop', massG: 50 },
    { act: 'clear' },
    { act: 'pour', massG: targetG - 100 },
  ]);
});

describe('an honest reading', () => {
  const old = { ageS: 3 * 365 * 24 * 3600 };

  test('one of years ago is shown as old, and nothing is weighed by it', () => {
    const acts = weighing();
    shows(targetG, {}, old);
    expect(see(/^Bench scale: .* old, not used$/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Take / })).toBeNull();
    press(/ is in$/);
    expect(acts).toMatchObject([{ by: 'hand' }]);
  });

  test('one that is not renewed grows old while it is looked at', () => {
    jest.useFakeTimers();
    weighing();
    shows(targetG);
    expect(screen.queryByRole('button', { name: /^Take / })).not.toBeNull();
    act(() => jest.advanceTimersByTime(6000));
    expect(screen.queryByRole('button', { name: /^Take / })).toBeNull();
    jest.useRealTimers();
  });

  test('a stand-in of a real kitchen is shown as simulated, and is not recorded', () => {
    weighing();
    shows(targetG, {}, { source: 'simulated', usable: false });
    expect(see('Bench scale: simulated, not recorded here')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Take / })).toBeNull();
  });
});
