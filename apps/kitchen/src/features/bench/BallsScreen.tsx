import type { ReadingSource } from '@kettle-scale/core/device';
import { roundToStep } from '@kettle-scale/core/quantity';
import { batchRecord } from '@kettle-scale/core/batch';
import { planCost } from '@kettle-scale/core/plan';
import { USUAL_SAMPLE, ballAdvice, ballSample, sampleSize } from '@kettle-scale/core/quality';
import { useRouter } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { type LiveBatch, useBatch } from '../../batch/useBatch';
import { useReading } from '../../live/useReading';
import { sourceWords } from '../../shared/readingWords';
import { ActionRow, PrimaryAction } from '../../ui/input/actions';
import { BallStrip } from '../../shared/chart';
import { Check } from '../../ui/input/Choices';
import { Keypad } from '../../ui/input/Keypad';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { BigFigure, Body, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useKeys } from '../../ui/input/useKeys';
import { SampleFacts } from './SampleFacts';
import { BallPanel } from './BallPanel';
import { useStepWidth } from './useStepWidth';

const BALL_STEP_G = 0.1;
/** On the scale there is a ball between these shares of the wanted weight; none below `LIFTED`, something else above. */
const THERE = 0.5;
const NO_BALL = 1.6;
const LIFTED = 0.15;
/** The mean is wanted to within this share of the tolerance. */
const WITHIN = 0.5;

/** How sure a cook may want to be, in percent. */
const SURE = ['80', '90', '95', '99'] as const;
type Sure = (typeof SURE)[number];
const PERCENT = 100;
const G_PER_KG = 1000;

type Phase = 'empty' | 'settling' | 'taken' | 'lifting' | 'no ball';

const NO_SCALE = 'no scale is heard: key it in';

const PHASE_WORDS: Record<Phase, string> = {
  empty: 'put the next ball on',
  settling: 'steadying …',
  taken: 'taken: lift it',
  lifting: 'lift it off',
  'no ball': 'too heavy for a ball: clear the scale',
};

/** Takes a ball by itself when it lies steady; the next one only when the scale was empty in between. */
function useAutoTake(on: boolean, targetG: number, take: (massG: number, source: ReadingSource) => void) {
  const heard = useReading('scale');
  const reading = heard?.takeable ? heard.reading : null;
  const armed = useRef(true);
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  const massG = reading?.massG ?? 0;
  const source = heard?.source ?? 'device';
  const heavy = massG > NO_BALL * targetG;
  const there = massG > THERE * targetG && !heavy;
  const steady = reading?.steady ?? false;
  const empty = massG < LIFTED * targetG;
  useEffect(() => {
    if (empty) armed.current = true;
    else if (on && there && steady && armed.current) {
      armed.current = false;
      latest.current(massG, source);
    }
  }, [on, empty, there, steady, massG, source]);
  const phase: Phase = heavy
    ? 'no ball'
    : there
      ? steady && on
        ? 'taken'
        : 'settling'
      : empty
        ? 'empty'
        : 'lifting';
  return { heard, reading, phase, there };
}

function Balls({ live }: { live: LiveBatch }) {
  const router = useRouter();
  const format = useFormat();
  const width = useStepWidth();
  const { plan, id } = live.batch;
  const { state, act } = live;
  const [auto, setAuto] = useState(true);
  const [sure, setSure] = useState<Sure>('95');
  const [typed, setTyped] = useState<string | null>(null);
  const cost = planCost(plan);
  const standard = {
    targetG: batchRecord(plan, state).ballG ?? plan.ballG,
    toleranceG: plan.formula.product.ballToleranceG,
    costPerG: cost.perKg / G_PER_KG,
  };
  const take = (massG: number, source: ReadingSource) =>
    act({ type: 'ball-sampled', massG: roundToStep(massG, BALL_STEP_G), source });
  const { heard, reading, phase, there } = useAutoTake(auto && typed === null, standard.targetG, take);
  const ballsG = state.balls.map(({ massG }) => massG);
  const sample = ballsG.length > 0 ? ballSample(ballsG, standard) : null;
  const advice = sample ? ballAdvice(sample, standard, format.units) : null;
  const enough = ballsG.length >= USUAL_SAMPLE;
  const wanted = sample?.sdG
    ? sampleSize(sample.sdG, WITHIN * standard.toleranceG, Number(sure) / PERCENT)
    : null;
  const back = () => router.replace(`/bench/${id}`);
  const typedG = Number(typed);
  const primary =
    typed !== null
      ? {
          label: typedG > 0 ? `It weighs ${typed} g` : 'Key in the scale',
          disabled: !(typedG > 0),
          onPress: () => {
            take(typedG, 'typed');
            setTyped(null);
          },
        }
      : !auto && there && reading
        ? {
            label: `Take ${format.mass(reading.massG, BALL_STEP_G)}`,
            disabled: false,
            onPress: () => take(reading.massG, heard?.source ?? 'device'),
          }
        : {
            label: enough ? 'Enough: back to the batch' : 'Back to the batch',
            disabled: false,
            onPress: back,
          };
  useKeys({ primary: primary.onPress, undo: state.lastAct?.type === 'ball-sampled' ? live.undo : undefined });
  const shown = typed ?? (reading ? format.massFigure(reading.massG, 1).value : '–');
  return (
    <Screen
      fill
      eyebrow={plan.formula.name}
      title="Check the balls"
      aside={
        <Label>{enough ? `${ballsG.length} weighed` : `ball ${ballsG.length + 1} of ${USUAL_SAMPLE}`}</Label>
      }
      foot={
        <>
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
          <PrimaryAction {...primary} quiet={typed === null && !enough} />
        </>
      }
    >
      <View>
        <Label>{`${format.mass(standard.targetG, BALL_STEP_G)} ± ${format.mass(standard.toleranceG, BALL_STEP_G)} wanted`}</Label>
        <BigFigure value={shown || '0'} unit="g" width={width} />
        <View role="status">
          <Strong tone={there ? 'ink' : 'soot'}>
            {typed !== null ? 'by hand' : reading ? PHASE_WORDS[phase] : NO_SCALE}
          </Strong>
          {heard ? <Label>{`Bench scale: ${sourceWords(heard)}`}</Label> : null}
        </View>
      </View>
      {typed === null ? null : <Keypad text={typed} onChange={setTyped} />}
      <BallStrip ballsG={ballsG} {...standard} />
      {advice ? (
        <Strong tone={advice.about === 'good' ? 'sage' : advice.about === 'more' ? 'soot' : 'plum'}>
          {advice.words}
        </Strong>
      ) : (
        <Body tone="soot">Place, wait for steady, lift, next: each ball is taken by itself.</Body>
      )}
      {sample?.sdG ? (
        <Ticket>
          <Heading>What the sample says</Heading>
          <SampleFacts sample={sample} currency={plan.kitchen.currency} priced={cost.unpriced.length === 0} />
          <Segments
            labelled
            label={`To know the mean within ${format.mass(WITHIN * standard.toleranceG, BALL_STEP_G)}, how sure?`}
            value={sure}
            options={SURE.map((value) => [value, `${value} %`] as const)}
            onChange={setSure}
          />
          <Body tone="soot">
            {wanted ? `Weigh ${wanted} balls for that.` : 'The spread is too wide: weigh each ball.'}
          </Body>
        </Ticket>
      ) : null}
      <View style={{ gap: SPACE.s }}>
        <Check label="Take a steady ball by itself" value={auto} onChange={setAuto} />
        {heard?.source === 'simulated' ? <BallPanel targetG={standard.targetG} /> : null}
      </View>
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
