import { type FigureId, type TodayFigure, explainFigure, explainToday } from '@kettle-scale/core/explain';
import type { LotState } from '@kettle-scale/core/flourLot';
import { type Formula, resolveLines } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { type Adjustment, planCost } from '@kettle-scale/core/plan';
import { discDiameterMm, doughDensity } from '@kettle-scale/core/portion';
import { type UnitSystem, formatClockTime, formatMoney } from '@kettle-scale/core/quantity';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { type ReactNode, useCallback, useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { useFlourLots, useFormulas, useIngredients, useKitchen, useStartBatch } from '../../api/queries';
import { PrimaryAction } from '../../ui/input/actions';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { FieldError } from '../../ui/input/StepperField';
import { SPACE } from '../../ui/tokens';
import { Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useKeys } from '../../ui/input/useKeys';
import { useNow } from '../../ui/useNow';
import { useWide } from '../../ui/layout/useWide';
import { Ask, WhySheet } from '../../ui/layout/Why';
import { ClockTicket } from './ClockTicket';
import { DayTicket } from './DayTicket';
import { KeepPlan } from './KeepPlan';
import { LessonsTicket } from './LessonsTicket';
import { NeedFields } from './NeedFields';
import { PlanPicture } from './PlanPicture';
import { TodayTicket } from './TodayTicket';
import { WeighSheet } from './WeighSheet';
import {
  type NeedAddress,
  type NeedText,
  needFromAddress,
  needToAddress,
  readNeed,
  typedMass,
} from './planForm';
import { useHistory } from './useHistory';
import { usePlan, useToday } from './usePlan';

const MINUTE_MS = 60_000;
const NO_ADJUSTMENTS: readonly Adjustment[] = [];

const styles = StyleSheet.create({
  panes: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  pane: { flex: 1, minWidth: 0, gap: SPACE.m },
  stack: { gap: SPACE.m },
});

interface LoadedProps {
  formula: Formula;
  kitchen: Kitchen;
  ingredients: Ingredient[];
  lots: LotState[];
}

type Asked = { of: 'plan'; figure: FigureId } | { of: 'today'; figure: TodayFigure };

/** Two places where there is room for two, else one after the other. */
function TwoPanes({ children }: { children: readonly [ReactNode, ReactNode] }) {
  const wide = useWide();
  if (!wide) return <>{children}</>;
  return (
    <View style={styles.panes}>
      <View style={styles.pane}>{children[0]}</View>
      <View style={styles.pane}>{children[1]}</View>
    </View>
  );
}

function Planner({ formula, kitchen, ingredients, lots }: LoadedProps) {
  const router = useRouter();
  const format = useFormat();
  const address = useLocalSearchParams<NeedAddress>();
  const start = useStartBatch();
  const [asked, setAsked] = useState<Asked | null>(null);
  const closeWhy = useCallback(() => setAsked(null), []);
  const askPlan = (figure: FigureId) => setAsked({ of: 'plan', figure });
  const [text, setText] = useState(() => {
    const { ballG, thicknessMm } = formula.product;
    return needFromAddress(
      address,
      { ballG, thicknessMm, diameterMm: firstDiameterMm(formula, ingredients) },
      format.units,
    );
  });
  const { need, errors } = useMemo(() => readNeed(text, format.units), [text, format.units]);
  const fitting = lots.filter(
    (lot) => !lot.closed && formula.lines.some((line) => line.ingredient === lot.ingredient),
  );
  const [lotId, setLotId] = useState(address.lot ?? fitting[0]?.id);
  const lot = fitting.find(({ id }) => id === lotId);
  useEffect(() => {
    router.setParams({ ...needToAddress(text, format.units), ...(lotId ? { lot: lotId } : {}) });
  }, [router, text, lotId, format.units]);

  const today = useToday(kitchen, lot);
  const history = useHistory(formula.id, lot);
  // A formula planned as it is written is left alone by lessons too.
  const adjustments = today.conditions ? history.used : NO_ADJUSTMENTS;
  const { plan: planned, problem } = usePlan({ formula, need, kitchen, ingredients, lot, adjustments });
  const [last, setLast] = useState(planned);
  if (planned && planned !== last) setLast(planned);
  const plan = planned ?? last;
  const now = useNow(MINUTE_MS / 2);
  const ready = plan ? formatClockTime(now + plan.expectedS * 1000) : '–';
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
        ...(lot ? { flourLotId: lot.id } : {}),
        ...today,
        ...(adjustments.length > 0 ? { adjustments: [...adjustments] } : {}),
      },
      { onSuccess: (batch) => router.replace(`/bench/${batch.id}`) },
    );
  };
  useKeys({ primary: begin });

  const needs = (
    <View style={styles.stack}>
      <NeedFields
        text={text}
        errors={errors ?? {}}
        onChange={(changes) => setText((was) => ({ ...was, ...withStock(changes, was, lots, format.units) }))}
        formula={formula}
        ingredients={ingredients}
      />
      {problem ? <FieldError id="plan-error" message={problem} /> : null}
      {plan ? <PlanPicture plan={plan} onWhy={askPlan} /> : null}
      <DayTicket kitchen={kitchen} lots={fitting} lotId={lot?.id} onLot={setLotId} />
    </View>
  );
  const sheet = plan ? (
    <View style={styles.stack}>
      {planned ? null : <Strong tone="plum">Below is the last plan that works.</Strong>}
      {plan.scarcest ? <Strong>{`${plan.scarcest} is what runs out first.`}</Strong> : null}
      <WeighSheet plan={plan} onWhy={askPlan} />
      {today.conditions ? (
        <LessonsTicket
          plan={plan}
          offered={history.offered}
          carried={history.carried}
          left={history.left}
          onLeave={history.leave}
        />
      ) : null}
      <TodayTicket plan={plan} onWhy={(figure) => setAsked({ of: 'today', figure })} />
      {plan.warnings.map(({ message }) => (
        <Strong key={message} tone="plum">
          {message}
        </Strong>
      ))}
      <ClockTicket plan={plan} nowMs={now} onWhy={askPlan} />
      {cost ? (
        <Ask onPress={() => askPlan('cost')}>
          <Label>{`Ingredients cost ${formatMoney(cost.perBatch, kitchen.currency)}, ${formatMoney(cost.perPiece, kitchen.currency)} a piece.`}</Label>
        </Ask>
      ) : null}
      {need?.by === 'pieces' || need?.by === 'discs' ? null : (
        <Label>{`${format.mass(Math.max(0, plan.leftoverG))} of dough is left over.`}</Label>
      )}
      <KeepPlan plan={plan} mixer={today.mixer} />
    </View>
  ) : null;

  const why =
    plan && asked
      ? asked.of === 'plan'
        ? explainFigure(plan, asked.figure, format.units)
        : explainToday(plan, asked.figure, format.units)
      : null;
  return (
    <Screen
      eyebrow="Plan a batch of"
      title={formula.name}
      foot={
        <>
          {start.error ? <FieldError id="start-error" message={start.error.message} /> : null}
          <PrimaryAction
            label={`Start batch · ready ${ready}`}
            onPress={begin}
            disabled={!planned || start.isPending}
          />
        </>
      }
    >
      <TwoPanes>
        {needs}
        {sheet}
      </TwoPanes>
      <WhySheet why={why} onClose={closeWhy} />
    </Screen>
  );
}

/** Who plans by what is left starts from what the lots say is left. */
function withStock(
  changes: Partial<NeedText>,
  was: NeedText,
  lots: readonly LotState[],
  units: UnitSystem,
): Partial<NeedText> {
  if (changes.by !== 'stock' || Object.keys(was.stock).length > 0) return changes;
  const leftG: Record<string, number> = {};
  for (const { ingredient, leftG: left, closed } of lots) {
    if (!closed) leftG[ingredient] = (leftG[ingredient] ?? 0) + left;
  }
  const stock = Object.entries(leftG).map(([id, g]) => [id, typedMass(Math.floor(g), units)] as const);
  return { ...changes, stock: Object.fromEntries(stock) };
}

/** Diameter of the formula's own bread, offered when a batch is said by its size. */
function firstDiameterMm(formula: Formula, ingredients: Ingredient[]): number {
  const { ballG, thicknessMm, air } = formula.product;
  const parts = resolveLines(formula, ingredients).map(({ fraction, food }) => ({ mass: fraction, food }));
  return Math.round(discDiameterMm(ballG, thicknessMm, doughDensity(parts, air)));
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
