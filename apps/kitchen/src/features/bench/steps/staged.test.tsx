import { type EventBody, foldBatch } from '@kettle-scale/core/batch';
import { formulaSchema } from '@kettle-scale/core/formula';
import { ORDINARY_DAY, DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { planBatch } from '@kettle-scale/core/plan';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { tellUndone } from '../../../batch/undone';
import { START_MS, atTheBench, draw, formula, liveBatchOf, press, see } from '../../../test/liveBatch';
import { GriddleStep } from './GriddleStep';
import { KneadStep } from './KneadStep';
import { PauseStep } from './PauseStep';

jest.mock('expo-router', () => jest.requireActual('../../../test/router'));

atTheBench();

/** Kneaded stiff, left, butter worked in; the plate is oiled after every second piece. */
const plan = planBatch({
  formula: formulaSchema.parse({
    ...formula,
    formatVersion: 4,
    lines: [...formula.lines, { id: 'butter', ingredient: 'butter', fraction: 0.05, late: true }],
    method: {
      ...formula.method,
      knead: {
        ...formula.method.knead,
        aim: 'stiff',
        again: [{ by: 'hand', pauseS: 600, minS: 120, maxS: 240 }],
      },
    },
    bake: { ...formula.bake, care: [{ what: 'wipe it with oil', every: 2 }] },
  }),
  need: { by: 'pieces', pieces: 10, ballG: 100 },
  kitchen: { ...DEFAULT_KITCHEN, bowlMinimumG: 0, bowlCapacityG: 2000 },
  conditions: ORDINARY_DAY,
});
const weighed: EventBody[] = plan.sheet.map(({ lineId, massG }) => ({
  ...{ type: 'weighed', stepId: `weigh-1-${lineId}`, massG },
}));

function at(stepId: string, ...bodies: EventBody[]) {
  const { live, acts } = liveBatchOf(plan, ...weighed, ...bodies);
  const now = foldBatch(plan, live.batch.events).steps.find(({ step }) => step.id === stepId);
  if (!now) throw new Error(`no step ${stepId}`);
  return { live, acts, now };
}

/** Acts that only let minutes go by. */
const idle = (minutes: number): EventBody[] =>
  Array.from({ length: minutes }, () => ({ type: 'note', text: 'a guest' }));

describe('work in stages', () => {
  test('the feels are called as the formula wants the dough, and stored as steps from it', () => {
    const { live, now, acts } = at('knead-1', { type: 'started', stepId: 'knead-1' });
    draw(<KneadStep live={live} now={now} />);
    press('Too wet');
    fireEvent.click(screen.getByRole('radio', { name: 'soft' }));
    expect(acts).toEqual([{ type: 'felt', stepId: 'knead-1', feel: 'a bit tacky' }]);
  });

  test('the dough has its pause, then what goes in late is named with its weight', () => {
    const pause = at('pause-1-1');
    draw(<PauseStep live={pause.live} now={pause.now} />);
    press('More');
    expect(see(/After it: butter, unsalted worked in/)).toBeTruthy();
    press('Covered: start the pause');
    expect(pause.acts).toEqual([{ type: 'started', stepId: 'pause-1-1' }]);
    const again = at('knead-1-again-1');
    draw(<KneadStep live={again.live} now={again.now} />);
    expect(see(/^\d+\sg butter, unsalted, a third at a time$/)).toBeTruthy();
    press('It goes in now');
    expect(again.acts).toEqual([{ type: 'started', stepId: 'knead-1-again-1' }]);
  });
});

describe('part now, part later', () => {
  const pieces = (count: number): EventBody[] =>
    Array.from({ length: count }, (_, n) => [
      { type: 'piece-on' as const, piece: n + 1 },
      { type: 'piece-off' as const, piece: n + 1 },
    ]).flat();

  test('balls go into the fridge by number, a wrong number is said at the field', () => {
    const { live, now, acts } = at('griddle', ...pieces(4));
    draw(<GriddleStep live={live} step={now.step} />);
    press('More');
    press('Keep balls for later, cold');
    const sheet = within(screen.getByRole('dialog'));
    fireEvent.change(sheet.getByLabelText('Balls'), { target: { value: '7' } });
    expect(sheet.getByText('Balls must be a whole number from 1 to 6.')).toBeTruthy();
    fireEvent.change(sheet.getByLabelText('Balls'), { target: { value: '5' } });
    fireEvent.click(sheet.getByRole('button', { name: 'They are in the fridge' }));
    expect(acts).toEqual([{ type: 'chilled', pieces: 5 }]);
  });

  test('with the rest in the fridge the batch does not end: its main act takes them out', () => {
    const { live, now, acts } = at('griddle', ...pieces(4), { type: 'chilled', pieces: 6 });
    draw(<GriddleStep live={live} step={now.step} />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('6 balls in the fridge');
    press('Take out 6 balls');
    expect(acts).toEqual([{ type: 'taken-out', pieces: 6 }]);
  });

  test('the plate is seen to when it is due, and that is kept', () => {
    const { live, now, acts } = at('griddle', ...pieces(2));
    draw(<GriddleStep live={live} step={now.step} />);
    press('Wipe it with oil');
    expect(acts).toEqual([{ type: 'cared', what: 'wipe it with oil' }]);
  });
});

describe('a slip costs nothing', () => {
  const pedal = (key = 'PageDown') => fireEvent.keyDown(document.activeElement ?? document.body, { key });

  test('a pedal alone ends no pause, however often it is pressed: it is asked by how much it would be early', () => {
    jest.useFakeTimers({ now: START_MS + 12 * 60_000 });
    const { live, acts, now } = at('pause-1-1', ...idle(9 - weighed.length), {
      ...{ type: 'started', stepId: 'pause-1-1' },
    });
    draw(<PauseStep live={live} now={now} />);
    pedal();
    expect(see(/^End the pause \d+\smin( \d+\ss)? early\?$/)).toBeTruthy();
    for (const key of ['PageDown', ' ', 'Enter']) pedal(key);
    expect(acts).toEqual([]);
    press(/^End it \d+\smin( \d+\ss)? early$/);
    expect(acts).toEqual([{ type: 'done', stepId: 'pause-1-1' }]);
    jest.useRealTimers();
  });

  test('an undo says what it took back', () => {
    const { live, now } = at('griddle', { type: 'divided', doughG: 1000, pieces: 10, ballG: 99.5 });
    draw(<GriddleStep live={live} step={now.step} />);
    act(() => tellUndone({ acts: live.batch.events.slice(-1), plan, atMs: Date.now() }));
    expect(see('Undone: divided into 10.')).toBeTruthy();
  });
});
