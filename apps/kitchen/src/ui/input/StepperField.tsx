import { asTyped, inSource } from '../../reader/figures';
import { say } from '../../reader/say';
import { StyleSheet, type TextStyle, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE, TOUCH } from '../tokens';
import { Field, FieldError } from './Field';

interface StepperFieldProps {
  label: string;
  text: string;
  onText: (text: string) => void;
  /** Presses of − and +. */
  onStep: (direction: 1 | -1) => void;
  /** One sentence; what was typed stays. */
  error?: string | undefined;
  size?: number;
  /** Lets a test or a screen find this field by a stable name. */
  name: string;
}

/** A line is so much higher than its figures. */
const LINE = 1.15;

const styles = StyleSheet.create({
  field: { flex: 1, minWidth: 0 },
  row: { flexDirection: 'row', gap: SPACE.s, marginTop: SPACE.xs },
  button: { flex: 1, height: TOUCH.other, margin: 0, borderRadius: CORNER, borderWidth: 2, width: 'auto' },
});

const figure = (size: number): TextStyle => ({
  fontFamily: FONT.figure,
  fontVariant: ['tabular-nums'],
  fontSize: size,
  paddingVertical: 0,
  paddingHorizontal: 0,
});

/** A large figure that can be typed over or stepped with wet fingers. */
export function StepperField({ label, text, onText, onStep, error, size = 56, name }: StepperFieldProps) {
  const colours = useColours();
  return (
    <View style={styles.field}>
      <Field
        {...{ name, label, error }}
        said={label}
        open
        errorBelow={false}
        value={asTyped(text)}
        onChangeText={(typed) => onText(inSource(typed))}
        inputMode="decimal"
        height={Math.round(size * LINE)}
        text={figure(size)}
      />
      <View style={styles.row}>
        {([-1, 1] as const).map((direction) => (
          <IconButton
            key={direction}
            icon={direction < 0 ? 'minus' : 'plus'}
            iconColor={colours.ink}
            size={26}
            accessibilityLabel={say(direction < 0 ? '{label}: less' : '{label}: more', { label })}
            onPress={() => onStep(direction)}
            style={[styles.button, { borderColor: colours.ink }]}
          />
        ))}
      </View>
      {error ? <FieldError id={`${name}-error`} message={error} /> : null}
    </View>
  );
}
