import fc from 'fast-check';
import { cutInto, piecesFor, waysToCut } from './piecesFor';

const standard = { pieces: 24, ballG: 97, toleranceG: 3 };

test('a dough a little short keeps the planned count while its balls are in tolerance', () => {
  expect(piecesFor(24 * 94.1, standard)).toBe(24);
  expect(waysToCut(24 * 94.1, standard)).toEqual([
    { pieces: 24, ballG: expect.closeTo(94.1, 9), offG: expect.closeTo(-2.9, 9), inTolerance: true },
    { pieces: 23, ballG: expect.closeTo(98.19, 2), offG: expect.closeTo(1.19, 2), inTolerance: true },
  ]);
});

test('beyond the tolerance the planned count is still offered first, and called light', () => {
  const [planned, other] = waysToCut(24 * 91, standard);
  expect(planned).toMatchObject({ pieces: 24, inTolerance: false });
  expect(other).toMatchObject({ pieces: 23, inTolerance: true });
  expect(piecesFor(24 * 91, standard)).toBe(23);
});

test('a batch that grew gives more pieces of the wanted weight', () => {
  expect(piecesFor(70 * 92 + 20, { pieces: 64, ballG: 92, toleranceG: 3 })).toBe(70);
});

test('a count that is expected is never out of tolerance where another is in it', () => {
  fc.assert(
    fc.property(fc.double({ min: 500, max: 20_000, noNaN: true }), (cutG) => {
      const expected = piecesFor(cutG, standard);
      const anyIn = waysToCut(cutG, standard).some(({ inTolerance }) => inTolerance);
      if (anyIn) expect(cutInto(cutG, expected, standard).inTolerance).toBe(true);
      else expect(expected * standard.ballG).toBeLessThanOrEqual(cutG + 1e-6);
    }),
  );
});
