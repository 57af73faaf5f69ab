import { View } from 'react-native';
import type { QueueState } from '../../batch/eventQueue';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { ActionRow } from '../../ui/input/actions';
import { FieldError } from '../../ui/input/Field';

/** Acts that the server would not take: nothing of them is lost until the cook says so. */
export function RefusedActs({ queue: { refused } }: { queue: QueueState }) {
  const [first] = refused;
  if (!first) return null;
  const count = refused.length === 1 ? 'One act is' : `${refused.length} acts are`;
  return (
    <View>
      <FieldError id="refused" message={`${count} kept here and not in the batch. ${first.message}`} />
      <ActionRow
        actions={[
          { key: 'again', label: 'Send again', onPress: kitchenQueue.sendRefused },
          { key: 'drop', label: 'Let it go', onPress: () => void kitchenQueue.dropRefused() },
        ]}
      />
    </View>
  );
}
