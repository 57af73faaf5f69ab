import { fromAddress, needTextSchema, toAddress, typedMass } from './planForm';

const metric = needTextSchema('metric');
const problems = (fields: object) => {
  const result = metric.safeParse({ by: 'pieces', pieces: '24', ball: '105', flour: '2000', ...fields });
  return result.success
    ? []
    : result.error.issues.map(({ path, message }) => `${String(path[0])}: ${message}`);
};

describe('the fields of the plan screen', () => {
  test('typed text becomes a need in grams', () => {
    expect(metric.parse({ by: 'pieces', pieces: '24', ball: '105' })).toEqual({
      by: 'pieces',
      pieces: 24,
      ballG: 105,
    });
    expect(metric.parse({ by: 'flour', flour: '2 lb 3 oz', ball: '0.1 kg' })).toMatchObject({
      by: 'flour',
      flourG: expect.closeTo(992.23, 2),
      ballG: 100,
    });
    expect(needTextSchema('us').parse({ by: 'pieces', pieces: '6', ball: '4' })).toMatchObject({
      ballG: expect.closeTo(113.4, 1),
    });
  });

  test.each([
    [{ pieces: '' }, 'pieces: Say how many pieces.'],
    [{ pieces: '0' }, 'pieces: Pieces must be between 1 and 10,000.'],
    [{ pieces: '2.5' }, 'pieces: Pieces must be a whole number.'],
    [{ pieces: 'many' }, 'pieces: Pieces must be a whole number.'],
    [{ ball: '0' }, 'ball: The amount is zero; say how much.'],
    [{ ball: '-5' }, 'ball: An amount cannot be negative.'],
    [{ ball: '9 kg' }, 'ball: Ball weight must be between 5 and 2,000 g.'],
    [{ ball: '1 cup' }, 'ball: Give a weight here, like 105 g or 4 oz.'],
    [
      { by: 'flour', flour: '5 pood' },
      'flour: “pood” is not a unit this kitchen knows; use g, kg, oz, lb, ml, l, tsp, tbsp or cup.',
    ],
  ])('%j is said at its field', (fields, sentence) => {
    expect(problems(fields)).toEqual([sentence]);
  });

  test('the address keeps a weight that means the same in other units', () => {
    expect(toAddress('105', 'metric')).toBe('105 g');
    expect(fromAddress('105 g', 0, 'metric')).toBe('105');
    expect(fromAddress('105 g', 0, 'us')).toBe('3.70');
    expect(fromAddress('nonsense', 0, 'metric')).toBe('nonsense');
    expect(fromAddress('58 g', 0, 'us')).toBe('2.05');
    expect(typedMass(2000, 'us')).toBe('4 lb 6.55 oz');
  });
});
