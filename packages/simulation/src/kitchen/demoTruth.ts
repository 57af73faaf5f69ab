import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Conditions } from '@kettle-scale/core/kitchen';

/** What is really so in this kitchen; nobody there knows it, and the records find it out. */
export const DEMO_TRUTH = {
  /** How much more each lot drinks than its moisture says, in points. */
  thirst: { 'quay-12': 0.8, 'quay-13': 2.6 } as Record<string, number>,
  bowlLoss: 0.016,
  benchLoss: 0.008,
  /** How much longer than by the law each dough takes to relax. */
  relaxing: { 'deckhand-wrap': 1.3, 'pilot-press': 0.85 } as Record<string, number>,
  ballSdG: { 'deckhand-wrap': 1.4, 'pilot-press': 0.7 } as Record<string, number>,
  discSd: { pin: 0.014, 'hot-press': 0.01, 'hand-stretch': 0.02, 'sheet-thin': 0.02, 'sheet-press': 0.01 },
  /** Who works when: the early cook until noon, the late cook after it, who weighs with care. */
  noonHour: 12,
  weighingPace: { 'early-cook': 1, 'late-cook': 1.6 },
  /** Flour gets dearer by this share every week. */
  flourPricePerWeek: 0.03,
} as const;

/** The quay's air: a dry week, then the usual damp. */
const DRY_WEEK_DAYS_AGO = { from: 13, to: 7 } as const;
export const airOf = (daysAgo: number): Conditions => {
  const dry = daysAgo <= DRY_WEEK_DAYS_AGO.from && daysAgo >= DRY_WEEK_DAYS_AGO.to;
  return {
    airC: dry ? 27 : 24,
    humidity: dry ? 0.34 : 0.6,
    airFrom: 'simulated',
    flourC: dry ? 24 : 22,
    liquidC: 16,
  };
};

/** The plate drifts hotter through the second week until someone turns the knob. */
const HOT_FROM = { daysAgo: 7, to: 4, perDayC: 9 } as const;
export const driftOf = (daysAgo: number): number =>
  daysAgo <= HOT_FROM.daysAgo && daysAgo >= HOT_FROM.to ? (HOT_FROM.daysAgo - daysAgo) * HOT_FROM.perDayC : 0;

/** What the ingredients cost on a day of the past two weeks. */
export const pricesOf = (foods: readonly Ingredient[], daysAgo: number): Ingredient[] =>
  foods.map((food) =>
    food.kind === 'flour' && food.pack
      ? {
          ...food,
          pack: {
            ...food.pack,
            price: food.pack.price * (1 + DEMO_TRUTH.flourPricePerWeek) ** (-daysAgo / 7),
          },
        }
      : food,
  );
