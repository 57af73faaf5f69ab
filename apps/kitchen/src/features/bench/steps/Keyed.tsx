import { asTyped } from '../../../reader/figures';
import { StyleSheet, View } from 'react-native';
import { Keypad } from '../../../ui/input/Keypad';
import { useSideways } from '../../../ui/layout/useWide';
import { SPACE } from '../../../ui/tokens';
import { Figure, Label } from '../../../ui/type';

const styles = StyleSheet.create({
  below: { gap: SPACE.m },
  beside: { flexDirection: 'row', gap: SPACE.l },
  figures: { flex: 2 },
  pad: { flex: 3 },
  column: { flexDirection: 'column', alignItems: 'flex-start' },
  row: { flexDirection: 'row', alignItems: 'flex-end', justifyContent: 'space-between', gap: SPACE.m },
});
const KEYED_PX = 72;
const WANTED_PX = 36;

interface KeyedPadProps extends KeyedProps {
  onType: (text: string) => void;
}

/** What is keyed and its keys: one below the other, beside each other on a phone on its side. */
export function KeyedPad({ onType, ...keyed }: KeyedPadProps) {
  const sideways = useSideways();
  return (
    <View style={sideways ? styles.beside : styles.below}>
      <View style={sideways ? styles.figures : null}>
        <Keyed {...keyed} />
      </View>
      <View style={sideways ? styles.pad : null}>
        <Keypad text={keyed.typed} onChange={onType} />
      </View>
    </View>
  );
}

interface KeyedProps {
  label: string;
  typed: string;
  unit: string;
  tone: 'ink' | 'water';
  /** What the line asks for. */
  wanted?: string;
  /** What it should come to, where nothing is asked for. */
  expected?: string;
}

/** What is being keyed, beside what is wanted: small enough that every key stays in sight. */
function Keyed({ label, typed, unit, tone, wanted, expected }: KeyedProps) {
  const value = asTyped(typed) || '0';
  return (
    <View style={[styles.row, useSideways() && styles.column]}>
      <View>
        <Label>{label}</Label>
        <Figure value={value} unit={unit} tone={tone} size={KEYED_PX} label={`${asTyped(typed)} ${unit}`} />
      </View>
      <View>
        <Label>{wanted ? 'Wanted' : 'Expected'}</Label>
        <Figure value={wanted ?? expected ?? ''} size={WANTED_PX} tone="soot" />
      </View>
    </View>
  );
}
