import { Banner } from 'react-native-paper';
import { NoKey } from '../../api/api';
import { useAccess } from '../../api/phoneQueries';
import { useHealth } from '../../api/queries';
import { useColours } from '../../ui/theme';
import { TOUCH } from '../../ui/tokens';
import { Body, Strong } from '../../ui/type';

/** The server's own page, outside the app. */
const toPairing = () => window.location.assign('/pair');
const AWAY = 'The kitchen’s server does not answer: this is what was last known.';
const NO_KEY = 'This phone has no key to the kitchen any more: this is what was last known.';

/**
 * Says on every screen when the server cannot save, in its own words, when it is away and what is shown may be old, or when
 * this phone's key was taken away.
 */
export function HealthBanner() {
  const colours = useColours();
  const { data, isError } = useHealth();
  const noKey = useAccess().error instanceof NoKey;
  const ownWords = !data || data.status === 'ok' ? [] : data.problems;
  const problems = noKey ? [NO_KEY] : isError ? [AWAY] : ownWords;
  if (problems.length === 0) return null;
  return (
    <Banner
      visible
      elevation={0}
      style={{ borderWidth: 2, borderColor: colours.plum }}
      actions={
        noKey
          ? [{ label: 'Pair this phone', onPress: toPairing, contentStyle: { minHeight: TOUCH.other } }]
          : []
      }
    >
      {problems.map((problem) => (
        <Strong key={problem} tone="plum">{`${problem}\n`}</Strong>
      ))}
      <Body>What you do is kept on this device until it can be saved.</Body>
    </Banner>
  );
}
