import { said } from '../test/said';
import fc from 'fast-check';
import { type DecimalSign, numberOrNaN, numberQuestion, readNumber } from './readNumber';

const one = (text: string, decimal?: DecimalSign) => {
  const read = readNumber(text, decimal);
  return read.as === 'number' ? read.value : read.as;
};

test.each<[string, number | 'none']>([
  ['1,5', 1.5],
  ['1.5', 1.5],
  ['0,125', 0.125],
  ['0.125', 0.125],
  [',5', 0.5],
  ['12', 12],
  ['-3,25', -3.25],
  ['−4', -4],
  ['1 500', 1500],
  ['1\u202f500,5', 1500.5],
  ["1'500", 1500],
  ['1,500.5', 1500.5],
  ['1.500,5', 1500.5],
  ['1,500,000', 1_500_000],
  ['1.500.000', 1_500_000],
  ['1500,25', 1500.25],
  ['12,50', 12.5],
  ['1.500', 1.5],
  ['', 'none'],
  ['.', 'none'],
  ['five', 'none'],
  ['1,50,000', 'none'],
  ['1.5.2', 'none'],
  ['1,5 kg', 'none'],
  ['1 5', 'none'],
  ['0,125,000', 'none'],
])('%j is %s', (text, expected) => {
  expect(one(text)).toBe(expected);
});

test('where both readings are whole numbers of sense it is asked, the reader’s own way first', () => {
  expect(readNumber('1,500')).toEqual({ as: 'either', readings: [1500, 1.5] });
  expect(one('1,500', ',')).toBe(1.5);
  expect(readNumber('1.500', ',')).toEqual({ as: 'either', readings: [1500, 1.5] });
  expect(said(numberQuestion('1,500') ?? '')).toBe(
    '“1,500” can be 1,500 or 1.5: write it one of these ways.',
  );
  expect(numberQuestion('1,5')).toBeNull();
  expect(numberOrNaN('1,500')).toBeNaN();
});

test('what any locale writes of a number is read back as that number, or asked', () => {
  const number = fc.double({ min: -1e6, max: 1e6, noNaN: true }).map((value) => Number(value.toFixed(3)) + 0);
  fc.assert(
    fc.property(number, fc.constantFrom('en-US', 'es-ES', 'de-CH', 'fr-FR'), (value, locale) => {
      const decimal: DecimalSign = locale === 'es-ES' || locale === 'fr-FR' ? ',' : '.';
      const written = value.toLocaleString(locale, { maximumFractionDigits: 3 });
      const read = readNumber(written, decimal);
      if (read.as === 'either') expect(read.readings).toContain(value);
      else expect(read.as === 'number' && read.value + 0).toBe(value);
    }),
  );
});
