import { say } from '../../reader/say';
import { useCallback, useState } from 'react';
import { StyleSheet, type ViewStyle } from 'react-native';
import { IconButton } from 'react-native-paper';
import { lazily } from '../layout/lazily';
import { useColours } from '../theme';
import { FONT, SPACE, TOUCH } from '../tokens';
import type { CalendarSheetProps } from './CalendarSheet';
import { Field } from './Field';

const CalendarSheet = lazily<CalendarSheetProps>(() => import('./CalendarSheet'));

const DAY = /^\d{4}-\d{2}-\d{2}$/;
const EXAMPLE = '2026-03-04';

/** Whether a text is a whole day of the calendar. */
export const isDay = (text: string): boolean => DAY.test(text) && !Number.isNaN(Date.parse(text));

const styles = StyleSheet.create({
  day: {
    fontFamily: FONT.text,
    fontSize: 18,
    paddingVertical: 0,
    paddingHorizontal: SPACE.m - 4,
    fontVariant: ['tabular-nums'],
  },
  open: { margin: 0, width: TOUCH.other - 4, height: TOUCH.other - 4 },
});

interface DayFieldProps {
  name: string;
  label: string;
  /** A day as 2026-03-04, or what is typed of one. */
  value: string;
  onText: (text: string) => void;
  error?: string | undefined;
  style?: ViewStyle;
}

/** A day, typed or chosen from a month. */
export function DayField({ name, label, value, onText, error: given, style }: DayFieldProps) {
  const colours = useColours();
  const [open, setOpen] = useState(false);
  const close = useCallback(() => setOpen(false), []);
  const wrong = value.length >= EXAMPLE.length && !isDay(value);
  return (
    <>
      <Field
        {...{ name, label, value, style }}
        said={label}
        error={given ?? (wrong ? say('A day is written like {example}.', { example: EXAMPLE }) : undefined)}
        placeholder={EXAMPLE}
        height={TOUCH.other}
        text={styles.day}
        onChangeText={onText}
        end={
          <IconButton
            icon="calendar"
            iconColor={colours.ink}
            size={24}
            accessibilityLabel={say('Choose: {label}', { label })}
            onPress={() => setOpen(true)}
            style={styles.open}
          />
        }
      />
      {open ? (
        <CalendarSheet {...{ open, label }} day={isDay(value) ? value : ''} onDay={onText} onClose={close} />
      ) : null}
    </>
  );
}
