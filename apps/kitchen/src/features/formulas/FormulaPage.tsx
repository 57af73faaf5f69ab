import { type FormulaFigure, explainFormula } from '@kettle-scale/core/explain';
import { formulaFacts, packWords } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { formatPercent } from '@kettle-scale/core/quantity';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { BookEntry } from '@kettle-scale/core/document';
import { hasWork } from '../../drafts/drafts';
import { useKitchen } from '../../api/queries';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Caution } from '../../ui/layout/Caution';
import { CrossSection, Disc } from '../../ui/chart/Disc';
import { Screen } from '../../ui/layout/Screen';
import { Leader, Ticket, TicketRule } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { Ask, WhySheet } from '../../ui/layout/Why';
import { BakeBars } from '../../shared/BakeBars';
import { CostTicket } from '../../shared/CostTicket';
import { SpreadTicket } from './SpreadTicket';
import { More } from './TakeOut';
import { methodWords } from './methodWords';

/** Pages draw their disc to one scale, so that a small bread looks small. */
const DISC = { px: 200, scaleMm: 300 } as const;
const SECTION = { px: 120, pxPerMm: 10 } as const;

const CROSS_CONTACT =
  'Other dough is made on this bench: traces of other allergens are possible. Follow your local food code.';

const ACTS = { edit: 'Edit', swap: 'Swap', versions: 'Versions' } as const;

const styles = StyleSheet.create({
  picture: { flexDirection: 'row', gap: SPACE.m, alignItems: 'center', flexWrap: 'wrap' },
  section: { gap: SPACE.s },
  columns: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' },
  column: { flexGrow: 1, flexBasis: 320, minWidth: 0, gap: SPACE.m },
  acts: { flexDirection: 'row', gap: SPACE.s },
  act: { flexGrow: 1 },
  facts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  step: { flexDirection: 'row', gap: SPACE.m },
  number: { width: 22 },
  words: { flex: 1 },
});

interface FormulaPageProps {
  entry: BookEntry;
  entries: readonly BookEntry[];
  ingredients: Ingredient[];
}

/** A formula: its disc to scale, its shares, its method, its time on the griddle. */
export function FormulaPage({ entry, entries, ingredients }: FormulaPageProps) {
  const router = useRouter();
  const format = useFormat();
  const kitchen = useKitchen();
  const { formula, archived, reason } = entry;
  const facts = useMemo(
    () => formulaFacts(formula, ingredients, kitchen.data),
    [formula, ingredients, kitchen.data],
  );
  const takenIds = useMemo(() => new Set(entries.map(({ formula: { id } }) => id)), [entries]);
  const { lines, totals, relaxed, rolled, allergens } = facts;
  const ball = format.massFigure(formula.product.ballG);
  const [figure, setFigure] = useState<FormulaFigure | null>(null);
  const closeWhy = useCallback(() => setFigure(null), []);
  return (
    <Screen
      eyebrow={`Version ${formula.version} · ${reason}${archived ? ' · put away' : ''}`}
      title={formula.name}
      foot={<PrimaryAction label="Plan a batch" onPress={() => router.push(`/plan/${formula.id}`)} />}
    >
      {formula.summary ? <Body tone="soot">{formula.summary}</Body> : null}
      <View style={styles.acts}>
        {(['edit', 'swap', 'versions'] as const).map((act) => (
          <Action
            key={act}
            label={act === 'edit' && hasWork(formula.id) ? 'Go on editing' : ACTS[act]}
            onPress={() => router.push(`/formulas/${formula.id}/${act}`)}
            style={styles.act}
          />
        ))}
        <More formula={formula} archived={archived} foods={ingredients} takenIds={takenIds} />
      </View>
      <View style={styles.picture}>
        <Ask onPress={() => setFigure('disc')}>
          <Disc diameterMm={relaxed.diameterMm} {...DISC} dimension={format.length(relaxed.diameterMm)} />
        </Ask>
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
              <Ask onPress={() => setFigure('hydration')}>
                <Leader name="Effective hydration" value={formatPercent(totals.hydration, 1)} tone="water" />
              </Ask>
              <Ask onPress={() => setFigure('fat')}>
                <Leader name="Effective fat" value={formatPercent(totals.fat, 1)} />
              </Ask>
              <Ask onPress={() => setFigure('salt')}>
                <Leader name="Salt" value={formatPercent(totals.salt, 1)} />
              </Ask>
              {facts.onBread.length > 0 ? (
                <>
                  <TicketRule />
                  <Label>On the bread, a piece</Label>
                </>
              ) : null}
              {facts.onBread.map(({ id, food, gPerPiece, when, note, assumed }) => (
                <Leader
                  key={id}
                  name={`${note ? `${food.name}, ${note}` : food.name}, ${when}${assumed ? ', assumed' : ''}`}
                  value={format.mass(gPerPiece, 0.1)}
                  aside={formatPercent((gPerPiece * facts.cost.pieces) / facts.flourG, 1)}
                />
              ))}
            </View>
            {facts.warnings.map(({ measure, message }) => (
              <Body key={measure} tone="plum">
                {message}
              </Body>
            ))}
            <Caution
              lead={
                allergens.length > 0
                  ? `Contains ${allergens.join(', ')}.`
                  : 'None of the listed allergens by its ingredients.'
              }
              text={`${facts.checkPacks.length > 0 ? `Read the packs of ${packWords(facts.checkPacks)}. ` : ''}${CROSS_CONTACT}`}
            />
          </Ticket>
          <SpreadTicket formula={formula} facts={facts} />
          <CostTicket facts={facts} currency={kitchen.data?.currency} onWhy={() => setFigure('cost')} />
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
          {formula.notes ? (
            <Ticket>
              <Heading>As it was told</Heading>
              <Body>{formula.notes}</Body>
            </Ticket>
          ) : null}
        </View>
      </View>
      <WhySheet
        why={figure ? explainFormula(formula, facts, figure, format.units, kitchen.data?.currency) : null}
        onClose={closeWhy}
      />
    </Screen>
  );
}
