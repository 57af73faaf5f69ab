import { formatMoney, formatPercent } from '@kettle-scale/core';
import { StyleSheet, View } from 'react-native';
import { Disc } from '../../ui/Disc';
import { SPACE } from '../../ui/tokens';
import { Figure, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useEditing } from './editing';

const SMALL = { px: 92, scaleMm: 320 } as const;
const LARGE = { px: 240, scaleMm: 320 } as const;

const styles = StyleSheet.create({
  strip: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  facts: { flex: 1, flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m, rowGap: SPACE.s },
  fact: { minWidth: 64 },
  warnings: { gap: SPACE.xs },
});

/** What the draft comes to, live: the figures, the disc to scale, and what would happen to the bread. */
export function FactsStrip({ large = false }: { large?: boolean }) {
  const { facts, draft, kitchen } = useEditing();
  const format = useFormat();
  if (!facts) return <Label>The figures come back when every line has its amount.</Label>;
  const { totals, relaxed, cost, warnings } = facts;
  const dough = format.massFigure(facts.doughG);
  const disc = format.lengthFigure(relaxed.diameterMm);
  return (
    <View style={styles.warnings}>
      <View style={styles.strip}>
        <View style={styles.facts}>
          {(
            [
              ['Hydration', formatPercent(totals.hydration, 1), '', 'water'],
              ['Fat', formatPercent(totals.fat, 1), '', 'ink'],
              ['Salt', formatPercent(totals.salt, 2), '', 'ink'],
              ['Dough', dough.value, dough.unit, 'ink'],
              ['Disc', disc.value, disc.unit, 'ink'],
              ['A piece', formatMoney(cost.perPiece, kitchen.currency), '', 'ink'],
            ] as const
          ).map(([label, value, unit, tone]) => (
            <View key={label} style={styles.fact}>
              <Label>{label}</Label>
              <Figure value={value} unit={unit} size={large ? 32 : 24} tone={tone} />
            </View>
          ))}
        </View>
        {large ? (
          <Disc diameterMm={relaxed.diameterMm} {...LARGE} dimension={format.length(relaxed.diameterMm)} />
        ) : (
          <Disc diameterMm={relaxed.diameterMm} {...SMALL} />
        )}
      </View>
      <View role="status" style={styles.warnings}>
        {warnings.map(({ measure, message }) => (
          <Strong key={measure} tone="plum">
            {message}
          </Strong>
        ))}
        {draft.lines.some(({ locked }) => locked) ? <Label>Locked lines keep their weight.</Label> : null}
      </View>
    </View>
  );
}
