import { Banner } from 'react-native-paper';
import { useHealth } from '../../api/queries';
import { useColours } from '../../ui/theme';
import { Body, Strong } from '../../ui/type';

/** Says when the server cannot save, on every screen, in the server's own words. */
export function HealthBanner() {
  const colours = useColours();
  const { data } = useHealth();
  if (!data || data.status === 'ok') return null;
  return (
    <Banner visible elevation={0} style={{ borderWidth: 2, borderColor: colours.plum }}>
      {data.problems.map((problem) => (
        <Strong key={problem} tone="plum">{`${problem}\n`}</Strong>
      ))}
      <Body>What you do is kept on this device until it can be saved.</Body>
    </Banner>
  );
}
