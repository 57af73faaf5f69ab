import { say } from '../../reader/say';
import { StyleSheet, View } from 'react-native';
import { useHealth } from '../../api/queries';
import { useLeaveSandbox } from '../../api/sandbox';
import { Action } from '../../ui/input/actions';
import { FieldError } from '../../ui/input/Field';
import { useColours } from '../../ui/theme';
import { SPACE } from '../../ui/tokens';
import { Strong } from '../../ui/type';

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: SPACE.s,
    paddingHorizontal: SPACE.m,
    paddingVertical: SPACE.xs,
    borderBottomWidth: 2,
  },
});

/** On every page of a demo kitchen that can be thrown away: that it is one, and the way out. */
export function SandboxBar() {
  const colours = useColours();
  const { data } = useHealth();
  const leave = useLeaveSandbox();
  if (!data?.sandbox) return null;
  return (
    <View role="region" aria-label={say('Demo kitchen')} style={[styles.bar, { borderColor: colours.plum }]}>
      <Strong tone="plum">Demo kitchen, made up</Strong>
      <Action label="Delete and leave" onPress={() => leave.mutate()} disabled={leave.isPending} />
      {leave.error ? <FieldError id="sandbox-error" message={leave.error.message} /> : null}
    </View>
  );
}
