import { said } from '../../test/said';
import { bake } from '../model/bake';
import { browned } from '../model/browning';
import type { BakeRequest } from '../solve/bakeRequest';
import { withFactors } from '../model/withFactors';
import { calibrate } from './calibrate';
import type { LoggedPiece } from './loggedPieceSchema';
import type { PieceSeen } from '../live/judging';
import { FITTED } from '../../kitchen/fittedNames';
import { DEFAULT_MODEL } from '../model/model';
import {
  BASE_CASE,
  openRandom,
  type ServiceSetup,
  shareGood,
  simulateService,
} from '@kettle-scale/simulation';
import { robustTimes } from '../solve/robust';
import { solveTimes } from '../solve/solve';
import { USUAL_SPREADS } from '../solve/spreads';
import { COMMON_STANDARD } from '../solve/standard';
import { stagesOfSeconds } from '../model/stages';
import { NO_TRIM, trimBy, trimmedSeconds, trimOf } from '../live/trim';
import { finish } from '../solve/window';

const { stages: _stages, ...setup } = BASE_CASE;
const request: BakeRequest = {
  setup: { ...setup, plateC: 225 },
  program: { surface: 'flat', plateC: 225, sides: [{ seconds: 28 }, { seconds: 24 }] },
  standard: COMMON_STANDARD,
};

describe('trim', () => {
  const PALE: PieceSeen = { firstSide: 'pale', secondSide: 'right' };

  test('one word moves one side by a bounded step and says so', () => {
    const { trim, words } = trimBy(NO_TRIM, PALE);
    expect(trim.first.factor).toBeCloseTo(1.08);
    expect(trim.later.factor).toBe(1);
    expect(said(words)).toEqual(['Side 1: 8\u00a0% longer.']);
    expect(trimmedSeconds([30, 20], trim)).toEqual([expect.closeTo(32.4), 20]);
    const both = trimBy(NO_TRIM, { firstSide: 'pale', secondSide: 'pale' });
    expect(said(both.words)).toEqual(['Both sides: 8\u00a0% longer.']);
    const dark = trimBy(trim, { firstSide: 'dark' }).trim;
    expect(dark.first.step).toBeCloseTo(0.04);
  });

  test('it stays within its limits whatever is said, and then says to look elsewhere', () => {
    const long = trimOf(new Array<PieceSeen>(40).fill(PALE));
    expect(long.first.factor).toBe(1.6);
    expect(said(trimBy(long, PALE).words)).toEqual(['Side 1 at its limit: change the heat.']);
    const cold = trimOf(new Array<PieceSeen>(40).fill({ firstSide: 'pale', bite: 'stiff' }));
    expect(cold.heatC).toBe(30);
    expect(cold.first.factor).toBe(1);
  });

  test('what time cannot cure goes to the heat', () => {
    expect(said(trimBy(NO_TRIM, { firstSide: 'dark', bite: 'soft' }).words)).toEqual([
      'Dark before it is done: the plate 4\u00a0°C cooler.',
    ]);
    expect(said(trimBy(NO_TRIM, { secondSide: 'pale', bite: 'stiff' }).words)).toEqual([
      'Dry before it is brown: the plate 4\u00a0°C hotter.',
    ]);
    expect(trimBy(NO_TRIM, { puffed: false }).trim.heatC).toBe(2);
    expect(trimBy(NO_TRIM, { bite: 'soft' }).trim.later.factor).toBeCloseTo(1.04);
    expect(trimBy(NO_TRIM, { firstSide: 'right' }).words).toEqual(['Nothing to change.']);
  });

  test('with a true time that is 20 % longer it converges, and follows when that drifts', () => {
    let trim = NO_TRIM;
    let truth = 1.2;
    const errors: number[] = [];
    for (let piece = 0; piece < 80; piece += 1) {
      const off = trim.first.factor / truth;
      errors.push(Math.abs(off - 1));
      trim = trimBy(trim, { firstSide: off < 0.95 ? 'pale' : off > 1.05 ? 'dark' : 'right' }).trim;
      if (piece > 20) truth += 0.002;
    }
    expect(Math.max(...errors.slice(8))).toBeLessThan(0.09);
  });
});

test('a service of 120 pieces on a plate that starts cold and drifts 25 °C ends in standard with the app', () => {
  const robust = finish(robustTimes(request, USUAL_SPREADS, solveTimes(request).seconds));
  const service = (how: ServiceSetup['how'], seed: number) =>
    shareGood(
      simulateService(
        {
          truth: {
            ...request,
            setup: {
              ...request.setup,
              model: withFactors(DEFAULT_MODEL, { contact: 0.9, browning: 1.2 }),
            },
          },
          belief: request,
          robustSeconds: robust.seconds,
          ...{ pieces: 120, startC: 60, driftC: -25, thermometerC: 1.5, eye: 0.2, gapS: 8, how },
          spreads: { ...USUAL_SPREADS, plateC: 3 },
        },
        openRandom(seed),
      ),
    );
  for (const seed of [11, 12]) {
    const withApp = service('app', seed);
    expect(withApp).toBeGreaterThanOrEqual(0.95);
    expect(service('fixed times', seed)).toBeLessThan(withApp - 0.3);
  }
});

describe('calibration', () => {
  const TRUE = { contact: 0.85, films: 1.15, browning: 1.4, convection: 1.3, puff: 1.6 };

  function pieces(count: number, changes: (piece: LoggedPiece) => LoggedPiece = (p) => p): LoggedPiece[] {
    const chance = openRandom(5);
    return Array.from({ length: count }, (_, i) => {
      const piece = {
        thicknessMm: chance.normal(2, 0.15),
        doughC: 25,
        plateC: [205, 220, 235, 250][i % 4]! + chance.normal(0, 3),
        seconds: [chance.normal(28, 3), chance.normal(24, 3)],
      };
      const outcome = bake({
        ...{ ...setup, ...piece, model: withFactors(DEFAULT_MODEL, TRUE) },
        stages: stagesOfSeconds(piece.seconds),
      });
      return changes({
        ...piece,
        bubblesS: outcome.bubblesS! + chance.normal(0, 2),
        weightLoss: outcome.weightLoss + chance.normal(0, 0.7),
        firstLightness: outcome.spotLightness[0] + chance.normal(0, 4),
        secondLightness: outcome.spotLightness[1] + chance.normal(0, 4),
        puffed: Math.log(outcome.puffIndex) + chance.normal(0, 0.35) > 0,
      });
    });
  }

  test('browning only multiplies what the spots have taken, blisters take nothing from the column: no bake for the one, half of one for the other', () => {
    const by = (factors: Parameters<typeof withFactors>[1]) =>
      bake({ ...BASE_CASE, model: withFactors(DEFAULT_MODEL, factors) });
    const plain = by({});
    for (const [side, lightness] of browned(plain.spotLightness, 1.4).entries()) {
      expect(lightness).toBeLessThan(plain.spotLightness[side]! - 1);
      expect(lightness).toBeCloseTo(by({ browning: 1.4 }).spotLightness[side]!, 9);
    }
    const { weightLoss, bubblesS, spotLightness } = by({ films: 1.15 });
    expect({ weightLoss, bubblesS }).toEqual({ weightLoss: plain.weightLoss, bubblesS: plain.bubblesS });
    expect(spotLightness[0]).toBeLessThan(plain.spotLightness[0] - 1);
  });

  test('finds the truth inside its intervals from two dozen pieces, and fits better than before', () => {
    const fit = finish(calibrate(request, pieces(24)));
    expect(fit.parameters.map(({ what }) => what)).toEqual([
      'contact',
      'films',
      'browning',
      'convection',
      'puff',
    ]);
    for (const { what, low, high } of fit.parameters) {
      expect(TRUE[what]).toBeGreaterThan(low);
      expect(TRUE[what]).toBeLessThan(high);
    }
    expect(fit.misfitAfter).toBeLessThan(0.6 * fit.misfitBefore);
    expect(fit.points).toHaveLength(24 * 4);
  });

  test('from colours alone the draught is left as it is; a wild piece hardly moves the rest; no step is too bold', () => {
    const onlyColours = (piece: LoggedPiece): LoggedPiece => ({
      ...piece,
      ...{ bubblesS: undefined, weightLoss: undefined, puffed: undefined },
    });
    const plain = finish(calibrate(request, pieces(12, onlyColours)));
    expect(plain.parameters.map(({ what }) => what)).toEqual(['contact', 'films', 'browning']);
    const wild = pieces(12, onlyColours).map((piece, i) =>
      i === 3 ? { ...piece, firstLightness: 5 } : piece,
    );
    const moved = finish(calibrate(request, wild));
    expect(moved.parameters[2]!.factor / plain.parameters[2]!.factor).toBeLessThan(1.25);
    const absurd = pieces(12, onlyColours).map((piece) => ({
      ...piece,
      firstLightness: 1,
      secondLightness: 1,
    }));
    for (const { what, factor } of finish(calibrate(request, absurd)).parameters) {
      expect(Math.abs(Math.log(factor))).toBeLessThanOrEqual(2 * FITTED[what].priorSd + 1e-9);
    }
  });
});
