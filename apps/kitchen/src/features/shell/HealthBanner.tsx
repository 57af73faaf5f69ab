import { useSyncExternalStore } from 'react';
import { Banner } from 'react-native-paper';
import { useDeviceRoom } from '../../api/deviceRoom';
import { useHealth } from '../../api/queries';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { say } from '../../reader/say';
import { useColours } from '../../ui/theme';
import { Body, Strong } from '../../ui/type';

const AWAY = 'The kitchen’s server does not answer: this is what was last known.';
const NO_ROOM =
  'This phone has nearly no room left for the app: free some before you work without a network.';
const NOT_KEPT =
  'This phone could not keep what you did: leave this page open until it is sent, or write it down.';

/**
 * Says on every screen when the server cannot save, in its own words, and when it is away and what is shown may be old; and
 * when this phone itself has no room to keep what is done.
 */
export function HealthBanner() {
  const colours = useColours();
  const { data, isError } = useHealth();
  const { notKept } = useSyncExternalStore(kitchenQueue.subscribe, kitchenQueue.state, kitchenQueue.state);
  const room = useDeviceRoom().data;
  const ofDevice = notKept ? [NOT_KEPT] : room?.full ? [NO_ROOM] : [];
  const ownWords = !data || data.status === 'ok' ? [] : data.problems;
  const problems = isError ? [AWAY] : ownWords;
  const told = [...problems, ...ofDevice];
  if (told.length === 0) return null;
  return (
    <Banner visible elevation={0} style={{ borderWidth: 2, borderColor: colours.plum }} actions={[]}>
      {told.map((problem) => (
        <Strong key={problem} tone="plum">{`${say(problem)}\n`}</Strong>
      ))}
      {problems.length > 0 && !notKept ? (
        <Body>What you do is kept on this device until it can be saved.</Body>
      ) : null}
    </Banner>
  );
}
