import { DEFAULT_FRIDGE_DOUGH_H, type Holding } from '@kettle-scale/core/kitchen';
import { beforeReheating, heldBread, holdState, reheatings } from '@kettle-scale/core/log';
import { formatSpan } from '@kettle-scale/core/quantity';
import { batchRecord } from '@kettle-scale/core/batch';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useKitchen } from '../../api/queries';
import type { LiveBatch } from '../../batch/useBatch';
import { useDays } from '../../shared/useDays';
import { Action } from '../../ui/input/actions';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useNow } from '../../ui/useNow';

const MINUTE_MS = 60_000;
const S_PER_H = 3600;
const TONE = { good: 'sage', soon: 'ember', over: 'plum' } as const;

/** The ways back to hot, folded until somebody asks. */
function Reheat({ how, thicknessMm }: { how: Holding; thicknessMm: number }) {
  const [open, setOpen] = useState(false);
  const { units } = useFormat();
  return (
    <>
      <Body tone="soot">{beforeReheating(how)}</Body>
      <Action label={open ? 'Fold the ways to reheat' : 'Ways to reheat'} onPress={() => setOpen(!open)} />
      {open
        ? reheatings(how, thicknessMm, units).map(({ way, time, text, caution }) => (
            <View key={way}>
              <Leader name={way} value={time} />
              <Body>{text}</Body>
              <Label>{caution}</Label>
            </View>
          ))
        : null}
    </>
  );
}

/** Bread that was put away with its clock, dough that was left over with its own, and the way to a label. */
export function HeldTicket({ live }: { live: LiveBatch }) {
  const router = useRouter();
  const format = useFormat();
  const { when: until } = useDays();
  const kitchen = useKitchen();
  const nowMs = useNow(MINUTE_MS / 2);
  const { state, batch } = live;
  const held = heldBread(kitchen.data ?? {}, batchRecord(batch.plan, state));
  const { thicknessMm } = batch.plan.relaxed;
  const fridgeH = kitchen.data?.fridgeDoughH ?? DEFAULT_FRIDGE_DOUGH_H;
  if (held.length === 0 && state.leftovers.length === 0) return null;
  return (
    <Ticket>
      {held.map((bread) => {
        const stands = holdState(bread, nowMs);
        const leftS = (bread.useByMs - nowMs) / 1000;
        return (
          <View key={`${bread.how}/${bread.madeMs}`}>
            <Heading>{`${bread.pieces} pieces, ${bread.how}`}</Heading>
            <Label>{`put there ${until(bread.madeMs, nowMs)}`}</Label>
            <Figure value={`use by ${until(bread.useByMs, nowMs)}`} size={30} tone={TONE[stands]} />
            <Strong tone={TONE[stands]}>
              {stands === 'over' ? `over for ${formatSpan(-leftS)}` : `${formatSpan(leftS)} left`}
            </Strong>
            <Reheat how={bread.how} thicknessMm={thicknessMm} />
          </View>
        );
      })}
      {state.leftovers.map(({ id, massG, as, at }) => {
        const endMs = Date.parse(at) + fridgeH * S_PER_H * 1000;
        return (
          <View key={id}>
            <Strong>{`${format.mass(massG)} of dough left over: ${as}`}</Strong>
            {as === 'fridge dough' ? (
              <Body tone={nowMs > endMs ? 'plum' : 'soot'}>
                {nowMs > endMs
                  ? `Its time was over ${until(endMs, nowMs)}.`
                  : `Use by ${until(endMs, nowMs)}.`}
              </Body>
            ) : null}
          </View>
        );
      })}
      <Label>
        Limits are the kitchen’s own setting. Follow your local food code; the person in charge decides.
      </Label>
      {held.length > 0 ? (
        <Action icon="print" label="Label to print" onPress={() => router.push(`/log/${batch.id}/label`)} />
      ) : null}
    </Ticket>
  );
}
