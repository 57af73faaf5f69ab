import {
  type FigureId,
  formatMoney,
  type Formula,
  type Ingredient,
  type Kitchen,
  type FlourLot,
} from '@kettle-scale/core';
import { explainFigure, planCost } from '@kettle-scale/core/batch';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { useFlourLots, useFormulas, useIngredients, useKitchen, useStartBatch } from '../../data/queries';
import { PrimaryAction } from '../../ui/actions';
import { Notice, Waiting } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Segments } from '../../ui/Segments';
import { FieldError } from '../../ui/StepperField';
import { SPACE } from '../../ui/tokens';
import { Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useKeys } from '../../ui/useKeys';
import { useNow } from '../../ui/useNow';
import { useWide } from '../../ui/useWide';
import { Ask, WhySheet } from '../../ui/Why';
import { NeedFields } from './NeedFields';
import { PlanPicture } from './PlanPicture';
import { WeighSheet } from './WeighSheet';
import { type NeedText, fromAddress, needTextSchema, toAddress } from './planForm';
import { usePlan } from './usePlan';

const MINUTE_MS = 60_000;
/** Offered when a formula is first planned by pieces. */
const FIRST_PIECES = 24;
const FIRST_FLOUR_G = 2000;

const styles = StyleSheet.create({
  panes: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  pane: { flex: 1, minWidth: 0, gap: SPACE.m },
  stack: { gap: SPACE.m },
});

interface LoadedProps {
  formula: Formula;
  kitchen: Kitchen;
  ingredients: Ingredient[];
  lots: FlourLot[];
}

function Planner({ formula, kitchen, ingredients, lots }: LoadedProps) {
  const router = useRouter();
  const wide = useWide();
  const format = useFormat();
  const address = useLocalSearchParams<Partial<NeedText> & { lot?: string }>();
  const start = useStartBatch();
  const [figure, setFigure] = useState<FigureId | null>(null);
  const closeWhy = useCallback(() => setFigure(null), []);

  const schema = useMemo(() => needTextSchema(format.units), [format.units]);
  const form = useForm<NeedText>({
    defaultValues: {
      by: address.by === 'flour' ? 'flour' : 'pieces',
      pieces: address.pieces ?? String(FIRST_PIECES),
      ball: fromAddress(address.ball, formula.product.ballG, format.units),
      flour: fromAddress(address.flour, FIRST_FLOUR_G, format.units),
    },
  });
  const text = useWatch({ control: form.control }) as NeedText;
  const { by, pieces, ball, flour } = text;
  const parsed = useMemo(
    () => schema.safeParse({ by, pieces, ball, flour }),
    [schema, by, pieces, ball, flour],
  );
  const fitting = lots.filter((lot) => formula.lines.some((line) => line.ingredient === lot.ingredient));
  const [lotId, setLotId] = useState(address.lot ?? fitting[0]?.id);

  // The address holds what was typed, so that a reload or a shared link finds the same plan.
  useEffect(() => {
    const weights = { ball: toAddress(ball, format.units), flour: toAddress(flour, format.units) };
    router.setParams({ by, pieces, ...weights, ...(lotId ? { lot: lotId } : {}) });
  }, [router, by, pieces, ball, flour, lotId, format.units]);

  const need = parsed.success ? parsed.data : null;
  const { plan: planned, problem } = usePlan(formula, need, kitchen, ingredients);
  const [last, setLast] = useState(planned);
  if (planned && planned !== last) setLast(planned);
  const plan = planned ?? last;
  const errors = Object.fromEntries(
    parsed.success
      ? []
      : parsed.error.issues.map((issue) => [String(issue.path[0] ?? 'ball'), issue.message]),
  ) as Partial<Record<keyof NeedText, string>>;

  const now = useNow(MINUTE_MS / 2);
  const readyAt = plan ? new Date(now + plan.expectedS * 1000) : null;
  const ready = readyAt?.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const cost = useMemo(() => (plan ? planCost(plan) : null), [plan]);
  const begin = () => {
    if (!planned || start.isPending) return;
    start.mutate(
      {
        id: uuidv7(),
        at: new Date().toISOString(),
        formulaId: formula.id,
        formulaVersion: formula.version,
        need: planned.need,
        ...(lotId ? { flourLotId: lotId } : {}),
      },
      { onSuccess: (batch) => router.replace(`/bench/${batch.id}`) },
    );
  };
  useKeys({ primary: begin });

  const needs = (
    <View style={styles.stack}>
      <NeedFields
        text={text}
        errors={errors}
        onChange={(field, value) => form.setValue(field, value, { shouldDirty: true })}
      />
      {problem ? <FieldError id="plan-error" message={problem} /> : null}
      {plan ? <PlanPicture plan={plan} onWhy={setFigure} /> : null}
    </View>
  );
  const sheet = plan ? (
    <View style={styles.stack}>
      {planned ? null : <Strong tone="plum">Below is the last plan that works.</Strong>}
      <WeighSheet plan={plan} onWhy={setFigure} />
      {fitting.length > 0 ? (
        <Segments
          label="Flour lot"
          labelled
          value={lotId ?? ''}
          onChange={setLotId}
          options={fitting.map(({ id, name }) => [id, name] as const)}
        />
      ) : null}
      {plan.warnings.map(({ message }) => (
        <Strong key={message} tone="plum">
          {message}
        </Strong>
      ))}
      <Ask onPress={() => setFigure('ready')}>
        <Label>{`Begun now, the last piece comes off about ${ready}. One cook, usual times.`}</Label>
      </Ask>
      {cost ? (
        <Ask onPress={() => setFigure('cost')}>
          <Label>{`Ingredients cost ${formatMoney(cost.perBatch, kitchen.currency)}, ${formatMoney(cost.perPiece, kitchen.currency)} a piece.`}</Label>
        </Ask>
      ) : null}
      {need?.by === 'pieces' || !plan ? null : (
        <Label>{`${format.mass(Math.max(0, plan.leftoverG))} of dough is left over.`}</Label>
      )}
    </View>
  ) : null;

  return (
    <Screen
      eyebrow="Plan a batch of"
      title={formula.name}
      foot={
        <>
          {start.error ? <FieldError id="start-error" message={start.error.message} /> : null}
          <PrimaryAction
            label={`Start batch · ready ${ready ?? '–'}`}
            onPress={begin}
            disabled={!planned || start.isPending}
          />
        </>
      }
    >
      {wide ? (
        <View style={styles.panes}>
          <View style={styles.pane}>{needs}</View>
          <View style={styles.pane}>{sheet}</View>
        </View>
      ) : (
        <>
          {needs}
          {sheet}
        </>
      )}
      <WhySheet why={plan && figure ? explainFigure(plan, figure, format.units) : null} onClose={closeWhy} />
    </Screen>
  );
}

/** From a formula and a need to a weigh sheet, live. */
export function PlanScreen({ id }: { id: string }) {
  const [formulas, kitchen, ingredients, lots] = [
    useFormulas(),
    useKitchen(),
    useIngredients(),
    useFlourLots(),
  ];
  if (!formulas.data || !kitchen.data || !ingredients.data || !lots.data) {
    const error = formulas.error ?? kitchen.error ?? ingredients.error ?? lots.error;
    const retry = () =>
      void Promise.all([formulas, kitchen, ingredients, lots].map((query) => query.refetch()));
    return (
      <Screen title="Plan a batch">
        <Waiting what="the formula" error={error} onRetry={retry} />
      </Screen>
    );
  }
  const formula = formulas.data.find((candidate) => candidate.id === id);
  if (!formula) {
    return (
      <Screen title="Plan a batch">
        <Notice title="Not in the book" text="This formula is not in this kitchen." />
      </Screen>
    );
  }
  return <Planner formula={formula} kitchen={kitchen.data} ingredients={ingredients.data} lots={lots.data} />;
}
