import { type DoughAim, FEELS, type Feel, feelWord } from '@kettle-scale/core/dough';
import { StyleSheet, View } from 'react-native';
import { ActionRow } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { SPACE } from '../../ui/tokens';

const RIGHT = FEELS.indexOf('right');
/** From nearly right to far off; right is the step's own button. */
const SIDES = { dry: FEELS.slice(0, RIGHT).reverse(), wet: FEELS.slice(RIGHT + 1) } as const;
export type FeelSide = keyof typeof SIDES;
const NAMES = { dry: 'Too dry', wet: 'Too wet' } as const;

const sideOf = (feel: Feel | null): FeelSide | null =>
  feel === null || feel === 'right' ? null : SIDES.dry.includes(feel) ? 'dry' : 'wet';

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });

interface FeelChoiceProps {
  aim: DoughAim | undefined;
  value: Feel | null;
  /** The side whose degrees are shown. */
  asked: FeelSide | null;
  onAsk: (side: FeelSide | null) => void;
  onFeel: (feel: Feel) => void;
}

/** Too dry or too wet, each as large as a doughy hand needs; then by how much. */
export function FeelChoice({ aim, value, asked, onAsk, onFeel }: FeelChoiceProps) {
  const felt = sideOf(value);
  return (
    <View style={styles.stack}>
      <ActionRow
        actions={(['dry', 'wet'] as const).map((one) => ({
          key: one,
          label: one === felt && value ? feelWord(value, aim) : NAMES[one],
          onPress: () => onAsk(one),
        }))}
      />
      {asked ? (
        <Choices
          label="How does it feel?"
          quiet
          value={value}
          onChange={(feel) => {
            onAsk(null);
            onFeel(feel);
          }}
          options={SIDES[asked].map((feel) => [feel, feelWord(feel, aim)] as const)}
        />
      ) : null}
    </View>
  );
}
