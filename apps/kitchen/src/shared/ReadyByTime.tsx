import { readClock } from '@kettle-scale/core/quantity';
import { WordField } from '../ui/input/WordField';

/** The time by which pieces must be there. */
export function ReadyByTime({ typed, onText }: { typed: string; onText: (text: string) => void }) {
  return (
    <WordField
      name="ready-by"
      label="Time"
      value={typed}
      onText={onText}
      placeholder="11:45"
      error={typed !== '' && readClock(typed) === null ? 'A time is written like 11:45.' : undefined}
    />
  );
}
