import { METRIC, US } from './formatQuantity';
import { forReader, rangeForReader, readText, readerUnit, storedText } from './readerUnit';

test.each([
  ['25', 'kg', '55.12', 'lb'],
  ['230', '°C', '446', '°F'],
  ['10', 'K', '18', '°F'],
  ['600', 'mm', '23.62', 'in'],
  ['1,5', 'g', '0.05291', 'oz'],
  ['40', '%', '40', '%'],
])('%s %s is read as %s %s where ounces are, and goes back to what it was', (text, unit, read, readUnit) => {
  expect(readText(text, unit, 'us')).toBe(read);
  expect(readerUnit(unit, 'us').unit).toBe(readUnit);
  const back = Number(storedText(read, unit, 'us')) / Number(text.replace(',', '.'));
  expect(Math.abs(back - 1)).toBeLessThan(0.001);
  expect(readText(text, unit, 'metric')).toBe(text);
});

test('what is no number, or can be two, stays as it was typed', () => {
  expect(storedText('a lot', 'kg', 'us')).toBe('a lot');
  expect(storedText('1,500', 'g', 'us')).toBe('1,500');
  expect(storedText('', 'mm', 'us')).toBe('');
});

test('a range is said in the reader’s units', () => {
  const sentence = 'Bag must be between 0.5 and 1,000 kg.';
  expect(rangeForReader(sentence, 'us')).toBe('Bag must be between 1.102 and 2,205 lb.');
  expect(rangeForReader(sentence, 'metric')).toBe(sentence);
  expect(rangeForReader('Temperature must be between -20 and 120 °C.', 'us')).toBe(
    'Temperature must be between -4 and 248 °F.',
  );
  expect(rangeForReader('Warming must be between 0 and 5 °C a minute.', 'us', 'K')).toBe(
    'Warming must be between 0 and 9 °F a minute.',
  );
  expect(rangeForReader('Density must be between 0.1 and 2 g/ml.', 'us')).toBe(
    'Density must be between 0.835 and 16.69 oz/cup.',
  );
  expect(rangeForReader('Pieces must be between 1 and 5,000.', 'us')).toBe(
    'Pieces must be between 1 and 5,000.',
  );
});

test('a sentence that was kept in metric is read in ounces, inches and Fahrenheit; what a person wrote is left', () => {
  const kept = 'A load of 1,200\u00a0g at 30\u00a0°C, rolled to 280\u00a0mm; note: 47 °C, 0.35\u00a0g/ml.';
  expect(forReader(kept, US)).toBe(
    'A load of 2 lb 10.3\u00a0oz at 86\u00a0°F, rolled to 11.0\u00a0in; note: 47 °C, 0.35\u00a0g/ml.',
  );
  expect(forReader(kept, METRIC)).toBe(kept);
});
