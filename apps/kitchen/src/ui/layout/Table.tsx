import type { Words } from '@kettle-scale/core/message';
import { StyleSheet, View } from 'react-native';
import { Text } from '../Text';
import { DataTable, Divider } from 'react-native-paper';
import { say } from '../../reader/say';
import { useColours } from '../theme';
import { FONT } from '../tokens';

interface TableProps {
  label: string;
  /** The first column is the name of the row and the widest. */
  columns: readonly string[];
  rows: readonly (readonly Words[])[];
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 41 },
  cell: { flex: 1, textAlign: 'right', fontFamily: FONT.figure, fontSize: 18, fontVariant: ['tabular-nums'] },
  name: { flex: 1.6, textAlign: 'left' },
  head: { fontFamily: FONT.text, fontSize: 14 },
});

/** Figures in rows and columns: Paper's table, with rows and cells of our own, as Paper's are dead buttons to a screen reader. */
export function Table({ label, columns, rows }: TableProps) {
  const colours = useColours();
  const line = (cells: readonly Words[], role: 'columnheader' | 'cell', key: string) => (
    <View key={key} role="row">
      <View role="presentation" style={styles.row}>
        {cells.map((cell, index) => (
          <Text
            key={columns[index]}
            role={role}
            style={[
              styles.cell,
              index === 0 && styles.name,
              role === 'columnheader' && styles.head,
              {
                color:
                  role === 'columnheader' || (index === 1 && cells.length > 2) ? colours.soot : colours.ink,
              },
            ]}
          >
            {cell}
          </Text>
        ))}
      </View>
      <Divider aria-hidden style={{ height: 1 }} />
    </View>
  );
  return (
    <DataTable role="table" aria-label={say(label)}>
      {line(columns, 'columnheader', 'head')}
      {rows.map((row) => line(row, 'cell', say(row[0] ?? '')))}
    </DataTable>
  );
}
