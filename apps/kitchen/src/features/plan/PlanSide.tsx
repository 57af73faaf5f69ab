import { say } from '../../reader/say';
import { pastClosing, planCost } from '@kettle-scale/core/plan';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { useDays } from '../../shared/useDays';
import { Ask } from '../../ui/layout/Why';
import { SPACE } from '../../ui/tokens';
import { Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { ClockTicket } from './ClockTicket';
import { KeepPlan } from './KeepPlan';
import { LessonsTicket } from './LessonsTicket';
import { TodayTicket } from './TodayTicket';
import type { Asked, PlannerState } from './usePlanner';
import { WeighSheet } from './WeighSheet';

const styles = StyleSheet.create({ stack: { gap: SPACE.m } });

interface PlanPartProps {
  planner: PlannerState;
  onAsk: (asked: Asked) => void;
}

type AskPlan = (figure: Extract<Asked, { of: 'plan' }>['figure']) => void;

/** What the plan comes to: what stands against it, what to weigh and when. */
export function PlanWork({ planner, onAsk, nowMs }: PlanPartProps & { nowMs: number }) {
  const { plan, planned, short } = planner;
  const { clock } = useDays();
  if (!plan) return null;
  const askPlan: AskPlan = (figure) => onAsk({ of: 'plan', figure });
  const late = pastClosing(plan, clock(nowMs), plan.kitchen.closesAt);
  return (
    <View style={styles.stack}>
      {planned ? null : <Strong tone="plum">Below is the last plan that works.</Strong>}
      {plan.scarcest ? (
        <Strong>{say('{scarcest} is what runs out first.', { scarcest: plan.scarcest })}</Strong>
      ) : null}
      {plan.trials ? (
        <Strong>
          {say(
            '{trials, plural, one {The first piece is a trial} other {The first # pieces are trials}}: made on top, not sold.',
            {
              trials: plan.trials,
            },
          )}
        </Strong>
      ) : null}
      {[...plan.warnings.map(({ message }) => message), ...short, ...(late ? [late] : [])].map((message) => (
        <Strong key={say(message)} tone="plum">
          {message}
        </Strong>
      ))}
      <WeighSheet plan={plan} onWhy={askPlan} />
      <ClockTicket plan={plan} nowMs={nowMs} onWhy={askPlan} />
    </View>
  );
}

/** What history and the day change in the plan, what it costs, and keeping it. */
export function PlanRest({ planner, onAsk }: PlanPartProps) {
  const format = useFormat();
  const { plan, today, history, needs } = planner;
  const cost = useMemo(() => (plan ? planCost(plan) : null), [plan]);
  if (!plan) return null;
  const { currency } = plan.kitchen;
  return (
    <View style={styles.stack}>
      {today.conditions ? (
        <LessonsTicket
          plan={plan}
          offered={history.offered}
          carried={history.carried}
          left={history.left}
          onLeave={history.leave}
        />
      ) : null}
      <TodayTicket plan={plan} onWhy={(figure) => onAsk({ of: 'today', figure })} />
      {cost ? (
        <Ask onPress={() => onAsk({ of: 'plan', figure: 'cost' })}>
          <Label>
            {say('Ingredients cost {perBatch}, {perPiece} a piece.', {
              perBatch: { money: cost.perBatch, currency },
              perPiece: { money: cost.perPiece, currency },
            })}
          </Label>
        </Ask>
      ) : null}
      {needs.need?.by === 'pieces' || needs.need?.by === 'discs' ? null : (
        <Label>
          {say('{mass} of dough is left over.', { mass: format.mass(Math.max(0, plan.leftoverG)) })}
        </Label>
      )}
      <KeepPlan plan={plan} mixer={today.mixer} />
    </View>
  );
}
