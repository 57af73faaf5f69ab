import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A seeded source: the same seed tells the same story. */
export function openRandom(seed: number) {
  const generator = xoroshiro128plus(seed);
  const uniform = () => uniformFloat64(generator);
  return {
    uniform,
    int: (from: number, to: number) => uniformInt(generator, from, to),
    /** Normal with the given spread, by Box and Muller. */
    normal: (mean: number, sd: number) =>
      mean + sd * Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    chance: (share: number) => uniform() < share,
    pick: <T>(list: readonly T[]): T => list[uniformInt(generator, 0, list.length - 1)] as T,
    bytes: (count: number) => Uint8Array.from({ length: count }, () => uniformInt(generator, 0, 255)),
  };
}

export type Random = ReturnType<typeof openRandom>;
