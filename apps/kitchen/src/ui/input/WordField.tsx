import { StyleSheet, type ViewStyle } from 'react-native';
import { FONT, SPACE, TOUCH } from '../tokens';
import { Field } from './Field';

interface WordFieldProps {
  label: string;
  value: string;
  onText: (text: string) => void;
  onDone?: () => void;
  placeholder?: string;
  /** Rows of a text that may run over several lines. */
  rows?: number;
  error?: string | undefined;
  name: string;
  style?: ViewStyle;
  /** Only said, not shown, where the place makes it plain. */
  quiet?: boolean;
}

const ROW_PX = 24;

const styles = StyleSheet.create({
  words: {
    fontFamily: FONT.text,
    fontSize: 18,
    lineHeight: ROW_PX,
    paddingHorizontal: SPACE.m - 4,
    paddingVertical: SPACE.s + 2,
  },
  rows: { textAlignVertical: 'top' },
});

/** Words to be typed, in one line or several. */
export function WordField({
  label,
  value,
  onText,
  onDone,
  placeholder,
  rows = 1,
  error,
  name,
  style,
  quiet = false,
}: WordFieldProps) {
  return (
    <Field
      {...{ name, error, style, value }}
      label={quiet ? undefined : label}
      said={label}
      onChangeText={onText}
      multiline={rows > 1}
      height={rows > 1 ? rows * ROW_PX + 2 * SPACE.s + 8 : TOUCH.other}
      text={rows > 1 ? StyleSheet.flatten([styles.words, styles.rows]) : styles.words}
      {...(placeholder ? { placeholder } : {})}
      {...(onDone ? { onBlur: onDone } : {})}
    />
  );
}
