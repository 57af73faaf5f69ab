import { eventId, eventsOf, formula, request } from '../test/examples';
import { loggedPieces } from '../log/loggedPieces';
import { planBatch } from '../plan/planBatch';
import { said } from '../test/said';
import { undoneWords } from './actWords';
import { goodPieces } from './batchState';
import { ballsAtHand } from './coldStore';
import type { EventBody } from './eventSchema';
import { foldBatch } from './foldBatch';
import { forgettable, forgottenCure } from './forgotten';
import { canTakeOut, offerRescale } from './overPour';
import { batchRecord } from './record';
import { refuseEvent } from './refuseEvent';

const held = { ...formula, method: { ...formula.method, holdBack: 0.15 } };
const plan = planBatch(request({ formula: held }));
const fold = (...bodies: EventBody[]) => foldBatch(plan, eventsOf(...bodies));
const step = (id: string) => {
  const found = plan.steps.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
};
const lineG = (lineId: string): number => plan.sheet.find((line) => line.lineId === lineId)?.massG ?? 0;
const weighed = (lineId: string, massG = lineG(lineId)): EventBody => ({
  type: 'weighed',
  stepId: `weigh-1-${lineId}`,
  massG,
});
const allWeighed = plan.sheet.map(({ lineId, startG, massG }) => weighed(lineId, startG ?? massG));
const mixing: EventBody[] = [...allWeighed, { type: 'started', stepId: 'mix-1' }];
const divided: EventBody = { type: 'divided', doughG: 5900, pieces: 64, ballG: 91.7 };
const forgotten: EventBody = { type: 'forgotten', stepId: 'weigh-1-salt' };

describe('an over-pour', () => {
  test('of what is wet, or lies in the wet, is not to be taken out; flour alone, or on flour, is', () => {
    const takes = (lineId: string, ...before: string[]) =>
      canTakeOut(plan, fold(...before.map((id) => weighed(id))), step(`weigh-1-${lineId}`));
    expect([takes('strong'), takes('soft', 'strong'), takes('salt', 'strong', 'soft')]).toEqual([
      true,
      true,
      true,
    ]);
    expect(takes('water')).toBe(true);
    expect([takes('water', 'strong'), takes('oil', 'strong'), takes('salt', 'strong', 'water')]).toEqual([
      false,
      false,
      false,
    ]);
    expect(canTakeOut(plan, fold(...mixing), step('weigh-1-salt'))).toBe(false);
  });

  test('of ten times what was asked for is a figure keyed wrong, and no batch to make', () => {
    const state = fold(weighed('strong'), weighed('soft'));
    const offer = (times: number) => offerRescale(plan, state, step('weigh-1-salt'), times * lineG('salt'));
    expect([offer(1.2).fits, offer(10).fits]).toEqual([true, false]);
  });
});

describe('what was forgotten', () => {
  test('can be said once the bowl is mixed, counts as nothing, and is in the record', () => {
    expect(forgettable(plan, fold(...allWeighed))).toEqual([]);
    expect(forgettable(plan, fold(...mixing)).map(({ lineId }) => lineId)).toContain('salt');
    const events = eventsOf(...mixing, forgotten);
    const state = foldBatch(plan, events);
    expect(forgettable(plan, state).map(({ lineId }) => lineId)).not.toContain('salt');
    const over = fold(
      ...mixing,
      forgotten,
      { type: 'started', stepId: 'knead-1' },
      { type: 'done', stepId: 'knead-1' },
    );
    expect(batchRecord(plan, over).actual.salt).toBeCloseTo(0, 6);
    expect(said(undoneWords(events.slice(-1), plan))).toBe('no fine salt went in');
  });

  test('salt goes in dissolved in three times its weight of the water; the percentages are back', () => {
    const state = fold(...mixing, forgotten);
    const cure = forgottenCure(plan, state, step('weigh-1-salt'));
    if (!cure) throw new Error('no cure');
    expect(cure).toMatchObject({ way: 'dissolved', massG: lineG('salt'), waterIsHeld: true });
    expect(cure.waterG / cure.massG).toBeCloseTo(3, 1);
    expect(cure.fraction).toMatchObject({ before: 0 });
    expect(cure.fraction.after).toBeCloseTo(0.019, 3);
    const after = fold(...mixing, forgotten, ...cure.acts);
    expect(forgottenCure(plan, after, step('weigh-1-salt'))).toBeNull();
    expect(after.bowls[0]?.lines.find(({ lineId }) => lineId === 'salt')?.addedG).toBeCloseTo(cure.massG, 6);
  });

  test('once nothing is held back its water makes the dough wetter, and says so; once the balls are cut there is no cure', () => {
    const allIn: EventBody = {
      type: 'added',
      stepId: 'mix-1',
      lineId: 'water',
      massG: lineG('water') * 0.15,
      why: 'hold-back',
    };
    const cure = forgottenCure(plan, fold(...mixing, allIn, forgotten), step('weigh-1-salt'));
    expect(cure?.waterIsHeld).toBe(false);
    expect(cure?.hydration.after).toBeGreaterThan(cure?.hydration.before ?? 1);
    expect(forgottenCure(plan, fold(...mixing, forgotten, divided), step('weigh-1-salt'))).toBeNull();
  });

  test('fat is worked in, without water', () => {
    const state = fold(...mixing, { type: 'forgotten', stepId: 'weigh-1-oil' });
    expect(forgottenCure(plan, state, step('weigh-1-oil'))).toMatchObject({ way: 'worked in', waterG: 0 });
  });
});

describe('balls that are not baked here', () => {
  const gone = (pieces: number, how: 'dropped' | 'baked by others'): EventBody => ({
    type: 'balls-gone',
    pieces,
    how,
  });

  test('are no longer at hand; what others baked is bread of the batch', () => {
    const state = fold(divided, gone(2, 'dropped'), gone(10, 'baked by others'));
    expect([ballsAtHand(plan, state), state.piecesOff]).toEqual([52, 10]);
  });

  test('cannot be more than there are', () => {
    const events = eventsOf(divided, gone(60, 'dropped'));
    const next = (pieces: number) => {
      const [event] = eventsOf(gone(pieces, 'dropped'));
      return event ? refuseEvent(plan, events, { ...event, id: eventId(9) }) : null;
    };
    expect(next(4)).toBeNull();
    expect(next(5)).toMatchObject({ path: 'pieces' });
  });
});

describe('pieces on the plate', () => {
  const on = (piece: number, assumed?: true): EventBody => ({
    type: 'piece-on',
    piece,
    place: piece,
    plateC: 230,
    ...(assumed ? { assumed } : {}),
  });
  const bake = (piece: number, assumed?: true): EventBody[] => [
    on(piece, assumed),
    { type: 'flipped', piece, side: 2, ...(assumed ? { assumed } : {}) },
    { type: 'piece-off', piece, ...(assumed ? { assumed } : {}) },
    { type: 'judged', piece, firstSide: 'right', secondSide: 'right' },
  ];

  test('a rejected one is no good piece of the batch and knows why; its times teach nothing', () => {
    const state = fold(divided, ...bake(1), ...bake(2), {
      type: 'rejected',
      pieces: 1,
      reason: 'burnt',
      piece: 2,
    });
    expect([state.piecesOff, goodPieces(state)]).toEqual([2, 1]);
    expect(state.baked.map(({ waste }) => waste)).toEqual([null, 'burnt']);
    expect(loggedPieces(plan, state, true)).toHaveLength(1);
  });

  test('times that nobody saw are marked and teach nothing', () => {
    const state = fold(divided, ...bake(1), ...bake(2, true));
    expect(state.baked.map(({ assumed }) => assumed)).toEqual([false, true]);
    expect(loggedPieces(plan, state, true)).toHaveLength(1);
    const counting = fold(divided, { type: 'by-itself', on: true });
    expect(counting.byItself).toMatchObject({ eventId: eventId(1) });
    expect(
      fold(divided, { type: 'by-itself', on: true }, { type: 'by-itself', on: false }).byItself,
    ).toBeNull();
  });
});
