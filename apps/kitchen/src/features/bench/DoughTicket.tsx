import { say } from '../../reader/say';
import { formatPercent } from '../../reader/figures';

import { type RunningDough, topUps } from '@kettle-scale/core/batch';
import { View } from 'react-native';
import { ActionRow } from '../../ui/input/actions';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

interface DoughTicketProps {
  dough: RunningDough;
  onTopUp?: (lineId: string, massG: number) => void;
}

/** The dough as it is in the bowl: true percentages, and what the flour still asks for. */
export function DoughTicket({ dough, onTopUp }: DoughTicketProps) {
  const format = useFormat();
  const due = topUps(dough);
  return (
    <Ticket>
      <Heading>In the bowl, true percentages</Heading>
      <View>
        {dough.lines.map(({ line, inG, fraction }) => (
          <Leader
            key={line.lineId}
            name={line.name}
            value={format.mass(inG, line.stepG)}
            aside={formatPercent(fraction, 1)}
            tone={line.kind === 'water' || line.kind === 'dairy' ? 'water' : 'ink'}
          />
        ))}
        <Leader name="Hydration" value={formatPercent(dough.totals.hydration, 1)} tone="water" />
      </View>
      {due.length > 0 && onTopUp ? (
        <>
          <Label>More flour is in than planned; to keep the shares:</Label>
          <ActionRow
            actions={due.map(({ line, massG }) => ({
              key: line.lineId,
              label: `+${format.mass(massG, line.stepG)} ${say(line.name).toLocaleLowerCase()}`,
              onPress: () => onTopUp(line.lineId, massG),
            }))}
          />
        </>
      ) : null}
    </Ticket>
  );
}
