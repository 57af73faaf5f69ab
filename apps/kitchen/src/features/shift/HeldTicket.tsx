import { formatSpan } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import { type HeldBread, heldBread, holdState } from '@kettle-scale/core/log';
import { addDays } from '@kettle-scale/core/quantity';
import { type ComponentProps, type ComponentType, useState } from 'react';
import { View } from 'react-native';
import { useHeld, useKitchen } from '../../api/queries';
import type { HeldSheet } from '../../shared/HeldSheet';
import { useDays } from '../../shared/useDays';
import { Press } from '../../ui/input/Press';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Heading, Label } from '../../ui/type';

/** The longest that bread is held, in a frozen pack, and a little. */
const LOOK_BACK_DAYS = 125;
/** What is over for longer than this was dealt with, or nobody will. */
const OVER_MS = 24 * 3600 * 1000;
const TONE = { good: 'sage', soon: 'ink', over: 'plum' } as const;

/** What a tap opens; it comes with the rest of the app, not with the first page. */
export type HeldSheetProps = ComponentProps<typeof HeldSheet>;

interface Held {
  id: string;
  formulaId: string;
  formulaName: string;
  bread: HeldBread;
}

/** Bread that is held, of any day, by what must go first; a tap says what becomes of it. */
export function HeldTicket({ nowMs, Sheet }: { nowMs: number; Sheet: ComponentType<HeldSheetProps> }) {
  const kitchen = useKitchen();
  const [asked, setAsked] = useState<Held | null>(null);
  // By the day, so that the clock of the page does not ask again every second.
  const log = useHeld(addDays(useDays().dayOf(nowMs), -LOOK_BACK_DAYS));
  const held = (log.data ?? [])
    .flatMap(({ id, formulaId, formulaName, record }) =>
      heldBread(kitchen.data ?? {}, record).map((bread): Held => ({ id, formulaId, formulaName, bread })),
    )
    .filter(({ bread }) => nowMs - bread.useByMs < OVER_MS)
    .sort((a, b) => a.bread.useByMs - b.bread.useByMs);
  if (held.length === 0 && !asked) return null;
  return (
    <Ticket>
      <Heading>Held bread</Heading>
      <View>
        {held.map((one) => {
          const { id, formulaName, bread } = one;
          const stands = holdState(bread, nowMs);
          const left = formatSpan(Math.abs(bread.useByMs - nowMs) / 1000);
          const name = sayAll([`${bread.pieces} ${formulaName}`, bread.how]);
          return (
            <Press key={`${id}/${bread.how}/${bread.madeMs}`} role="button" onPress={() => setAsked(one)}>
              <Leader
                name={name}
                value={stands === 'over' ? say('over {left}', { left }) : left}
                tone={TONE[stands]}
              />
            </Press>
          );
        })}
      </View>
      <Label>Follow your local food code; the person in charge decides.</Label>
      {asked ? (
        <Sheet
          batchId={asked.id}
          formulaId={asked.formulaId}
          name={asked.formulaName}
          bread={asked.bread}
          onClose={() => setAsked(null)}
        />
      ) : null}
    </Ticket>
  );
}
