import { StyleSheet, View } from 'react-native';
import { Press } from '../input/Press';
import { Icon } from '../Icon';
import { stillness } from '../stillness';
import { useColours } from '../theme';
import { SPACE, TOUCH } from '../tokens';
import { Heading, Strong } from '../type';
import { useNow } from '../useNow';

const BLINK_MS = 500;

/** On the web a frame may stand around the whole window; the types know only phones. */
const FIXED = 'fixed' as unknown as 'absolute';

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    minHeight: TOUCH.primary,
    paddingHorizontal: SPACE.m,
  },
  words: { flex: 1 },
  flash: {
    position: FIXED,
    top: 0,
    bottom: 0,
    left: 0,
    right: 0,
    borderWidth: 10,
    pointerEvents: 'none',
  },
});

interface AlarmBarProps {
  words: string;
  /** What a tap does. */
  act?: 'Quiet' | 'Open';
  onAct: () => void;
}

/** The alarm to the eye: a bar with the word, and a frame that flashes, until acknowledged. */
export function AlarmBar({ words, act = 'Quiet', onAct }: AlarmBarProps) {
  const colours = useColours();
  const beat = Math.floor(useNow(BLINK_MS) / BLINK_MS);
  const lit = stillness() || beat % 2 === 0;
  return (
    <>
      <View style={[styles.flash, { borderColor: lit ? colours.maize : 'transparent' }]} aria-hidden />
      <Press role="button" aria-label={`${words}. ${act}`} onPress={onAct}>
        <View
          role="alert"
          style={[styles.bar, { backgroundColor: colours.maize, borderColor: colours.ink, borderWidth: 2 }]}
        >
          <Icon name="bell" size={30} colour={colours.onMaize} />
          <Heading tone="onMaize" style={styles.words}>
            {words}
          </Heading>
          {/* The space parts the two for whoever holds what is seen against what is said. */}
          <Strong tone="onMaize">{` ${act}`}</Strong>
        </View>
      </Press>
    </>
  );
}
