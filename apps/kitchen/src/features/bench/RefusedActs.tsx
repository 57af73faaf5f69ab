import { say } from '../../reader/say';
import { View } from 'react-native';
import type { QueueState } from '../../batch/eventQueue';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { ActionRow } from '../../ui/input/actions';
import { FieldError } from '../../ui/input/Field';

/** Acts that the server would not take: nothing of them is lost until the cook says so. */
export function RefusedActs({ queue: { refused } }: { queue: QueueState }) {
  const [first] = refused;
  if (!first) return null;
  const count =
    refused.length === 1 ? 'One act is' : say('{length, number} acts are', { length: refused.length });
  return (
    <View>
      <FieldError
        id="refused"
        message={say('{count} kept here and not in the batch. {message}', { count, message: first.message })}
      />
      <ActionRow
        actions={[
          { key: 'again', label: 'Send again', onPress: kitchenQueue.sendRefused },
          { key: 'drop', label: 'Discard', onPress: () => void kitchenQueue.dropRefused() },
        ]}
      />
    </View>
  );
}
