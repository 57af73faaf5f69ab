import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { Sheet } from '../../ui/layout/Sheet';
import { Leader } from '../../ui/layout/Ticket';
import { Heading } from '../../ui/type';

const KEYS: readonly (readonly [key: string, does: string])[] = [
  ['Space, Enter, Page Down', 'main action, foot pedal'],
  ['1 to 9', 'a place on the griddle'],
  ['Backspace, Page Up', 'undo the last act'],
  ['/', 'find'],
  ['Ctrl Z, Ctrl Shift Z', 'undo and redo while editing'],
  ['Escape', 'close a sheet'],
  ['?', 'this list'],
];

/** The list of keys, opened with `?`. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  const close = useCallback(() => setOpen(false), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof Element && event.target.matches('input, textarea');
      if (event.key === '?' && !typing) setOpen((was) => !was);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Sheet open={open} onClose={close} label="Keys">
      <Heading>Keys</Heading>
      <View>
        {KEYS.map(([key, does]) => (
          <Leader key={key} name={key} value={does} />
        ))}
      </View>
    </Sheet>
  );
}
