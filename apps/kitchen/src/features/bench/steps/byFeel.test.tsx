import type { EventBody } from '@kettle-scale/core/batch';
import { act, fireEvent, screen } from '@testing-library/react';
import { START_MS, atTheBench, draw, liveBatch, nowOf, plan, press, see } from '../../../test/liveBatch';
import { KneadStep } from './KneadStep';
import { MixStep } from './MixStep';
import { RestStep } from './RestStep';

const MINUTE_MS = 60_000;

jest.mock('expo-router', () => jest.requireActual('../../../test/router'));

atTheBench();

const weighed: EventBody[] = plan.sheet.map(({ lineId, massG, startG = massG }) => ({
  ...{ type: 'weighed', stepId: `weigh-1-${lineId}` },
  massG: startG,
}));
const choose = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));

describe('mixing', () => {
  const mixing = (...more: EventBody[]) => {
    const { live, acts } = liveBatch(...weighed, ...more);
    draw(<MixStep live={live} now={nowOf(live, 'mix-1')} />);
    return acts;
  };
  const started: EventBody = { type: 'started', stepId: 'mix-1' };
  const done = (part: string): EventBody => ({ type: 'part-done', stepId: 'mix-1', part });

  test('starts when the cook says so, with the mixer’s caution', () => {
    const acts = mixing();
    expect(see('Mixer: hands out.')).toBeTruthy();
    press('Start mixing');
    expect(acts).toEqual([{ type: 'started', stepId: 'mix-1' }]);
  });

  test('goes part by part in the order of the school, with the heat of the liquid where it is', () => {
    const acts = mixing(started, done('dry'));
    expect(see('First of the liquid')).toBeTruthy();
    expect(see(/: spoon, not hands/)).toBeTruthy();
    press('Done, next');
    expect(acts).toEqual([done('liquid')]);
  });

  test('water by feel: what is added is an act, the gauge and the kept-back figure follow', () => {
    const acts = mixing(started, done('dry'), done('liquid'));
    const held = plan.holdBack?.massG ?? 0;
    expect(screen.getByRole('button', { name: new RegExp(`^All ${held}\\sg at once$`) })).toBeTruthy();
    const [smallest] = screen.getAllByRole('button', { name: /^\+\d+\sg water/ });
    if (!smallest) throw new Error('nothing to add');
    fireEvent.click(smallest);
    const massG = Number(/\d+/.exec(smallest.getAttribute('aria-label') ?? '')?.[0]);
    expect(acts).toEqual([{ type: 'added', stepId: 'mix-1', lineId: 'water', massG, why: 'hold-back' }]);
    press('It feels right');
    expect(acts.at(-1)).toEqual(done('by-feel'));
  });

  test('when every part is done the true percentages stand there', () => {
    const acts = mixing(started, done('dry'), done('liquid'), done('by-feel'));
    press('More');
    expect(see('In the bowl, true percentages')).toBeTruthy();
    press('Mixed');
    expect(acts).toEqual([{ type: 'done', stepId: 'mix-1' }]);
  });
});

describe('kneading', () => {
  const kneading = (...more: EventBody[]) => {
    const { live, acts } = liveBatch(
      ...weighed,
      { type: 'done', stepId: 'mix-1' },
      { type: 'started', stepId: 'knead-1' },
      ...more,
    );
    jest.setSystemTime(START_MS + 30 * MINUTE_MS);
    draw(<KneadStep live={live} now={nowOf(live, 'knead-1')} />);
    return acts;
  };
  const felt = (feel: 'a bit dry' | 'sticky' | 'right'): EventBody => ({
    type: 'felt',
    stepId: 'knead-1',
    feel,
  });

  test('too dry or too wet, and by how much', () => {
    const acts = kneading();
    press('Too wet');
    choose('sticky');
    expect(acts).toEqual([felt('sticky')]);
  });

  test('dry: the water it wants, poured as one act', () => {
    const acts = kneading(felt('a bit dry'));
    const flourG = plan.flourG / plan.bowls;
    press('More');
    expect(see(new RegExp(`^${Math.round(0.015 * flourG)}\\sg of water in all, in 3 pours`))).toBeTruthy();
    press(/^Add \d+\sg water$/);
    expect(acts).toMatchObject([{ type: 'added', lineId: 'water', why: 'correction' }]);
  });

  test('wet: flour with its salt, or flour alone with the drift said', () => {
    const acts = kneading(felt('sticky'));
    press('More');
    expect(see(/^Flour alone, all of it: fine salt 2\.0\s% → 1\.9\s%/)).toBeTruthy();
    press(/^Add .* flour with .* fine salt/);
    expect(acts).toMatchObject([
      { type: 'added', lineId: 'flour', why: 'correction' },
      { type: 'added', lineId: 'salt', why: 'top-up' },
    ]);
  });

  test('bench flour is counted, the test is one tap, and right ends it with the judgement', () => {
    const acts = kneading();
    press('More');
    press(/^\+10\sg bench flour/);
    press('It does');
    press('It is right');
    expect(acts).toEqual([
      { type: 'dusted', stepId: 'knead-1', massG: 10 },
      { type: 'tested', stepId: 'knead-1', passed: true },
      felt('right'),
      { type: 'done', stepId: 'knead-1' },
    ]);
  });

  test('stopping as it is judges nothing', () => {
    const acts = kneading(felt('sticky'));
    press('More');
    press('Stop as it is');
    expect(acts).toEqual([{ type: 'done', stepId: 'knead-1' }]);
  });
});

describe('resting', () => {
  const resting = (afterS: number, ...more: EventBody[]) => {
    const { live, acts } = liveBatch({ type: 'started', stepId: 'rest-1' }, ...more);
    jest.setSystemTime(START_MS + afterS * 1000);
    draw(<RestStep live={live} now={nowOf(live, 'rest-1')} />);
    return acts;
  };

  test('runs from the stored start, to the same second after a reload', () => {
    resting(66);
    expect(screen.getByRole('timer').textContent).toContain('8:54');
    act(() => void jest.advanceTimersByTime(4000));
    expect(screen.getByRole('timer').textContent).toContain('8:50');
  });

  test('early, the end is offered without weight', () => {
    const acts = resting(60);
    expect(screen.queryByRole('alert')).toBeNull();
    press('End the rest early');
    expect(see(/^End the rest 9\smin early\?$/)).toBeTruthy();
    expect(acts).toEqual([]);
    press(/^End it 9\smin early$/);
    expect(acts).toEqual([{ type: 'done', stepId: 'rest-1' }]);
  });

  test('the alarm rings at the earliest until it is heard, and not again after a reload', () => {
    const vibrate = jest.fn();
    Object.assign(navigator, { vibrate });
    resting(600);
    expect(screen.getByRole('alert').textContent).toContain('Rest is done');
    expect(vibrate).toHaveBeenCalled();
    press(/Quiet$/);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('past the latest it says how long, and rings anew', () => {
    resting(1265);
    expect(screen.getByRole('timer').textContent).toContain('+1:05');
    expect(screen.getByRole('alert').textContent).toContain('past its latest');
  });

  test('a poke says how calm it is, and the rest can be made longer by what is missing', () => {
    const acts = resting(590, { type: 'poked', stepId: 'rest-1', poke: 'springs right back' });
    const line = see(/^Springs back/).textContent ?? '';
    const minutes = Number(/relaxed in (\d+)/.exec(line)?.[1]);
    press(/^Rest \d+.* from now/);
    expect(acts).toEqual([{ type: 'extended', stepId: 'rest-1', seconds: minutes * 60 }]);
    press('More');
    choose('dent stays');
    expect(acts.at(-1)).toEqual({ type: 'poked', stepId: 'rest-1', poke: 'dent stays' });
  });

  test('a trial disc needs both diameters, the second not larger', () => {
    const acts = resting(300);
    const type = (label: string, text: string) => {
      fireEvent.focus(screen.getByLabelText(label));
      fireEvent.change(screen.getByLabelText(label), { target: { value: text } });
    };
    press('More');
    type('Trial disc, rolled to, mm', '240');
    type('a minute later, mm', '250');
    press('Use the trial disc');
    expect(see(/A disc does not grow/)).toBeTruthy();
    type('a minute later, mm', '222');
    press('Use the trial disc');
    expect(acts).toEqual([{ type: 'sprang-back', stepId: 'rest-1', rolledMm: 240, relaxedMm: 222 }]);
  });

  test('after half an hour the cover is asked after', () => {
    const acts = resting(1900);
    press('Cover still tight, cloth still damp');
    expect(acts).toEqual([{ type: 'covered', stepId: 'rest-1' }]);
  });
});
