import { say } from '../../reader/say';
import { formatPercent } from '../../reader/figures';
import { type Formula, formulaFacts } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';

import { Link } from 'expo-router';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { Disc } from '../../ui/chart/Disc';
import { useColours } from '../../ui/theme';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

/** All tickets draw their disc to one scale, so that sizes can be compared down the page. */
const SCALE_MM = 320;
const DISC_PX = 104;

const styles = StyleSheet.create({
  link: { display: 'flex', flexDirection: 'column' },
  row: { flexDirection: 'row', gap: SPACE.s },
  words: { flex: 1, minWidth: 0, gap: SPACE.xs },
  disc: { width: DISC_PX, justifyContent: 'center' },
  mark: { width: 36, height: 3 },
  facts: { flexDirection: 'row', gap: 12, marginTop: SPACE.xs },
});

/** One formula in the book: its shares, its hydration, its piece. */
export const FormulaTicket = memo(function FormulaTicket({
  formula,
  ingredients,
  here,
}: {
  formula: Formula;
  ingredients: Ingredient[];
  here: boolean;
}) {
  const format = useFormat();
  const colours = useColours();
  const { lines, totals, relaxed } = formulaFacts(formula, ingredients);
  const shares = lines.map(
    ({ food, fraction }) =>
      `${say(food.name).toLocaleLowerCase()} ${formatPercent(fraction, fraction < 0.1 ? 1 : 0)}`,
  );
  const ball = format.massFigure(formula.product.ballG);
  const width = format.lengthFigure(relaxed.diameterMm);
  return (
    <Link
      href={`/formulas/${formula.id}`}
      style={styles.link}
      {...(here ? { 'aria-current': 'true' as const } : {})}
    >
      <Ticket>
        <View style={styles.row}>
          <View style={styles.words}>
            <Heading>{formula.name}</Heading>
            {here ? <View style={[styles.mark, { backgroundColor: colours.ember }]} /> : null}
            <Body tone="soot" style={{ fontSize: 15, lineHeight: 20 }}>
              {shares.join(', ')}
            </Body>
            <View style={styles.facts}>
              <View>
                <Label>Hydration</Label>
                <Figure value={formatPercent(totals.hydration)} size={22} tone="water" />
              </View>
              <View>
                <Label>Ball</Label>
                <Figure value={ball.value} unit={ball.unit} size={22} />
              </View>
              <View>
                <Label>Disc</Label>
                <Figure value={width.value} unit={width.unit} size={22} />
              </View>
            </View>
          </View>
          <View style={styles.disc}>
            <Disc diameterMm={relaxed.diameterMm} px={DISC_PX} scaleMm={SCALE_MM} />
          </View>
        </View>
      </Ticket>
    </Link>
  );
});
