import { heldBread, holdState } from '@kettle-scale/core/log';
import { addDays, formatSpan } from '@kettle-scale/core/quantity';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { useFinishedFrom, useKitchen } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Heading, Label } from '../../ui/type';

const LOOK_BACK_DAYS = 2;
/** What is over for longer than this was dealt with, or nobody will. */
const OVER_MS = 6 * 3600 * 1000;
const MOST = 5;
const TONE = { good: 'sage', soon: 'ink', over: 'plum' } as const;

/** Bread that is held, by what must go first. */
export function HeldTicket({ nowMs }: { nowMs: number }) {
  const kitchen = useKitchen();
  // By the day, so that the clock of the page does not ask again every second.
  const from = addDays(useDays().dayOf(nowMs), -LOOK_BACK_DAYS);
  const log = useFinishedFrom(from);
  const held = (log.data ?? [])
    .flatMap(({ id, formulaName, record }) =>
      heldBread(kitchen.data ?? {}, record).map((bread) => ({ id, formulaName, bread })),
    )
    .filter(({ bread }) => nowMs - bread.useByMs < OVER_MS)
    .sort((a, b) => a.bread.useByMs - b.bread.useByMs)
    .slice(0, MOST);
  if (held.length === 0) return null;
  return (
    <Ticket>
      <Heading>Held bread</Heading>
      <View>
        {held.map(({ id, formulaName, bread }) => {
          const stands = holdState(bread, nowMs);
          const left = formatSpan(Math.abs(bread.useByMs - nowMs) / 1000);
          return (
            <Link
              key={`${id}/${bread.madeMs}`}
              href={`/log/${id}`}
              style={{ display: 'flex', flexDirection: 'column' }}
            >
              <Leader
                name={`${bread.pieces} ${formulaName}, ${bread.how}`}
                value={stands === 'over' ? `over ${left}` : left}
                tone={TONE[stands]}
              />
            </Link>
          );
        })}
      </View>
      <Label>Follow your local food code; the person in charge decides.</Label>
    </Ticket>
  );
}
