import { say } from '../../reader/say';
import { begunTwice } from '@kettle-scale/core/batch';
import { cookNames } from '@kettle-scale/core/kitchen';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useKitchen, useRunning } from '../../api/queries';
import { useUpdateWaits } from '../../live/appUpdates';
import { useDays } from '../../shared/useDays';
import { whoWords } from '../../shared/whoWords';
import { Action } from '../../ui/input/actions';
import { SPACE } from '../../ui/tokens';
import { Label, Strong } from '../../ui/type';

const styles = StyleSheet.create({
  notice: { flexDirection: 'row', alignItems: 'center', gap: SPACE.s },
  words: { flex: 1 },
});

/** Of each batch that another phone began too, a sentence and where the other one is. */
export function useBegunTwice() {
  const { clock } = useDays();
  const nameOf = cookNames(useKitchen().data?.cooks);
  const twice = begunTwice(useRunning().data ?? []);
  return (id: string) => {
    const other = twice.get(id);
    if (!other) return null;
    return {
      otherId: other.id,
      words: say('Started twice: also at {clock} {cook}{whoWords}.', {
        clock: clock(Date.parse(other.startedAt)),
        cook: other.cook === undefined ? '' : 'by ',
        whoWords: whoWords(other, nameOf),
      }),
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
        <View role="note" style={styles.notice}>
          <View style={styles.words}>
            <Strong tone="plum">
              {say('{words} Continue with one and abandon the other.', { words: twin.words })}
            </Strong>
          </View>
          <Action label="See the other" onPress={() => router.push(`/bench/${twin.otherId}`)} />
        </View>
      ) : null}
      {waits ? <Label>A new version of the app waits until you leave this batch.</Label> : null}
    </>
  );
}
