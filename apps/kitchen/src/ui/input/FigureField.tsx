import { numberOrNaN, numberQuestion } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { StyleSheet, Text, TextInput, View, type ViewStyle } from 'react-native';
import { FieldError } from './StepperField';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE, TOUCH } from '../tokens';
import { Label } from '../type';

interface FigureFieldProps {
  /** Said by screen readers; shown above when `labelled`. */
  label: string;
  labelled?: boolean;
  /** As it stands; shown while nobody types. */
  value: string;
  unit?: string;
  onText: (text: string) => void;
  /** When the field is left: typing is one act. */
  onDone?: () => void;
  error?: string | undefined;
  disabled?: boolean;
  name: string;
  style?: ViewStyle;
}

const styles = StyleSheet.create({
  field: { gap: 2, minWidth: 0 },
  box: {
    flexDirection: 'row',
    alignItems: 'center',
    height: TOUCH.other,
    borderWidth: 2,
    borderRadius: CORNER,
    paddingHorizontal: SPACE.s,
  },
  input: {
    flex: 1,
    minWidth: 0,
    height: '100%',
    fontFamily: FONT.figure,
    fontVariant: ['tabular-nums'],
    fontSize: 24,
    textAlign: 'right',
    padding: 0,
    // The box around it shows the focus.
    outlineWidth: 0,
    outlineStyle: 'solid',
    outlineColor: 'transparent',
  },
  focused: { outlineWidth: 3, outlineStyle: 'solid', outlineOffset: 0 },
  unit: { fontFamily: FONT.figure, fontSize: 18, marginLeft: 6 },
});

/**
 * A figure with its unit, to be typed over. While it has the focus it shows what is typed; else what it came to.
 */
export function FigureField({
  label,
  labelled = false,
  value,
  unit = '',
  onText,
  onDone,
  error: given,
  disabled = false,
  name,
  style,
}: FigureFieldProps) {
  const colours = useColours();
  const [typed, setTyped] = useState<string | null>(null);
  const error = numberQuestion(typed ?? '') ?? given;
  const [focused, setFocused] = useState(false);
  // A field in error keeps what was typed, so that it can be mended.
  const leave = () => {
    setFocused(false);
    if (!error) setTyped(null);
    onDone?.();
  };
  return (
    <View style={[styles.field, style]}>
      {labelled ? <Label>{label}</Label> : null}
      <View
        style={[
          styles.box,
          focused && styles.focused,
          {
            outlineColor: colours.ember,
            borderColor: error ? colours.plum : disabled ? colours.rule : colours.ink,
            backgroundColor: colours.surface,
          },
        ]}
      >
        <TextInput
          id={name}
          aria-label={unit ? `${label}, ${unit}` : label}
          inputMode="decimal"
          value={typed ?? value}
          editable={!disabled}
          selectTextOnFocus
          onFocus={() => {
            setFocused(true);
            setTyped(typed ?? value);
          }}
          onChangeText={(text) => {
            setTyped(text);
            onText(text);
          }}
          onBlur={leave}
          style={[styles.input, { color: colours.ink }]}
          {...(error ? { 'aria-invalid': true, 'aria-describedby': `${name}-error` } : {})}
        />
        {unit ? <Text style={[styles.unit, { color: colours.soot }]}>{unit}</Text> : null}
      </View>
      {error ? <FieldError id={`${name}-error`} message={error} /> : null}
    </View>
  );
}

/** What a person typed as a number; NaN when it is none, or can be two: the field asks which. */
export const numberTyped = (text: string): number => numberOrNaN(text);
