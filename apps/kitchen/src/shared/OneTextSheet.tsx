import type { Words } from '@kettle-scale/core/message';
import { z } from 'zod';
import { FieldError } from '../ui/input/Field';
import { PrimaryAction } from '../ui/input/actions';
import { useTextForm } from '../ui/input/useTextForm';
import { WordField } from '../ui/input/WordField';
import { Sheet } from '../ui/layout/Sheet';
import { Body, Heading } from '../ui/type';

interface OneTextSheetProps {
  open: boolean;
  onClose: () => void;
  title: string;
  words?: Words;
  /** The one field. */
  name: string;
  label: string;
  field: z.ZodType<string>;
  rows?: number;
  /** What stands in it at first. */
  first?: string;
  act: string;
  /** Takes what was written; with what then closes the sheet and empties the field. */
  onText: (text: string, done: () => void) => void;
  /** Why it could not be kept. */
  refused?: string | undefined;
  disabled?: boolean;
}

/** Asks for one text. What was typed stays when the sheet is closed and opened again. */
export function OneTextSheet(props: OneTextSheetProps) {
  const { open, onClose, title, words, name, label, field, rows = 1, first = '', act } = props;
  const { onText, refused, disabled = false } = props;
  const { text, set, problem, submit, reset } = useTextForm({
    first: { text: first },
    read: (typed) => typed,
    schema: z.object({ text: field }),
  });
  const done = () => {
    reset({ text: first });
    onClose();
  };
  return (
    <Sheet open={open} onClose={onClose} label={title}>
      <Heading>{title}</Heading>
      {words ? <Body tone="soot">{words}</Body> : null}
      <WordField
        {...{ name, label, rows }}
        value={text.text}
        onText={(typed) => set({ text: typed })}
        error={problem('text')}
      />
      {refused ? <FieldError id={`${name}-refused`} message={refused} /> : null}
      <PrimaryAction label={act} disabled={disabled} onPress={submit((read) => onText(read.text, done))} />
    </Sheet>
  );
}
