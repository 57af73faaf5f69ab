import fc from 'fast-check';
import { addDays, dayOf, daysBetween, formatMoment, isZone, startOfDayMs } from './days';

const ZONES = ['UTC', 'Europe/Lisbon', 'America/St_Johns', 'Pacific/Auckland', 'America/Santiago'];
const instant = fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2049, 0, 1) });

test.each([
  // Late in the evening west of Greenwich it is still yesterday; far east it is tomorrow.
  ['2026-03-04T02:30:00Z', 'America/St_Johns', '2026-03-03', '23:00'],
  ['2026-03-04T11:30:00Z', 'Pacific/Auckland', '2026-03-05', '00:30'],
  ['2026-03-04T23:59:00Z', 'UTC', '2026-03-04', '23:59'],
  // The clock goes forward at 01:00 on 29 March 2026.
  ['2026-03-29T00:59:00Z', 'Europe/Lisbon', '2026-03-29', '00:59'],
  ['2026-03-29T01:00:00Z', 'Europe/Lisbon', '2026-03-29', '02:00'],
])('%s in %s is the day %s, %s by the wall', (iso, zone, day, clock) => {
  expect(dayOf(Date.parse(iso), zone)).toBe(day);
  expect(formatMoment(Date.parse(iso), zone, 'time')).toBe(clock);
});

test('the days of a change of clocks have 23 and 25 hours, and are one day each', () => {
  const hours = (day: string) =>
    (startOfDayMs(addDays(day, 1), 'Europe/Lisbon') - startOfDayMs(day, 'Europe/Lisbon')) / 3_600_000;
  expect([hours('2026-03-28'), hours('2026-03-29'), hours('2026-10-25')]).toEqual([24, 23, 25]);
  expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
  expect(daysBetween('2026-03-01', '2026-02-27')).toBe(-2);
});

test('every instant lies in its day, whatever the zone and the clocks', () => {
  fc.assert(
    fc.property(instant, fc.constantFrom(...ZONES), (ms, zone) => {
      const day = dayOf(ms, zone);
      expect(startOfDayMs(day, zone)).toBeLessThanOrEqual(ms);
      expect(startOfDayMs(addDays(day, 1), zone)).toBeGreaterThan(ms);
      expect(daysBetween(day, addDays(day, 40))).toBe(40);
    }),
  );
});

test('moments are written in words, and only real zones are zones', () => {
  expect(formatMoment(Date.parse('2026-03-04T23:30:00Z'), 'Pacific/Auckland', 'heading')).toBe(
    'Thursday 5 March',
  );
  expect([isZone('Europe/Lisbon'), isZone('Europe/Atlantis'), isZone('')]).toEqual([true, false, false]);
});
