import { type Correction, FEELS, type Feel, feelWord } from '@kettle-scale/core/dough';
import {
  type StepState,
  type RunningDough,
  correctionFor,
  correctionLines,
  runningDough,
} from '@kettle-scale/core/batch';
import { kneadTestWords } from '@kettle-scale/core/formula';
import { lateLines } from '@kettle-scale/core/plan';
import { formatPercent, formatSpan, roundToStep } from '@kettle-scale/core/quantity';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action, ActionRow } from '../../../ui/input/actions';
import { Choices } from '../../../ui/input/Choices';
import { Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { Body, Heading, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { ColdChainLine } from '../ColdChainLine';
import { DoughTicket } from '../DoughTicket';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';
import { StepCautions } from '../StepCautions';
import { StepFrame } from '../StepFrame';
import { TimerRing } from '../TimerRing';
import { useStepClock } from '../useStepClock';
import { useRingSize } from '../useStepWidth';

const PHASE = { early: 'to the first test', open: 'test it now', late: 'over the guard rail' } as const;
const ALARM = { open: 'Test the dough', late: 'Stop and test' } as const;
/** Handfuls that bench flour is counted in, grams. */
const DUSTINGS_G = [5, 10, 20] as const;
const RING_SHARE = 0.8;

const styles = StyleSheet.create({
  middle: { alignItems: 'center', gap: SPACE.s },
  stack: { gap: SPACE.s },
});

interface AdviceProps {
  live: LiveBatch;
  now: StepState;
  dough: RunningDough;
  feel: Feel;
  correction: Correction;
}

/** What to do about the feel: how much, in what pours, and what flour alone would do. */
function CorrectionTicket({ live, now, feel, dough, correction }: AdviceProps) {
  const { batch, act } = live;
  const format = useFormat();
  const { liquid, flour } = correctionLines(batch.plan);
  const line = correction.kind === 'water' ? liquid : flour;
  if (correction.kind === 'none' || !line) return null;
  const add = (lineId: string, massG: number, why: 'correction' | 'top-up') => ({
    ...{ type: 'added' as const, stepId: now.step.id, lineId, massG },
    why,
  });
  const pourG = Math.max(line.stepG, roundToStep(correction.additionG, line.stepG));
  const pour = format.mass(pourG, line.stepG);
  const name = line.name.toLowerCase();
  const word = feelWord(feel, batch.plan.formula.method.knead.aim);
  const topUps = correction.topUps.flatMap((topUp) => {
    const row = batch.plan.sheet.find(({ lineId }) => lineId === topUp.lineId);
    const massG = row ? roundToStep(topUp.massG / correction.additions, row.stepG) : 0;
    return row && massG >= row.stepG ? [{ ...topUp, massG, stepG: row.stepG }] : [];
  });
  return (
    <Ticket>
      <Heading>{`${word.slice(0, 1).toUpperCase()}${word.slice(1)}`}</Heading>
      {correction.waitFirst ? (
        <Strong tone="sage">
          Wait first: the flour still drinks. Knead or rest a few minutes and feel again.
        </Strong>
      ) : null}
      <Body>
        {`${format.mass(correction.massG, line.stepG)} of ${name} in all, in ${correction.additions} ${correction.additions === 1 ? 'pour' : 'pours'} of about ${pour}; feel after each.`}
      </Body>
      <Action
        label={
          topUps.length > 0
            ? `Add ${pour} ${name} with ${topUps.map(({ name: other, massG, stepG }) => `${format.mass(massG, stepG)} ${other.toLowerCase()}`).join(', ')}`
            : `Add ${pour} ${name}`
        }
        onPress={() =>
          act(
            add(line.lineId, pourG, 'correction'),
            ...topUps.map(({ lineId, massG }) => add(lineId, massG, 'top-up')),
          )
        }
      />
      {topUps.length > 0 ? (
        <>
          <Action label={`Only ${pour} ${name}`} onPress={() => act(add(line.lineId, pourG, 'correction'))} />
          <Label>
            {`Flour alone, all of it: ${correction.topUps.map(({ name: other, fractionWithout, lineId }) => `${other.toLowerCase()} ${formatPercent(dough.lines.find((row) => row.line.lineId === lineId)?.fraction ?? 0, 1)} → ${formatPercent(fractionWithout, 1)}`).join(', ')}.`}
          </Label>
        </>
      ) : null}
    </Ticket>
  );
}

/** Kneading to a feel and a test; the clock is a guard rail. */
export function KneadStep({ live, now }: { live: LiveBatch; now: StepState }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const ring = useRingSize() * RING_SHARE;
  const { nowMs, window, running, alarm } = useStepClock(live, now);
  const { knead } = plan.formula.method;
  const round = now.step.round === undefined ? undefined : knead.again?.[now.step.round];
  const { by } = round ?? knead;
  const late = now.step.round === 0 ? lateLines(plan) : [];
  const stepId = now.step.id;
  const phase = running?.phase;
  const dough = runningDough(plan, state, now.step.bowl ?? 1);
  // An addition answers the feel before it: the dough is felt again.
  const last = now.seen.filter(({ type }) => type === 'felt' || type === 'added').at(-1);
  const feel = last?.type === 'felt' ? last.feel : null;
  const correction = feel && dough ? correctionFor(plan, dough, feel, phase !== 'late') : null;
  const tested = now.seen.flatMap((event) => (event.type === 'tested' ? [event] : [])).at(-1);
  const span = `${formatSpan(window.earliestS)} to ${formatSpan(window.latestS)}`;
  const right = () =>
    act(...(feel === 'right' ? [] : [{ type: 'felt' as const, stepId, feel: 'right' as const }]), {
      type: 'done',
      stepId,
    });
  return (
    <StepFrame
      live={live}
      step={now.step}
      primary={
        phase
          ? {
              label: phase === 'early' ? 'It is right already' : 'It is right',
              quiet: phase === 'early',
              onPress: right,
            }
          : {
              label: late.length > 0 ? 'It goes in now' : 'Start kneading',
              onPress: () => act({ type: 'started', stepId }),
            }
      }
      {...(phase
        ? { others: [{ key: 'stop', label: 'Stop as it is', onPress: () => act({ type: 'done', stepId }) }] }
        : {})}
      {...(phase && phase !== 'early' ? { alarm: { ...alarm, words: ALARM[phase] } } : {})}
    >
      <View style={styles.middle}>
        <TimerRing size={ring} running={running} earliestS={window.earliestS} words={PHASE} label={span} />
        <Label>{`By ${by}, ${span}`}</Label>
      </View>
      {late.map(({ lineId, name, massG, stepG }) => (
        <Strong
          key={lineId}
        >{`${format.mass(massG, stepG)} ${name.toLowerCase()}, a third at a time`}</Strong>
      ))}
      {phase ? (
        <View style={styles.stack}>
          <Choices
            label="How does it feel?"
            value={feel}
            onChange={(felt) => act({ type: 'felt', stepId, feel: felt })}
            options={FEELS.map((name) => [name, feelWord(name, knead.aim)] as const)}
          />
          {correction && dough && feel ? (
            <CorrectionTicket live={live} now={now} dough={dough} feel={feel} correction={correction} />
          ) : null}
          <Label>{`Its test: ${kneadTestWords(plan)}.`}</Label>
          <ActionRow
            actions={[
              {
                key: 'passed',
                label: tested?.passed ? 'Passed ✓' : 'It does',
                onPress: () => act({ type: 'tested', stepId, passed: true }),
              },
              { key: 'not', label: 'Not yet', onPress: () => act({ type: 'tested', stepId, passed: false }) },
            ]}
          />
          <Label>{`Bench flour, counted: ${format.mass(state.dustedG)}`}</Label>
          <ActionRow
            actions={DUSTINGS_G.map((massG) => ({
              key: String(massG),
              label: `+${format.mass(massG)}`,
              hint: `+${format.mass(massG)} bench flour`,
              onPress: () => act({ type: 'dusted', stepId, massG }),
            }))}
          />
          <TakeTemp
            kind="probe"
            label="Temperature of the dough"
            onTake={(taken) => act(measuredBody(stepId, 'dough', taken))}
          />
          {dough ? (
            <DoughTicket
              dough={dough}
              onTopUp={(lineId, massG) => act({ type: 'added', stepId, lineId, massG, why: 'top-up' })}
            />
          ) : null}
        </View>
      ) : (
        <Body>{`Until ${kneadTestWords(plan)}.${plan.formula.method.shaping.benchFlour === false ? ' No bench flour for this dough.' : ''}`}</Body>
      )}
      <ColdChainLine live={live} nowMs={nowMs} />
      <StepCautions plan={live.batch.plan} kind="knead" />
    </StepFrame>
  );
}
