import { asTyped } from '../../reader/figures';
import { say } from '../../reader/say';
import { StyleSheet, View } from 'react-native';
import { Text } from '../Text';
import { Press } from './Press';
import { Icon } from '../Icon';
import { useSideways } from '../layout/useWide';
import { useColours } from '../theme';
import { CORNER, FONT, SPACE } from '../tokens';

const ROWS = [
  ['1', '2', '3'],
  ['4', '5', '6'],
  ['7', '8', '9'],
  ['.', '0', 'erase'],
] as const;
const MOST_CHARACTERS = 7;
const KEY_HEIGHT = 60;
/** On a phone on its side all four rows stay in sight. */
const LOW_KEY_HEIGHT = 56;

const styles = StyleSheet.create({
  pad: { gap: SPACE.s },
  row: { flexDirection: 'row', gap: SPACE.s },
  key: {
    flex: 1,
    borderRadius: CORNER,
    borderWidth: 2,
    alignItems: 'center',
    justifyContent: 'center',
  },
  digit: { fontFamily: FONT.figure, fontSize: 30 },
});

/** What a key does to the text typed so far: one point at most, no growth past the widest figure. */
export function pressKey(text: string, key: string): string {
  if (key === 'erase') return text.slice(0, -1);
  if (key === '.' && text.includes('.')) return text;
  if (text.length >= MOST_CHARACTERS) return text;
  return text === '0' && key !== '.' ? key : text + key;
}

/** Large keys for wet hands. */
export function Keypad({ text, onChange }: { text: string; onChange: (text: string) => void }) {
  const colours = useColours();
  const height = useSideways() ? LOW_KEY_HEIGHT : KEY_HEIGHT;
  return (
    <View style={styles.pad}>
      {ROWS.map((row) => (
        <View key={row[0]} style={styles.row}>
          {row.map((key) => (
            <Press
              key={key}
              role="button"
              aria-label={say(key === 'erase' ? 'Erase' : key === '.' ? 'Point' : key)}
              onPress={() => onChange(pressKey(text, key))}
              style={({ pressed }) => [
                styles.key,
                {
                  height,
                  borderColor: colours.ink,
                  backgroundColor: pressed ? colours.rule : colours.surface,
                },
              ]}
            >
              {key === 'erase' ? (
                <Icon name="erase" colour={colours.ink} size={28} />
              ) : (
                <Text style={[styles.digit, { color: colours.ink }]}>{asTyped(key)}</Text>
              )}
            </Press>
          ))}
        </View>
      ))}
    </View>
  );
}
