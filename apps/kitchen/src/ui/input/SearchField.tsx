import { say } from '../../reader/say';
import { StyleSheet } from 'react-native';
import { Searchbar } from 'react-native-paper';
import { atReadersSize } from '../textSize';
import { useColours } from '../theme';
import { CORNER, FONT, TOUCH } from '../tokens';

interface SearchFieldProps {
  name: string;
  /** Said by screen readers, and shown while nothing is typed. */
  label: string;
  /** Shown instead of the label while nothing is typed. */
  example?: string;
  value: string;
  onText: (text: string) => void;
}

const styles = StyleSheet.create({
  bar: { height: TOUCH.other, borderWidth: 2, borderRadius: CORNER },
  input: { minHeight: TOUCH.other - 4, fontFamily: FONT.text, fontSize: 18, outlineWidth: 0 },
});

/** Words to find something by. */
export function SearchField({ name, label, example, value, onText }: SearchFieldProps) {
  const colours = useColours();
  return (
    <Searchbar
      id={name}
      mode="bar"
      elevation={0}
      role="searchbox"
      aria-label={say(label)}
      placeholder={say(example ?? label)}
      placeholderTextColor={colours.soot}
      value={value}
      onChangeText={onText}
      icon="find"
      clearIcon="close"
      clearAccessibilityLabel={say('Clear what is typed')}
      searchAccessibilityLabel={say('Search')}
      style={[styles.bar, { borderColor: colours.ink, backgroundColor: colours.surface }]}
      inputStyle={[atReadersSize(styles.input), { color: colours.ink }]}
    />
  );
}
