import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';
import { type BatchState, batchRecord } from '@kettle-scale/core/batch';
import { type Plan, stepTitle } from '@kettle-scale/core/plan';

import { StyleSheet, View } from 'react-native';
import { Icon } from '../../ui/Icon';
import { Leader, Ticket, TicketRule } from '../../ui/layout/Ticket';
import { useColours } from '../../ui/theme';
import { SPACE } from '../../ui/tokens';
import { Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

const styles = StyleSheet.create({
  stack: { gap: SPACE.m },
  step: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s, minHeight: 30 },
  mark: { width: 20, alignItems: 'center' },
  dot: { width: 10, height: 10, borderRadius: 5, borderWidth: 2 },
});

/** Beside the step on a wide screen: the sheet as weighed so far, and the steps. */
export function BatchSide({ plan, state }: { plan: Plan; state: BatchState }) {
  const format = useFormat();
  const colours = useColours();
  const record = batchRecord(plan, state);
  return (
    <View style={styles.stack}>
      <Ticket>
        <Heading>In the bowl</Heading>
        <View>
          {record.lines.map((line) => (
            <Leader
              key={line.lineId}
              name={line.name}
              value={line.weighedG === null ? '–' : format.mass(line.weighedG, line.stepG)}
              aside={format.mass(line.plannedG, line.stepG)}
            />
          ))}
          <TicketRule />
          <Leader
            name="Hydration"
            value={formatPercent(record.actual.hydration, 1)}
            aside={formatPercent(record.planned.hydration, 1)}
            tone="water"
          />
        </View>
        <Label>weighed (planned below it)</Label>
      </Ticket>
      <Ticket>
        <Heading>Steps</Heading>
        <View>
          {state.steps.map(({ step, status }) => (
            <View key={step.id} style={styles.step}>
              <View style={styles.mark}>
                {status === 'done' ? (
                  <Icon name="check" size={18} colour={colours.sage} />
                ) : (
                  <View
                    style={[
                      styles.dot,
                      {
                        borderColor: status === 'now' ? colours.ember : colours.soot,
                        backgroundColor: status === 'now' ? colours.ember : 'transparent',
                      },
                    ]}
                  />
                )}
              </View>
              {status === 'now' ? (
                <Strong>{stepTitle(plan, step)}</Strong>
              ) : (
                <Label style={{ fontSize: 16 }}>{stepTitle(plan, step)}</Label>
              )}
              {step.bowl && plan.bowls > 1 ? (
                <Label>{say('bowl {bowl, number}', { bowl: step.bowl })}</Label>
              ) : null}
            </View>
          ))}
        </View>
      </Ticket>
    </View>
  );
}
