import { zodResolver } from '@hookform/resolvers/zod';
import { textField } from '@kettle-scale/core/message';
import { useCallback, useMemo, useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { View } from 'react-native';
import { z } from 'zod';
import type { LiveBatch } from '../../batch/useBatch';
import { ActionRow, PrimaryAction } from '../../ui/input/actions';
import { ReadyFromTicket } from '../../shared/ReadyFromTicket';
import { Sheet } from '../../ui/layout/Sheet';
import { WordField } from '../../ui/input/WordField';
import { SPACE } from '../../ui/tokens';
import { Body, Heading } from '../../ui/type';

const LONGEST = 500;

const KINDS = {
  note: {
    title: 'Write a note',
    words: 'It is saved with the batch and this time.',
    label: 'Note',
    act: 'Save the note',
    schema: z.object({ text: textField('Note', { min: 1, max: LONGEST }) }),
  },
  abandoned: {
    title: 'Abandon this batch',
    words: 'The batch ends here and stays in the log. Undo takes it back.',
    label: 'Reason',
    act: 'Abandon batch',
    schema: z.object({ text: textField('Reason', { max: LONGEST }) }),
  },
} as const;

type Kind = keyof typeof KINDS;

function ExtraForm({ kind, live, onDone }: { kind: Kind; live: LiveBatch; onDone: () => void }) {
  const { title, words, label, act, schema } = KINDS[kind];
  const form = useForm({ resolver: zodResolver(schema), defaultValues: { text: '' } });
  const problem = form.formState.errors.text?.message;
  const submit = form.handleSubmit(({ text }) => {
    live.act(kind === 'note' ? { type: 'note', text } : { type: 'abandoned', reason: text });
    onDone();
  });
  return (
    <>
      <Heading>{title}</Heading>
      <Body tone="soot">{words}</Body>
      <Controller
        control={form.control}
        name="text"
        render={({ field }) => (
          <WordField
            name="extra"
            label={label}
            value={field.value}
            onText={field.onChange}
            rows={3}
            error={problem}
          />
        )}
      />
      <PrimaryAction label={act} onPress={() => void submit()} />
    </>
  );
}

/** What may be done at any step: a note, or giving up. Out of the way, at the end of what is unfolded. */
export function BatchExtras({ live }: { live: LiveBatch }) {
  const [kind, setKind] = useState<Kind | null>(null);
  const [timed, setTimed] = useState(false);
  const close = useCallback(() => setKind(null), []);
  const batches = useMemo(() => [live.batch], [live.batch]);
  return (
    <View style={{ gap: SPACE.m }}>
      {timed ? <ReadyFromTicket batches={batches} /> : null}
      <ActionRow
        actions={[
          { key: 'note', label: 'Write a note', onPress: () => setKind('note') },
          {
            key: 'ready',
            label: timed ? 'Hide' : 'Ready by',
            hint: timed ? 'Hide ready by' : 'Ready by',
            onPress: () => setTimed(!timed),
          },
          { key: 'give-up', label: 'Abandon', onPress: () => setKind('abandoned') },
        ]}
      />
      <Sheet open={kind !== null} onClose={close} label={kind ? KINDS[kind].title : ''}>
        {kind ? <ExtraForm kind={kind} live={live} onDone={close} /> : null}
      </Sheet>
    </View>
  );
}
