import { formatMoney, formatPercent } from '../reader/figures';
import { say } from '../reader/say';
import type { FormulaFacts } from '@kettle-scale/core/formula';

import { StyleSheet, View } from 'react-native';
import { useColours } from '../ui/theme';
import { Ticket } from '../ui/layout/Ticket';
import { SPACE } from '../ui/tokens';
import { Body, Figure, Heading, Label } from '../ui/type';
import { useFormat } from '../ui/useFormat';
import { Ask } from '../ui/layout/Why';

const BAR_PX = 10;

const styles = StyleSheet.create({
  facts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  row: { gap: 2, paddingVertical: 3 },
  words: { flexDirection: 'row', justifyContent: 'space-between', gap: SPACE.s },
  bar: { height: BAR_PX },
});

interface CostTicketProps {
  facts: FormulaFacts;
  currency: string | undefined;
  onWhy: () => void;
}

/** What the bread costs: a piece, a batch, a kilogram, and which line costs most. */
export function CostTicket({ facts, currency, onWhy }: CostTicketProps) {
  const colours = useColours();
  const format = useFormat();
  const { cost } = facts;
  const lines = [...cost.lines].filter((line) => line.cost > 0).sort((a, b) => b.cost - a.cost);
  return (
    <Ticket>
      <Heading>Cost</Heading>
      <View style={styles.facts}>
        <Ask onPress={onWhy}>
          <Label>A piece</Label>
          <Figure value={formatMoney(cost.perPiece, currency)} size={32} />
        </Ask>
        <View>
          <Label>{say('Batch of {mass} flour', { mass: format.mass(facts.flourG) })}</Label>
          <Figure value={formatMoney(cost.perBatch, currency)} size={32} />
        </View>
        <View>
          <Label>A kilogram of dough</Label>
          <Figure value={formatMoney(cost.perKg, currency)} size={32} />
        </View>
      </View>
      <View role="list" aria-label={say('Share of the cost')}>
        {lines.map(({ id, name, cost: money, share }) => (
          <View key={id} role="listitem" style={styles.row}>
            <View style={styles.words}>
              <Body>{name}</Body>
              <Body>{`${formatMoney(money, currency)}, ${formatPercent(share)}`}</Body>
            </View>
            <View
              style={[styles.bar, { width: `${Math.max(1, share * 100)}%`, backgroundColor: colours.crust }]}
            />
          </View>
        ))}
      </View>
      <Label>
        {say('From pack prices, {pieces, number} pieces after losses. Prices are set under Ingredients.', {
          pieces: cost.pieces,
        })}
      </Label>
      {cost.unpriced.length > 0 ? (
        <Body tone="plum">
          {say('At least: there is no price for {unpriced}.', {
            unpriced: { lower: { list: cost.unpriced } },
          })}
        </Body>
      ) : null}
    </Ticket>
  );
}
