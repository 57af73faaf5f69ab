import { addDays, formatISO, parseISO } from 'date-fns';
import fc from 'fast-check';
import { keptDays } from './kept';

const FIRST = parseISO('2025-01-01');
const day = (n: number) => formatISO(addDays(FIRST, n), { representation: 'date' });

/** What is left after so many nights, when each night makes one and throws away what is not kept. */
function afterNights(nights: number, missed: (n: number) => boolean = () => false): string[] {
  let days: string[] = [];
  for (let n = 0; n < nights; n += 1) {
    if (missed(n)) continue;
    days.push(day(n));
    const kept = keptDays(days);
    days = days.filter((one) => kept.has(one));
  }
  return days;
}

test('two years of nights leave seven days, four weeks and twelve months', () => {
  // The last night is Thursday, 31 December 2026.
  const days = afterNights(730);
  expect(days.at(-1)).toBe('2026-12-31');
  expect(days.slice(-7)).toEqual(Array.from({ length: 7 }, (_, n) => day(723 + n)));
  // Sundays of the weeks before, of which one lies within the seven days.
  expect(days).toEqual(expect.arrayContaining(['2026-12-13', '2026-12-20', '2026-12-27']));
  const ends = [
    '01-31',
    '02-28',
    '03-31',
    '04-30',
    '05-31',
    '06-30',
    '07-31',
    '08-31',
    '09-30',
    '10-31',
    '11-30',
  ];
  expect(days.slice(0, 11)).toEqual(ends.map((end) => `2026-${end}`));
  expect(days).toHaveLength(11 + 2 + 7);
});

test('however many nights were missed, the newest stays and there are never more than 23', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 1, max: 40 }), (nights, gap) => {
      const days = afterNights(nights, (n) => n % gap !== 0);
      expect(days.at(-1)).toBe(day(Math.floor((nights - 1) / gap) * gap));
      expect(days.length).toBeLessThanOrEqual(23);
    }),
    { numRuns: 30 },
  );
});
