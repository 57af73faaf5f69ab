import type { Words } from '@kettle-scale/core/message';
import { StyleSheet, View } from 'react-native';
import { Text } from '../Text';
import { Press } from './Press';
import { Icon } from '../Icon';
import { RadioGroup } from './RadioGroup';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE, TOUCH } from '../tokens';
import { Label } from '../type';

interface ChoicesProps<T extends string> {
  label: string;
  /** Only said, where the question stands above already. */
  quiet?: boolean;
  value: T | null;
  options: readonly (readonly [value: T, words: Words])[];
  onChange: (value: T) => void;
}

const styles = StyleSheet.create({
  stack: { gap: SPACE.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  option: {
    minHeight: TOUCH.other,
    borderWidth: 2,
    borderRadius: CORNER,
    paddingHorizontal: SPACE.m - 2,
    paddingVertical: SPACE.xs,
    flexGrow: 1,
    maxWidth: '100%',
    justifyContent: 'center',
    alignItems: 'center',
  },
  word: { fontFamily: FONT.strong, fontSize: 16, lineHeight: 20, textAlign: 'center' },
  check: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: TOUCH.other,
    maxWidth: '100%',
    paddingRight: SPACE.m,
  },
  beside: { flexShrink: 1, minWidth: 0, textAlign: 'left' },
  box: {
    width: 28,
    height: 28,
    borderWidth: 2,
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
  },
});

/**
 * One of several, each a tap, wrapping over as many rows as they need. On Paper's ripple: its radio buttons and chips do not
 * tell the web which is chosen.
 */
export function Choices<T extends string>({
  label,
  quiet = false,
  value,
  options,
  onChange,
}: ChoicesProps<T>) {
  const colours = useColours();
  return (
    <View style={styles.stack}>
      {quiet ? null : <Label>{label}</Label>}
      <RadioGroup
        {...{ label, value, options, onChange }}
        style={styles.row}
        optionStyle={(_, chosen) => ({
          ...styles.option,
          borderColor: colours.ink,
          backgroundColor: chosen ? colours.ink : 'transparent',
        })}
        wordStyle={styles.word}
      />
    </View>
  );
}

/** Something that is so or not; on Paper's ripple, as its check box does not tell the web whether it is ticked. */
export function Check({
  label,
  value,
  onChange,
}: {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
}) {
  const colours = useColours();
  return (
    <Press role="checkbox" aria-checked={value} onPress={() => onChange(!value)} style={styles.check}>
      <View
        style={[
          styles.box,
          { borderColor: colours.ink, backgroundColor: value ? colours.ink : 'transparent' },
        ]}
      >
        {value ? <Icon name="check" size={20} colour={colours.ground} /> : null}
      </View>
      <Text style={[styles.word, styles.beside, { color: colours.ink }]}>{label}</Text>
    </Press>
  );
}
