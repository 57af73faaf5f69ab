import { StyleSheet, TextInput, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE, TOUCH } from '../tokens';
import { Label } from '../type';

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

const styles = StyleSheet.create({
  field: { flex: 1, minWidth: 0 },
  row: { flexDirection: 'row', gap: SPACE.s, marginTop: SPACE.xs },
  input: {
    fontFamily: FONT.figure,
    fontVariant: ['tabular-nums'],
    padding: 0,
    width: '100%',
    borderBottomWidth: 2,
  },
  button: { flex: 1, height: TOUCH.other, margin: 0, borderRadius: CORNER, borderWidth: 2, width: 'auto' },
});

/** A large figure that can be typed over or stepped with wet fingers. */
export function StepperField({ label, text, onText, onStep, error, size = 56, name }: StepperFieldProps) {
  const colours = useColours();
  return (
    <View style={styles.field}>
      <Label>{label}</Label>
      <TextInput
        value={text}
        onChangeText={onText}
        aria-label={label}
        inputMode="decimal"
        id={name}
        style={[
          styles.input,
          {
            fontSize: size,
            height: size * 1.15,
            color: colours.ink,
            borderColor: error ? colours.plum : colours.rule,
          },
        ]}
        {...(error ? { 'aria-invalid': true, 'aria-describedby': `${name}-error` } : {})}
      />
      <View style={styles.row}>
        {([-1, 1] as const).map((direction) => (
          <IconButton
            key={direction}
            icon={direction < 0 ? 'minus' : 'plus'}
            iconColor={colours.ink}
            size={26}
            accessibilityLabel={`${label}: ${direction < 0 ? 'less' : 'more'}`}
            onPress={() => onStep(direction)}
            style={[styles.button, { borderColor: colours.ink }]}
          />
        ))}
      </View>
      {error ? <FieldError id={`${name}-error`} message={error} /> : null}
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
