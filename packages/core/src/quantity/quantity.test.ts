import { said } from '../test/said';
import fc from 'fast-check';
import {
  ballFigure,
  figureText,
  formatClock,
  formatLength,
  formatMass,
  formatSpan,
  formatTemp,
  volumeFigure,
  US,
} from './formatQuantity';
import { parseQuantity } from './parseQuantity';
import { SCALE_STEPS_G, roundToStep, sumG } from './roundToStep';

const amountOf = (text: string, options = {}) => {
  const parsed = parseQuantity(text, options);
  if (!parsed.ok) throw new Error(`${text}: ${parsed.message}`);
  return parsed.quantity;
};

describe('parseQuantity', () => {
  test.each([
    ['1 1/2 tsp', 'volume', 7.3935],
    ['350 ml', 'volume', 350],
    ['350ml', 'volume', 350],
    ['2 lb 3 oz', 'mass', 992.233],
    ['1 lb 4 oz', 'mass', 566.99],
    ['2¾ cups', 'volume', 650.617],
    ['2 3/4 Cups', 'volume', 650.617],
    ['½ cup', 'volume', 118.294],
    ['1½ tbsp', 'volume', 22.1805],
    ['1,5 kg', 'mass', 1500],
    ['1,250 g', 'mass', 1250],
    ['0,125 kg', 'mass', 125],
    ['1.500,5 g', 'mass', 1500.5],
    ['12,345.5 g', 'mass', 12345.5],
    ['.5 kg', 'mass', 500],
    ['2 fl oz', 'volume', 59.147],
    ['3 tbsp. ', 'volume', 44.361],
  ])('%s', (text, kind, amount) => {
    expect(amountOf(text).kind).toBe(kind);
    expect(amountOf(text).amount).toBeCloseTo(amount, 2);
  });

  test('metric cups and spoons are 250, 15 and 5 ml', () => {
    expect(amountOf('1 cup 1 tbsp 1 tsp', { measures: 'metric' }).amount).toBe(270);
  });

  test('a bare number takes the unit of its field', () => {
    expect(amountOf('350', { defaultUnit: 'g' }).amount).toBe(350);
  });

  test.each([
    ['', /Enter how much/],
    ['flour', /does not start with a number/],
    ['350', /Add a unit/],
    ['2 pood', /“pood” is not a unit/],
    ['0 g', /zero/],
    ['-5 g', /negative/],
    ['5 g -3 g', /not a unit|negative|not a number/],
    ['1/0 g', /not a number/],
    ['1..5 g', /not a number/],
    ['9999999 kg', /more than 1,000 kg/],
    ['1 cup 3 oz', /mixes weight and volume/],
    ['<b>5</b> g', /does not start with a number/],
    ['1'.repeat(80), /too long/],
  ])('%j gets a sentence', (text, message) => {
    const parsed = parseQuantity(text);
    expect(parsed.ok ? '' : said(parsed.message)).toMatch(message);
  });

  test('any text at all gives an amount above zero or a sentence, never an exception', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        const parsed = parseQuantity(text);
        return parsed.ok ? parsed.quantity.amount > 0 : said(parsed.message).length > 10;
      }),
    );
  });

  test('reads back the masses that the app itself writes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 999_999 }),
        (massG) => amountOf(formatMass(massG)).amount === massG,
      ),
    );
  });
});

describe('roundToStep', () => {
  test('rounds to what the scale shows, halves up', () => {
    expect(roundToStep(67.43, 0.1)).toBe(67.4);
    expect(roundToStep(2482.5, 5)).toBe(2485);
    expect(roundToStep(1.005, 0.01)).toBe(1.01);
  });

  test('is never further off than half a step, and rounding twice changes nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.constantFrom(...SCALE_STEPS_G),
        (value, step) => {
          const rounded = roundToStep(value, step);
          expect(Math.abs(rounded - value)).toBeLessThanOrEqual(step / 2 + 1e-6);
          expect(roundToStep(rounded, step)).toBe(rounded);
        },
      ),
    );
  });

  test('sumG adds tenths without dust', () => {
    expect(sumG([0.1, 0.2, 67.4])).toBe(67.7);
  });
});

describe('formatting', () => {
  test('figures carry their unit', () => {
    expect(formatMass(1725, 5)).toBe('1,725\u00a0g');
    expect(formatMass(67.4, 0.1)).toBe('67.4\u00a0g');
    expect(formatMass(992.233, 1, US)).toBe('2 lb 3.0\u00a0oz');
    expect(formatMass(453.5, 1, US)).toBe('1 lb 0.0\u00a0oz');
    expect(figureText(ballFigure(101.9, 5))).toBe('102\u00a0g');
    expect(figureText(ballFigure(101.9, 5, US))).toBe('3.59\u00a0oz');
    expect(formatLength(280)).toBe('280\u00a0mm');
    expect(formatLength(280, US)).toBe('11.0\u00a0in');
    expect(formatTemp(228, US)).toBe('442\u00a0°F');
    expect(volumeFigure(7.39)).toEqual({ value: '1 1/2', unit: 'tsp' });
    expect(volumeFigure(650.6)).toEqual({ value: '2 3/4', unit: 'cup' });
  });

  test('clocks and spans', () => {
    expect([0, 59.9, 534, 3723].map(formatClock)).toEqual(['0:00', '0:59', '8:54', '1:02:03']);
    expect([45, 720, 4800, 7200].map((s) => formatSpan(s))).toEqual([
      '45\u00a0s',
      '12\u00a0min',
      '80\u00a0min',
      '2\u00a0h',
    ]);
  });
});
