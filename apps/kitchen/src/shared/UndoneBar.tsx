import { undoneWords } from '@kettle-scale/core/batch';
import { StyleSheet } from 'react-native';
import { Snackbar } from 'react-native-paper';
import { tellUndone, useUndone } from '../batch/undone';
import { useColours } from '../ui/theme';
import { CORNER } from '../ui/tokens';
import { Strong } from '../ui/type';
import { useFormat } from '../ui/useFormat';

/** Long enough to be read from a metre. */
const STAYS_MS = 5000;

const styles = StyleSheet.create({
  // Above the step, not over the act in thumb reach.
  place: { top: 0, bottom: undefined },
  bar: { borderRadius: CORNER, elevation: 0 },
});

/** Says what an undo took back, on whatever step it leads to. */
export function UndoneBar() {
  const last = useUndone((state) => state.last);
  const { units } = useFormat();
  const colours = useColours();
  return (
    <Snackbar
      visible={last !== null}
      duration={STAYS_MS}
      onDismiss={() => tellUndone(null)}
      wrapperStyle={styles.place}
      style={[styles.bar, { backgroundColor: colours.ink }]}
    >
      <Strong style={{ color: colours.ground }}>
        {last ? `Undone: ${undoneWords(last.acts, last.plan, units)}.` : ''}
      </Strong>
    </Snackbar>
  );
}
