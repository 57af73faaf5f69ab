import { say } from '../../reader/say';
import { StyleSheet, View } from 'react-native';
import { Heard } from '../Heard';
import { Press } from '../input/Press';
import { Icon } from '../Icon';
import { stillness } from '../stillness';
import { useColours } from '../theme';
import { SPACE, TOUCH } from '../tokens';
import { Heading, Strong } from '../type';
import { useNow } from '../useNow';

const BLINK_MS = 500;
const BELL = 30;
const SLIM_BELL = 22;

/** On the web a frame may stand around the whole window; the types know only phones. */
const FIXED = 'fixed' as unknown as 'absolute';

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', alignItems: 'stretch', minHeight: TOUCH.primary, borderWidth: 2 },
  act: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.m,
    minHeight: TOUCH.primary,
    paddingHorizontal: SPACE.m,
  },
  slim: { minHeight: TOUCH.other, borderWidth: 0 },
  words: { flex: 1 },
  quiet: { flex: 1, justifyContent: 'center', paddingHorizontal: SPACE.m, borderLeftWidth: 2 },
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
  /** What it is for, where the screen shows that above: only heard. */
  about?: string;
  /** What a tap does. */
  act?: 'Quiet' | 'Open';
  onAct: () => void;
  /** A line above work that must stay in sight: no frame, no size. */
  slim?: boolean;
  /** Silences it where the tap leads somewhere: a forgotten batch is no reason to leave the one in hand. */
  onQuiet?: () => void;
}

/** A frame around the window that flashes. */
function Flash() {
  const colours = useColours();
  const beat = Math.floor(useNow(BLINK_MS) / BLINK_MS);
  const lit = stillness() || beat % 2 === 0;
  return <View style={[styles.flash, { borderColor: lit ? colours.maize : 'transparent' }]} aria-hidden />;
}

/** The alarm to the eye: a bar with the word, and a frame that flashes, until acknowledged. */
export function AlarmBar({ words, about, act = 'Quiet', slim = false, onAct, onQuiet }: AlarmBarProps) {
  const colours = useColours();
  return (
    <>
      {slim ? null : <Flash />}
      <View
        role="alert"
        style={[
          styles.bar,
          slim && styles.slim,
          { backgroundColor: colours.maize, borderColor: colours.ink },
        ]}
      >
        {about ? <Heard>{about}</Heard> : null}
        <View style={styles.words}>
          <Press role="button" aria-label={say('{words}. {act}', { words, act })} onPress={onAct}>
            <View style={[styles.act, slim && styles.slim]}>
              <Icon name="bell" size={slim ? SLIM_BELL : BELL} colour={colours.onMaize} />
              {slim ? (
                <Strong tone="onMaize" style={styles.words} lines={1}>
                  {words}
                </Strong>
              ) : (
                <Heading tone="onMaize" style={styles.words}>
                  {words}
                </Heading>
              )}
              {/* The space parts the two for whoever holds what is seen against what is said. */}
              <Strong tone="onMaize">{` ${say(act)}`}</Strong>
            </View>
          </Press>
        </View>
        {onQuiet ? (
          <Press role="button" aria-label={say('Quiet: {words}', { words })} onPress={onQuiet}>
            <View style={[styles.quiet, { borderColor: colours.ink }]}>
              <Strong tone="onMaize">Quiet</Strong>
            </View>
          </Press>
        ) : null}
      </View>
    </>
  );
}
