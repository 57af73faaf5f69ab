import { said } from '../test/said';
import { kitchen, request } from '../test/examples';
import { planBatch } from './planBatch';
import { pastClosing, stockShort } from './planLimits';

const plan = planBatch(request({ need: { by: 'pieces', pieces: 64, ballG: 92 } }));
const needG = (plan.sheet.find(({ lineId }) => lineId === 'strong')?.massG ?? 0) * plan.bowls;
const lot = (id: string, leftG: number) => ({ id, name: `Lot ${id}`, ingredient: 'flour-strong', leftG });

describe('what a plan asks of the stock', () => {
  test('nothing is said where it is enough, or where nobody keeps lots of it', () => {
    expect(stockShort(plan, [])).toEqual([]);
    expect(stockShort(plan, [lot('a', needG)], 'a')).toEqual([]);
  });

  test('short in all: so many pieces now, the rest when more has come in', () => {
    const [words] = stockShort(plan, [lot('a', needG / 4), lot('b', needG / 4)], 'a');
    expect(said(words)).toMatch(
      /^Strong flour: .* is needed and .* is in stock: 32 pieces now, 32 when more/,
    );
  });

  test('short of the chosen lot alone: the rest is of the next', () => {
    const [words] = stockShort(plan, [lot('a', needG / 2), lot('b', needG)], 'a');
    expect(said(words)).toMatch(/^Lot a has .* left .*: 32 pieces now, 32 of the next lot\.$/);
    expect(said(stockShort(plan, [lot('a', 0), lot('b', needG)], 'a')[0])).toMatch(
      /all 64 pieces of the next lot/,
    );
  });
});

describe('the end of the day', () => {
  const minutes = Math.ceil(plan.expectedS / 60);
  const clock = (min: number) =>
    `${String(Math.floor(min / 60)).padStart(2, '0')}:${String(Math.floor(min % 60)).padStart(2, '0')}`;

  test('is kept, or passed with the pieces that are ready by then', () => {
    expect(pastClosing(plan, '08:00', undefined)).toBeNull();
    expect(pastClosing(plan, '08:00', clock(480 + minutes))).toBeNull();
    const griddleS = plan.steps.find(({ kind }) => kind === 'griddle')?.expectedS ?? 0;
    const half = pastClosing(plan, '08:00', clock(480 + minutes - Math.round(griddleS / 120)));
    const fit = Number(/: (\d+) pieces are ready/.exec(said(half) ?? '')?.[1]);
    expect(Math.abs(fit - plan.pieces / 2)).toBeLessThanOrEqual(2);
    expect(said(pastClosing(plan, '08:00', '08:10'))).toMatch(/none are ready by then/);
  });

  test('after midnight is the next day’s', () => {
    expect(pastClosing(plan, '21:00', clock((21 * 60 + minutes) % 1440))).toBeNull();
  });
});

test('a disc wider than the bench is said on the plan', () => {
  const words = (benchMm: number) =>
    planBatch(request({ kitchen: { ...kitchen, benchMm } }))
      .warnings.map(({ message }) => said(message))
      .join(' ');
  expect(words(200)).toMatch(/wider than the bench \(200\smm\)/);
  expect(words(900)).not.toMatch(/bench with its/);
});
