import { say } from '../../reader/say';
import type { BreadStock } from '@kettle-scale/core/shift';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { type Waste, WasteReason } from '../../shared/WasteReason';
import { ActionRow, PrimaryAction } from '../../ui/input/actions';
import { Keypad } from '../../ui/input/Keypad';
import { Sheet } from '../../ui/layout/Sheet';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../ui/type';
import { FieldError } from '../../ui/input/Field';
import type { PlanActs } from './usePlanActs';
import type { ServiceNow } from './useServiceDay';

const styles = StyleSheet.create({
  bread: { gap: SPACE.xs },
  head: { flexDirection: 'row', alignItems: 'flex-end', gap: SPACE.m },
  words: { flex: 1, minWidth: 0 },
});

type Asking = { of: 'count' | 'throw'; formulaId: string } | null;

interface BreadRowProps {
  stock: BreadStock;
  name: string;
  acts: PlanActs;
  onAsk: (asking: Asking) => void;
}

/** What lies ready of one bread, with the taps that take from it. */
function BreadRow({ stock, name, acts, onAsk }: BreadRowProps) {
  const { formulaId, ready, tooOld, taken, made, broughtIn } = stock;
  const take = (pieces: number) => () => acts.act({ type: 'taken', formulaId, pieces });
  return (
    <View style={styles.bread}>
      <View style={styles.head}>
        <View style={styles.words}>
          <Heading>{name}</Heading>
          <Label>
            {say('{made, number} made, {broughtIn}{taken, number} taken', {
              made,
              broughtIn: broughtIn > 0 ? say('{broughtIn, number} brought in, ', { broughtIn }) : '',
              taken,
            })}
          </Label>
        </View>
        <Figure value={String(ready.length)} unit="ready" size={48} />
      </View>
      {tooOld > 0 ? (
        <Body tone="plum">
          {say('{tooOld, number} held too long: do not serve. Local food codes decide.', { tooOld })}
        </Body>
      ) : null}
      <ActionRow
        actions={[
          {
            key: '1',
            label: '−1',
            hint: say('Take 1 {name}', { name }),
            disabled: ready.length < 1,
            onPress: take(1),
          },
          {
            key: '5',
            label: '−5',
            hint: say('Take 5 {name}', { name }),
            disabled: ready.length < 5,
            onPress: take(5),
          },
        ]}
      />
      <ActionRow
        actions={[
          {
            key: 'count',
            label: 'Count',
            hint: say('Count the tray: {name}', { name }),
            onPress: () => onAsk({ of: 'count', formulaId }),
          },
          {
            key: 'throw',
            label: 'Throw out',
            hint: say('Throw out {name}', { name }),
            disabled: ready.length < 1,
            onPress: () => onAsk({ of: 'throw', formulaId }),
          },
        ]}
      />
    </View>
  );
}

/** Bread that lies ready: taken from in one tap, counted, or thrown out with a reason. */
export function TrayTicket({ now, acts }: { now: ServiceNow; acts: PlanActs }) {
  const [asking, setAsking] = useState<Asking>(null);
  const [typed, setTyped] = useState('');
  const [reason, setReason] = useState<Waste>('too old');
  const nameOf = (id: string) => now.line?.breads.find((bread) => bread.id === id)?.name ?? id;
  const asked = now.stock.find(({ formulaId }) => formulaId === asking?.formulaId);
  const pieces = Number(typed);
  const most = asking?.of === 'throw' ? (asked?.ready.length ?? 0) : 10_000;
  const least = asking?.of === 'throw' ? 1 : 0;
  const fits = typed !== '' && Number.isInteger(pieces) && pieces >= least && pieces <= most;
  const close = () => {
    setAsking(null);
    setTyped('');
  };
  const tell = () => {
    if (!asking) return;
    if (asking.of === 'count') acts.act({ type: 'counted', formulaId: asking.formulaId, pieces });
    else acts.act({ type: 'thrown-out', formulaId: asking.formulaId, pieces, reason });
    close();
  };
  return (
    <Ticket>
      {now.stock.map((stock) => (
        <BreadRow
          key={stock.formulaId}
          stock={stock}
          name={nameOf(stock.formulaId)}
          acts={acts}
          onAsk={setAsking}
        />
      ))}
      {acts.error ? <FieldError id="tray-error" message={acts.error.message} /> : null}
      <Sheet
        open={asking !== null}
        onClose={close}
        label={asking?.of === 'throw' ? 'Throw out' : 'Count the tray'}
      >
        <Heading>
          {say(asking?.of === 'throw' ? 'Throw out: {name}' : 'On the tray: {name}', {
            name: nameOf(asking?.formulaId ?? ''),
          })}
        </Heading>
        <Figure value={typed || '0'} unit="pieces" size={64} />
        {asking?.of === 'throw' ? <WasteReason value={reason} onChange={setReason} /> : null}
        <Keypad text={typed} onChange={setTyped} />
        <PrimaryAction
          label={
            typed === '' || fits ? 'Save' : say('Between {least, number} and {most, number}', { least, most })
          }
          disabled={!fits}
          onPress={tell}
        />
      </Sheet>
    </Ticket>
  );
}
