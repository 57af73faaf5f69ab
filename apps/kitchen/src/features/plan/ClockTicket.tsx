import { formatSpan } from '../../reader/figures';
import { say } from '../../reader/say';
import type { FigureId } from '@kettle-scale/core/explain';
import { type Plan, planClock } from '@kettle-scale/core/plan';

import { View } from 'react-native';
import { useDays } from '../../shared/useDays';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Heading, Label } from '../../ui/type';
import { Ask } from '../../ui/layout/Why';

/** When each part would be, begun now. */
export function ClockTicket({
  plan,
  nowMs,
  onWhy,
}: {
  plan: Plan;
  nowMs: number;
  onWhy: (figure: FigureId) => void;
}) {
  const { when } = useDays();
  const named = (ms: number) => when(ms, nowMs);
  return (
    <Ticket>
      <Heading>If started now</Heading>
      <View>
        {planClock(plan, nowMs).map(({ title, startMs, endMs, latestMs }) => (
          <Leader
            key={say(title)}
            name={title}
            value={named(startMs)}
            aside={
              latestMs === null
                ? formatSpan((endMs - startMs) / 1000)
                : say('by {named}', { named: named(latestMs) })
            }
          />
        ))}
        <Leader name="Last piece off" value={named(nowMs + plan.expectedS * 1000)} tone="sage" />
      </View>
      <Ask onPress={() => onWhy('ready')}>
        <Label>One cook, usual times; rests with their earliest end. Why?</Label>
      </Ask>
    </Ticket>
  );
}
