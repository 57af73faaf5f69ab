import { say } from '../../reader/say';
import type { BowlState } from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import { StyleSheet, View } from 'react-native';
import { useColours } from '../../ui/theme';
import { SPACE } from '../../ui/tokens';
import { Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

const HEIGHT = 44;
/** A pinch of salt must still be seen. */
const LEAST_PX = 6;

const styles = StyleSheet.create({
  stack: { marginTop: 'auto', gap: SPACE.xs },
  bar: { flexDirection: 'row', height: HEIGHT, borderWidth: 2 },
  words: { flexDirection: 'row', justifyContent: 'space-between' },
});

interface BowlBarProps {
  plan: Plan;
  bowl: BowlState;
  nowId: string;
}

/** The bowl as a strip, each line as wide as it weighs: in the bowl, on the scale now, still to come. */
export function BowlBar({ plan, bowl, nowId }: BowlBarProps) {
  const colours = useColours();
  const format = useFormat();
  const inG = bowl.lines.reduce((sum, line) => sum + (line.weighedG ?? 0), 0);
  const allG = bowl.lines.reduce((sum, line) => sum + line.targetG, 0);
  const now = format.mass(inG, plan.kitchen.benchStepG);
  const all = format.mass(allG, plan.kitchen.benchStepG);
  return (
    <View role="img" aria-label={say('{now} of {all} are in the bowl', { now, all })} style={styles.stack}>
      <View style={styles.words}>
        <Strong>{now}</Strong>
        <Label>{say('of {all}', { all })}</Label>
      </View>
      <View style={[styles.bar, { borderColor: colours.ink }]}>
        {plan.sheet.map(({ lineId, kind }, index) => {
          const line = bowl.lines[index];
          const liquid = kind === 'water' || kind === 'dairy';
          const here = lineId === nowId;
          const done = line?.weighedG != null && !here;
          const fill = done
            ? liquid
              ? colours.water
              : colours.crust
            : here
              ? colours.ember
              : colours.surface;
          return (
            <View
              key={lineId}
              style={{
                flexGrow: line?.targetG ?? 1,
                flexBasis: 0,
                minWidth: LEAST_PX,
                backgroundColor: fill,
                borderRightWidth: index < plan.sheet.length - 1 ? 2 : 0,
                borderColor: colours.ink,
              }}
            />
          );
        })}
      </View>
    </View>
  );
}
