import { formatSpan } from '@kettle-scale/core/quantity';
import { coldChain } from '@kettle-scale/core/batch';
import type { LiveBatch } from '../../batch/useBatch';
import { Caution } from '../../ui/layout/Caution';
import { Label } from '../../ui/type';

/** From this share of the limit on it is a caution and not a line. */
const NEARLY = 0.75;

/** How long milk, yogurt or egg has been out of the cold; nothing for a dough without. */
export function ColdChainLine({ live: { batch, state }, nowMs }: { live: LiveBatch; nowMs: number }) {
  const chain = coldChain(batch.plan, state, nowMs);
  if (!chain) return null;
  const { outS, limitS, leftS } = chain;
  const code = 'Follow your local food code; the person in charge decides.';
  if (leftS <= 0) {
    return (
      <Caution
        lead={`Out of the cold ${formatSpan(outS)}.`}
        text={`More than the ${formatSpan(limitS)} set here. ${code}`}
      />
    );
  }
  if (outS > NEARLY * limitS) {
    return (
      <Caution
        lead={`${formatSpan(leftS)} left out of the cold.`}
        text={`The limit is ${formatSpan(limitS)} in all. ${code}`}
      />
    );
  }
  return (
    <Label>{`Milk or egg in it: out of the cold ${formatSpan(outS)} of ${formatSpan(limitS)}. ${code}`}</Label>
  );
}
