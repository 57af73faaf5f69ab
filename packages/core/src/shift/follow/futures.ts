import { sum } from 'simple-statistics';
import { lateWave, slotMeans } from '../demand/demand';
import { type ShiftDay, drawDay } from '../demand/shiftDay';
import type { Line } from '../line/compile';
import { SHIFT_DEFAULTS } from '../shiftSchema';

/** How late a day's waves may come, s, and how likely that is beforehand (assumption until a kitchen's log says more). */
const LATENESS: readonly (readonly [lateS: number, prior: number])[] = [
  [-600, 0.08],
  [0, 0.6],
  [600, 0.14],
  [1200, 0.12],
  [1800, 0.06],
];

/** A slot in which nobody is expected may still see somebody. */
const LEAST_MEAN = 0.02;

/** What is believed of the rest of the day, by how late it comes. */
export interface Belief {
  lateS: number;
  /** Chance, 0 to 1. */
  chance: number;
  /** How much more is wanted than was expected. */
  factor: number;
  /** Shape of the day's factor with what was seen. */
  k: number;
}

/**
 * What the guests who were served so far say of the day: lateness and size are weighed together, each lateness by its
 * gamma-Poisson likelihood. Taking late for light would cut batches that are wanted.
 * @param line the line
 * @param t s from midnight
 * @param servedBySlot by bread and slot, who was served
 */
export function beliefsAt(line: Line, t: number, servedBySlot: readonly ArrayLike<number>[]): Belief[] {
  const { shift, breads, slotS } = line;
  const k = shift.dayK ?? SHIFT_DEFAULTS.dayK;
  const weighed = LATENESS.map(([lateS, prior]) => {
    let expected = 0;
    let seen = 0;
    let likelihood = Math.log(prior);
    breads.forEach(({ waves = [] }, bread) => {
      const moved = waves.map((wave) => lateWave(wave, lateS, shift.serviceTo));
      slotMeans(shift, moved).forEach((mean, slot) => {
        if (shift.serviceFrom + (slot + 1) * slotS > t + 1) return;
        const count = servedBySlot[bread]![slot] ?? 0;
        expected += mean;
        seen += count;
        likelihood += count * Math.log(Math.max(mean, LEAST_MEAN));
      });
    });
    likelihood -= (k + seen) * Math.log(k + expected);
    return { lateS, likelihood, factor: (k + seen) / (k + expected), k: k + expected };
  });
  const top = Math.max(...weighed.map(({ likelihood }) => likelihood));
  const chances = weighed.map(({ likelihood }) => Math.exp(likelihood - top));
  const total = sum(chances);
  return weighed.map(({ lateS, factor, k: shape }, index) => ({
    ...{ lateS, factor, k: shape },
    chance: chances[index]! / total,
  }));
}

/**
 * Days that may come from now on, as likely as they are believed.
 * @param line the line
 * @param t s from midnight
 * @param beliefs what is believed
 * @param seed of the story
 * @param count how many
 */
export function futureDays(
  line: Line,
  t: number,
  beliefs: readonly Belief[],
  seed: number,
  count: number,
): ShiftDay[] {
  return Array.from({ length: count }, (_, day) => {
    let left = (day + 0.5) / count;
    const belief =
      beliefs.find(({ chance }) => {
        left -= chance;
        return left < 0;
      }) ?? beliefs.at(-1)!;
    const { factor, lateS, k } = belief;
    return drawDay({ ...line.shift, dayK: k }, seed, day, { factor, lateS, after: t });
  });
}
