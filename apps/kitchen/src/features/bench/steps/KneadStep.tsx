import { say } from '../../../reader/say';
import { type RunningDough, type StepState, runningDough } from '@kettle-scale/core/batch';
import { kneadTestWords } from '@kettle-scale/core/formula';
import { type Plan, type SheetLine, lateLines } from '@kettle-scale/core/plan';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action, ActionRow } from '../../../ui/input/actions';
import { SPACE } from '../../../ui/tokens';
import { Body, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { ColdChainLine } from '../ColdChainLine';
import { DoughTicket } from '../DoughTicket';
import { FeelChoice, type FeelSide } from '../FeelChoice';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';
import { StepCautions } from '../../../shared/StepCautions';
import { StepFrame } from '../StepFrame';
import { TimerRing } from '../TimerRing';
import { useStepClock } from '../useStepClock';
import { useRingSize } from '../useStepWidth';
import { type Fix, useFix } from './useFix';

const PHASE = { early: 'to go', open: 'test now', late: 'too long' } as const;
/** Said at both marks: what is due is the same. */
const ALARM = 'Test now';
/** Handfuls that bench flour is counted in, grams. */
const DUSTINGS_G = [5, 10, 20] as const;
const RING_SHARE = 0.8;

const styles = StyleSheet.create({
  middle: { alignItems: 'center', gap: SPACE.s },
  stack: { gap: SPACE.s },
});

/** The fix in full, with the ones that are not the step's own button: at once where waiting comes first, and flour alone. */
function FixWords({ fix }: { fix: Fix }) {
  return (
    <>
      {fix.waitFirst ? <Body>The flour still absorbs water.</Body> : null}
      <Body>{fix.words}</Body>
      {fix.waitFirst ? <Action label={fix.label} onPress={fix.add} /> : null}
      {fix.alone ? (
        <>
          <Action label={fix.alone.label} onPress={fix.alone.add} />
          <Label>{fix.alone.drift}</Label>
        </>
      ) : null}
    </>
  );
}

interface KneadingProps {
  live: LiveBatch;
  now: StepState;
  fix: Fix | null;
  dough: RunningDough | null;
}

/** What may be noted while it is kneaded: how the fix is reckoned, the test, bench flour, the dough's temperature. */
function Kneading({ live, now, fix, dough }: KneadingProps) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const stepId = now.step.id;
  const tested = now.seen.flatMap((event) => (event.type === 'tested' ? [event] : [])).at(-1);
  return (
    <View style={styles.stack}>
      {fix ? <FixWords fix={fix} /> : null}
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
      <Action label="Stop as it is" onPress={() => act({ type: 'done', stepId })} />
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

interface CueProps {
  plan: Plan;
  late: readonly SheetLine[];
  fix: Fix | null;
  /** The test is due. */
  due: boolean;
}

/** The one thing to heed: what goes in now, to wait, or what the dough is kneaded to. */
function Cue({ plan, late, fix, due }: CueProps) {
  const format = useFormat();
  const test = kneadTestWords(plan);
  if (fix) return fix.waitFirst ? <Heading tone="sage">Knead on first, then feel again.</Heading> : null;
  if (late.length === 0)
    return (
      <Heading>{due ? say('{test}?', { test: { capital: test } }) : say('Until {test}.', { test })}</Heading>
    );
  return late.map(({ lineId, name, massG, stepG }) => (
    <Heading key={lineId}>
      {say('{mass} {name}, a third at a time', {
        mass: format.mass(massG, stepG),
        name: { lower: name },
      })}
    </Heading>
  ));
}

/** Kneading to a feel and a test; the clock is a guard rail. */
export function KneadStep({ live, now }: { live: LiveBatch; now: StepState }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const [asked, onAsk] = useState<FeelSide | null>(null);
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
    label: 'It is right',
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
      others={fix && !fix.waitFirst ? [{ key: 'right', label: 'It is right', onPress: right }] : []}
      {...(phase && phase !== 'early' ? { alarm: { ...alarm, words: ALARM } } : {})}
      more={
        <>
          {plan.formula.method.shaping.benchFlour === false ? (
            <Body>No bench flour for this dough.</Body>
          ) : null}
          {phase ? <Kneading {...{ live, now, fix, dough }} /> : null}
        </>
      }
    >
      <View style={styles.middle}>
        <TimerRing size={ring} running={running} earliestS={window.earliestS} words={PHASE} label={span} />
      </View>
      {asked ? null : <Cue {...{ plan, late, fix }} due={phase !== undefined && phase !== 'early'} />}
      {phase ? (
        <FeelChoice
          aim={plan.formula.method.knead.aim}
          value={feel}
          {...{ asked, onAsk }}
          onFeel={(felt) => act({ type: 'felt', stepId, feel: felt })}
        />
      ) : null}
      <ColdChainLine live={live} nowMs={nowMs} />
      <StepCautions plan={plan} kind="knead" />
    </StepFrame>
  );
}
