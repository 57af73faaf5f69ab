import { formatPercent } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import type { FormulaFigure } from '@kettle-scale/core/explain';
import { type Formula, type FormulaFacts, methodWords, packWords } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';

import { StyleSheet, View } from 'react-native';
import { Caution } from '../../ui/layout/Caution';
import { CrossSection, Disc } from '../../ui/chart/Disc';
import { Leader, Ticket, TicketRule } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { Ask } from '../../ui/layout/Why';
import { BakeBars } from '../../shared/BakeBars';
import { UseWhich } from '../../shared/UseWhich';
import { useFormulaTimes } from '../../shared/useBakeTimes';
import { useOwnSeconds } from '../../shared/useOwnSeconds';

/** Pages draw their disc to one scale, so that a small bread looks small. */
const DISC = { px: 200, scaleMm: 300 } as const;
const SECTION = { px: 120, pxPerMm: 10 } as const;

const CROSS_CONTACT =
  'Other dough is made on this bench: traces of other allergens are possible. Follow your local food code.';

const styles = StyleSheet.create({
  picture: { flexDirection: 'row', gap: SPACE.m, alignItems: 'center', flexWrap: 'wrap' },
  section: { gap: SPACE.s },
  facts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  step: { flexDirection: 'row', gap: SPACE.m },
  number: { width: 22 },
  words: { flex: 1 },
});

interface FactsProps {
  facts: FormulaFacts;
  /** Asks why a figure is what it is. */
  onWhy: (figure: FormulaFigure) => void;
}

/** The disc to scale, its ball, and its section rolled and relaxed. */
export function BreadPicture({ formula, facts, onWhy }: FactsProps & { formula: Formula }) {
  const format = useFormat();
  const { relaxed, rolled } = facts;
  const ball = format.massFigure(formula.product.ballG);
  return (
    <View style={styles.picture}>
      <Ask onPress={() => onWhy('disc')}>
        <Disc diameterMm={relaxed.diameterMm} {...DISC} dimension={format.length(relaxed.diameterMm)} />
      </Ask>
      <View style={styles.section}>
        <View>
          <Label>Ball</Label>
          <Figure value={ball.value} unit={ball.unit} size={40} />
        </View>
        <View>
          <Strong>{say('{thickness} rolled', { thickness: format.length(rolled.thicknessMm) })}</Strong>
          <CrossSection thicknessMm={rolled.thicknessMm} {...SECTION} />
          <Body tone="soot">
            {say('{thickness} relaxed', { thickness: format.length(relaxed.thicknessMm) })}
          </Body>
          <CrossSection thicknessMm={relaxed.thicknessMm} {...SECTION} />
          <Label>edges, enlarged</Label>
        </View>
      </View>
    </View>
  );
}

/** Each line as a share of flour, what the dough comes to, what goes on the bread, and what must be declared. */
export function SharesTicket({ facts, onWhy }: FactsProps) {
  const format = useFormat();
  const { lines, totals, allergens } = facts;
  return (
    <Ticket>
      <Heading>Shares of flour</Heading>
      <View>
        {lines.map(({ id, food, fraction, note, late }) => (
          <Leader
            key={id}
            name={sayAll([food.name, note, late && 'late'])}
            value={formatPercent(fraction, 1)}
            tone={food.kind === 'water' || food.kind === 'dairy' ? 'water' : 'ink'}
          />
        ))}
        <TicketRule />
        <Ask onPress={() => onWhy('hydration')}>
          <Leader name="Effective hydration" value={formatPercent(totals.hydration, 1)} tone="water" />
        </Ask>
        <Ask onPress={() => onWhy('fat')}>
          <Leader name="Effective fat" value={formatPercent(totals.fat, 1)} />
        </Ask>
        <Ask onPress={() => onWhy('salt')}>
          <Leader name="Salt" value={formatPercent(totals.salt, 1)} />
        </Ask>
        {facts.onBread.length > 0 ? (
          <>
            <TicketRule />
            <Label>On the bread, a piece</Label>
          </>
        ) : null}
        {facts.onBread.map(({ id, food, gPerPiece, share = 1, when, note, assumed }) => (
          <Leader
            key={id}
            name={sayAll([
              food.name,
              note,
              when,
              share < 1 && say('{share} of the pieces', { share: { share } }),
              assumed && 'assumed',
            ])}
            value={format.mass(gPerPiece, 0.1)}
            aside={formatPercent((gPerPiece * share * facts.cost.pieces) / facts.flourG, 1)}
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
            ? say('Contains {allergens}.', { allergens: { list: allergens } })
            : 'None of the listed allergens by its ingredients.'
        }
        text={
          facts.checkPacks.length > 0
            ? say('Read the packs of {packs}. {crossContact}', {
                packs: packWords(facts.checkPacks),
                crossContact: CROSS_CONTACT,
              })
            : CROSS_CONTACT
        }
      />
    </Ticket>
  );
}

/** Heat, surface and the sides one after the other. */
export function GriddleTicket({ formula, foods }: { formula: Formula; foods: readonly Ingredient[] }) {
  const format = useFormat();
  const times = useFormulaTimes(formula, foods);
  const own = useOwnSeconds(times);
  const { later } = formula.bake;
  return (
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
      <BakeBars bake={own?.bake ?? formula.bake} ranges={own?.ranges ?? []} />
      {later ? (
        <Body>
          {say('After {pieces, number} pieces the plate goes to {temp}.', {
            pieces: later.afterPieces,
            temp: { tempC: later.plateC },
          })}
        </Body>
      ) : null}
      {own?.words ? <Label>{own.words}</Label> : null}
      {times ? <UseWhich times={times} /> : null}
    </Ticket>
  );
}

/** The method, step by step; the seconds stand in a ticket of their own. */
export function MethodTicket({ formula, facts }: { formula: Formula; facts: FormulaFacts }) {
  const steps = methodWords(formula, facts).filter(({ of }) => of !== 'griddle');
  return (
    <Ticket>
      <Heading>Method</Heading>
      {steps.map(({ name, text }, index) => (
        <View key={index} style={styles.step}>
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
  );
}
