import type { Difference, DifferencePart } from '@kettle-scale/core/formula';
import { StyleSheet, View } from 'react-native';
import { Text } from '../ui/Text';
import { useColours } from '../ui/theme';
import { FONT, SPACE } from '../ui/tokens';
import { Body, Label, Strong } from '../ui/type';
import { say } from '../reader/say';

interface DifferenceTableProps {
  differences: readonly Difference[];
  /** Heads of the two columns: "version 2", "version 3". */
  before: string;
  after: string;
}

const PARTS: readonly (readonly [DifferencePart, string])[] = [
  ['line', 'Shares of flour'],
  ['total', 'Result'],
  ['method', 'Method'],
  ['griddle', 'Griddle'],
  ['product', 'The bread'],
  ['name', 'Words'],
];
const SIGN = { added: '+', removed: '−', changed: '' } as const;

const styles = StyleSheet.create({
  part: { gap: 2 },
  row: {
    flexDirection: 'row',
    gap: SPACE.s,
    paddingVertical: 8,
    borderBottomWidth: 1,
    alignItems: 'flex-start',
  },
  name: { flex: 1.2, minWidth: 0 },
  cell: { flex: 1, minWidth: 0 },
  text: { fontFamily: FONT.figure, fontSize: 18, lineHeight: 22, fontVariant: ['tabular-nums'] },
  was: { textDecorationLine: 'line-through' },
});

/** Two formulas side by side, only where they differ. */
export function DifferenceTable({ differences, before, after }: DifferenceTableProps) {
  const colours = useColours();
  if (differences.length === 0) return <Body tone="soot">They are the same bread, line by line.</Body>;
  return (
    <View style={{ gap: SPACE.m }}>
      {PARTS.map(([part, heading]) => {
        const rows = differences.filter((difference) => difference.part === part);
        if (rows.length === 0) return null;
        return (
          <View key={part} role="table" aria-label={say(heading)} style={styles.part}>
            <View role="row" style={[styles.row, { borderColor: colours.ink, borderBottomWidth: 2 }]}>
              <View role="columnheader" style={styles.name}>
                <Strong>{heading}</Strong>
              </View>
              {[before, after].map((head) => (
                <View key={head} role="columnheader" style={styles.cell}>
                  <Label>{head}</Label>
                </View>
              ))}
            </View>
            {rows.map(({ path, label, before: was, after: is, change }) => (
              <View key={path} role="row" style={[styles.row, { borderColor: colours.rule }]}>
                <View role="cell" style={styles.name}>
                  <Body>{[SIGN[change], say(label)].filter(Boolean).join(' ')}</Body>
                </View>
                <View role="cell" style={styles.cell}>
                  <Text style={[styles.text, is ? null : styles.was, { color: colours.soot }]}>
                    {was || '–'}
                  </Text>
                </View>
                <View role="cell" style={styles.cell}>
                  <Text style={[styles.text, { color: is ? colours.ink : colours.plum }]}>
                    {is || 'gone'}
                  </Text>
                </View>
              </View>
            ))}
          </View>
        );
      })}
    </View>
  );
}
