import { type Formula, type Ingredient, formatPercent } from '@kettle-scale/core';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { PrimaryAction } from '../../ui/actions';
import { CrossSection, Disc } from '../../ui/Disc';
import { Screen } from '../../ui/Screen';
import { Leader, Ticket, TicketRule } from '../../ui/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { BakeBars } from './BakeBars';
import { formulaFacts } from './formulaFacts';
import { methodWords } from './methodWords';

/** Pages draw their disc to one scale, so that a small bread looks small. */
const DISC = { px: 200, scaleMm: 300 } as const;
const SECTION = { px: 120, pxPerMm: 10 } as const;

const styles = StyleSheet.create({
  picture: { flexDirection: 'row', gap: SPACE.m, alignItems: 'center', flexWrap: 'wrap' },
  section: { gap: SPACE.s },
  columns: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' },
  column: { flexGrow: 1, flexBasis: 320, minWidth: 0, gap: SPACE.m },
  facts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  step: { flexDirection: 'row', gap: SPACE.m },
  number: { width: 22 },
  words: { flex: 1 },
});

/** A formula: its disc to scale, its shares, its method, its time on the griddle. */
export function FormulaPage({ formula, ingredients }: { formula: Formula; ingredients: Ingredient[] }) {
  const router = useRouter();
  const format = useFormat();
  const { lines, totals, relaxed, rolled, allergens } = formulaFacts(formula, ingredients);
  const ball = format.massFigure(formula.product.ballG);
  return (
    <Screen
      eyebrow={`Formula · version ${formula.version}`}
      title={formula.name}
      foot={<PrimaryAction label="Plan a batch" onPress={() => router.push(`/plan/${formula.id}`)} />}
    >
      <Body tone="soot">{formula.summary}</Body>
      <View style={styles.picture}>
        <Disc diameterMm={relaxed.diameterMm} {...DISC} dimension={format.length(relaxed.diameterMm)} />
        <View style={styles.section}>
          <View>
            <Label>Ball</Label>
            <Figure value={ball.value} unit={ball.unit} size={40} />
          </View>
          <View>
            <Strong>{format.length(rolled.thicknessMm)} rolled</Strong>
            <CrossSection thicknessMm={rolled.thicknessMm} {...SECTION} />
            <Body tone="soot">{format.length(relaxed.thicknessMm)} relaxed</Body>
            <CrossSection thicknessMm={relaxed.thicknessMm} {...SECTION} />
            <Label>edges, 10 px a mm</Label>
          </View>
        </View>
      </View>
      <View style={styles.columns}>
        <View style={styles.column}>
          <Ticket>
            <Heading>Shares of flour</Heading>
            <View>
              {lines.map(({ id, food, fraction, note }) => (
                <Leader
                  key={id}
                  name={note ? `${food.name}, ${note}` : food.name}
                  value={formatPercent(fraction, 1)}
                  tone={food.kind === 'water' || food.kind === 'dairy' ? 'water' : 'ink'}
                />
              ))}
              <TicketRule />
              <Leader name="Effective hydration" value={formatPercent(totals.hydration, 1)} tone="water" />
              <Leader name="Effective fat" value={formatPercent(totals.fat, 1)} />
              <Leader name="Salt" value={formatPercent(totals.salt, 1)} />
            </View>
            <Label tone="plum">
              {`Contains ${allergens.join(', ')}. Other dough is made on this bench: traces of other allergens are possible.`}
            </Label>
          </Ticket>
          <Ticket>
            <Heading>Griddle</Heading>
            <View style={styles.facts}>
              <View>
                <Label>Plate</Label>
                <Figure value={format.temp(formula.bake.plateC)} size={32} tone="ember" />
              </View>
              <View>
                <Label>Surface</Label>
                <Figure value={formula.bake.surface === 'flat' ? 'flat plate' : 'domed iron'} size={32} />
              </View>
            </View>
            <BakeBars bake={formula.bake} />
          </Ticket>
        </View>
        <View style={styles.column}>
          <Ticket>
            <Heading>Method</Heading>
            {methodWords(formula, format.temp).map(({ name, text }, index) => (
              <View key={name} style={styles.step}>
                <View style={styles.number}>
                  <Figure value={`${index + 1}`} size={22} tone="soot" />
                </View>
                <View style={styles.words}>
                  <Strong>{name}</Strong>
                  <Body>{text}</Body>
                </View>
              </View>
            ))}
          </Ticket>
        </View>
      </View>
    </Screen>
  );
}
