import { abandonedSchema } from '@kettle-scale/core/batch';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { Action, ActionRow } from '../../ui/input/actions';
import { NoteSheet } from '../../shared/NoteSheet';
import { OneTextSheet } from '../../shared/OneTextSheet';
import { ReadyFromTicket } from '../../shared/ReadyFromTicket';
import { SPACE } from '../../ui/tokens';
import { WentWrongSheet } from './WentWrongSheet';

type Kind = 'note' | 'abandoned';

/** What may be done at any step: what went wrong, a note, or giving up. Out of the way, at the end of what is unfolded. */
export function BatchExtras({ live }: { live: LiveBatch }) {
  const [kind, setKind] = useState<Kind | null>(null);
  const [timed, setTimed] = useState(false);
  const [wrong, setWrong] = useState(false);
  const closeWrong = useCallback(() => setWrong(false), []);
  const close = useCallback(() => setKind(null), []);
  const batches = useMemo(() => [live.batch], [live.batch]);
  return (
    <View style={{ gap: SPACE.m }}>
      {timed ? <ReadyFromTicket batches={batches} /> : null}
      <Action label="Something went wrong" onPress={() => setWrong(true)} />
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
      <WentWrongSheet live={live} open={wrong} onClose={closeWrong} />
      <NoteSheet live={live} open={kind === 'note'} onClose={close} />
      <OneTextSheet
        open={kind === 'abandoned'}
        onClose={close}
        title="Abandon this batch"
        words="The batch ends here and stays in the log. Undo takes it back."
        name="abandon-reason"
        label="Reason"
        field={abandonedSchema.shape.reason}
        rows={3}
        act="Abandon batch"
        onText={(reason, done) => {
          live.act({ type: 'abandoned', reason });
          done();
        }}
      />
    </View>
  );
}
