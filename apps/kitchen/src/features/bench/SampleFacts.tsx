import { figure, formatMoney, formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';

import type { BallSample } from '@kettle-scale/core/quality';
import { View } from 'react-native';
import { Leader } from '../../ui/layout/Ticket';
import { useFormat } from '../../ui/useFormat';

const STEP_G = 0.1;

/** Mean with its interval, spread, share outside, give-away, and how the process fits its tolerance. */
export function SampleFacts({
  sample,
  currency,
  priced,
}: {
  sample: BallSample;
  currency: string | undefined;
  priced: boolean;
}) {
  const format = useFormat();
  const { n, meanG, sdG, lowG, highG, outShare, giveAwayG, giveAwayPer100, cp, cpk } = sample;
  const mass = (g: number) => format.mass(g, STEP_G);
  const index = (value: number | null) =>
    value === null || !Number.isFinite(value) ? '–' : figure(value, 2);
  const sign = giveAwayG < 0 ? '−' : '+';
  return (
    <View>
      <Leader name={say('Mean of {n, number}', { n })} value={mass(meanG)} />
      {lowG !== null && highG !== null ? (
        <Leader name="Mean, 95 % sure" value={`± ${mass((highG - lowG) / 2)}`} />
      ) : null}
      <Leader name="Spread, one sd" value={sdG === null ? '–' : mass(sdG)} />
      <Leader name="Out of tolerance" value={outShare === null ? '–' : formatPercent(outShare)} />
      <Leader name="Giveaway per piece" value={`${sign}${mass(Math.abs(giveAwayG))}`} />
      {priced ? (
        <Leader
          name="Giveaway per 100"
          value={`${giveAwayPer100 < 0 ? '−' : ''}${formatMoney(Math.abs(giveAwayPer100), currency, 2)}`}
        />
      ) : null}
      <Leader name="Fit to tolerance, Cp, Cpk" value={`${index(cp)}, ${index(cpk)}`} />
    </View>
  );
}
