import { bakePhases, type BakeProgram } from '@kettle-scale/core/formula';
import { StyleSheet, View } from 'react-native';
import { Text } from '../ui/Text';
import { useColours } from '../ui/theme';
import { FONT } from '../ui/tokens';
import { say } from '../reader/say';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', height: 64, borderWidth: 1.5 },
  phase: { justifyContent: 'center', alignItems: 'center', borderRightWidth: 1.5, minWidth: 52 },
  seconds: { fontFamily: FONT.figure, fontSize: 24, lineHeight: 28, fontVariant: ['tabular-nums'] },
  name: { fontFamily: FONT.text, fontSize: 14, lineHeight: 16 },
});

/** The bake program as a strip of time, each side as long as it takes, with the range that it may take. */
export function BakeBars({ bake, ranges = [] }: { bake: BakeProgram; ranges?: readonly string[] }) {
  const colours = useColours();
  const phases = bakePhases(bake);
  return (
    <View style={[styles.row, { borderColor: colours.ink }]}>
      {phases.map(({ name, seconds, flame }, index) => {
        const colour = flame ? colours.onEmber : colours.ink;
        return (
          <View
            key={say(name)}
            style={[
              styles.phase,
              {
                flexGrow: seconds,
                flexBasis: 0,
                backgroundColor: flame ? colours.ember : 'transparent',
                borderColor: colours.ink,
                borderRightWidth: index === phases.length - 1 ? 0 : 1.5,
              },
            ]}
          >
            <Text style={[styles.seconds, { color: colour }]}>{`${seconds}\u00a0s`}</Text>
            <Text style={[styles.name, { color: colour }]}>
              {ranges[index] ? say('{side}, {range}', { side: name, range: ranges[index] }) : name}
            </Text>
          </View>
        );
      })}
    </View>
  );
}
