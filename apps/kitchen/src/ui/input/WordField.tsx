import { StyleSheet, TextInput, View, type ViewStyle } from 'react-native';
import { FieldError } from './StepperField';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE, TOUCH } from '../tokens';
import { Label } from '../type';

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
  field: { gap: 2, minWidth: 0 },
  input: {
    minHeight: TOUCH.other,
    borderWidth: 2,
    borderRadius: CORNER,
    paddingHorizontal: SPACE.m - 4,
    paddingVertical: SPACE.s + 2,
    fontFamily: FONT.text,
    fontSize: 18,
    lineHeight: ROW_PX,
    outlineOffset: 1,
  },
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
  const colours = useColours();
  return (
    <View style={[styles.field, style]}>
      {quiet ? null : <Label>{label}</Label>}
      <TextInput
        id={name}
        aria-label={label}
        value={value}
        onChangeText={onText}
        placeholder={placeholder}
        placeholderTextColor={colours.soot}
        multiline={rows > 1}
        style={[
          styles.input,
          {
            color: colours.ink,
            backgroundColor: colours.surface,
            borderColor: error ? colours.plum : colours.ink,
            ...(rows > 1 ? { height: rows * ROW_PX + 2 * SPACE.s + 8, textAlignVertical: 'top' } : {}),
          },
        ]}
        {...(onDone ? { onBlur: onDone } : {})}
        {...(error ? { 'aria-invalid': true, 'aria-describedby': `${name}-error` } : {})}
      />
      {error ? <FieldError id={`${name}-error`} message={error} /> : null}
    </View>
  );
}
