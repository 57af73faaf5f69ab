import { StyleSheet, View } from 'react-native';
import { RadioGroup } from './RadioGroup';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE, TOUCH } from '../tokens';
import { Label } from '../type';

interface SegmentsProps<T extends string> {
  /** Said by screen readers; shown above when `labelled`. */
  label: string;
  labelled?: boolean;
  /** Null while nothing is chosen. */
  value: T | null;
  options: readonly (readonly [value: T, words: string])[];
  onChange: (value: T) => void;
}

/** Wider than this the words of a choice lie too far apart to be read together, px. */
const WIDEST = 640;

const styles = StyleSheet.create({
  stack: { gap: SPACE.xs, maxWidth: WIDEST },
  row: { flexDirection: 'row', borderWidth: 2, borderRadius: CORNER, overflow: 'hidden' },
  option: {
    flex: 1,
    minHeight: TOUCH.other - 4,
    justifyContent: 'center',
    alignItems: 'center',
    padding: SPACE.xs,
  },
  word: { fontFamily: FONT.strong, fontSize: 16, lineHeight: 20, textAlign: 'center' },
});

/** A choice of a few, side by side; on Paper's ripple, as its segmented buttons do not tell the web which is chosen. */
export function Segments<T extends string>({
  label,
  labelled = false,
  value,
  options,
  onChange,
}: SegmentsProps<T>) {
  const colours = useColours();
  return (
    <View style={styles.stack}>
      {labelled ? <Label>{label}</Label> : null}
      <RadioGroup
        {...{ label, value, options, onChange }}
        style={{ ...styles.row, borderColor: colours.ink }}
        optionStyle={(index, chosen) => ({
          ...styles.option,
          backgroundColor: chosen ? colours.ink : 'transparent',
          borderColor: colours.ink,
          borderLeftWidth: index > 0 ? 2 : 0,
        })}
        wordStyle={styles.word}
      />
    </View>
  );
}
