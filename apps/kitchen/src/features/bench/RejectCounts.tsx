import { say, sayAll } from '../../reader/say';
import { type BatchState, REJECTS, type Reject } from '@kettle-scale/core/batch';
import { StyleSheet, View } from 'react-native';
import { Action } from '../../ui/input/actions';
import { SPACE } from '../../ui/tokens';
import { Label } from '../../ui/type';

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s } });

/** Pieces rejected so far. */
export const rejectedPieces = (state: Pick<BatchState, 'rejected'>): number =>
  state.rejected.reduce((sum, { pieces }) => sum + pieces, 0);

/** Rejects by reason: a tap is one more; undo takes it back. */
export function RejectCounts({ state, onReject }: { state: BatchState; onReject: (reason: Reject) => void }) {
  const count = (reason: Reject) =>
    state.rejected.reduce((sum, event) => (event.reason === reason ? sum + event.pieces : sum), 0);
  return (
    <View style={{ gap: SPACE.xs }}>
      <Label>Rejects, a tap each</Label>
      <View style={styles.row}>
        {REJECTS.map((reason) => (
          <Action
            key={reason}
            label={count(reason) > 0 ? sayAll([reason, String(count(reason))], ' ') : reason}
            hint={say('One more {reason}, {count, number} so far', { reason, count: count(reason) })}
            onPress={() => onReject(reason)}
          />
        ))}
      </View>
    </View>
  );
}
