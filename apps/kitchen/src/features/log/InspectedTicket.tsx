import { say, sayAll } from '../../reader/say';
import type { BatchState } from '@kettle-scale/core/batch';
import { View } from 'react-native';
import { SideSwatch } from '../../shared/SideSwatch';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';

const PX = 56;

/** Rejects by reason, and pieces that were looked at closely. */
export function InspectedTicket({ state }: { state: BatchState }) {
  if (state.rejected.length === 0 && state.inspected.length === 0) return null;
  const counts = new Map<string, number>();
  for (const { reason, pieces } of state.rejected) counts.set(reason, (counts.get(reason) ?? 0) + pieces);
  return (
    <Ticket>
      <Heading>Inspected</Heading>
      <View>
        {[...counts].map(([reason, pieces]) => (
          <Leader
            key={reason}
            name={say('Rejected: {reason}', { reason })}
            value={String(pieces)}
            tone="plum"
          />
        ))}
      </View>
      {state.inspected.map(({ id, firstSide, secondSide, fold, tear, puff, diameterMm, bakedG }) => (
        <View key={id} style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }}>
          {[firstSide, secondSide].map((side, index) =>
            side ? (
              <View key={index} style={{ alignItems: 'center' }}>
                <SideSwatch side={side} px={PX} />
                <Label>{side}</Label>
              </View>
            ) : null,
          )}
          <Body style={{ flex: 1 }}>
            {sayAll([
              ...[fold, tear, puff],
              diameterMm !== undefined && { mm: diameterMm },
              bakedG !== undefined && { g: bakedG, stepG: 0.1 },
            ])}
          </Body>
        </View>
      ))}
    </Ticket>
  );
}
