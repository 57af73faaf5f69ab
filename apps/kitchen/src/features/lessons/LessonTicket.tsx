import { say } from '../../reader/say';
import type { Lesson } from '@kettle-scale/core/log';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useUnits } from '../../reader/preferences';
import { useDays } from '../../shared/useDays';
import { ForLead } from '../../shared/ForLead';
import { Action, ActionRow } from '../../ui/input/actions';
import { XyChart } from '../../shared/chart';
import { Check } from '../../ui/input/Choices';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../ui/type';
import { evidenceAxis, evidenceValue, evidenceWords, lessonFigure } from '../../shared/lessonText';

const styles = StyleSheet.create({
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-start', gap: SPACE.m },
  words: { flex: 1, minWidth: 0 },
  figure: { alignItems: 'flex-end' },
});

interface Props {
  lesson: Lesson;
  onSwitch: (on: boolean) => void;
}

/** Lessons that plans use without an adjustment: the lot's own water, and what a service is planned with. */
const USED_ELSEWHERE: ReadonlySet<Lesson['kind']> = new Set(['water', 'rejects', 'step-time']);

/** Lessons whose own figure is of the same kind as each batch's, so that it may be drawn among them. */
const COMPARABLE: ReadonlySet<Lesson['kind']> = new Set([
  'water',
  'season',
  'bowl-loss',
  'bench-loss',
  'relaxing',
  'ball-spread',
  'disc-spread',
  'rejects',
  'step-time',
]);

function Evidence({ lesson }: { lesson: Lesson }) {
  const units = useUnits();
  const router = useRouter();
  const { day } = useDays();
  const points = lesson.evidence.map(({ at, value, formulaName }) => ({
    x: Date.parse(at),
    y: evidenceValue(lesson, value, units),
    words: `${day(Date.parse(at))}, ${formulaName}: ${evidenceWords(evidenceValue(lesson, value, units))} ${evidenceAxis(lesson.kind, units)}`,
  }));
  const inChart = COMPARABLE.has(lesson.kind);
  const newest = lesson.evidence.at(-1);
  return (
    <>
      <XyChart
        label={say('{title}, batch by batch', { title: lesson.title })}
        points={points}
        joined={lesson.kind === 'cost'}
        tone="water"
        y={{ label: evidenceAxis(lesson.kind, units) }}
        x={{ label: 'day', format: day, ...(points.length < 4 ? { ticks: points.map(({ x }) => x) } : {}) }}
        bands={
          inChart
            ? [
                {
                  low: evidenceValue(lesson, lesson.low, units),
                  high: evidenceValue(lesson, lesson.high, units),
                  tone: 'maize',
                },
              ]
            : []
        }
        levels={
          inChart ? [{ y: evidenceValue(lesson, lesson.value, units), name: 'learned', tone: 'water' }] : []
        }
        table={{
          columns: ['Batch', 'day', evidenceAxis(lesson.kind, units)],
          rows: lesson.evidence.map(({ at, value, formulaName }, index) => [
            `${index + 1} ${formulaName}`,
            day(Date.parse(at)),
            evidenceWords(evidenceValue(lesson, value, units)),
          ]),
        }}
      />
      {lesson.batches > lesson.evidence.length ? (
        <Label>
          {say(
            'The newest {length, number} of {batches, number} batches are shown; the lesson rests on all.',
            { length: lesson.evidence.length, batches: lesson.batches },
          )}
        </Label>
      ) : null}
      {newest ? (
        <ActionRow
          actions={[
            {
              key: 'batch',
              label: 'See the newest batch',
              onPress: () => router.push(`/log/${newest.batchId}`),
            },
          ]}
        />
      ) : null}
    </>
  );
}

/** One lesson: what it says, how sure it is, what it rests on, and whether plans may use it. */
export function LessonTicket({ lesson, onSwitch }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const { title, words, value, low, high, batches, on, adjustment, kind } = lesson;
  const used = adjustment !== null || USED_ELSEWHERE.has(kind);
  return (
    <Ticket>
      <View style={styles.head}>
        <View style={styles.words}>
          <Heading>{title}</Heading>
          <Label>
            {say('from {batches, number} {batches, plural, one {batch} other {batches}}', { batches })}
          </Label>
        </View>
        <View style={styles.figure}>
          <Figure value={lessonFigure(lesson, value, units)} size={30} tone={on ? 'ink' : 'soot'} />
          <Label>
            {say('{lessonFigure} to {lessonFigure2}', {
              lessonFigure: lessonFigure(lesson, low, units),
              lessonFigure2: lessonFigure(lesson, high, units),
            })}
          </Label>
        </View>
      </View>
      <Body>{words}</Body>
      {used ? (
        <ForLead instead={on ? 'Used in plans' : 'Not used in plans'}>
          <Check label="Use in plans" value={on} onChange={onSwitch} />
        </ForLead>
      ) : (
        <Label>For information; it changes no plan.</Label>
      )}
      <Action label={open ? 'Hide the evidence' : 'Evidence'} onPress={() => setOpen(!open)} />
      {open ? <Evidence lesson={lesson} /> : null}
    </Ticket>
  );
}
