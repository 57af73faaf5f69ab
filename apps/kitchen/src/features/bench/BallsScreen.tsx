import { asTyped } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import type { ReadingSource } from '@kettle-scale/core/device';
import { roundToStep, storedText } from '@kettle-scale/core/quantity';
import { batchRecord } from '@kettle-scale/core/batch';
import { planCost } from '@kettle-scale/core/plan';
import { USUAL_SAMPLE, ballAdvice, ballSample } from '@kettle-scale/core/quality';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { type LiveBatch, useBatch } from '../../batch/useBatch';
import { sourceWords } from '../../shared/readingWords';
import { ActionRow, PrimaryAction } from '../../ui/input/actions';
import { BallStrip } from '../../shared/chart';
import { Check } from '../../ui/input/Choices';
import { numberTyped } from '../../ui/input/FigureField';
import { Keypad } from '../../ui/input/Keypad';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Unfold } from '../../ui/layout/Unfold';
import { BigFigure, Body, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useKeys } from '../../ui/input/useKeys';
import { SampleTicket } from './SampleTicket';
import { BallPanel } from './BallPanel';
import { PHASE_WORDS, useAutoTake } from './useAutoTake';
import { useStepWidth } from './useStepWidth';

/** How finely a ball is recorded: a sample's spread needs more than the eye does. */
const BALL_STEP_G = 0.1;
/** How finely a weight is shown while it moves. */
const SHOWN_STEP_G = 1;

const NO_SCALE = 'no scale heard';

const ADVICE_TONE = { more: 'soot', good: 'sage', aim: 'plum', spread: 'plum', both: 'plum' } as const;

const G_PER_KG = 1000;
interface KeyOrUndoProps {
  live: LiveBatch;
  typed: string | null;
  setTyped: (typed: string | null) => void;
}

function KeyOrUndo({ live, typed, setTyped }: KeyOrUndoProps) {
  const { state } = live;
  return (
    <ActionRow
      actions={[
        {
          key: 'key',
          label: typed === null ? 'Key it in' : 'Back',
          onPress: () => setTyped(typed === null ? '' : null),
        },
        {
          key: 'undo',
          label: 'Undo',
          icon: 'undo' as const,
          onPress: live.undo,
          disabled: state.lastAct?.type !== 'ball-sampled',
        },
      ]}
    />
  );
}

interface OnScaleProps extends Pick<ReturnType<typeof useAutoTake>, 'phase' | 'heard' | 'there'> {
  standard: { targetG: number; toleranceG: number };
  typed: string | null;
  shown: string;
  reads: boolean;
}

/** What is wanted, what the scale shows, and where that comes from. */
function OnScale({ standard, typed, shown, phase, heard, there, reads }: OnScaleProps) {
  const format = useFormat();
  const width = useStepWidth();
  return (
    <View>
      <Label>
        {say('{mass} ± {mass2} wanted', {
          mass: format.ball(standard.targetG, SHOWN_STEP_G),
          mass2: format.ball(standard.toleranceG, SHOWN_STEP_G),
        })}
      </Label>
      <BigFigure value={shown || '0'} unit={format.unitOf('g')} width={width} />
      <View role="status">
        <Strong tone={there ? 'ink' : 'soot'}>
          {sayAll([
            typed !== null ? 'by hand' : reads ? PHASE_WORDS[phase] : NO_SCALE,
            heard ? sourceWords(heard) : undefined,
          ])}
        </Strong>
      </View>
    </View>
  );
}

/** What the balls are held to, and what giving dough away costs. */
const standardOf = ({ batch: { plan }, state }: LiveBatch) => ({
  targetG: batchRecord(plan, state).ballG ?? plan.ballG,
  toleranceG: plan.formula.product.ballToleranceG,
  costPerG: planCost(plan).perKg / G_PER_KG,
});

const countWords = (weighed: number): string =>
  weighed >= USUAL_SAMPLE
    ? say('{weighed, number} weighed', { weighed })
    : say('ball {ball, number} of {sample, number}', { ball: weighed + 1, sample: USUAL_SAMPLE });

function Balls({ live }: { live: LiveBatch }) {
  const router = useRouter();
  const format = useFormat();
  const { plan, id } = live.batch;
  const { state, act } = live;
  const [auto, setAuto] = useState(true);
  const [typed, setTyped] = useState<string | null>(null);
  const standard = standardOf(live);
  const take = (massG: number, source: ReadingSource) =>
    act({ type: 'ball-sampled', massG: roundToStep(massG, BALL_STEP_G), source });
  const { heard, reading, phase, there } = useAutoTake(auto && typed === null, standard.targetG, take);
  const ballsG = state.balls.map(({ massG }) => massG);
  const sample = ballsG.length > 0 ? ballSample(ballsG, standard) : null;
  const advice = sample ? ballAdvice(sample, standard) : null;
  const enough = ballsG.length >= USUAL_SAMPLE;
  const back = () => router.replace(`/bench/${id}`);
  const typedG = numberTyped(storedText(typed ?? '', 'g', format.units));
  const primary =
    typed !== null
      ? {
          label:
            typedG > 0
              ? say('It weighs {typed} {unitOf}', { typed: asTyped(typed), unitOf: format.unitOf('g') })
              : 'Key in the scale',
          disabled: !(typedG > 0),
          onPress: () => {
            take(typedG, 'typed');
            setTyped(null);
          },
        }
      : !auto && there && reading
        ? {
            label: say('Take {mass}', { mass: format.ball(reading.massG, SHOWN_STEP_G) }),
            disabled: false,
            onPress: () => take(reading.massG, heard?.source ?? 'device'),
          }
        : {
            label: enough ? 'Enough' : 'Back to the batch',
            disabled: false,
            onPress: back,
          };
  useKeys({ primary: primary.onPress, undo: state.lastAct?.type === 'ball-sampled' ? live.undo : undefined });
  const shown = typed ?? (reading ? format.ballFigure(reading.massG, SHOWN_STEP_G).value : '–');
  return (
    <Screen
      fill
      eyebrow={plan.formula.name}
      title="Check the balls"
      aside={<Label>{countWords(ballsG.length)}</Label>}
      foot={
        <>
          <KeyOrUndo {...{ live, typed, setTyped }} />
          <PrimaryAction {...primary} quiet={typed === null && !enough} />
        </>
      }
    >
      <OnScale
        {...{ standard, typed, shown, phase, heard, there }}
        reads={reading !== null && reading !== undefined}
      />
      {typed === null ? null : <Keypad text={typed} onChange={setTyped} />}
      <BallStrip ballsG={ballsG} {...standard} />
      {advice ? <Strong tone={ADVICE_TONE[advice.about]}>{advice.act}</Strong> : null}
      <Unfold>
        {advice ? <Body>{advice.words}</Body> : null}
        {sample?.sdG ? <SampleTicket {...{ sample, plan }} toleranceG={standard.toleranceG} /> : null}
        <Body tone="soot">Place, wait for steady, lift, next: each ball is taken by itself.</Body>
        <Check label="Take a steady ball by itself" value={auto} onChange={setAuto} />
        {heard?.source === 'simulated' ? <BallPanel targetG={standard.targetG} /> : null}
      </Unfold>
    </Screen>
  );
}

/** A few balls on the scale in quick sequence, and what they say of all of them. */
export function BallsScreen({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  if (live) return <Balls live={live} />;
  return (
    <Screen title="Check the balls">
      <Waiting what="the batch" error={error} onRetry={retry} />
    </Screen>
  );
}
