import { StyleSheet, View } from 'react-native';
import { useHealth } from '../../api/queries';
import { SPACE } from '../../ui/tokens';
import { useColours } from '../../ui/theme';
import { Body, Strong } from '../../ui/type';

const styles = StyleSheet.create({
  bar: { borderWidth: 2, paddingHorizontal: SPACE.m, paddingVertical: SPACE.s },
});

/** Says when the server cannot save, on every screen, in the server's own words. */
export function HealthBanner() {
  const colours = useColours();
  const { data } = useHealth();
  if (!data || data.status === 'ok') return null;
  return (
    <View role="alert" style={[styles.bar, { borderColor: colours.plum, backgroundColor: colours.surface }]}>
      {data.problems.map((problem) => (
        <Strong key={problem} tone="plum">
          {problem}
        </Strong>
      ))}
      <Body>What you do is kept on this device until it can be saved.</Body>
    </View>
  );
}
