import { say } from '../../reader/say';
import { explainFigure, explainToday } from '@kettle-scale/core/explain';
import { type ReactNode, useCallback, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useFlourLots, useFormulas, useIngredients, useKitchen } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { PrimaryAction } from '../../ui/input/actions';
import { FieldError } from '../../ui/input/Field';
import { useKeys } from '../../ui/input/useKeys';
import { usePressTwice } from '../../ui/input/usePressTwice';
import { Strong } from '../../ui/type';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { useWide } from '../../ui/layout/useWide';
import { WhySheet } from '../../ui/layout/Why';
import { SPACE } from '../../ui/tokens';
import { useNow } from '../../ui/useNow';
import { DayTicket } from './DayTicket';
import { ReadyByTicket } from './ReadyByTicket';
import { NeedFields } from './NeedFields';
import { PlanPicture } from './PlanPicture';
import { PlanRest, PlanWork } from './PlanSide';
import { StalePlan } from './StalePlan';
import { type Asked, type PlannerProps, usePlanner } from './usePlanner';

const MINUTE_MS = 60_000;

const styles = StyleSheet.create({
  panes: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  pane: { flex: 1, minWidth: 0, gap: SPACE.m },
  stack: { gap: SPACE.m },
});

/** The parts of the page. */
type Parts = Record<'need' | 'work' | 'bread' | 'rest', ReactNode>;

/** What to weigh and when comes right after the need; where there is room for two panes, beside it. */
function Layout({ need, work, bread, rest }: Parts) {
  const wide = useWide();
  if (!wide)
    return (
      <>
        {need}
        {work}
        {bread}
        {rest}
      </>
    );
  return (
    <View style={styles.panes}>
      <View style={styles.pane}>
        {need}
        {bread}
      </View>
      <View style={styles.pane}>
        {work}
        {rest}
      </View>
    </View>
  );
}

function Planner(props: PlannerProps) {
  const { formula, kitchen, ingredients } = props;
  const { when } = useDays();
  const planner = usePlanner(props);
  const { plan, planned, problem, needs } = planner;
  const [asked, setAsked] = useState<Asked | null>(null);
  const closeWhy = useCallback(() => setAsked(null), []);
  const now = useNow(MINUTE_MS / 2);
  const ready = plan ? when(now + plan.expectedS * 1000, now) : '–';
  const keyed = usePressTwice('start the batch', planner.begin);
  useKeys({ primary: keyed.press });

  const why =
    plan && asked
      ? asked.of === 'plan'
        ? explainFigure(plan, asked.figure)
        : explainToday(plan, asked.figure)
      : null;
  return (
    <Screen
      eyebrow="Plan a batch of"
      title={formula.name}
      foot={
        <>
          {planner.startError ? <FieldError id="start-error" message={planner.startError.message} /> : null}
          <PrimaryAction
            label={say('Start batch · ready {ready}', { ready })}
            onPress={planner.begin}
            disabled={!planned || planner.starting}
          />
          <View role="status">{keyed.words ? <Strong tone="plum">{keyed.words}</Strong> : null}</View>
        </>
      }
    >
      <Layout
        need={
          <View style={styles.stack}>
            <NeedFields
              text={needs.text}
              errors={needs.errors ?? {}}
              onChange={needs.change}
              formula={formula}
              ingredients={ingredients}
            />
            {problem ? <FieldError id="plan-error" message={problem} /> : null}
          </View>
        }
        work={<PlanWork planner={planner} nowMs={now} onAsk={setAsked} />}
        bread={
          <View style={styles.stack}>
            {plan ? <PlanPicture plan={plan} onWhy={(figure) => setAsked({ of: 'plan', figure })} /> : null}
            {plan ? <ReadyByTicket {...{ plan, kitchen, ingredients }} nowMs={now} /> : null}
            <DayTicket kitchen={kitchen} lots={needs.fitting} lotId={needs.lot?.id} onLot={needs.setLotId} />
          </View>
        }
        rest={<PlanRest planner={planner} onAsk={setAsked} />}
      />
      <WhySheet why={why} onClose={closeWhy} />
      <StalePlan stale={planner.stale} onClose={planner.closeStale} />
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
        <Notice title="Formula not found" text="This formula is not in this kitchen." />
      </Screen>
    );
  }
  return <Planner formula={formula} kitchen={kitchen.data} ingredients={ingredients.data} lots={lots.data} />;
}
