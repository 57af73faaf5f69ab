import { say } from '../../reader/say';
import { useState } from 'react';
import type { LiveBatch } from '../../batch/useBatch';
import { PrimaryAction } from '../../ui/input/actions';
import { Sheet } from '../../ui/layout/Sheet';
import { Heading } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';

const LONGEST = 500;

/** A note on a batch, whenever it comes to mind. */
export function NoteSheet({ live, open, onClose }: { live: LiveBatch; open: boolean; onClose: () => void }) {
  const [text, setText] = useState('');
  const words = text.trim();
  const keep = () => {
    live.act({ type: 'note', text: words });
    setText('');
    onClose();
  };
  return (
    <Sheet open={open} onClose={onClose} label="Write a note">
      <Heading>Write a note</Heading>
      <WordField
        name="log-note"
        label="Note"
        rows={4}
        value={text}
        onText={setText}
        error={
          words.length > LONGEST
            ? say('Note is longer than {longest, number} characters.', { longest: LONGEST })
            : undefined
        }
      />
      <PrimaryAction label="Save the note" onPress={keep} disabled={words === '' || words.length > LONGEST} />
    </Sheet>
  );
}
