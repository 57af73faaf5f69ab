import { say } from '../../../reader/say';
import { FEELS, type Feel, feelWord } from '@kettle-scale/core/dough';
import { type RunningDough, type StepState, runningDough } from '@kettle-scale/core/batch';
import { kneadTestWords } from '@kettle-scale/core/formula';
import { type Plan, lateLines } from '@kettle-scale/core/plan';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action, ActionRow } from '../../../ui/input/actions';
import { Choices } from '../../../ui/input/Choices';
import { SPACE } from '../../../ui/tokens';
import { Body, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { ColdChainLine } from '../ColdChainLine';
import { DoughTicket } from '../DoughTicket';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';
import { StepCautions } from '../StepCautions';
import { StepFrame } from '../StepFrame';
import { TimerRing } from '../TimerRing';
import { useStepClock } from '../useStepClock';
import { useRingSize } from '../useStepWidth';
import { type Fix, useFix } from './useFix';

const PHASE = { early: 'to the first test', open: 'test it now', late: 'over the guard rail' } as const;
const ALARM = { open: 'Test the dough', late: 'Stop and test' } as const;
/** Handfuls that bench flour is counted in, grams. */
const DUSTINGS_G = [5, 10, 20] as const;
const RING_SHARE = 0.8;

const styles = StyleSheet.create({
  middle: { alignItems: 'center', gap: SPACE.s },
  stack: { gap: SPACE.s },
});

/** The fix in words; its button is the step's own, unless waiting comes first. */
function FixWords({ fix }: { fix: Fix }) {
  return (
    <View style={styles.stack}>
      {fix.waitFirst ? (
        <Strong tone="sage">Wait first: the flour still absorbs water. Knead on, then feel again.</Strong>
      ) : null}
      <Body>{fix.words}</Body>
      {fix.waitFirst ? <Action label={fix.label} onPress={fix.add} /> : null}
      {fix.alone ? (
        <>
          <Action label={fix.alone.label} onPress={fix.alone.add} />
          <Label>{fix.alone.drift}</Label>
        </>
      ) : null}
    </View>
  );
}

interface KneadingProps {
  live: LiveBatch;
  now: StepState;
  feel: Feel | null;
  fix: Fix | null;
  dough: RunningDough | null;
}

/** While it is kneaded: the feel and its fix, the test, bench flour, the dough's temperature. */
function Kneading({ live, now, feel, fix, dough }: KneadingProps) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const stepId = now.step.id;
  const tested = now.seen.flatMap((event) => (event.type === 'tested' ? [event] : [])).at(-1);
  return (
    <View style={styles.stack}>
      {fix ? <FixWords fix={fix} /> : null}
      <Choices
        label="How does it feel?"
        quiet
        value={feel}
        onChange={(felt) => act({ type: 'felt', stepId, feel: felt })}
        options={FEELS.map((name) => [name, feelWord(name, plan.formula.method.knead.aim)] as const)}
      />
      <Label>{say('Its test: {kneadTestWords}.', { kneadTestWords: kneadTestWords(plan) })}</Label>
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
      <Label>{say('Bench flour, counted: {mass}', { mass: format.mass(state.dustedG) })}</Label>
      <ActionRow
        actions={DUSTINGS_G.map((massG) => ({
          key: String(massG),
          label: `+${format.mass(massG)}`,
          hint: say('+{mass} bench flour', { mass: format.mass(massG) }),
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
  );
}

const untilWords = (plan: Plan): string =>
  say(
    plan.formula.method.shaping.benchFlour === false
      ? 'Until {test}. No bench flour for this dough.'
      : 'Until {test}.',
    { test: kneadTestWords(plan) },
  );

/** Kneading to a feel and a test; the clock is a guard rail. */
export function KneadStep({ live, now }: { live: LiveBatch; now: StepState }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const ring = useRingSize() * RING_SHARE;
  const { nowMs, window, running, alarm } = useStepClock(live, now);
  const late = now.step.round === 0 ? lateLines(plan) : [];
  const stepId = now.step.id;
  const phase = running?.phase;
  const dough = runningDough(plan, state, now.step.bowl ?? 1);
  // An addition answers the feel before it: the dough is felt again.
  const last = now.seen.filter(({ type }) => type === 'felt' || type === 'added').at(-1);
  const feel = last?.type === 'felt' ? last.feel : null;
  const fix = useFix(live, now, dough, feel, phase === 'late');
  const span = say('{earliest} to {latest}', {
    earliest: { s: window.earliestS },
    latest: { s: window.latestS },
  });
  const right = () =>
    act(...(feel === 'right' ? [] : [{ type: 'felt' as const, stepId, feel: 'right' as const }]), {
      type: 'done',
      stepId,
    });
  const isRight = {
    label: phase === 'early' ? 'It is right already' : 'It is right',
    quiet: phase === 'early',
    onPress: right,
  };
  return (
    <StepFrame
      live={live}
      step={now.step}
      primary={
        !phase
          ? {
              label: late.length > 0 ? 'It goes in now' : 'Start kneading',
              onPress: () => act({ type: 'started', stepId }),
            }
          : fix && !fix.waitFirst
            ? { label: fix.label, onPress: fix.add }
            : isRight
      }
      {...(phase
        ? {
            others: [
              ...(fix && !fix.waitFirst ? [{ key: 'right', label: 'It is right', onPress: right }] : []),
              { key: 'stop', label: 'Stop', onPress: () => act({ type: 'done', stepId }) },
            ],
          }
        : {})}
      {...(phase && phase !== 'early' ? { alarm: { ...alarm, words: ALARM[phase] } } : {})}
    >
      <View style={styles.middle}>
        <TimerRing size={ring} running={running} earliestS={window.earliestS} words={PHASE} label={span} />
        <Label>{span}</Label>
      </View>
      {late.map(({ lineId, name, massG, stepG }) => (
        <Strong key={lineId}>
          {say('{mass} {name}, a third at a time', {
            mass: format.mass(massG, stepG),
            name: { lower: name },
          })}
        </Strong>
      ))}
      {phase ? <Kneading {...{ live, now, feel, fix, dough }} /> : <Body>{untilWords(plan)}</Body>}
      <ColdChainLine live={live} nowMs={nowMs} />
      <StepCautions plan={live.batch.plan} kind="knead" />
    </StepFrame>
  );
}
