import type { BatchEvent, EventBody } from '@kettle-scale/core/batch';
import type { ReadingOf } from '@kettle-scale/core/device';
import { act, fireEvent, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { api } from '../../api/api';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { keys, queryClient } from '../../api/queries';
import { usePreferences } from '../../reader/preferences';
import { fakeStreams, tellReading } from '../../test/eventSource';
import { draw, keyIn, liveBatch, press, see } from '../../test/liveBatch';
import { push } from '../../test/router';
import { BallsScreen } from './BallsScreen';
import { DiscScreen } from './DiscScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

let sent: EventBody[];
const divided: EventBody = { type: 'divided', doughG: 980, pieces: 10, ballG: 98 };

/** A batch whose acts come back at once, as they do from the queue on this device. */
function open(...bodies: EventBody[]): void {
  const { live } = liveBatch(divided, ...bodies);
  queryClient.setQueryData(keys.batch('b'), live.batch);
  sent = [];
  const events = [...live.batch.events];
  jest.spyOn(api, 'batch').mockImplementation(() => Promise.resolve({ ...live.batch, events: [...events] }));
  jest.spyOn(kitchenQueue, 'add').mockImplementation(async (queued) => {
    if (!('event' in queued)) return;
    const { event } = queued;
    sent.push(event);
    events.push(event as BatchEvent);
    queryClient.setQueryData(keys.batch('b'), { ...live.batch, events: [...events] });
  });
}

/** Draws a page and lets its first fetch come in. */
const opened = (page: ReactNode) => act(async () => void draw(page));

beforeEach(() => {
  queryClient.clear();
  fakeStreams();
});

describe('balls on the scale', () => {
  const show = (massG: number, steady: boolean) =>
    act(async () => {
      const reading: ReadingOf<'scale'> = { kind: 'scale', at: '', massG, steady, overload: false };
      tellReading(reading);
    });

  test('each is taken once when it is steady, the next after it was lifted', async () => {
    open();
    await opened(<BallsScreen id="b" />);
    await show(60, false);
    expect(sent).toEqual([]);
    await show(99.1, true);
    await show(99.2, true);
    expect(sent).toMatchObject([{ type: 'ball-sampled', massG: 99.1 }]);
    await show(40, false);
    await show(96.8, true);
    expect(sent).toHaveLength(1);
    await show(0, true);
    await show(96.8, true);
    expect(sent).toMatchObject([{ massG: 99.1 }, { massG: 96.8 }]);
    await show(0, true);
    // Somebody puts the flour bin on it.
    await show(2140, true);
    expect(sent).toHaveLength(2);
    expect(see(/^too heavy for a ball: clear the scale/)).toBeTruthy();
    press('More');
    expect(see(/^Mean of 2$/)).toBeTruthy();
  });

  test('by hand, with advice that tells aim from spread', async () => {
    open(...[101, 101.2, 100.9, 101.1].map((massG): EventBody => ({ type: 'ball-sampled', massG })));
    await opened(<BallsScreen id="b" />);
    press('Key it in');
    keyIn('101');
    await act(async () => press('It weighs 101 g'));
    expect(sent).toMatchObject([{ massG: 101 }]);
    expect(see(/^Cut 3\sg lighter\.$/)).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: 'Enough' }));
    expect(push).toHaveBeenLastCalledWith('/bench/b');
  });
});

describe('the disc', () => {
  const fill = (label: string, value: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value } });

  test('measured: mean, thinnest place, spring-back and what to do', async () => {
    open({ type: 'started', stepId: 'rest-1' }, { type: 'done', stepId: 'rest-1' });
    await opened(<DiscScreen id="b" />);
    fill('Rolled to, mm', '280');
    fill('Across, mm', '240');
    fill('Along, mm', '252');
    press('More');
    fill('middle, mm', '2');
    fill('far edge, mm', '1,4');
    await act(async () => press('Save this disc'));
    expect(sent).toMatchObject([
      {
        type: 'disc-measured',
        rolledMm: 280,
        diametersMm: [240, 252],
        thicknessesMm: [
          { place: 'middle', mm: 2 },
          { place: 'far edge', mm: 1.4 },
        ],
      },
    ]);
    expect(await screen.findByText('Thinnest, far edge')).toBeTruthy();
    expect(see('Oval by').parentElement?.textContent).toMatch(/4\.9\s%/);
    expect(see(/^Springs back: rest the others \d+ min more/)).toBeTruthy();
  });

  test('a figure that cannot be is told, and nothing typed is lost', async () => {
    open();
    await opened(<DiscScreen id="b" />);
    fill('Across, mm', '5');
    fill('Along, mm', '200');
    press('Save this disc');
    expect((await screen.findByRole('alert')).textContent).toBe('Diameter must be between 30 and 900 mm.');
    expect(screen.getByLabelText('Along, mm')).toHaveProperty('value', '200');
    expect(sent).toEqual([]);
  });

  test('the screen is made true by a bank card', async () => {
    open();
    await opened(<DiscScreen id="b" />);
    const title = () => screen.getByRole('heading', { level: 1 }).textContent;
    expect(title()).toMatch(/, size unchecked$/);
    const before = usePreferences.getState().pxPerMm;
    press('Check the size');
    press('Larger');
    press('They match');
    expect(usePreferences.getState().pxPerMm).toBeCloseTo(before * 1.005, 9);
    expect(see(/^Within the dashes it is right/)).toBeTruthy();
    expect(title()).toMatch(/, true size$/);
  });
});
