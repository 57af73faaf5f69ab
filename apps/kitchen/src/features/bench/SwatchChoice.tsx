import { say } from '../../reader/say';
import { StyleSheet, View } from 'react-native';
import { Press } from '../../ui/input/Press';
import { type SideName, SideSwatch } from '../../shared/SideSwatch';
import { useColours } from '../../ui/theme';
import { CORNER, SPACE } from '../../ui/tokens';
import { Label, Strong } from '../../ui/type';

const SIDES: readonly SideName[] = ['raw', 'pale', 'light freckles', 'freckles', 'deep freckles', 'burnt'];
const PX = 64;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  one: { width: 100, alignItems: 'center', padding: SPACE.xs, borderWidth: 2, borderRadius: CORNER, gap: 2 },
});

interface Props {
  label: string;
  value: SideName | null;
  wanted: string | undefined;
  onChange: (side: SideName) => void;
}

/** A side held against drawn references; the one the formula asks for is named. */
export function SwatchChoice({ label, value, wanted, onChange }: Props) {
  const colours = useColours();
  return (
    <View style={{ gap: SPACE.xs }}>
      <Strong>{label}</Strong>
      <View role="radiogroup" aria-label={say(label)} style={styles.row}>
        {SIDES.map((side) => (
          <Press
            key={side}
            role="radio"
            aria-checked={side === value}
            onPress={() => onChange(side)}
            style={[styles.one, { borderColor: side === value ? colours.ink : 'transparent' }]}
          >
            <SideSwatch side={side} px={PX} />
            <Label tone={side === value ? 'ink' : 'soot'}>{side}</Label>
            {side === wanted ? <Label tone="sage">wanted</Label> : null}
          </Press>
        ))}
      </View>
    </View>
  );
}
