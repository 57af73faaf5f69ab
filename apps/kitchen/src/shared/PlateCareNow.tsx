import { say } from '../reader/say';
import { careDue } from '@kettle-scale/core/batch';
import { View } from 'react-native';
import type { LiveBatch } from '../batch/useBatch';
import { Action } from '../ui/input/actions';
import { SPACE } from '../ui/tokens';
import { Label } from '../ui/type';

const WET = new Set(['wet it', 'wipe it with salt water']);

/** What the formula does for its plate, when it is due. */
export function PlateCareNow({ live }: { live: LiveBatch }) {
  const { batch, state, act } = live;
  const due = careDue(batch.plan.formula.bake.care, state);
  if (due.length === 0) return null;
  return (
    <View style={{ gap: SPACE.xs }}>
      {due.map(({ what }) => (
        <Action
          key={what}
          label={say('{what}', { what: { capital: what } })}
          onPress={() => act({ type: 'cared', what })}
        />
      ))}
      {due.some(({ what }) => WET.has(what)) ? <Label>It spits: face away.</Label> : null}
    </View>
  );
}
