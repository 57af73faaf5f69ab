import { figure, formatPercent } from '../reader/figures';
import { say } from '../reader/say';
import type { HydrationSpread } from '@kettle-scale/core/formula';

/** "56.4 % (52.8 to 60.4)", or the figure alone where nothing is uncertain. */
export function spreadText({ hydration: { low, typical, high } }: HydrationSpread): string {
  if (high - low < 0.0005) return formatPercent(typical, 1);
  const bare = (fraction: number) => figure(fraction * 100, 1);
  return say('{typical} ({bare} to {bare2})', {
    typical: { share: typical, decimals: 1 },
    bare: bare(low),
    bare2: bare(high),
  });
}
