import { Banner } from 'react-native-paper';
import { useHealth } from '../../api/queries';
import { useColours } from '../../ui/theme';
import { Body, Strong } from '../../ui/type';

/** Says on every screen when the server cannot save, in its own words, or when it is away and what is shown may be old. */
export function HealthBanner() {
  const colours = useColours();
  const { data, isError } = useHealth();
  const away = isError ? ['The kitchen’s server does not answer: this is what was last known.'] : [];
  const problems = isError || !data || data.status === 'ok' ? away : data.problems;
  if (problems.length === 0) return null;
  return (
    <Banner visible elevation={0} style={{ borderWidth: 2, borderColor: colours.plum }}>
      {problems.map((problem) => (
        <Strong key={problem} tone="plum">{`${problem}\n`}</Strong>
      ))}
      <Body>What you do is kept on this device until it can be saved.</Body>
    </Banner>
  );
}
