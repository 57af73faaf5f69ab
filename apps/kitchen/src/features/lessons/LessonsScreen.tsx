import type { Kitchen } from '@kettle-scale/core/kitchen';
import type { Lesson } from '@kettle-scale/core/log';
import { StyleSheet, View } from 'react-native';
import { useLessons } from '../../api/logQueries';
import { useChangeKitchen } from '../../api/changes';
import { useKitchen } from '../../api/queries';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { FieldError } from '../../ui/input/Field';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';
import { LessonTicket } from './LessonTicket';

const GROUPS: readonly { title: string; kinds: readonly Lesson['kind'][] }[] = [
  { title: 'Water', kinds: ['water', 'season'] },
  { title: 'Losses', kinds: ['bowl-loss', 'bench-loss', 'rejects'] },
  { title: 'Rest and spring-back', kinds: ['relaxing', 'rest'] },
  { title: 'Time of the work', kinds: ['step-time'] },
  { title: 'Same ball, same disc', kinds: ['ball-spread', 'disc-spread'] },
  { title: 'Cost', kinds: ['cost'] },
];

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' },
  cell: { flexGrow: 1, flexBasis: 330, flexShrink: 1, maxWidth: 560, minWidth: 0 },
});

/** What the records teach, each with its evidence and a switch. */
export function LessonsScreen() {
  const lessons = useLessons();
  const kitchen = useKitchen();
  const save = useChangeKitchen(kitchen.data);
  const switchTo = (settings: Kitchen, id: string, on: boolean) => {
    const off = (settings.lessonsOff ?? []).filter((other) => other !== id);
    save.mutate({ lessonsOff: on ? off : [...off, id] });
  };
  if (!lessons.data || !kitchen.data) {
    return (
      <Screen title="Lessons">
        <Waiting
          what="the lessons"
          error={lessons.error ?? kitchen.error}
          onRetry={() => void lessons.refetch()}
        />
      </Screen>
    );
  }
  const settings = kitchen.data;
  const off = new Set(settings.lessonsOff ?? []);
  return (
    <Screen eyebrow="What the last year shows" title="Lessons">
      {lessons.data.length === 0 ? (
        <Notice
          title="No lessons yet"
          text="Finish a batch and judge its dough: the first lesson comes from it."
        />
      ) : (
        <Body tone="soot">Nine times in ten the truth lies within the interval under each figure.</Body>
      )}
      {save.error ? <FieldError id="lesson-error" message={save.error.message} /> : null}
      {GROUPS.map(({ title, kinds }) => {
        const here = lessons.data.filter(({ kind }) => kinds.includes(kind));
        if (here.length === 0) return null;
        return (
          <View key={title} style={{ gap: SPACE.s }}>
            <Heading>{title}</Heading>
            <View style={styles.grid}>
              {here.map((lesson) => (
                <View key={lesson.id} style={styles.cell}>
                  <LessonTicket
                    lesson={{ ...lesson, on: !off.has(lesson.id) }}
                    onSwitch={(on) => switchTo(settings, lesson.id, on)}
                  />
                </View>
              ))}
            </View>
          </View>
        );
      })}
      <Label>A lesson changes a plan only where it says so; the plan shows what it changed.</Label>
    </Screen>
  );
}
