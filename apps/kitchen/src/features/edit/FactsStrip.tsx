import { formatMoney, formatPercent } from '../../reader/figures';
import type { FormulaFigure } from '@kettle-scale/core/explain';

import { StyleSheet, View } from 'react-native';
import { Disc } from '../../ui/chart/Disc';
import { SPACE } from '../../ui/tokens';
import { Figure, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { Ask } from '../../ui/layout/Why';
import { useEditing } from './editing';

const SMALL = { px: 92, scaleMm: 320 } as const;
const LARGE = { px: 240, scaleMm: 320 } as const;

const styles = StyleSheet.create({
  strip: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  facts: { flex: 1, flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m, rowGap: SPACE.s },
  warnings: { gap: SPACE.xs },
});

interface FactsStripProps {
  large?: boolean;
  onWhy: (figure: FormulaFigure) => void;
}

/** What the draft comes to, live: the figures, the disc to scale, and what would happen to the bread. */
export function FactsStrip({ large = false, onWhy }: FactsStripProps) {
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
              ['hydration', 'Hydration', formatPercent(totals.hydration, 1), '', 'water'],
              ['fat', 'Fat', formatPercent(totals.fat, 1), '', 'ink'],
              ['salt', 'Salt', formatPercent(totals.salt, 2), '', 'ink'],
              ['dough', 'Dough', dough.value, dough.unit, 'ink'],
              ['disc', 'Disc', disc.value, disc.unit, 'ink'],
              ['cost', 'A piece', formatMoney(cost.perPiece, kitchen.currency), '', 'ink'],
            ] as const
          ).map(([figure, label, value, unit, tone]) => (
            <Ask key={figure} onPress={() => onWhy(figure)}>
              <Label>{label}</Label>
              <Figure value={value} unit={unit} size={large ? 32 : 24} tone={tone} />
            </Ask>
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
