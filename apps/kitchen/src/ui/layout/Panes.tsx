import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWide } from './useWide';

const LIST_WIDTH = 440;

const styles = StyleSheet.create({
  panes: { flex: 1, flexDirection: 'row' },
  list: { width: LIST_WIDTH },
  page: { flex: 1, minWidth: 0 },
});

/** A list and one page of it: side by side where there is room, else the page when one is asked for. */
export function Panes({ list, page, asked }: { list: ReactNode; page: ReactNode; asked: boolean }) {
  const wide = useWide();
  if (!wide) return asked ? page : list;
  return (
    <View style={styles.panes}>
      <View style={styles.list}>{list}</View>
      <View style={styles.page}>{page}</View>
    </View>
  );
}
