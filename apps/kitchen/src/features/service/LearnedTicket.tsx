import { say } from '../../reader/say';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { lessonFigure } from '../../shared/lessonText';
import { Action } from '../../ui/input/actions';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { useUnits } from '../../reader/preferences';
import { Heading, Label } from '../../ui/type';
import type { ServiceNow } from './useServiceDay';

/** What past batches taught that this plan counts with; each has its switch among the lessons. */
export function LearnedTicket({ now: { lessons } }: { now: ServiceNow }) {
  const router = useRouter();
  const units = useUnits();
  if (lessons.length === 0) return null;
  return (
    <Ticket>
      <Heading>Learned, and in this plan</Heading>
      <View>
        {lessons.map((lesson) => (
          <Leader
            key={lesson.id}
            name={lesson.title}
            value={lesson.on ? lessonFigure(lesson, lesson.value, units) : 'off'}
            aside={say('{lessonFigure} to {lessonFigure2}', {
              lessonFigure: lessonFigure(lesson, lesson.low, units),
              lessonFigure2: lessonFigure(lesson, lesson.high, units),
            })}
          />
        ))}
      </View>
      <Label>Nine times in ten the truth lies within the interval.</Label>
      <Action label="Switch lessons" onPress={() => router.push('/lessons')} />
    </Ticket>
  );
}
