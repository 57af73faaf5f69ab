import type { ComponentProps } from 'react';
import { StyleSheet } from 'react-native';
import { Text } from './Text';

const styles = StyleSheet.create({
  heard: { position: 'absolute', width: 1, height: 1, overflow: 'hidden', opacity: 0 },
});

/** Words for who does not see the screen. */
export const Heard = ({ children }: Pick<ComponentProps<typeof Text>, 'children'>) => (
  <Text style={styles.heard}>{children}</Text>
);
