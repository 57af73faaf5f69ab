import fc from 'fast-check';
import { MOST_GUIDED, cutGuide } from './cutGuide';
import { ballMassG, discDiameterMm } from './disc';
import { divideDough } from './division';
import { EVEN_DISC, profileThickness } from './edgeProfile';
import { measuredDisc } from './measuredDisc';
import { DISC_KEEPS_S, rollAhead } from './rollAhead';

describe('the cut guide', () => {
  test('14 is halved, then sevenths are weighed off', () => {
    expect(cutGuide(14, 1400)).toEqual([
      { into: 2, parts: 2, partG: 700, how: 'cut' },
      { into: 7, parts: 14, partG: 100, how: 'weigh' },
    ]);
  });

  test('every count up to 60 is reached, and every part shows its share of the dough', () => {
    for (let pieces = 1; pieces <= MOST_GUIDED; pieces += 1) {
      const rounds = cutGuide(pieces, 6000);
      expect(rounds.reduce((parts, { into }) => parts * into, 1)).toBe(pieces);
      for (const { parts, partG } of rounds) expect(partG * parts).toBeCloseTo(6000, 6);
      expect(rounds.slice(0, -1).every(({ how }) => how === 'cut')).toBe(true);
    }
    expect(cutGuide(60, 1).map(({ into }) => into)).toEqual([2, 2, 3, 5]);
    expect(() => cutGuide(61, 1)).toThrow(RangeError);
    expect(() => cutGuide(0, 1)).toThrow(RangeError);
  });
});

describe('dividing', () => {
  const dough = { doughG: 1000, benchLoss: 0.005, densityGMl: 1.15, thicknessMm: 1.8, costPerG: 0.001 };

  test('by count, by weight and by size', () => {
    expect(divideDough(dough, { by: 'count', pieces: 10 })).toMatchObject({
      pieces: 10,
      ballG: 99.5,
      leftoverG: 0,
    });
    const byBall = divideDough(dough, { by: 'ball', ballG: 105 });
    expect(byBall.pieces).toBe(9);
    expect(byBall.leftoverG).toBeCloseTo(995 - 945, 9);
    expect(byBall.costPerPiece).toBeCloseTo(1 / 9, 9);
    // 60 g, 1.15 g/ml, 1.8 mm is 192.1 mm across
    const bySize = divideDough(dough, { by: 'size', diameterMm: 192.1 });
    expect(bySize.ballG).toBeCloseTo(60, 1);
    expect(bySize.pieces).toBe(16);
  });

  test('nothing is made or lost: pieces, what is left over and what the bench keeps are the dough', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 20_000, noNaN: true }),
        fc.double({ min: 5, max: 400, noNaN: true }),
        (doughG, ballG) => {
          const { pieces, leftoverG, lossG, ...rest } = divideDough(
            { ...dough, doughG },
            { by: 'ball', ballG },
          );
          expect(pieces * ballG + leftoverG + lossG).toBeCloseTo(doughG, 5);
          expect(leftoverG).toBeLessThan(ballG + 1e-6);
          expect(rest.diameterMm).toBeCloseTo(discDiameterMm(ballG, 1.8, 1.15), 9);
        },
      ),
    );
  });
});

test('a thin rim makes the middle thicker, and the mean stays', () => {
  const profile = { rim: 0.2, ratio: 0.7 };
  const { middleMm, rimMm, thinnestMm } = profileThickness(2, profile);
  const rimArea = 1 - 0.8 ** 2;
  expect(middleMm * (1 - rimArea) + rimMm * rimArea).toBeCloseTo(2, 9);
  expect(thinnestMm).toBe(rimMm);
  expect(profileThickness(2, { rim: 0.2, ratio: 1.3 }).thinnestMm).toBeLessThan(2);
  expect(profileThickness(2, EVEN_DISC)).toEqual({ middleMm: 2, rimMm: 2, thinnestMm: 2 });
});

test('a measured disc: the circle of the same area, the thinnest place, the edge against the middle', () => {
  const disc = measuredDisc(
    [200, 190],
    [
      { place: 'middle', mm: 2 },
      { place: 'far edge', mm: 1.4 },
      { place: 'near edge', mm: 1.8 },
    ],
  );
  const weightG = (1.15 * (Math.PI / 4) * 200 * 190 * 2) / 1000;
  expect(ballMassG(disc.diameterMm, 2, 1.15)).toBeCloseTo(weightG, 9);
  expect(disc.outOfRound).toBeCloseTo(10 / Math.sqrt(38_000), 9);
  expect(disc.thickness?.thinnest).toEqual({ place: 'far edge', mm: 1.4 });
  expect(disc.thickness?.profile?.ratio).toBeCloseTo(0.8, 9);
  expect(measuredDisc([200, 200], []).thickness).toBeNull();
});

describe('rolling ahead of the griddle', () => {
  test('quick hands stay two ahead, slow hands need a start', () => {
    expect(rollAhead({ pieces: 40, rollS: 10, griddleS: 20, keepsS: DISC_KEEPS_S })).toMatchObject({
      before: 2,
      limit: 'plate',
    });
    expect(rollAhead({ pieces: 40, rollS: 24, griddleS: 20, keepsS: DISC_KEEPS_S })).toMatchObject({
      before: 7,
      limit: 'hands',
    });
  });

  test('no more than would dry', () => {
    expect(rollAhead({ pieces: 60, rollS: 60, griddleS: 30, keepsS: 300 })).toMatchObject({
      before: 10,
      limit: 'skin',
    });
  });

  test('with that start the plate never waits, unless a skin would dry', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 80 }),
        fc.double({ min: 3, max: 90, noNaN: true }),
        fc.double({ min: 3, max: 90, noNaN: true }),
        (pieces, rollS, griddleS) => {
          const { before, limit } = rollAhead({ pieces, rollS, griddleS, keepsS: DISC_KEEPS_S });
          if (limit === 'skin') return;
          for (let piece = 1; piece <= pieces; piece += 1) {
            expect(before * rollS + (piece - 1) * griddleS).toBeGreaterThanOrEqual(
              (piece - 1) * rollS - 1e-6,
            );
          }
        },
      ),
    );
  });
});
