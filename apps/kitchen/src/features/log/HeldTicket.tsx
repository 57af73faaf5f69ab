import { say } from '../../reader/say';
import type { Holding } from '@kettle-scale/core/kitchen';
import { type HeldBread, beforeReheating, heldBread, holdState, reheatings } from '@kettle-scale/core/log';
import { planCost } from '@kettle-scale/core/plan';
import { batchRecord } from '@kettle-scale/core/batch';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useKitchen } from '../../api/queries';
import type { LiveBatch } from '../../batch/useBatch';
import { HeldSheet } from '../../shared/HeldSheet';
import { useColdWords } from '../../shared/useColdWords';
import { useDays } from '../../shared/useDays';
import { Action } from '../../ui/input/actions';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useNow } from '../../ui/useNow';

const MINUTE_MS = 60_000;
const TONE = { good: 'sage', soon: 'ember', over: 'plum' } as const;

const styles = StyleSheet.create({ way: { marginTop: SPACE.s } });

/** The ways back to hot, folded until somebody asks. */
function Reheat({ how, thicknessMm }: { how: Holding; thicknessMm: number }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Body tone="soot">{beforeReheating(how)}</Body>
      <Action label={open ? 'Fold the ways to reheat' : 'Ways to reheat'} onPress={() => setOpen(!open)} />
      {open
        ? reheatings(how, thicknessMm).map(({ way, time, text, caution }) => (
            <View key={way} style={styles.way}>
              <Leader name={way} value={time} />
              <Body>{text}</Body>
              <Label>{caution}</Label>
            </View>
          ))
        : null}
    </>
  );
}

interface HeldProps {
  bread: HeldBread;
  nowMs: number;
  thicknessMm: number;
  onAsk: () => void;
}

/** Bread that was put away, with what is left of its time. */
function Held({ bread, nowMs, thicknessMm, onAsk }: HeldProps) {
  const { when: until } = useDays();
  const stands = holdState(bread, nowMs);
  const leftS = (bread.useByMs - nowMs) / 1000;
  return (
    <View>
      <Heading>{say('{pieces, number} pieces, {how}', { pieces: bread.pieces, how: bread.how })}</Heading>
      <Label>{say('put there {until}', { until: until(bread.madeMs, nowMs) })}</Label>
      <Figure
        value={say('use by {until}', { until: until(bread.useByMs, nowMs) })}
        size={30}
        tone={TONE[stands]}
      />
      <Strong tone={TONE[stands]}>
        {stands === 'over'
          ? say('over for {left}', { left: { s: -leftS } })
          : say('{left} left', { left: { s: leftS } })}
      </Strong>
      <Action
        label="Serve, move, throw out"
        hint={say('Serve, move, throw out: {pieces, number} pieces, {how}', {
          pieces: bread.pieces,
          how: bread.how,
        })}
        onPress={onAsk}
      />
      {stands === 'over' ? (
        <Body>Past its limit do not reheat it; the person in charge decides.</Body>
      ) : (
        <Reheat how={bread.how} thicknessMm={thicknessMm} />
      )}
    </View>
  );
}

/** Bread that was put away with its clock, dough that was left over with its own, and the way to a label. */
export function HeldTicket({ live }: { live: LiveBatch }) {
  const router = useRouter();
  const format = useFormat();
  const kitchen = useKitchen();
  const nowMs = useNow(MINUTE_MS / 2);
  const { state, batch } = live;
  const record = batchRecord(batch.plan, state);
  const held = heldBread(kitchen.data ?? {}, record);
  const { thrownOut = 0 } = record;
  const eachCost = planCost(batch.plan).perPiece;
  const [asked, setAsked] = useState<HeldBread | null>(null);
  const { thicknessMm } = batch.plan.relaxed;
  const { balls, dough } = useColdWords(live, nowMs);
  // What is in the fridge is told as it stands now, after every draw.
  const leftovers = state.leftovers.filter(({ as }) => as !== 'fridge dough');
  if (held.length + leftovers.length + thrownOut === 0 && !balls && !dough && !asked) return null;
  return (
    <Ticket>
      {held.map((bread) => (
        <Held
          key={`${bread.how}/${bread.madeMs}`}
          {...{ bread, nowMs, thicknessMm }}
          onAsk={() => setAsked(bread)}
        />
      ))}
      {thrownOut > 0 ? (
        <Strong tone="plum">
          {eachCost === null
            ? say('{thrownOut, number} held pieces thrown out', { thrownOut })
            : say('{thrownOut, number} held pieces thrown out: {cost}', {
                thrownOut,
                cost: { money: thrownOut * eachCost, currency: kitchen.data?.currency },
              })}
        </Strong>
      ) : null}
      {asked ? (
        <HeldSheet
          batchId={batch.id}
          formulaId={batch.plan.formula.id}
          name={batch.plan.formula.name}
          bread={asked}
          onClose={() => setAsked(null)}
        />
      ) : null}
      {leftovers.map(({ id, massG, as }) => (
        <Strong key={id}>{say('{mass} of dough left over: {as}', { mass: format.mass(massG), as })}</Strong>
      ))}
      {[balls, dough].map((cold) =>
        cold ? (
          <Strong key={cold.text} tone={cold.over ? 'plum' : 'ink'}>
            {cold.text}
          </Strong>
        ) : null,
      )}
      <Label>
        Limits are the kitchen’s own setting. Follow your local food code; the person in charge decides.
      </Label>
      {held.length > 0 ? (
        <Action icon="print" label="Label to print" onPress={() => router.push(`/log/${batch.id}/label`)} />
      ) : null}
    </Ticket>
  );
}
