import fc from 'fast-check';
import { CATALOGUE } from '../ingredient/catalogue';
import { formula } from '../test/examples';
import {
  type DraftLine,
  addLine,
  blendFlours,
  draftDoughG,
  draftFlourG,
  moveLine,
  removeLine,
  setFraction,
  setGrams,
  setIngredient,
  setLocked,
  setTotal,
  toDraft,
  toFormula,
} from './draft';
import { FORMULA_FORMAT_VERSION } from './formulaSchema';

const foods = new Map(CATALOGUE.map((food) => [food.id, food]));
const foodOf = (id: string) => foods.get(id);
const start = toDraft(formula).lines;
const massOf = (lines: readonly DraftLine[], id: string) =>
  lines.find((line) => line.id === id)?.massG ?? NaN;
const percentOf = (lines: readonly DraftLine[], id: string) =>
  (massOf(lines, id) / draftFlourG(lines, foodOf)) * 100;
const masses = (lines: readonly DraftLine[]) => lines.map(({ massG }) => Math.round(massG * 1000) / 1000);

test('a formula laid out in grams and back is the same', () => {
  expect(masses(start)).toEqual([700, 300, 540, 110, 19]);
  expect(toFormula(toDraft(formula), foodOf)).toEqual({
    ...{ ...formula, formatVersion: FORMULA_FORMAT_VERSION, flourG: 1000 },
  });
});

describe('one figure changes, the rest follows', () => {
  test('percent of water changes its grams and the dough', () => {
    const lines = setFraction(start, foodOf, 'water', 0.6);
    expect(masses(lines)).toEqual([700, 300, 600, 110, 19]);
    expect(draftDoughG(lines)).toBe(1729);
  });

  test('grams of a flour change the flour, and percentages hold', () => {
    const lines = setGrams(start, foodOf, 'strong', 1700);
    expect(draftFlourG(lines, foodOf)).toBe(2000);
    expect(masses(lines)).toEqual([1700, 300, 1080, 220, 38]);
  });

  test('percent of a flour is given or taken by the other flours', () => {
    expect(masses(setFraction(start, foodOf, 'strong', 0.6))).toEqual([600, 400, 540, 110, 19]);
  });

  test('the dough weight scales every line alike', () => {
    expect(masses(setTotal(start, 3338))).toEqual([1400, 600, 1080, 220, 38]);
  });

  test('a locked line keeps its grams whatever else changes', () => {
    const locked = setLocked(start, 'salt', true);
    expect(massOf(setTotal(locked, 3338), 'salt')).toBe(19);
    expect(draftDoughG(setTotal(locked, 3338))).toBeCloseTo(3338, 9);
    expect(massOf(setGrams(locked, foodOf, 'strong', 1700), 'salt')).toBe(19);
    const flours = setLocked(addLine(start, 'flour-rye', 100), 'strong', true);
    const blended = setFraction(flours, foodOf, 'flour-rye', 0.2);
    expect(massOf(blended, 'strong')).toBe(700);
    expect(percentOf(blended, 'flour-rye')).toBeCloseTo(20, 9);
  });

  test('flours typed freely are blended to 100 %', () => {
    const three = addLine(start, 'flour-rye', 0);
    const wanted = new Map([
      ['strong', 60],
      ['soft', 30],
      ['flour-rye', 30],
    ]);
    const lines = blendFlours(three, foodOf, wanted);
    expect(['strong', 'soft', 'flour-rye'].map((id) => percentOf(lines, id))).toEqual([50, 25, 25]);
    expect(draftFlourG(lines, foodOf)).toBe(1000);
  });

  test('a line set by hand is no longer what the cup said', () => {
    const cup = { text: '3 cups', fill: 'scooped' as const, gMl: 0.6 };
    const measured = start.map((line) => (line.id === 'strong' ? { ...line, measure: cup } : line));
    expect(setGrams(measured, foodOf, 'strong', 710)[0]).not.toHaveProperty('measure');
    expect(setTotal(measured, 3338)[0]?.measure).toEqual(cup);
    expect(setIngredient(measured, 'strong', 'flour-plain')[0]).not.toHaveProperty('measure');
  });
});

describe('what cannot be done says why', () => {
  const single = removeLine(start, 'soft');
  test.each([
    [
      'the only flour in percent',
      () => setFraction(single, foodOf, 'strong', 0.8),
      /only flour is always 100 %/,
    ],
    ['flours locked', () => setFraction(setLocked(start, 'soft', true), foodOf, 'strong', 0.8), /locked/],
    [
      'more than the locked leave',
      () => setFraction(setLocked(addLine(start, 'flour-rye', 0), 'soft', true), foodOf, 'strong', 0.8),
      /70 % at most/,
    ],
    [
      'a dough lighter than its locks',
      () => setTotal(setLocked(start, 'strong', true), 600),
      /700\sg; the dough must weigh more/,
    ],
    [
      'all locked',
      () =>
        setTotal(
          start.map((line) => ({ ...line, locked: true })),
          900,
        ),
      /Every line is locked/,
    ],
    ['grams below zero', () => setGrams(start, foodOf, 'water', -1), /between 0 and/],
    ['percent beyond sense', () => setFraction(start, foodOf, 'water', 9), /between 0 and/],
    ['no number', () => setGrams(start, foodOf, 'water', NaN), /between 0 and/],
    [
      'a line without an amount',
      () => toFormula({ ...toDraft(formula), lines: addLine(start, 'lard', 0) }, foodOf),
      /how much lard/,
    ],
    ['no flour', () => toFormula({ ...toDraft(formula), lines: start.slice(2) }, foodOf), /needs flour/],
  ])('%s', (_case, act, sentence) => {
    expect(act).toThrow(sentence);
  });
});

test('lines move, within the list and past its ends', () => {
  const order = (lines: readonly DraftLine[]) => lines.map(({ id }) => id).join(' ');
  expect(order(moveLine(start, 'salt', 0))).toBe('salt strong soft water oil');
  expect(order(moveLine(start, 'strong', 2))).toBe('soft water strong oil salt');
  expect(order(moveLine(start, 'water', 99))).toBe('strong soft oil salt water');
  expect(order(addLine(start, 'water', 5))).toBe('strong soft water oil salt water-2');
});

test('whatever is done in whatever order: locked grams stay, flours are 100 %, the total is what was set', () => {
  const id = fc.constantFrom('strong', 'soft', 'water', 'oil', 'salt');
  const act = fc.oneof(
    fc.record({
      do: fc.constant('grams' as const),
      id,
      value: fc.double({ min: 1, max: 5000, noNaN: true }),
    }),
    fc.record({
      do: fc.constant('fraction' as const),
      id,
      value: fc.double({ min: 0.01, max: 0.95, noNaN: true }),
    }),
    fc.record({
      do: fc.constant('total' as const),
      id,
      value: fc.double({ min: 500, max: 9000, noNaN: true }),
    }),
  );
  fc.assert(
    fc.property(fc.array(act, { maxLength: 12 }), fc.subarray(['soft', 'oil', 'salt']), (acts, locks) => {
      let lines = start.map((line) => ({ ...line, locked: locks.includes(line.id) }));
      for (const { do: what, id: target, value } of acts) {
        if (locks.includes(target) && what !== 'total') continue;
        try {
          const after =
            what === 'grams'
              ? setGrams(lines, foodOf, target, value)
              : what === 'fraction'
                ? setFraction(lines, foodOf, target, value)
                : setTotal(lines, value);
          if (what === 'fraction') expect(percentOf(after, target)).toBeCloseTo(value * 100, 6);
          if (what === 'total') expect(draftDoughG(after)).toBeCloseTo(value, 6);
          lines = after;
        } catch (error) {
          expect((error as Error).name).toBe('InputError');
        }
        for (const lock of locks) expect(massOf(lines, lock)).toBe(massOf(start, lock));
        expect(percentOf(lines, 'strong') + percentOf(lines, 'soft')).toBeCloseTo(100, 9);
      }
    }),
  );
});
