import { say, sayAll } from '../../../reader/say';
import { POKES, type Poke } from '@kettle-scale/core/dough';
import { type StepState, restAdvice } from '@kettle-scale/core/batch';
import { type Rest, hasGluten } from '@kettle-scale/core/formula';
import type { Value } from '@kettle-scale/core/message';
import { explainRest, explainToday } from '@kettle-scale/core/explain';
import { useState } from 'react';
import { planKind, restConflict } from '@kettle-scale/core/plan';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { ColdBalls } from '../../../shared/ColdBalls';
import { useDays } from '../../../shared/useDays';
import { Action } from '../../../ui/input/actions';
import { Choices } from '../../../ui/input/Choices';
import { FigureField, numberTyped } from '../../../ui/input/FigureField';
import { FieldError } from '../../../ui/input/Field';
import { SPACE } from '../../../ui/tokens';
import { Body, Heading, Label } from '../../../ui/type';
import { CheckBalls } from '../CheckBalls';
import { ColdChainLine } from '../ColdChainLine';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';
import { StepFrame } from '../StepFrame';
import { TimerRing } from '../TimerRing';
import { endsEarly, useStepClock } from '../useStepClock';
import { useRingSize } from '../useStepWidth';

const PHASE = { early: 'to go', open: 'ready; this long left', late: 'past its best' } as const;
const DONE = { early: 'End the rest early', open: 'Rested: go on', late: 'Go on' } as const;
const ALARM = { open: 'Rest is done', late: 'Rest is past its latest' } as const;
/** The cover is asked after again when it was not looked at for so long. */
const COVER_EVERY_MS = 30 * 60_000;
const POKE_NAMES = Object.keys(POKES) as Poke[];

const styles = StyleSheet.create({
  middle: { alignItems: 'center', gap: SPACE.s },
  stack: { gap: SPACE.s },
  row: { flexDirection: 'row', gap: SPACE.s },
  field: { flex: 1 },
});

/** One disc rolled for a trial: how far it shrinks tells how calm the dough is. */
function TrialDisc({ onMeasured }: { onMeasured: (rolledMm: number, relaxedMm: number) => void }) {
  const [text, setText] = useState({ rolled: '', relaxed: '' });
  const [problem, setProblem] = useState<string | null>(null);
  const use = () => {
    const [rolledMm, relaxedMm] = [numberTyped(text.rolled), numberTyped(text.relaxed)];
    if (!(rolledMm > 0 && relaxedMm > 0)) setProblem('Both diameters are needed, as numbers.');
    else if (relaxedMm > rolledMm)
      setProblem('A disc does not grow when it relaxes: check the two diameters.');
    else {
      setProblem(null);
      onMeasured(rolledMm, relaxedMm);
    }
  };
  return (
    <View style={styles.stack}>
      <View style={styles.row}>
        {(['rolled', 'relaxed'] as const).map((field) => (
          <FigureField
            key={field}
            labelled
            name={`trial-${field}`}
            label={field === 'rolled' ? 'Trial disc, rolled to' : 'a minute later'}
            unit="mm"
            value={text[field]}
            onText={(value) => setText((was) => ({ ...was, [field]: value }))}
            style={styles.field}
          />
        ))}
      </View>
      {problem ? <FieldError id="trial-error" message={problem} /> : null}
      <Action label="Use the trial disc" onPress={use} disabled={text.rolled === '' || text.relaxed === ''} />
    </View>
  );
}

type Advice = NonNullable<ReturnType<typeof restAdvice>>;

/** How relaxed the dough is, by the model and what was seen of it. */
function RelaxedWords({ advice: { moreS, coldS, springBackNow }, more }: { advice: Advice; more: Value }) {
  const springBack = { share: springBackNow };
  return (
    <Heading tone={moreS > 0 ? 'ink' : 'sage'}>
      {moreS <= 0
        ? say('Relaxed: springs back {springBack}.', { springBack })
        : coldS >= moreS
          ? say('Still cold inside: {more} more.', { more })
          : say('Springs back {springBack}; relaxed in {more}.', { springBack, more })}
    </Heading>
  );
}

interface LooksProps {
  live: LiveBatch;
  now: StepState;
}

/** What the dough says while it rests: a poke, a trial disc, its temperature. */
function Looks({ live, now }: LooksProps) {
  const { act } = live;
  const stepId = now.step.id;
  return (
    <View style={styles.stack}>
      {hasGluten(planKind(live.batch.plan)) ? <Calm live={live} now={now} /> : null}
      <TakeTemp
        kind="probe"
        label="Temperature of the dough"
        onTake={(taken) => act(measuredBody(stepId, 'dough', taken))}
      />
    </View>
  );
}

/** How calm the gluten is: a poke, and a disc rolled for a trial. */
function Calm({ live, now }: LooksProps) {
  const { act } = live;
  const stepId = now.step.id;
  const looks = now.seen.flatMap((event) => (event.type === 'poked' ? [event.poke] : []));
  return (
    <>
      <Choices
        label="Poke one"
        value={looks.at(-1) ?? null}
        onChange={(poke) => act({ type: 'poked', stepId, poke })}
        options={POKE_NAMES.map((name) => [name, name] as const)}
      />
      <TrialDisc
        onMeasured={(rolledMm, relaxedMm) => act({ type: 'sprang-back', stepId, rolledMm, relaxedMm })}
      />
    </>
  );
}

/** Where it rests, under what. */
const Where = ({ rest }: { rest: Pick<Rest, 'where' | 'cover'> }) => (
  <Body>{`${sayAll([rest.where === 'room' ? 'At room temperature' : 'In the fridge', rest.cover])}.`}</Body>
);

/** Where it rests, why its window is so, what the dough says, and its balls. */
function RestMore({ live, now, running }: LooksProps & { running: boolean }) {
  const { plan } = live.batch;
  const index = now.step.rest ?? 0;
  const rest = plan.formula.method.rests[index];
  const today = plan.today?.rests[index];
  const conflict = rest ? restConflict({ ...rest, ...today }, plan.formula.product.springBack) : null;
  return (
    <>
      {rest && running ? <Where rest={rest} /> : null}
      {today ? (
        <Label>
          {say('Not before: {whyEarliest}. Not after: {whyLatest}.', {
            whyEarliest: today.whyEarliest,
            whyLatest: today.whyLatest,
          })}
        </Label>
      ) : null}
      {conflict ? <Body tone="plum">{say(conflict)}</Body> : null}
      {running ? <Looks {...{ live, now }} /> : null}
      {rest?.of === 'balls' ? (
        <>
          <CheckBalls live={live} />
          <ColdBalls live={live} over={false} />
        </>
      ) : null}
    </>
  );
}

/** A rest with its window, why it is so, and what a poke or a trial disc says of it. */
export function RestStep({ live, now }: { live: LiveBatch; now: StepState }) {
  const { clock } = useDays();
  const { batch, state, act } = live;
  const { plan } = batch;
  const size = useRingSize();
  const { nowMs, window, running, alarm } = useStepClock(live, now);
  const { startedMs, step } = now;
  const stepId = step.id;
  const index = step.rest ?? 0;
  const rest = plan.formula.method.rests[index];
  const phase = running?.phase;
  // Without gluten nothing springs back: there is no calm to wait for.
  const advice = running && hasGluten(planKind(plan)) ? restAdvice(plan, state, now, nowMs) : null;
  const moreS = advice ? Math.ceil(advice.moreS / 60) * 60 : 0;
  const last = !plan.formula.method.rests.some((_other, other) => other > index);
  const coveredMs = Math.max(
    startedMs ?? nowMs,
    ...now.seen.flatMap((event) => (event.type === 'covered' ? [Date.parse(event.at)] : [])),
  );
  const span = say('{earliest} to {latest}', {
    earliest: { s: window.earliestS },
    latest: { s: window.latestS },
  });
  const longer = running !== null && last && moreS > 0 && running.elapsedS + moreS > window.earliestS;
  return (
    <StepFrame
      live={live}
      step={step}
      why={() => (advice ? explainRest(advice) : (explainToday(plan, `rest:${index}`) ?? plainWhy(span)))}
      primary={
        phase
          ? {
              label: DONE[phase],
              quiet: phase === 'early',
              askFirst: endsEarly(running, 'rest'),
              onPress: () => act({ type: 'done', stepId }),
            }
          : { label: 'Covered: start the rest', onPress: () => act({ type: 'started', stepId }) }
      }
      {...(phase && phase !== 'early' ? { alarm: { ...alarm, words: ALARM[phase] } } : {})}
      more={<RestMore {...{ live, now }} running={running !== null} />}
    >
      <View style={styles.middle}>
        <TimerRing size={size} running={running} earliestS={window.earliestS} words={PHASE} label={span} />
        {startedMs === null ? null : (
          <Heading>
            {say('good from {clock} to {clock2}', {
              clock: clock(startedMs + window.earliestS * 1000),
              clock2: clock(startedMs + window.latestS * 1000),
            })}
          </Heading>
        )}
      </View>
      {running && nowMs - coveredMs > COVER_EVERY_MS ? (
        <Action
          label="Cover still tight, cloth still damp"
          onPress={() => act({ type: 'covered', stepId })}
        />
      ) : null}
      {advice ? <RelaxedWords {...{ advice }} more={{ s: moreS }} /> : null}
      {longer ? (
        <Action
          label={say('Rest {more} from now', { more: { s: moreS } })}
          onPress={() => act({ type: 'extended', stepId, seconds: moreS })}
        />
      ) : null}
      {rest && !running ? <Where rest={rest} /> : null}
      {rest?.of === 'balls' ? <ColdBalls live={live} over /> : null}
      <ColdChainLine live={live} nowMs={nowMs} />
    </StepFrame>
  );
}

const plainWhy = (span: string) => ({
  title: 'Rest',
  value: span,
  equation: 'As the formula says',
  inputs: [],
  changes: ['Plan for today’s conditions, and the rest follows the dough’s temperature.'],
});
