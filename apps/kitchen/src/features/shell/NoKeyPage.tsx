import { useEffect, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { forgetKitchen } from '../../api/forgetKitchen';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { say } from '../../reader/say';
import { saveText } from '../../shared/saveText';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Screen } from '../../ui/layout/Screen';
import { Body, Strong } from '../../ui/type';

/** The server's own page, outside the app. */
const toPairing = () => window.location.assign('/pair');

/**
 * What a phone shows whose key was taken away: it has forgotten the kitchen, but for what it did and could not send, which
 * can be saved to a file, and is sent when the phone is paired again.
 */
export function NoKeyPage() {
  useEffect(() => void forgetKitchen(), []);
  const { pending, refused } = useSyncExternalStore(
    kitchenQueue.subscribe,
    kitchenQueue.state,
    kitchenQueue.state,
  );
  const unsent = [...pending, ...refused];
  const save = () =>
    saveText('kettle-scale-not-sent.json', JSON.stringify(unsent, null, 2), 'application/json');
  return (
    <Screen title="No key to the kitchen">
      <View role="alert">
        <Strong>This phone has no key to the kitchen any more.</Strong>
      </View>
      <Body>What it knew of the kitchen is deleted from it.</Body>
      {unsent.length > 0 ? (
        <>
          <Body>
            {say(
              '{n, plural, one {# act is} other {# acts are}} not sent. Paired again, this phone sends {n, plural, one {it} other {them}}.',
              { n: unsent.length },
            )}
          </Body>
          <Action label="Save what is not sent" icon="download" onPress={save} />
        </>
      ) : null}
      <PrimaryAction label="Pair this phone" onPress={toPairing} />
    </Screen>
  );
}
