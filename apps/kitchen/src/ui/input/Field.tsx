import { say } from '../../reader/say';
import type { ReactNode } from 'react';
import { TextInput as NativeTextInput, StyleSheet, type TextStyle, View, type ViewStyle } from 'react-native';
import { Text } from '../Text';
import { TextInput } from 'react-native-paper';
import { atReadersSize } from '../textSize';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE } from '../tokens';
import { Label } from '../type';

type Input = React.ComponentProps<typeof NativeTextInput>;

interface FieldProps extends Pick<
  Input,
  'value' | 'onChangeText' | 'placeholder' | 'inputMode' | 'selectTextOnFocus' | 'multiline'
> {
  /** Lets a screen, and whoever reads it out, find the field and its sentence. */
  name: string;
  /** Shown above. */
  label?: string | undefined;
  /** What a screen reader says. */
  said: string;
  error?: string | undefined;
  /** Where the sentence stands elsewhere, under `<name>-error`. */
  errorBelow?: boolean;
  disabled?: boolean;
  height: number;
  /** Figures are set right and large, words left. */
  text: TextStyle;
  /** A figure's unit, or what else stands at the end of the line. */
  end?: ReactNode;
  /** Only a line below, for the large figures that steppers change. */
  open?: boolean;
  onFocus?: () => void;
  onBlur?: () => void;
  style?: ViewStyle | undefined;
}

const styles = StyleSheet.create({
  field: { gap: 2, minWidth: 0 },
  line: { flexDirection: 'row', alignItems: 'center', width: '100%' },
  input: { flex: 1, minWidth: 0, width: '100%' },
  // The outline around it shows the focus.
  bare: { outlineWidth: 0, outlineStyle: 'solid', outlineColor: 'transparent' },
  box: { borderWidth: 2, borderRadius: CORNER },
  open: { borderWidth: 0, borderBottomWidth: 2, borderRadius: 0 },
});

/** Every field of the product: Paper's, with its label above instead of in its outline, and one sentence below. */
export function Field(props: FieldProps) {
  const { name, label, said, error, errorBelow = true, disabled = false } = props;
  const { height, text, end, open = false, style } = props;
  const { value, onChangeText, onFocus, onBlur, placeholder, inputMode, selectTextOnFocus, multiline } =
    props;
  const colours = useColours();
  const errorId = `${name}-error`;
  return (
    <View style={[styles.field, style]}>
      {label ? <Label>{label}</Label> : null}
      <TextInput
        {...{ value, onChangeText, onFocus, onBlur, placeholder, inputMode, selectTextOnFocus, multiline }}
        id={name}
        mode="outlined"
        dense
        disabled={disabled}
        error={Boolean(error)}
        aria-label={say(said)}
        outlineColor={disabled || open ? colours.rule : colours.ink}
        outlineStyle={open ? styles.open : styles.box}
        placeholderTextColor={colours.soot}
        style={{ height, backgroundColor: open ? 'transparent' : colours.surface }}
        render={({ style: own, ...rest }) => (
          <View style={[styles.line, { height }]}>
            <NativeTextInput
              {...rest}
              style={[own, styles.input, styles.bare, { height, color: colours.ink }, atReadersSize(text)]}
              {...(error ? { 'aria-invalid': true, 'aria-describedby': errorId } : {})}
            />
            {end}
          </View>
        )}
      />
      {error && errorBelow ? <FieldError id={errorId} message={error} /> : null}
    </View>
  );
}

/** The sentence at a field that cannot be used. */
export function FieldError({ id, message }: { id: string; message: string }) {
  return (
    <View role="alert" id={id}>
      <Label tone="plum" style={{ fontFamily: FONT.strong, marginTop: SPACE.xs }}>
        {message}
      </Label>
    </View>
  );
}

/** The unit at the end of a figure's line. */
export function FieldUnit({ unit }: { unit: string }) {
  const colours = useColours();
  return (
    <Text style={{ fontFamily: FONT.figure, fontSize: 18, marginRight: SPACE.s + 2, color: colours.soot }}>
      {unit}
    </Text>
  );
}
