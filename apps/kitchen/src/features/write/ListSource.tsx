import { say } from '../../reader/say';
import { StyleSheet, View } from 'react-native';
import { useWriting } from '../../drafts/writing';
import { ActionRow } from '../../ui/input/actions';
import { SPACE } from '../../ui/tokens';
import { useWide } from '../../ui/layout/useWide';
import { FigureField } from '../../ui/input/FigureField';
import { WordField } from '../../ui/input/WordField';

const EXAMPLE = `2 3/4 cups flour, scooped
½ stick butter
1 to 1¼ cups warm water
pinch of salt`;

const styles = StyleSheet.create({
  stack: { gap: SPACE.m },
  row: { flexDirection: 'row', gap: SPACE.s },
  name: { flex: 2 },
  pieces: { flex: 1 },
});

interface ListSourceProps {
  /** A name that the list itself gives. */
  title: string | null;
  /** How many pieces the list says that it makes. */
  makes: number | null;
  onProblem: (sentence: string) => void;
}

/** The list as it is typed or pasted, and what it is called. */
export function ListSource({ title, makes, onProblem }: ListSourceProps) {
  const wide = useWide();
  const { text, name, pieces, set, begin } = useWriting();
  const paste = () => {
    const refused = () =>
      onProblem('This browser does not let the app paste by itself: press and hold in the field.');
    // Not there at all on a page that came without encryption, whatever the types say.
    const clipboard = navigator.clipboard as Clipboard | undefined;
    if (!clipboard) return refused();
    return void clipboard
      .readText()
      .then((pasted) => set({ text: text.trim() ? `${text.trimEnd()}\n${pasted}` : pasted }), refused);
  };
  return (
    <View style={styles.stack}>
      <WordField
        name="list"
        label="One ingredient a line, the way you say it"
        value={text}
        onText={(next) => set({ text: next })}
        rows={wide ? 16 : 7}
        placeholder={say(EXAMPLE)}
      />
      <ActionRow
        actions={[
          { key: 'paste', label: 'Paste', icon: 'paste', onPress: paste },
          {
            key: 'clear',
            label: 'Clear',
            icon: 'close',
            onPress: () => begin('', ''),
            disabled: text === '',
          },
        ]}
      />
      {text ? (
        <View style={styles.row}>
          <WordField
            name="name"
            label="Name"
            value={name}
            onText={(next) => set({ name: next })}
            placeholder={say(title ?? 'New formula')}
            style={styles.name}
          />
          <FigureField
            labelled
            name="pieces"
            label="Pieces it makes"
            value={pieces === '' && makes ? String(makes) : pieces}
            onText={(next) => set({ pieces: next })}
            style={styles.pieces}
          />
        </View>
      ) : null}
    </View>
  );
}
