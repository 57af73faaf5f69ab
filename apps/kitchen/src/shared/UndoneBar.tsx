import { say } from '../reader/say';
import { undoneWords } from '@kettle-scale/core/batch';
import { useEffect } from 'react';
import { View } from 'react-native';
import { tellUndone, useUndone } from '../batch/undone';
import { Strong } from '../ui/type';

/** Long enough to be read from a metre. */
const STAYS_MS = 5000;

/** Says what an undo took back, on whatever step it leads to; beside the button, so that it covers nothing. */
export function UndoneBar() {
  const last = useUndone((state) => state.last);
  useEffect(() => {
    if (!last) return;
    // It goes with the cook to the step that the undo leads to, and no further.
    const timer = setTimeout(() => tellUndone(null), last.atMs + STAYS_MS - Date.now());
    return () => clearTimeout(timer);
  }, [last]);
  return (
    <View role="status">
      {last ? (
        <Strong>{say('Undone: {undoneWords}.', { undoneWords: undoneWords(last.acts, last.plan) })}</Strong>
      ) : null}
    </View>
  );
}
