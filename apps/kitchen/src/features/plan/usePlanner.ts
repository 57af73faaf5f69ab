import type { FigureId, TodayFigure } from '@kettle-scale/core/explain';
import type { LotState } from '@kettle-scale/core/flourLot';
import { type Formula, resolveLines } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { type Adjustment, type Plan, planHash, stockShort } from '@kettle-scale/core/plan';
import { discDiameterMm, doughDensity } from '@kettle-scale/core/portion';
import type { UnitSystem } from '@kettle-scale/core/quantity';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { Refused } from '../../api/api';
import { renewPlanSources } from '../../api/queries';
import { useStartBatch } from '../../batch/useStartBatch';
import { useFormat } from '../../ui/useFormat';
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

const NO_ADJUSTMENTS: readonly Adjustment[] = [];
const CHANGED_MEANWHILE = 409;

export interface PlannerProps {
  formula: Formula;
  kitchen: Kitchen;
  ingredients: Ingredient[];
  lots: LotState[];
}

/** A figure of the plan or of the day that is asked for. */
export type Asked = { of: 'plan'; figure: FigureId } | { of: 'today'; figure: TodayFigure };

/** What is typed on the screen and kept in its address, and the lot that is chosen. */
function useNeed({ formula, ingredients, lots }: PlannerProps) {
  const router = useRouter();
  const { units } = useFormat();
  const address = useLocalSearchParams<NeedAddress>();
  const [text, setText] = useState(() => {
    const { ballG, thicknessMm } = formula.product;
    const first = { ballG, thicknessMm, diameterMm: firstDiameterMm(formula, ingredients) };
    return needFromAddress(address, first, units);
  });
  const { need, errors } = useMemo(() => readNeed(text, units), [text, units]);
  const fitting = lots.filter(
    (lot) => !lot.closed && formula.lines.some((line) => line.ingredient === lot.ingredient),
  );
  const [lotId, setLotId] = useState(address.lot ?? fitting[0]?.id);
  useEffect(() => {
    router.setParams({ ...needToAddress(text, units), ...(lotId ? { lot: lotId } : {}) });
  }, [router, text, lotId, units]);
  const change = (changes: Partial<NeedText>) =>
    setText((was) => ({ ...was, ...withStock(changes, was, lots, units) }));
  return { text, need, errors, change, fitting, lot: fitting.find(({ id }) => id === lotId), setLotId };
}

/** Everything that the plan screen shows, worked out once, and the way to start what it shows. */
export function usePlanner(props: PlannerProps) {
  const { formula, kitchen, ingredients } = props;
  const router = useRouter();
  const start = useStartBatch();
  const needs = useNeed(props);
  const { need, lot } = needs;
  const today = useToday(kitchen, lot);
  const history = useHistory(formula.id, lot);
  // A formula planned as it is written is left alone by lessons too.
  const adjustments = today.conditions ? history.used : NO_ADJUSTMENTS;
  const { plan: planned, problem } = usePlan({ formula, need, kitchen, ingredients, today, adjustments });
  const [last, setLast] = useState(planned);
  if (planned && planned !== last) setLast(planned);
  /** The plan that was refused, beside the one that the kitchen makes. */
  const [stale, setStale] = useState<{ seen: Plan; now: Plan } | null>(null);

  const plan = planned ?? last;
  const begin = () => {
    if (!planned || start.isPending) return;
    start.mutate(
      {
        plan: planned,
        start: {
          id: uuidv7(),
          at: new Date().toISOString(),
          formulaId: formula.id,
          formulaVersion: formula.version,
          need: planned.need,
          ...(lot ? { flourLotId: lot.id } : {}),
          ...today,
          ...(adjustments.length > 0 ? { adjustments: [...adjustments] } : {}),
          planHash: planHash(planned),
        },
      },
      {
        onSuccess: (batch) => router.replace(`/bench/${batch.id}`),
        onError: (error) => {
          if (!(error instanceof Refused) || error.status !== CHANGED_MEANWHILE || !error.current) return;
          setStale({ seen: planned, now: (error.current as { plan: Plan }).plan });
          renewPlanSources();
        },
      },
    );
  };
  return {
    short: plan
      ? stockShort(
          plan,
          props.lots.filter(({ closed }) => !closed),
          lot?.id,
        )
      : [],
    ...{ needs, today, history, planned, plan, problem, stale, begin },
    starting: start.isPending,
    startError: stale ? null : start.error,
    closeStale: () => {
      setStale(null);
      start.reset();
    },
  };
}

export type PlannerState = ReturnType<typeof usePlanner>;

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
