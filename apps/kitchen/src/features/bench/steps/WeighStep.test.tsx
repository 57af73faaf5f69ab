import type { EventBody } from '@kettle-scale/core/batch';
import { fireEvent, screen } from '@testing-library/react';
import { draw, keyIn, liveBatch, plan, press, see, stepOf } from '../../../test/liveBatch';
import { WeighStep } from './WeighStep';

jest.mock('expo-router', () => jest.requireActual('../../../test/router'));

const title = () => screen.getByRole('heading', { level: 1 }).textContent;

const [flour, water] = plan.sheet;
const weighedFlour: EventBody = { type: 'weighed', stepId: 'weigh-1-flour', massG: flour?.massG ?? 0 };

describe('weighing', () => {
  const onWater = (...before: EventBody[]) => {
    const { live, acts } = liveBatch(weighedFlour, ...before);
    draw(<WeighStep live={live} step={stepOf('weigh-1-water')} />);
    return acts;
  };

  test('shows the planned mass and confirms it in one touch', () => {
    const acts = onWater();
    expect(title()).toBe('Weigh water');
    press(/ is in$/);
    expect(acts).toEqual([{ type: 'weighed', stepId: 'weigh-1-water', massG: water?.startG, by: 'hand' }]);
  });

  test('warns of hot water and says what to hold back', () => {
    onWater();
    expect(see(/: spoon, not hands/)).toBeTruthy();
    expect(see(/ more by feel$/)).toBeTruthy();
  });

  test('a keyed weight within tolerance is taken as it is', () => {
    const acts = onWater();
    press('Key it in');
    keyIn(String((water?.massG ?? 0) + 1));
    press(/^Use/);
    expect(acts).toMatchObject([{ type: 'weighed', massG: (water?.massG ?? 0) + 1 }]);
  });

  test('an over-pour on flour is a choice: follow it or keep it, but not take it out; nothing happens before', () => {
    const acts = onWater();
    press('Key it in');
    keyIn('400');
    press('Use 400 g');
    expect(title()).toBe('Too much water');
    expect(acts).toEqual([]);
    press('More');
    expect(see('Plain flour, add')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Take out/ })).toBeNull();
    press(/^Let the rest follow: \d+\sg more plain flour$/);
    expect(acts).toMatchObject([
      { type: 'weighed', massG: 400 },
      { type: 'rescaled', stepId: 'weigh-1-water', factor: 400 / (water?.exactG ?? 1) },
    ]);
  });

  test('an over-pour kept states its percentage', () => {
    const acts = onWater();
    press('Key it in');
    keyIn('400');
    press('Use 400 g');
    press(/^Keep it at 6\d\.\d/);
    expect(acts).toEqual([{ type: 'weighed', stepId: 'weigh-1-water', massG: 400 }]);
  });

  test('of the only flour, which is always 100 %, what it makes of the hydration is told', () => {
    const { live, acts } = liveBatch();
    draw(<WeighStep live={live} step={stepOf('weigh-1-flour')} />);
    press('Key it in');
    const massG = Math.round((flour?.massG ?? 0) * 0.9);
    keyIn(String(massG));
    press(/^Use/);
    expect(see(/^instead of 60\.0\s%$/)).toBeTruthy();
    press(/^Keep it: hydration 66\.\d\s%$/);
    expect(acts).toMatchObject([{ type: 'weighed', massG }]);
  });

  test('an over-pour that the bowl cannot follow says so', () => {
    onWater();
    press('Key it in');
    keyIn('480');
    press('Use 480 g');
    press('More');
    expect(see(/^The bowl would hold/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^(Make \d|Let the rest)/ })).toBeNull();
  });

  test('undo after a figure that was keyed wrong clears the figure, and nothing that was weighed before', () => {
    const { live, acts } = liveBatch(weighedFlour);
    draw(<WeighStep live={live} step={stepOf('weigh-1-water')} />);
    press('Key it in');
    keyIn('3600');
    press('Undo');
    expect(screen.getByRole('button', { name: 'Key in the scale' })).toBeTruthy();
    keyIn('3600');
    press('Use 3600 g');
    // Ten times what was asked for is a slip of the keypad, and no batch to make.
    expect(screen.queryByRole('button', { name: /^(Make \d|Let the rest|Take out)/ })).toBeNull();
    press('Undo');
    expect(title()).toBe('Weigh water');
    expect([acts, (live.undo as jest.Mock).mock.calls]).toEqual([[], []]);
    press('Key it in');
    keyIn('400');
    press('Use 400 g');
    press('Key it again');
    expect(see('The scale shows')).toBeTruthy();
    expect(see('Wanted')).toBeTruthy();
  });

  test('too little asks for the rest', () => {
    const acts = onWater();
    press('Key it in');
    keyIn('300');
    press('Use 300 g');
    expect(title()).toBe('Not enough water');
    press(/^Add .* more$/);
    expect(acts).toEqual([]);
    expect(see('The scale shows')).toBeTruthy();
  });

  test('nothing keyed cannot be used', () => {
    onWater();
    press('Key it in');
    expect(screen.getByRole('button', { name: 'Key in the scale' }).getAttribute('aria-disabled')).toBe(
      'true',
    );
    press('Back');
    expect(screen.getByRole('button', { name: 'Key it in' })).toBeTruthy();
  });

  test('pedal: Page Down confirms, Backspace undoes', () => {
    const { live, acts } = liveBatch(weighedFlour);
    draw(<WeighStep live={live} step={stepOf('weigh-1-water')} />);
    fireEvent.keyDown(document.body, { key: 'PageDown' });
    expect(acts).toHaveLength(1);
    for (const key of ['Backspace', 'PageUp']) fireEvent.keyDown(document.body, { key });
    expect(live.undo).toHaveBeenCalledTimes(2);
  });
});
