import { say } from '../../reader/say';
import { explainSpread } from '@kettle-scale/core/explain';
import {
  type Formula,
  type FormulaFacts,
  type ResolvedLine,
  hydrationSpread,
  massOfMeasure,
  kindOfBread,
} from '@kettle-scale/core/formula';
import type { Interval } from '@kettle-scale/core/quantity';
import { useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { replaceDraft } from '../../drafts/drafts';
import { useSaveIngredient } from '../../api/changes';
import { useKitchen } from '../../api/queries';
import { useToday } from '../../shared/useDays';
import { ForLead, useIsCook } from '../../shared/ForLead';
import { Action } from '../../ui/input/actions';
import { HydrationChart } from '../../shared/chart';
import { spreadText } from '../../shared/spreadText';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { type CupAsked, WeighOnceSheet } from '../../shared/WeighOnceSheet';
import { Ask, WhySheet } from '../../ui/layout/Why';

/** A cup that differs from the formula by more than this is worth a new version. */
const WORTH_CHANGING = 0.005;
const PICTURE_PX = 326;

const styles = StyleSheet.create({ line: { gap: 2, paddingVertical: SPACE.xs } });

/** For a formula that was measured in cups: how far off it can be, line by line, and how to know better. */
export function SpreadTicket({ formula, facts }: { formula: Formula; facts: FormulaFacts }) {
  const today = useToday();
  const router = useRouter();
  const format = useFormat();
  const kitchen = useKitchen();
  const saveFood = useSaveIngredient();
  const isCook = useIsCook();
  const [cup, setCup] = useState<CupAsked | null>(null);
  const [why, setWhy] = useState(false);
  const closeWhy = useCallback(() => setWhy(false), []);
  const close = useCallback(() => setCup(null), []);
  const massOf = ({ food, fraction, measure }: ResolvedLine): Interval =>
    massOfMeasure(food, fraction * facts.flourG, measure);
  const measured = facts.lines.filter(({ measure }) => measure);
  if (measured.length === 0) return null;
  const spread = hydrationSpread(
    facts.lines.map((line) => ({ id: line.id, food: line.food, mass: massOf(line) })),
  );
  const off = facts.lines.some(
    (line) => Math.abs(massOf(line).typical / (line.fraction * facts.flourG) - 1) > WORTH_CHANGING,
  );
  const correct = () => {
    const masses = facts.lines.map((line) => ({ line, massG: massOf(line).typical }));
    const flourG = masses.reduce((sum, { line, massG }) => sum + (line.food.kind === 'flour' ? massG : 0), 0);
    replaceDraft(
      {
        ...formula,
        flourG,
        lines: masses.map(({ line: { food, ...line }, massG }) => ({ ...line, fraction: massG / flourG })),
      },
      formula.version,
      'Our own cups, weighed',
    );
    router.push(`/formulas/${formula.id}/edit`);
  };
  return (
    <Ticket>
      <Heading>Measured in cups</Heading>
      <Ask onPress={() => setWhy(true)}>
        <Figure value={spreadText(spread)} size={32} tone="water" />
      </Ask>
      <HydrationChart spread={spread} kind={kindOfBread(formula, facts.lines)} width={PICTURE_PX} />
      {measured.map((line) => {
        const mass = massOf(line);
        const step = mass.typical < 10 ? 0.1 : 1;
        const { fill } = line.measure ?? {};
        const own = line.food.densities?.find((density) => density.fill === fill)?.weighedOn;
        return (
          <View key={line.id} style={styles.line}>
            <Body>{`${line.food.name}: ${line.measure?.text ?? ''}`}</Body>
            <Label>
              {say('{mass} · {mass2} · {mass3}, low, typical, high{own}', {
                mass: format.mass(mass.low, step),
                mass2: format.mass(mass.typical, step),
                mass3: format.mass(mass.high, step),
                own: own ? say('; our cup, weighed {own}', { own }) : '',
              })}
            </Label>
            {fill && line.food.kind !== 'water' && !isCook ? (
              <Action
                icon="bench"
                label="Weigh it once"
                hint={say('Weigh {name} once', { name: line.food.name })}
                onPress={() => setCup({ food: line.food, fill })}
              />
            ) : null}
          </View>
        );
      })}
      <ForLead>
        {off ? <Action icon="edit" label="Use what our cups weigh" onPress={correct} /> : null}
      </ForLead>
      <WhySheet why={why && spread ? explainSpread(spread) : null} onClose={closeWhy} />
      <WeighOnceSheet
        asked={cup}
        measures={kitchen.data?.measures ?? 'us'}
        today={today}
        onSave={(food) => saveFood.mutate(food, { onSuccess: close })}
        onClose={close}
      />
    </Ticket>
  );
}
