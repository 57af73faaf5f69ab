import type { EventBody } from '@kettle-scale/core/batch';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { api } from '../../../api/api';
import { keys, queryClient } from '../../../api/queries';
import {
  START_MS,
  agreeOnSeconds,
  atTheBench,
  draw,
  keyIn,
  liveBatch,
  plan,
  press,
  see,
  stepOf,
} from '../../../test/liveBatch';
import { workInPage } from '../../../test/workers';
import { DivideStep } from './DivideStep';
import { FinishStep } from './FinishStep';
import { FlattenStep } from './FlattenStep';
import { GriddleStep } from './GriddleStep';

jest.mock('expo-router', () => jest.requireActual('../../../test/router'));

atTheBench();

describe('dividing', () => {
  const dividing = () => {
    const { live, acts } = liveBatch();
    draw(<DivideStep live={live} step={stepOf('divide')} />);
    return acts;
  };

  test('the real dough weight gives the ball', () => {
    const acts = dividing();
    press('Weigh the dough');
    keyIn('980');
    press('The dough weighs 980 g');
    press(/^Cut 10 × 98/);
    expect(acts).toEqual([{ type: 'divided', doughG: 980, pieces: 10, ballG: 97.5, source: 'typed' }]);
  });

  test('a short dough loses no piece quietly: the planned count stays, and what fewer would weigh stands beside it', () => {
    const acts = dividing();
    press('Weigh the dough');
    keyIn('920');
    press('The dough weighs 920 g');
    expect(see(/wanted: 8\sg too light$/)).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Cut 10 × 92/ })).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: /^9 × 102/ }));
    expect(see(/wanted: in tolerance$/)).toBeTruthy();
    expect(screen.getByRole('radio', { name: /^10 × 92/ })).toBeTruthy();
    press(/^Cut 9 × 102/);
    expect(acts).toMatchObject([{ type: 'divided', pieces: 9 }]);
  });

  test('keeping the ball weight gives the count and what is left', () => {
    const acts = dividing();
    press('Weigh the dough');
    keyIn('980');
    press('The dough weighs 980 g');
    press('More');
    fireEvent.click(screen.getByRole('radio', { name: /^Keep 100/ }));
    expect(see(/^75\sg of dough is left over/)).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'Fridge dough' }));
    expect(see(/its clock runs for 48 h/)).toBeTruthy();
    press(/^Cut 9 × 100/);
    expect(acts).toEqual([
      { type: 'divided', doughG: 980, pieces: 9, ballG: 100, source: 'typed' },
      { type: 'leftover', massG: 75, as: 'fridge dough' },
    ]);
  });

  test('the size of the bread gives the ball; a short batch takes what is left', () => {
    const acts = dividing();
    press('Weigh the dough');
    keyIn('980');
    press('The dough weighs 980 g');
    press('More');
    fireEvent.click(screen.getByRole('radio', { name: /^Keep \d+\smm/ }));
    for (let taps = 0; taps < 6; taps += 1) press('5 mm larger');
    fireEvent.click(screen.getByRole('radio', { name: 'Short batch' }));
    press(/^Cut 7 × 1/);
    expect(acts).toMatchObject([
      { type: 'divided', pieces: 7 },
      { type: 'leftover', as: 'short batch', pieces: 1 },
    ]);
  });

  test('dough that stayed behind is told, and the cut guide halves it', () => {
    dividing();
    press('Weigh the dough');
    keyIn('900');
    press('The dough weighs 900 g');
    expect(see(/stayed behind, 1\.0\s% is usual/)).toBeTruthy();
    press('More');
    press(/^Guide to/);
    expect(screen.getByRole('img', { name: /^the whole dough: 1 of .*halve: 2 of/ })).toBeTruthy();
  });

  test('weighing comes first, until it is left out on purpose', () => {
    const acts = dividing();
    expect(screen.queryByRole('button', { name: /^Cut \d/ })).toBeNull();
    press('Cut unweighed');
    press(/^Cut 10 × \d+\sg$/);
    expect(acts).toMatchObject([{ type: 'divided', pieces: 10 }]);
    expect(acts[0]).not.toHaveProperty('source');
  });

  test('a dough below one ball cannot be cut', () => {
    dividing();
    press('Weigh the dough');
    keyIn('50');
    press('The dough weighs 50 g');
    press('More');
    fireEvent.click(screen.getByRole('radio', { name: /^Keep 100/ }));
    expect(see(/less than one ball/)).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Cut/ }).getAttribute('aria-disabled')).toBe('true');
  });
});

test('flattening starts from the ball as it was cut, and keeps what was measured', () => {
  const { live, acts } = liveBatch({ type: 'divided', doughG: 980, pieces: 9, ballG: 108 });
  draw(<FlattenStep live={live} step={stepOf('flatten')} />);
  expect(see('Hot press: fingers out first.')).toBeTruthy();
  const larger = Math.round(plan.rolled.diameterMm * Math.sqrt(1.08));
  press('Rolled to: more');
  press('Thick: less');
  press('First discs rolled');
  expect(acts).toEqual([
    {
      type: 'flattened',
      diameterMm: larger + 2,
      thicknessMm: Math.round(plan.rolled.thicknessMm * 10) / 10 - 0.1,
    },
  ]);
});

describe('the griddle', () => {
  const divided: EventBody = { type: 'divided', doughG: 980, pieces: 1, ballG: 98 };
  const at = (...events: EventBody[]) => {
    const { live, acts } = liveBatch(divided, ...events);
    jest.setSystemTime(START_MS + events.length * 60_000);
    draw(<GriddleStep live={live} step={stepOf('griddle')} />);
    return acts;
  };

  test.each<[string, EventBody[], string | RegExp, EventBody]>([
    ['nothing', [], 'Piece 1 on', { type: 'piece-on', piece: 1 }],
    [
      'the first side',
      [{ type: 'piece-on', piece: 1 }],
      'Turn: piece 1',
      { type: 'flipped', piece: 1, side: 2 },
    ],
    [
      'the last side before the flame',
      [
        { type: 'piece-on', piece: 1 },
        { type: 'flipped', piece: 1, side: 2 },
      ],
      'To the flame: piece 1',
      { type: 'flipped', piece: 1, side: 3 },
    ],
    [
      'the flame',
      [
        { type: 'piece-on', piece: 1 },
        { type: 'flipped', piece: 1, side: 2 },
        { type: 'flipped', piece: 1, side: 3 },
      ],
      'Take off: piece 1',
      { type: 'piece-off', piece: 1 },
    ],
    [
      'the last piece',
      [
        { type: 'piece-on', piece: 1 },
        { type: 'piece-off', piece: 1 },
      ],
      'All pieces are off',
      { type: 'done', stepId: 'griddle' },
    ],
  ])('after %s', (_case, events, name, expected) => {
    const acts = at(...events);
    press(name);
    expect(acts).toEqual([expected]);
  });

  test('counts down once it is known which seconds hold, then says what is due and how late it is', async () => {
    workInPage();
    agreeOnSeconds();
    queryClient.setQueryData(keys.kitchen, plan.kitchen);
    at({ type: 'piece-on', piece: 1 });
    expect(screen.queryByRole('timer')).toBeNull();
    await screen.findByRole('timer');
    expect(screen.getByRole('timer').textContent).toContain('20');
    act(() => void jest.advanceTimersByTime(22_000));
    expect(screen.getByRole('timer').textContent).toContain('+2');
    expect(screen.getByRole('alert').textContent).toContain('Turn now');
  });
});

describe('finishing', () => {
  test('takes what was made, how much is good, and a note', async () => {
    const { live, acts } = liveBatch({ type: 'divided', doughG: 980, pieces: 9, ballG: 108 });
    draw(<FinishStep live={live} step={stepOf('finish')} />);
    jest.useRealTimers();
    press('Good pieces: less');
    press('More');
    fireEvent.change(screen.getByLabelText('Note for the log'), { target: { value: ' edge burnt ' } });
    press('Finish batch');
    await waitFor(() => expect(acts).toEqual([{ type: 'finished', pieces: 9, good: 8, note: 'edge burnt' }]));
  });

  test('rejects are counted by reason, a piece is looked at, the good ones are put away', async () => {
    jest.spyOn(api, 'kitchen').mockResolvedValue(plan.kitchen);
    const { live, acts } = liveBatch({ type: 'divided', doughG: 980, pieces: 9, ballG: 108 });
    draw(<FinishStep live={live} step={stepOf('finish')} />);
    jest.useRealTimers();
    press('More');
    press('One more torn, 0 so far');
    press('Judge a piece');
    const second = within(screen.getByRole('radiogroup', { name: 'Second side' }));
    fireEvent.click(second.getByRole('radio', { name: /^deep freckles/ }));
    fireEvent.click(screen.getByRole('radio', { name: 'cracks at the fold' }));
    press('Save');
    fireEvent.click(screen.getByRole('radio', { name: 'insulated box' }));
    press('Use within 4\u00a0h.');
    expect(see(/local food code/)).toBeTruthy();
    press('Finish batch');
    await waitFor(() =>
      expect(acts).toEqual([
        { type: 'rejected', pieces: 1, reason: 'torn' },
        { type: 'inspected', secondSide: 'deep freckles', fold: 'cracks at the fold' },
        { type: 'finished', pieces: 9, good: 8 },
        { type: 'held', how: 'insulated box', pieces: 8 },
      ]),
    );
  });

  test.each([
    ['Good pieces', '10', 'There are more good pieces than pieces made.'],
    ['Pieces made', '', 'Pieces made must be a whole number.'],
    ['Pieces made', '-1', 'Pieces made must be a whole number.'],
    ['Pieces made', '99999', 'Pieces made is more than a batch can hold.'],
  ])('%s of "%s" is said at the field', async (label, typed, sentence) => {
    const { live, acts } = liveBatch({ type: 'divided', doughG: 980, pieces: 9, ballG: 108 });
    draw(<FinishStep live={live} step={stepOf('finish')} />);
    jest.useRealTimers();
    fireEvent.change(screen.getByLabelText(label), { target: { value: typed } });
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe(sentence));
    press('Finish batch');
    expect(acts).toEqual([]);
  });
});
