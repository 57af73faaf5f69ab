import { Action } from './actions';
import { usePressTwice } from './usePressTwice';

interface DeleteActionProps {
  label: string;
  /** What it does, after "Press again to": "delete this plate". */
  means: string;
  onPress: () => void;
}

/** Something is lost by it: the first press says what, the second does it. */
export function DeleteAction({ label, means, onPress }: DeleteActionProps) {
  const { words, press } = usePressTwice(means, onPress);
  return <Action icon="trash" label={words ?? label} onPress={press} />;
}
