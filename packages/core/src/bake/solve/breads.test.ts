import type { BakeProgram, ProductStandard } from '../../formula/methodSchema';
import { doughProperties, partsOfPlainDough } from '../model/composition';
import { DEFAULT_AIR } from '../model/model';
import type { BakeRequest } from './bakeRequest';
import { solve } from './solve';
import { isGood, judge, standardOf } from './standard';

/** A made-up bread: its dough in baker's percent, its disc, where and how it is baked, what is asked of it. */
interface Bread {
  water: number;
  fat: number;
  mm: number;
  plateC: number;
  /** What the trade would say, s: of each side at least and at most. */
  trade: readonly (readonly [number, number])[];
  program?: Partial<BakeProgram>;
  asked?: Partial<ProductStandard>;
  air?: number;
  altitudeM?: number;
}

const sides = (...seconds: number[]): Pick<BakeProgram, 'sides'> => ({
  sides: seconds.map((s) => ({ seconds: s })),
});

/** From thin to thick, lean to rich, one turn to three; flame, dome, press, flour; the seconds are those of any handbook. */
const BREADS: Record<string, Bread> = {
  'thin lean wrap': {
    water: 60,
    fat: 0,
    mm: 1.3,
    plateC: 230,
    trade: [
      [12, 35],
      [10, 30],
    ],
  },
  'oil wrap': {
    water: 54,
    fat: 10,
    mm: 1.5,
    plateC: 220,
    trade: [
      [15, 40],
      [12, 35],
    ],
  },
  'lard round, hot': {
    water: 52,
    fat: 12,
    mm: 2,
    plateC: 225,
    trade: [
      [15, 45],
      [15, 40],
    ],
  },
  'lard round, cool': {
    water: 52,
    fat: 12,
    mm: 2,
    plateC: 175,
    trade: [
      [45, 110],
      [40, 90],
    ],
  },
  'very hot and quick': {
    water: 56,
    fat: 5,
    mm: 2,
    plateC: 245,
    trade: [
      [12, 35],
      [12, 30],
    ],
  },
  'pocket bread, one turn': {
    water: 62,
    fat: 0,
    mm: 2,
    plateC: 230,
    asked: { puff: 'full pocket' },
    trade: [
      [15, 45],
      [15, 45],
    ],
  },
  'pocket bread over a flame': {
    ...{
      water: 65,
      fat: 0,
      mm: 2,
      plateC: 210,
      trade: [
        [15, 60],
        [10, 50],
      ],
    },
    program: { ...sides(30, 20), finish: { kind: 'flame', seconds: 5 } },
  },
  'pale soft wrap': {
    water: 56,
    fat: 8,
    mm: 1.8,
    plateC: 195,
    asked: { spots: 'pale and soft' },
    trade: [
      [15, 60],
      [10, 60],
    ],
  },
  'freckled below, pale above': {
    ...{
      water: 56,
      fat: 6,
      mm: 2,
      plateC: 205,
      trade: [
        [20, 70],
        [10, 55],
      ],
    },
    asked: { spots: 'freckles', secondSpots: 'pale' },
  },
  'milk round': {
    water: 58,
    fat: 8,
    mm: 2.2,
    plateC: 200,
    trade: [
      [25, 70],
      [20, 65],
    ],
  },
  'rich round': {
    water: 45,
    fat: 22,
    mm: 2.5,
    plateC: 190,
    trade: [
      [30, 90],
      [25, 80],
    ],
  },
  'buttered second side': {
    ...{
      water: 55,
      fat: 8,
      mm: 2.5,
      plateC: 200,
      trade: [
        [30, 80],
        [15, 65],
      ],
    },
    program: { sides: [{ seconds: 40 }, { seconds: 30, butter: true }] },
  },
  'layered, thick': {
    water: 52,
    fat: 15,
    mm: 3.2,
    plateC: 195,
    trade: [
      [40, 110],
      [25, 90],
    ],
  },
  'leavened, soft': {
    water: 62,
    fat: 4,
    mm: 4,
    plateC: 195,
    air: 0.18,
    trade: [
      [40, 150],
      [25, 110],
    ],
  },
  'thick, three turns': {
    ...{
      water: 60,
      fat: 2,
      mm: 4.5,
      plateC: 185,
      trade: [
        [25, 120],
        [25, 120],
        [25, 120],
        [25, 120],
      ],
    },
    program: sides(60, 60, 60, 60),
  },
  'domed sheet': {
    ...{
      water: 60,
      fat: 2,
      mm: 1,
      plateC: 225,
      trade: [
        [8, 40],
        [5, 30],
      ],
    },
    ...{
      program: { surface: 'domed', ...sides(15, 10) },
      asked: { spots: 'pale', fold: 'folds in quarters' },
    },
  },
  'crisp sheet': {
    water: 50,
    fat: 5,
    mm: 0.9,
    plateC: 210,
    asked: { fold: 'stays crisp' },
    trade: [
      [15, 60],
      [10, 60],
    ],
  },
  'floured sheet': {
    water: 58,
    fat: 0,
    mm: 1.5,
    plateC: 220,
    program: { floured: true, ...sides(30, 25) },
    trade: [
      [20, 60],
      [15, 50],
    ],
  },
  'out of a hot press': {
    ...{
      water: 52,
      fat: 10,
      mm: 1.6,
      plateC: 225,
      trade: [
        [10, 40],
        [8, 35],
      ],
    },
    program: { ...sides(20, 15), hotPress: { tempC: 150, seconds: 3 } },
  },
  'hot, then medium': {
    ...{
      water: 56,
      fat: 6,
      mm: 2.5,
      plateC: 235,
      trade: [
        [20, 50],
        [20, 90],
      ],
    },
    program: { sides: [{ seconds: 30 }, { seconds: 40, plateC: 195 }] },
  },
  'stuck, iron over the fire': {
    ...{
      water: 68,
      fat: 0,
      mm: 2,
      plateC: 200,
      air: 0.12,
      trade: [
        [25, 75],
        [8, 45],
      ],
    },
    program: { sides: [{ seconds: 40, wetFace: true }], finish: { kind: 'flame', seconds: 15 } },
  },
  'in the mountains': {
    water: 56,
    fat: 8,
    mm: 2,
    plateC: 215,
    altitudeM: 1800,
    trade: [
      [15, 50],
      [15, 60],
    ],
  },
};

function requestFor({
  water,
  fat,
  mm,
  plateC,
  program,
  asked,
  air = 0.06,
  altitudeM = 0,
}: Bread): BakeRequest {
  const bake: BakeProgram = { surface: 'flat', plateC, ...sides(30, 25), ...program };
  return {
    setup: {
      dough: doughProperties(partsOfPlainDough({ water, fat, salt: 1.8 }), air),
      ...{ thicknessMm: mm, doughC: 24, plateC, air: { ...DEFAULT_AIR, altitudeM } },
    },
    program: bake,
    standard: standardOf({ fold: 'folds in half', ...asked } as ProductStandard, bake.finish),
  };
}

test.each(Object.entries(BREADS))('%s comes out as the trade bakes it', (_name, bread) => {
  const request = requestFor(bread);
  const solution = solve(request);
  expect(solution.trouble).toBeNull();
  expect(solution.seconds).toHaveLength(bread.trade.length);
  for (const [side, s] of solution.seconds.entries()) {
    const [from, to] = bread.trade[side] ?? [0, 0];
    expect(s).toBeGreaterThanOrEqual(from);
    expect(s).toBeLessThanOrEqual(to);
    expect(s).toBeGreaterThanOrEqual((solution.least[side] ?? 0) - 0.01);
    expect(s).toBeLessThanOrEqual((solution.most[side] ?? 0) + 0.01);
  }
  expect(isGood(judge(solution.outcome, request.standard))).toBe(true);
  expect(solution.outcome.weightLoss).toBeGreaterThan(3);
  expect(solution.outcome.weightLoss).toBeLessThan(32);
});
