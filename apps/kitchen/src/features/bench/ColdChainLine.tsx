import { say } from '../../reader/say';
import { coldChain } from '@kettle-scale/core/batch';
import type { LiveBatch } from '../../batch/useBatch';
import { Caution } from '../../ui/layout/Caution';

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
        lead={say('Out of the cold {out}.', { out: { s: outS } })}
        text={say('More than the {limit} set here. {code}', { limit: { s: limitS }, code })}
      />
    );
  }
  if (outS > NEARLY * limitS) {
    return (
      <Caution
        lead={say('{left} left out of the cold.', { left: { s: leftS } })}
        text={say('The limit is {limit} in all. {code}', { limit: { s: limitS }, code })}
      />
    );
  }
  return (
    <Caution
      folded
      lead={say('Unchilled {out} / {limit}.', { out: { s: outS }, limit: { s: limitS } })}
      text={say('There is milk or egg in it. {code}', { code })}
    />
  );
}
