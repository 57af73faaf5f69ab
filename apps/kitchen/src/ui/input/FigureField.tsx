import { asTyped, inSource } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import { numberOrNaN, numberQuestion, readText, readerUnit, storedText } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { StyleSheet, type ViewStyle } from 'react-native';
import { FONT, SPACE, TOUCH } from '../tokens';
import { useUnits } from '../../reader/preferences';
import { Field, FieldUnit } from './Field';

interface FigureFieldProps {
  /** Said by screen readers; shown above when `labelled`. */
  label: string;
  labelled?: boolean;
  /** As it is stored; shown in the reader's units while nobody types. */
  value: string;
  /** What it is stored in; a kelvin is a difference. */
  unit?: string;
  /** What was typed, in the stored unit. */
  onText: (text: string) => void;
  /** When the field is left: typing is one act. */
  onDone?: () => void;
  error?: string | undefined;
  disabled?: boolean;
  name: string;
  style?: ViewStyle;
}

const styles = StyleSheet.create({
  figure: {
    fontFamily: FONT.figure,
    fontVariant: ['tabular-nums'],
    fontSize: 24,
    textAlign: 'right',
    paddingVertical: 0,
    paddingHorizontal: SPACE.s,
  },
});

/**
 * A figure with its unit, to be typed over. While it has the focus it shows what is typed; else what it came to.
 */
export function FigureField({
  label,
  labelled = false,
  value,
  unit: stored = '',
  onText,
  onDone,
  error: given,
  disabled = false,
  name,
  style,
}: FigureFieldProps) {
  const units = useUnits();
  const { unit } = readerUnit(stored, units);
  const [typed, setTyped] = useState<string | null>(null);
  const question = numberQuestion(inSource(typed ?? ''));
  const error = question ? say(question) : given;
  const shown = asTyped(readText(value, stored, units));
  // A field in error keeps what was typed, so that it can be mended.
  const leave = () => {
    if (!error) setTyped(null);
    onDone?.();
  };
  return (
    <Field
      {...{ name, error, disabled, style }}
      label={labelled ? label : undefined}
      said={sayAll([label, unit])}
      inputMode="decimal"
      height={TOUCH.other}
      value={typed ?? shown}
      selectTextOnFocus
      onFocus={() => setTyped(typed ?? shown)}
      onChangeText={(text) => {
        setTyped(text);
        onText(storedText(inSource(text), stored, units));
      }}
      onBlur={leave}
      text={styles.figure}
      end={unit ? <FieldUnit unit={unit} /> : null}
    />
  );
}

/** What a person typed as a number; NaN when it is none, or can be two: the field asks which. */
export const numberTyped = (text: string): number => numberOrNaN(text);

/** A figure that may be left out. */
export const typedOrNone = (text: string): number | undefined =>
  text.trim() === '' ? undefined : numberTyped(text);
