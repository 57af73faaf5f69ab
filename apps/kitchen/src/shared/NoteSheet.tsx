import { noteSchema } from '@kettle-scale/core/batch';
import type { LiveBatch } from '../batch/useBatch';
import { OneTextSheet } from './OneTextSheet';

interface NoteSheetProps {
  live: LiveBatch;
  open: boolean;
  onClose: () => void;
}

/** A note on a batch, whenever it comes to mind. */
export const NoteSheet = ({ live, open, onClose }: NoteSheetProps) => (
  <OneTextSheet
    {...{ open, onClose }}
    title="Write a note"
    words="It is saved with the batch and this time."
    name="note"
    label="Note"
    field={noteSchema.shape.text}
    rows={4}
    act="Save the note"
    onText={(text, done) => {
      live.act({ type: 'note', text });
      done();
    }}
  />
);
