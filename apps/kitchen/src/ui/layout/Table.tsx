import { StyleSheet, Text, View } from 'react-native';
import { useColours } from '../theme';
import { FONT } from '../tokens';

interface TableProps {
  label: string;
  /** The first column is the name of the row and the widest. */
  columns: readonly string[];
  rows: readonly (readonly string[])[];
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', minHeight: 42, borderBottomWidth: 1 },
  cell: { flex: 1, textAlign: 'right', fontFamily: FONT.figure, fontSize: 18, fontVariant: ['tabular-nums'] },
  name: { flex: 1.6, textAlign: 'left' },
  head: { fontFamily: FONT.text, fontSize: 14 },
});

/** Figures in rows and columns. Paper's own table is none to a screen reader on the web. */
export function Table({ label, columns, rows }: TableProps) {
  const colours = useColours();
  const line = (cells: readonly string[], role: 'columnheader' | 'cell', key: string) => (
    <View key={key} role="row" style={[styles.row, { borderColor: colours.rule }]}>
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
  );
  return (
    <View role="table" aria-label={label}>
      {line(columns, 'columnheader', 'head')}
      {rows.map((row) => line(row, 'cell', row[0] ?? ''))}
    </View>
  );
}
