import { formatSpan } from '../../reader/figures';
import { say } from '../../reader/say';
import { type Batch, type BatchState, whoDid } from '@kettle-scale/core/batch';
import { type ThreadRow, stepThread } from '@kettle-scale/core/log';

import { StyleSheet, View } from 'react-native';
import { whoWords } from '../../shared/whoWords';
import { useColours } from '../../ui/theme';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading, Label, Strong } from '../../ui/type';

const styles = StyleSheet.create({
  step: { flexDirection: 'row', gap: SPACE.m, minHeight: 46 },
  rail: { width: 16, alignItems: 'center' },
  dot: { width: 12, height: 12, borderRadius: 6, borderWidth: 2.5, marginTop: 5 },
  line: { flex: 1, width: 3 },
  words: { flex: 1 },
  side: { alignItems: 'flex-end' },
});

const plannedWords = ({ window, expectedS }: ThreadRow): string =>
  window
    ? say('{earliest} to {latest}', { earliest: { s: window.earliestS }, latest: { s: window.latestS } })
    : say('about {expected}', { expected: { s: expectedS } });

const VERDICT = { early: 'too short', late: 'too long', inside: '', free: '' } as const;

interface ThreadProps {
  batch: Batch;
  state: BatchState;
  /** What a cook is called. */
  nameOf: (cook: string) => string;
}

/** The batch as a thread: each step with its time and its amount, planned and actual. */
export function StepThread({ batch, state, nameOf }: ThreadProps) {
  const { plan, startedAt, events } = batch;
  const colours = useColours();
  const rows = stepThread(plan, state, Date.parse(startedAt));
  const people = whoDid(plan, events);
  return (
    <Ticket>
      <Heading>Step by step</Heading>
      <View>
        {rows.map((row, index) => {
          const { amount } = row;
          const done = row.actualS !== null;
          const badTime = row.verdict === 'early' || row.verdict === 'late';
          const off = badTime || (amount?.off ?? false);
          return (
            <View key={row.step.id} style={styles.step}>
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
                {index < rows.length - 1 ? (
                  <View style={[styles.line, { backgroundColor: done ? colours.ink : colours.rule }]} />
                ) : null}
              </View>
              <View style={styles.words}>
                <Strong>
                  {row.step.bowl && plan.bowls > 1
                    ? say('{step}, bowl {bowl, number}', { step: row.title, bowl: row.step.bowl })
                    : row.title}
                </Strong>
                <Label>{say('planned {plannedWords}', { plannedWords: plannedWords(row) })}</Label>
                {amount ? <Label>{say('planned {planned}', { planned: amount.planned })}</Label> : null}
                {(people.get(row.step.id) ?? []).map((who) => (
                  <Label key={whoWords(who, nameOf)}>{whoWords(who, nameOf)}</Label>
                ))}
              </View>
              <View style={styles.side}>
                <Strong tone={badTime ? 'plum' : 'ink'}>
                  {row.actualS === null ? '–' : formatSpan(row.actualS)}
                </Strong>
                {VERDICT[row.verdict] ? <Label tone="plum">{VERDICT[row.verdict]}</Label> : null}
                {amount ? <Strong tone={amount.off ? 'plum' : 'soot'}>{amount.actual}</Strong> : null}
              </View>
            </View>
          );
        })}
      </View>
    </Ticket>
  );
}
