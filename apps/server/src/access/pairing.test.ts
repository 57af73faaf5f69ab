import fc from 'fast-check';
import { createPairing } from './pairing';

test('a code pairs one phone, and wrong ones before it are nobody’s trouble', () => {
  const pairing = createPairing(() => new Date(0));
  const { code } = pairing.offer('lead');
  for (let n = 0; n < 100; n += 1) expect(() => pairing.take(`AAAA-AA${n}`)).toThrow(/wrong or too old/);
  expect(pairing.take(code.toLowerCase())).toBe('lead');
  expect(() => pairing.take(code)).toThrow(/wrong or too old/);
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
