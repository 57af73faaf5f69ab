import type { BakeProgram, Method, ProductStandard } from './methodSchema';

/** Breads whose doughs are worked, baked and judged by rules of their own. */
export const KINDS_OF_BREAD = [
  'thin wheat',
  'enriched wheat',
  'wholemeal',
  'boiling-water dough',
  'milk dough',
  'yogurt and leavened',
  'pocket bread',
  'sheet',
  'maize',
] as const;
export type KindOfBread = (typeof KINDS_OF_BREAD)[number];

/** Shares of flour, as in 0.54. */
export interface UsualRange {
  low: number;
  high: number;
}

/** What a kind of bread is usually made with, and what its dough does beyond it. */
export interface UsualDough {
  hydration: UsualRange;
  fat: UsualRange;
  salt: UsualRange;
  tooDry: string;
  tooWet: string;
}

const SALT: UsualRange = { low: 0, high: 0.03 };
const STIFF = 'the dough will be stiff, spring back when rolled and bake hard';
const STICKY = 'the dough will stick to the bench and the plate and be hard to roll thin';
const wheat = (low: number, high: number, mostFat: number): UsualDough => ({
  hydration: { low, high },
  fat: { low: 0, high: mostFat },
  salt: SALT,
  tooDry: STIFF,
  tooWet: STICKY,
});

/** Usual shares of water, fat and salt of each kind (trade practice). */
export const USUAL_DOUGH: Record<KindOfBread, UsualDough> = {
  'thin wheat': wheat(0.45, 0.65, 0.29),
  'enriched wheat': wheat(0.4, 0.65, 0.29),
  wholemeal: wheat(0.5, 0.75, 0.2),
  'boiling-water dough': {
    ...wheat(0.5, 0.75, 0.2),
    tooDry: 'part of the flour will not scald, and the bread turns hard as it cools',
  },
  'milk dough': wheat(0.45, 0.68, 0.25),
  'yogurt and leavened': {
    ...wheat(0.5, 0.75, 0.2),
    tooWet: 'the dough will be slack and stick to hands and plate',
  },
  'pocket bread': {
    ...wheat(0.48, 0.68, 0.12),
    tooDry: 'the skin will tear before steam can open a pocket',
  },
  sheet: {
    ...wheat(0.45, 0.7, 0.2),
    tooDry: 'the sheet will tear before it is thin',
  },
  // Alkali-treated maize drinks far more than wheat, and is pressed, not rolled.
  maize: {
    hydration: { low: 1.1, high: 1.6 },
    fat: { low: 0, high: 0.2 },
    salt: SALT,
    tooDry: 'a ball will crack at its edge when it is pressed',
    tooWet: 'the disc will stick to the sheets of the press',
  },
};

/** How a kind of bread is usually worked, baked and judged, until its cook says otherwise (trade practice). */
export interface UsualWork {
  method: Pick<Method, 'school' | 'liquidTempC' | 'holdBack' | 'mix' | 'knead' | 'rests' | 'shaping'>;
  bake: Pick<BakeProgram, 'surface' | 'plateC' | 'sides'>;
  product: Omit<ProductStandard, 'ballToleranceG' | 'look'>;
}

const MIN = 60;
const minutes = (from: number, to: number) => ({ minS: from * MIN, maxS: to * MIN });
const rest = (of: 'dough' | 'balls', from: number, to: number): Method['rests'][number] => ({
  of,
  where: 'room',
  earliestS: from * MIN,
  latestS: to * MIN,
  cover: of === 'dough' ? 'damp cloth' : 'film',
});
const sides = (...seconds: number[]): BakeProgram['sides'] => seconds.map((each) => ({ seconds: each }));
const HAND = { by: 'hand' } as const;
const MIX = { ...HAND, ...minutes(2, 5) };
const WARM_C = 38;
const HELD_BACK = 0.1;

export const USUAL_WORK: Record<KindOfBread, UsualWork> = {
  'thin wheat': {
    method: {
      school: 'hold-back',
      liquidTempC: WARM_C,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(4, 10), test: 'dent-stays' },
      rests: [rest('dough', 20, 60), rest('balls', 15, 45)],
      shaping: { how: 'pin', note: '' },
    },
    bake: { surface: 'flat', plateC: 220, sides: sides(35, 25) },
    product: { ballG: 60, thicknessMm: 1.8, springBack: 0.06, air: 0.04 },
  },
  'enriched wheat': {
    method: {
      school: 'rubbed-in',
      liquidTempC: 45,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(3, 7), test: 'smooth-tacky' },
      rests: [rest('dough', 20, 60), rest('balls', 20, 60)],
      shaping: { how: 'pin', benchFlour: false, note: '' },
    },
    bake: { surface: 'flat', plateC: 215, sides: sides(32, 22) },
    product: {
      ballG: 50,
      thicknessMm: 1.6,
      springBack: 0.06,
      air: 0.04,
      spots: 'light freckles',
      fold: 'rolls up tight',
    },
  },
  wholemeal: {
    method: {
      school: 'hold-back',
      liquidTempC: WARM_C,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(5, 10), test: 'dent-stays' },
      rests: [rest('dough', 30, 90), rest('balls', 10, 45)],
      shaping: { how: 'pin', benchFlour: true, note: '' },
    },
    bake: { surface: 'flat', plateC: 225, sides: sides(30, 22) },
    product: {
      ballG: 50,
      thicknessMm: 1.8,
      springBack: 0.05,
      air: 0.04,
      spots: 'freckles',
      puff: 'large bubbles',
    },
  },
  'boiling-water dough': {
    method: {
      school: 'boiling-water',
      liquidTempC: 95,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(2, 5), test: 'smooth-tacky' },
      rests: [rest('dough', 20, 60), rest('balls', 10, 40)],
      shaping: { how: 'pin', benchFlour: true, note: '' },
    },
    bake: { surface: 'flat', plateC: 205, sides: sides(42, 30) },
    product: {
      ballG: 60,
      thicknessMm: 1.5,
      springBack: 0.04,
      air: 0.03,
      spots: 'light freckles',
      fold: 'rolls up tight',
    },
  },
  'milk dough': {
    method: {
      school: 'milk',
      liquidTempC: WARM_C,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(4, 8), test: 'smooth-tacky' },
      rests: [rest('dough', 20, 60), rest('balls', 15, 45)],
      shaping: { how: 'pin', note: '' },
    },
    bake: { surface: 'flat', plateC: 210, sides: sides(35, 25) },
    product: { ballG: 60, thicknessMm: 1.8, springBack: 0.06, air: 0.04, spots: 'light freckles' },
  },
  'yogurt and leavened': {
    method: {
      school: 'yogurt-leavener',
      liquidTempC: 30,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(2, 5), test: 'clean-bowl' },
      rests: [rest('dough', 30, 90), rest('balls', 10, 40)],
      shaping: { how: 'pin', benchFlour: true, note: '' },
    },
    bake: { surface: 'flat', plateC: 200, sides: sides(56, 40) },
    product: {
      ballG: 90,
      thicknessMm: 4,
      springBack: 0.06,
      air: 0.12,
      spots: 'freckles',
      puff: 'large bubbles',
      fold: 'folds in half',
    },
  },
  'pocket bread': {
    method: {
      school: 'hold-back',
      liquidTempC: WARM_C,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(5, 10), test: 'stretch' },
      rests: [rest('dough', 30, 90), rest('balls', 15, 45)],
      shaping: { how: 'pin', benchFlour: true, note: '' },
    },
    bake: { surface: 'flat', plateC: 215, sides: sides(20, 40, 20) },
    product: {
      ballG: 80,
      thicknessMm: 2.5,
      springBack: 0.06,
      air: 0.06,
      spots: 'freckles',
      puff: 'full pocket',
      fold: 'folds in half',
    },
  },
  sheet: {
    method: {
      school: 'hold-back',
      liquidTempC: WARM_C,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(5, 10), test: 'stretch' },
      rests: [rest('dough', 30, 90), rest('balls', 20, 60)],
      shaping: { how: 'sheet-thin', benchFlour: true, note: '' },
    },
    bake: { surface: 'domed', plateC: 240, sides: sides(24, 18) },
    product: {
      ballG: 70,
      thicknessMm: 1,
      springBack: 0.08,
      air: 0.03,
      spots: 'pale',
      puff: 'flat',
      fold: 'folds in quarters',
      pliable: 'after the stack',
    },
  },
  maize: {
    method: {
      school: 'hold-back',
      liquidTempC: 40,
      holdBack: HELD_BACK,
      mix: MIX,
      knead: { ...HAND, ...minutes(2, 5), test: 'no-cracks' },
      rests: [rest('dough', 10, 45)],
      shaping: { how: 'sheet-press', benchFlour: false, note: '' },
    },
    bake: { surface: 'flat', plateC: 205, sides: sides(25, 45, 25) },
    product: {
      ballG: 30,
      thicknessMm: 1.8,
      springBack: 0,
      air: 0.02,
      spots: 'light freckles',
      puff: 'full pocket',
      fold: 'folds in half',
    },
  },
};
