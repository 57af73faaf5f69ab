import { begunTwice } from '@kettle-scale/core/batch';
import { cookNames } from '@kettle-scale/core/kitchen';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useKitchen, useRunning } from '../../api/queries';
import { useUpdateWaits } from '../../live/appUpdates';
import { useDays } from '../../shared/useDays';
import { Action } from '../../ui/input/actions';
import { Label, Strong } from '../../ui/type';

/** Of each batch that another phone began too, a sentence and where the other one is. */
export function useBegunTwice() {
  const { clock } = useDays();
  const nameOf = cookNames(useKitchen().data?.cooks);
  const twice = begunTwice(useRunning().data ?? []);
  return (id: string) => {
    const other = twice.get(id);
    if (!other) return null;
    const { cook, phone, startedAt } = other;
    const who = `${cook === undefined ? '' : `${nameOf(cook)} on `}${phone}`;
    return {
      otherId: other.id,
      words: `Begun twice: ${who} began the same at ${clock(Date.parse(startedAt))}, without knowing of it.`,
    };
  };
}

/** What has to be known of a batch beside its step: that it was begun twice, that a new version of the app waits for its end. */
export function BatchNotices({ id }: { id: string }) {
  const router = useRouter();
  const twin = useBegunTwice()(id);
  const waits = useUpdateWaits();
  return (
    <>
      {twin ? (
        <View role="note">
          <Strong tone="plum">{`${twin.words} Go on with one; give the other up under More.`}</Strong>
          <Action label="See the other" onPress={() => router.push(`/bench/${twin.otherId}`)} />
        </View>
      ) : null}
      {waits ? <Label>A new version of the app waits until you leave this batch.</Label> : null}
    </>
  );
}
