import { METRIC, US } from './formatQuantity';
import { forReader, readText, readerUnit, storedText } from './readerUnit';

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

test('a sentence that was kept in metric is read in ounces, inches and Fahrenheit; what a person wrote is left', () => {
  const kept = 'A load of 1,200\u00a0g at 30\u00a0°C, rolled to 280\u00a0mm; note: 47 °C, 0.35\u00a0g/ml.';
  expect(forReader(kept, US)).toBe(
    'A load of 2 lb 10.3\u00a0oz at 86\u00a0°F, rolled to 11.0\u00a0in; note: 47 °C, 0.35\u00a0g/ml.',
  );
  expect(forReader(kept, METRIC)).toBe(kept);
});
