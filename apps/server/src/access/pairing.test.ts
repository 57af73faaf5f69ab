import fc from 'fast-check';
import { createPairing } from './pairing';

const MINUTE_MS = 60_000;

test('after twenty wrong codes from anywhere nobody is paired for five minutes, and old codes are void', () => {
  let nowMs = 0;
  const pairing = createPairing(() => new Date(nowMs));
  const { code } = pairing.offer('lead');
  for (let n = 0; n < 20; n += 1) expect(() => pairing.take('WRONG')).toThrow(/wrong or too old/);
  expect(() => pairing.take(code)).toThrow(/Too many wrong codes/);
  nowMs += 5 * MINUTE_MS;
  expect(() => pairing.take(code)).toThrow(/wrong or too old/);
  expect(pairing.take(pairing.offer('cook').code)).toBe('cook');
});

test('wrong codes that are spread over time lock nobody out', () => {
  let nowMs = 0;
  const pairing = createPairing(() => new Date(nowMs));
  for (let n = 0; n < 60; n += 1) {
    expect(() => pairing.take('WRONG')).toThrow(/wrong or too old/);
    nowMs += MINUTE_MS / 3;
  }
  expect(pairing.take(pairing.offer('cook').code)).toBe('cook');
});

test('whatever is typed, only the code that was offered opens, once', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 40 }), (typed) => {
      const pairing = createPairing(() => new Date(0));
      const { code } = pairing.offer('cook');
      expect(() => pairing.take(typed)).toThrow();
      expect(pairing.take(`${code.toLowerCase()} `)).toBe('cook');
      expect(() => pairing.take(code)).toThrow();
    }),
  );
});
