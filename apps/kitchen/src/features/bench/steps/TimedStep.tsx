import { type Step, formatClock, formatSpan, type TimeWindow, kneadTestWords } from '@kettle-scale/core';
import { stepWindow, windowAt } from '@kettle-scale/core/batch';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../data/useBatch';
import { Caution } from '../../../ui/Caution';
import { Ring } from '../../../ui/Ring';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { useNow } from '../../../ui/useNow';
import { StepFrame } from '../StepFrame';
import { useAlarm } from '../useAlarm';
import { useRingSize } from '../useStepWidth';

const styles = StyleSheet.create({
  middle: { alignItems: 'center', gap: SPACE.s, flexGrow: 1, justifyContent: 'center' },
  inside: { alignItems: 'center' },
});

const clock = (ms: number): string =>
  new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

type Words = Record<TimeWindow['phase'], string>;

interface TimedWords {
  start: string;
  done: Words;
  /** Under the figure. */
  phase: Words;
  alarm: { open: string; late: string };
}

const WORDS: Record<'mix' | 'knead' | 'rest', TimedWords> = {
  mix: {
    start: 'Start mixing',
    done: { early: 'Mixed already', open: 'Mixed', late: 'Mixed' },
    phase: { early: 'to go', open: 'look: no dry flour left?', late: 'over the guard rail' },
    alarm: { open: 'Look at the dough', late: 'Long enough' },
  },
  knead: {
    start: 'Start kneading',
    done: { early: 'It is right already', open: 'It is right', late: 'It is right' },
    phase: { early: 'to the first test', open: 'test it now', late: 'over the guard rail' },
    alarm: { open: 'Test the dough', late: 'Stop and test' },
  },
  rest: {
    start: 'Covered: start the rest',
    done: { early: 'End the rest early', open: 'Rested: go on', late: 'Go on' },
    phase: { early: 'to go', open: 'ready; this long left', late: 'past its best' },
    alarm: { open: 'Rest is done', late: 'Rest is past its latest' },
  },
};

/** Mix, knead or rest: a guard rail or a window, running from the stored start. */
export function TimedStep({
  live,
  step,
  startedMs,
}: {
  live: LiveBatch;
  step: Step;
  startedMs: number | null;
}) {
  const { batch, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const now = useNow();
  const size = useRingSize();
  const words = WORDS[step.kind as keyof typeof WORDS];
  const window = stepWindow(plan, step) ?? { earliestS: 0, latestS: 1 };
  const running = startedMs === null ? null : windowAt(startedMs, window.earliestS, window.latestS, now);
  const alarmKey =
    running && running.phase !== 'early' ? `${batch.id}/${step.id}/${startedMs}/${running.phase}` : null;
  const alarm = useAlarm(alarmKey);

  const { method } = plan.formula;
  const rest = step.kind === 'rest' ? method.rests[step.rest ?? 0] : undefined;
  const work = step.kind === 'mix' ? method.mix : method.knead;
  const machine = !rest && work.by === 'machine';
  const held = plan.holdBack && step.kind === 'mix' ? plan.holdBack : null;
  const heldLine = plan.sheet.find(({ lineId }) => lineId === held?.lineId);
  const span = `${formatSpan(window.earliestS)} to ${formatSpan(window.latestS)}`;
  const figure = running ? formatClock(Math.ceil(running.remainingS)) : formatClock(window.earliestS);
  const phase = running?.phase;

  return (
    <StepFrame
      live={live}
      step={step}
      primary={
        phase
          ? {
              label: words.done[phase],
              quiet: phase === 'early',
              onPress: () => act({ type: 'done', stepId: step.id }),
            }
          : { label: words.start, onPress: () => act({ type: 'started', stepId: step.id }) }
      }
      {...(phase && phase !== 'early' ? { alarm: { ...alarm, words: words.alarm[phase] } } : {})}
    >
      <View style={styles.middle}>
        <Ring
          size={size}
          share={running?.share ?? 0}
          tone={phase === 'late' ? 'plum' : phase === 'open' ? 'sage' : 'maize'}
        >
          <View style={styles.inside} role="timer" aria-label={phase ? words.phase[phase] : span}>
            <Figure
              value={phase === 'late' ? `+${figure}` : figure}
              size={size * 0.3}
              tone={phase === 'late' ? 'plum' : 'ink'}
            />
            <Body tone={phase === 'late' ? 'plum' : 'soot'}>
              {phase ? words.phase[phase] : 'not started'}
            </Body>
          </View>
        </Ring>
        {running && startedMs !== null && rest ? (
          <Heading>{`good from ${clock(startedMs + window.earliestS * 1000)}, best by ${clock(startedMs + window.latestS * 1000)}`}</Heading>
        ) : (
          <Heading>{span}</Heading>
        )}
      </View>
      <View>
        {rest ? (
          <Body>{`${rest.where === 'room' ? 'At room temperature' : 'In the fridge'}, ${rest.cover}. An open skin dries and cracks.`}</Body>
        ) : null}
        {step.kind === 'knead' ? <Body>{`By ${work.by}, until ${kneadTestWords(plan)}.`}</Body> : null}
        {held && heldLine ? (
          <Body tone="water">{`The ${format.mass(held.massG, heldLine.stepG)} held back: add a little at a time until the feel is right.`}</Body>
        ) : null}
        {step.kind === 'mix' ? (
          <Label>{`Liquid at ${format.temp(method.liquidTempC)}, salt in the ${method.saltIn}. ${method.mix.by === 'machine' ? 'In the mixer.' : 'By hand.'}`}</Label>
        ) : null}
      </View>
      {machine ? <Caution lead="Mixer." text="Guard down, no hands, no sleeves while it turns." /> : null}
    </StepFrame>
  );
}
