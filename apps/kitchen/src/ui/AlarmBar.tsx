import { Pressable, StyleSheet, View } from 'react-native';
import { Icon } from './Icon';
import { useColours } from './theme';
import { SPACE, TOUCH } from './tokens';
import { Heading, Strong } from './type';
import { useNow } from './useNow';

const BLINK_MS = 500;

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
    position: 'absolute',
    top: -2000,
    bottom: 0,
    left: 0,
    right: 0,
    borderWidth: 10,
    pointerEvents: 'none',
  },
});

const quietly = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** The alarm to the eye: a bar with the word, and a frame that flashes, until acknowledged. */
export function AlarmBar({ words, onQuiet }: { words: string; onQuiet: () => void }) {
  const colours = useColours();
  const beat = Math.floor(useNow(BLINK_MS) / BLINK_MS);
  const lit = quietly() || beat % 2 === 0;
  return (
    <>
      <View style={[styles.flash, { borderColor: lit ? colours.maize : 'transparent' }]} aria-hidden />
      <Pressable role="button" aria-label={`${words}. Quiet`} onPress={onQuiet}>
        <View
          role="alert"
          style={[styles.bar, { backgroundColor: colours.maize, borderColor: colours.ink, borderWidth: 2 }]}
        >
          <Icon name="bell" size={30} colour={colours.onMaize} />
          <Heading tone="onMaize" style={styles.words}>
            {words}
          </Heading>
          <Strong tone="onMaize">Quiet</Strong>
        </View>
      </Pressable>
    </>
  );
}
