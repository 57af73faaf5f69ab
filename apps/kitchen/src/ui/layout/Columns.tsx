import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { SPACE } from '../tokens';

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: SPACE.l },
});

/** Two columns of a wide screen. */
export function Columns({ left, right }: { left: ReactNode; right: ReactNode }) {
  return (
    <View style={styles.columns}>
      <View style={styles.column}>{left}</View>
      <View style={styles.column}>{right}</View>
    </View>
  );
}
