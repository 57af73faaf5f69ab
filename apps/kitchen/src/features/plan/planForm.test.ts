import type { Need } from '@kettle-scale/core/plan';
import {
  type NeedText,
  addressOfNeed,
  fromAddress,
  needFromAddress,
  needToAddress,
  readNeed,
  toAddress,
  typedMass,
} from './planForm';

const FIRST = { ballG: 105, diameterMm: 280, thicknessMm: 1.5 };
const text = (changes: Partial<NeedText>): NeedText => ({
  ...needFromAddress({}, FIRST, 'metric'),
  ...changes,
});
const read = (changes: Partial<NeedText>, units: 'metric' | 'us' = 'metric') =>
  readNeed(text(changes), units);

describe('the fields of the plan screen', () => {
  test('typed text becomes a need in grams and millimetres', () => {
    expect(read({ pieces: '24', ball: '105' }).need).toEqual({ by: 'pieces', pieces: 24, ballG: 105 });
    expect(read({ by: 'flour', flour: '2 lb 3 oz', ball: '0.1 kg' }).need).toMatchObject({
      ...{ by: 'flour', ballG: 100 },
      flourG: expect.closeTo(992.23, 2),
    });
    expect(read({ pieces: '6', ball: '4' }, 'us').need).toMatchObject({ ballG: expect.closeTo(113.4, 1) });
    expect(read({ by: 'discs', pieces: '10', diameter: '24 cm', thickness: '1,8' }).need).toEqual({
      ...{ by: 'discs', pieces: 10, diameterMm: 240, thicknessMm: 1.8 },
    });
    expect(read({ by: 'discs', diameter: '9.5', thickness: '0.07' }, 'us').need).toMatchObject({
      ...{ diameterMm: expect.closeTo(241.3, 6), thicknessMm: expect.closeTo(1.778, 6) },
    });
    expect(read({ by: 'stock', stock: { 'flour-strong': '3 kg', salt: '' } }).need).toMatchObject({
      atHand: [{ ingredient: 'flour-strong', massG: 3000 }],
    });
    expect(read({ by: 'bowl', bowls: '2' }).need).toMatchObject({ by: 'bowl', bowls: 2 });
    expect(read({ by: 'dough', dough: '4 kg' }).need).toMatchObject({ doughG: 4000 });
  });

  test.each<[Partial<NeedText>, Partial<Record<keyof NeedText, string>>]>([
    [{ pieces: '' }, { pieces: 'Enter how many pieces.' }],
    [{ pieces: '0' }, { pieces: 'Pieces must be between 1 and 10,000.' }],
    [{ pieces: '2.5' }, { pieces: 'Pieces must be a whole number.' }],
    [{ pieces: 'many' }, { pieces: 'Pieces must be a whole number.' }],
    [{ ball: '0' }, { ball: 'The amount is zero; say how much.' }],
    [{ ball: '-5' }, { ball: 'An amount cannot be negative.' }],
    [{ ball: '9 kg' }, { ball: 'Ball weight must be between 5 and 2,000 g.' }],
    [{ ball: '1 cup' }, { ball: 'Give a weight here, like 105 g or 4 oz.' }],
    [{ by: 'bowl', bowls: '99' }, { bowls: 'Bowls must be between 1 and 50.' }],
    [{ by: 'discs', diameter: 'wide' }, { diameter: 'Give a length here, like 240 mm.' }],
    [{ by: 'stock', stock: {} }, { stock: 'Enter how much there is of at least one ingredient.' }],
    [
      { by: 'flour', flour: '5 pood' },
      { flour: '“pood” is not a unit this kitchen knows; use g, kg, oz, lb, ml, l, tsp, tbsp or cup.' },
    ],
  ])('%j is said at its field', (changes, errors) => {
    expect(read(changes)).toEqual({ need: null, errors });
  });

  test('the address keeps a weight that means the same in other units', () => {
    expect(toAddress('105', 'metric')).toBe('105 g');
    expect(fromAddress('105 g', 0, 'metric')).toBe('105');
    expect(fromAddress('105 g', 0, 'us')).toBe('3.70');
    expect(fromAddress('nonsense', 0, 'metric')).toBe('nonsense');
    expect(fromAddress('58 g', 0, 'us')).toBe('2.05');
    expect(typedMass(2000, 'us')).toBe('4 lb 6.55 oz');
  });

  test.each<Need>([
    { by: 'pieces', pieces: 40, ballG: 92 },
    { by: 'discs', pieces: 12, diameterMm: 240, thicknessMm: 1.8 },
    { by: 'dough', doughG: 3500, ballG: 92 },
    { by: 'flour', flourG: 2500, ballG: 92 },
    { by: 'stock', atHand: [{ ingredient: 'flour-strong', massG: 3000 }], ballG: 92 },
    { by: 'bowl', bowls: 2, ballG: 92 },
  ])('a kept need opens as it was: %j', (need) => {
    const opened = needFromAddress(addressOfNeed(need), FIRST, 'metric');
    expect(readNeed(opened, 'metric').need).toEqual(need);
    expect(
      readNeed(needFromAddress(needToAddress(opened, 'metric'), FIRST, 'metric'), 'metric').need,
    ).toEqual(need);
  });

  test('an address that was cut short starts the stock empty', () => {
    expect(needFromAddress({ by: 'stock', stock: '{"flo' }, FIRST, 'metric').stock).toEqual({});
  });
});
