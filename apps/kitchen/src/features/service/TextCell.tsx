import { StyleSheet } from 'react-native';
import { Field } from '../../ui/input/Field';
import { FONT, SPACE, TOUCH } from '../../ui/tokens';

const styles = StyleSheet.create({
  cell: { flexGrow: 1, flexBasis: 68, minWidth: 0 },
  figure: { fontFamily: FONT.figure, fontSize: 22, textAlign: 'right', paddingHorizontal: SPACE.s },
});

interface TextCellProps {
  name: string;
  label: string;
  value: string;
  onText: (text: string) => void;
  error?: string | undefined;
}

/** A time or a count in a row of its like. */
export function TextCell({ name, label, value, onText, error }: TextCellProps) {
  return (
    <Field
      {...{ name, label, value, error }}
      said={label}
      onChangeText={onText}
      height={TOUCH.other}
      text={styles.figure}
      style={styles.cell}
    />
  );
}
