import { type BatchState, type Plan, type StepTime, formatSpan } from '@kettle-scale/core';
import { stepTimes } from '@kettle-scale/core/batch';
import { StyleSheet, View } from 'react-native';
import { useColours } from '../../ui/theme';
import { Ticket } from '../../ui/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading, Label, Strong } from '../../ui/type';

const styles = StyleSheet.create({
  step: { flexDirection: 'row', gap: SPACE.m, minHeight: 46 },
  rail: { width: 16, alignItems: 'center' },
  dot: { width: 12, height: 12, borderRadius: 6, borderWidth: 2.5, marginTop: 5 },
  line: { flex: 1, width: 3 },
  words: { flex: 1 },
  time: { alignItems: 'flex-end' },
});

const plannedWords = ({ window, expectedS }: StepTime): string =>
  window
    ? `${formatSpan(window.earliestS)} to ${formatSpan(window.latestS)}`
    : `about ${formatSpan(expectedS)}`;

const VERDICT = { early: 'too short', late: 'too long', inside: '', free: '' } as const;

/** The batch as a thread: each step with its time, planned and actual. */
export function StepThread({ plan, state, startedMs }: { plan: Plan; state: BatchState; startedMs: number }) {
  const colours = useColours();
  const times = stepTimes(plan, state, startedMs);
  return (
    <Ticket>
      <Heading>Step by step</Heading>
      <View>
        {times.map((time, index) => {
          const done = time.actualS !== null;
          const off = time.verdict === 'early' || time.verdict === 'late';
          return (
            <View key={time.step.id} style={styles.step}>
              <View style={styles.rail}>
                <View
                  style={[
                    styles.dot,
                    {
                      borderColor: off ? colours.plum : colours.ink,
                      backgroundColor: done ? (off ? colours.plum : colours.ink) : 'transparent',
                    },
                  ]}
                />
                {index < times.length - 1 ? (
                  <View style={[styles.line, { backgroundColor: done ? colours.ink : colours.rule }]} />
                ) : null}
              </View>
              <View style={styles.words}>
                <Strong>{`${time.title}${time.step.bowl && plan.bowls > 1 ? `, bowl ${time.step.bowl}` : ''}`}</Strong>
                <Label>{`planned ${plannedWords(time)}`}</Label>
              </View>
              <View style={styles.time}>
                <Strong tone={off ? 'plum' : 'ink'}>
                  {time.actualS === null ? '–' : formatSpan(time.actualS)}
                </Strong>
                {VERDICT[time.verdict] ? <Label tone="plum">{VERDICT[time.verdict]}</Label> : null}
              </View>
            </View>
          );
        })}
      </View>
    </Ticket>
  );
}
