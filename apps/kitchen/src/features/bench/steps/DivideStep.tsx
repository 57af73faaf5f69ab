import { say, sayAll } from '../../../reader/say';
import { roundWords } from '@kettle-scale/core/formula';
import type { ReadingSource } from '@kettle-scale/core/device';
import type { Step } from '@kettle-scale/core/plan';
import { roundToStep } from '@kettle-scale/core/quantity';
import { explainDivision, explainLoss } from '@kettle-scale/core/explain';
import { MOST_GUIDED, cutGuide, cutInto, waysToCut } from '@kettle-scale/core/portion';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useReading } from '../../../live/useReading';
import type { LiveBatch } from '../../../batch/useBatch';
import { sourceWords } from '../../../shared/readingWords';
import { Action } from '../../../ui/input/actions';
import { usePreferences } from '../../../reader/preferences';
import { Segments } from '../../../ui/input/Segments';
import { Sheet } from '../../../ui/layout/Sheet';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { CutGuidePicture } from '../CutGuidePicture';
import { ScalePanel } from '../LiveScale';
import { StepCautions } from '../../../shared/StepCautions';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';
import { CutChoice } from './CutChoice';
import { type Leftover, LeftoverChoice } from './LeftoverChoice';
import { WaysToDivide } from './WaysToDivide';
import { type Division, useDivision } from './useDivision';
import { KeyDough } from './KeyDough';

const styles = StyleSheet.create({ pair: { flexDirection: 'row', gap: SPACE.xl } });

/** Real dough weight in, balls out: by count, by weight or by the size of the bread. */
export function DivideStep({ live, step }: { live: LiveBatch; step: Step }) {
  const { plan } = live.batch;
  const format = useFormat();
  const [keying, setKeying] = useState(false);
  const [leftover, setLeftover] = useState<Leftover>('waste');
  /** Somebody said that the dough is cut without being weighed. */
  const [unweighed, setUnweighed] = useState(false);
  const division = useDivision(live);
  const { pieces, ballG, doughG, leftoverG, isOver, keep, weighed, setWeighed } = division;
  const { benchStepG } = plan.kitchen;
  const onScale = useDoughOnScale(plan.ballG);
  if (keying) {
    const onWeighed = (massG: number) => setWeighed({ massG, source: 'typed' });
    const { expectedG } = division;
    return (
      <KeyDough
        live={live}
        step={step}
        expectedG={expectedG}
        onWeighed={onWeighed}
        onBack={() => setKeying(false)}
      />
    );
  }
  const cut = () => {
    live.act({
      ...{ type: 'divided', doughG, pieces, ballG },
      ...(weighed ? { source: weighed.source } : {}),
    });
    if (!isOver) return;
    const massG = roundToStep(leftoverG, plan.kitchen.benchStepG);
    const short = leftover === 'short batch' ? { pieces: Math.max(1, Math.round(massG / ballG)) } : {};
    live.act({ type: 'leftover', massG, as: leftover, ...short });
  };
  return (
    <StepFrame
      {...{ live, step }}
      primary={
        weighed || unweighed
          ? {
              label: say('Cut {pieces, number} × {mass}', { pieces, mass: format.ball(ballG, benchStepG) }),
              disabled: pieces < 1,
              onPress: cut,
            }
          : onScale
            ? {
                label: say('Use {mass} on the scale', { mass: format.mass(onScale.massG, benchStepG) }),
                onPress: () => setWeighed(onScale),
              }
            : { label: 'Weigh the dough', onPress: () => setKeying(true) }
      }
      why={() => explainDivision(plan, doughG, Math.max(1, pieces))}
      others={
        weighed || unweighed
          ? [{ key: 'key', label: 'Key it in', onPress: () => setKeying(true) }]
          : [
              ...(onScale ? [{ key: 'key', label: 'Key it in', onPress: () => setKeying(true) }] : []),
              { key: 'unweighed', label: 'Cut unweighed', onPress: () => setUnweighed(true) },
            ]
      }
      more={
        <>
          <KeepChoice {...{ live, division }} />
          {pieces > 1 && pieces <= MOST_GUIDED ? <Guide {...{ pieces, ballG }} /> : null}
          <SimulatedScale wantG={division.expectedG} />
          <Body>{sayAll(roundWords(plan.formula.method), ' ')}</Body>
        </>
      }
    >
      <DoughFigures {...{ live, division }} />
      {keep === 'count' ? <Cuts {...{ live, division }} /> : null}
      {pieces < 1 ? (
        <Strong tone="plum">This dough is less than one ball; key in its weight again.</Strong>
      ) : null}
      {isOver ? (
        <LeftoverChoice
          {...{ ballG, kitchen: plan.kitchen }}
          massG={leftoverG}
          value={leftover}
          onChange={setLeftover}
        />
      ) : null}
      <StepCautions plan={plan} kind="divide" />
    </StepFrame>
  );
}

/** Dough that lies still on the live scale, with where the reading comes from; null where none does. */
function useDoughOnScale(ballG: number): { massG: number; source: ReadingSource } | null {
  const { scale } = usePreferences();
  const heard = useReading('scale', scale);
  const reading = heard?.takeable ? heard.reading : null;
  return heard && reading?.steady && reading.massG > ballG
    ? { massG: reading.massG, source: heard.source }
    : null;
}

interface PartProps {
  live: LiveBatch;
  division: Division;
}

/** The ball, the dough it is cut from and what was lost on the way; the dough taken from the scale where it lies. */
function DoughFigures({ live, division }: PartProps) {
  const { plan } = live.batch;
  const format = useFormat();
  const width = useStepWidth();
  const { pieces, ballG, doughG, inBowlsG, weighed, setWeighed } = division;
  const { scale } = usePreferences();
  const heard = useReading('scale', scale);
  const onScale = useDoughOnScale(plan.ballG);
  const ball = format.ballFigure(ballG, plan.kitchen.benchStepG);
  const figure = format.massFigure(doughG, plan.kitchen.benchStepG);
  const loss = explainLoss(plan, inBowlsG, doughG);
  return (
    <>
      <View>
        <Label>Ball</Label>
        <BigFigure value={ball.value} unit={ball.unit} width={width} />
      </View>
      <View style={styles.pair}>
        <View>
          <Label>{weighed ? 'Dough, weighed' : 'Dough, expected'}</Label>
          <Figure value={figure.value} unit={figure.unit} size={36} />
        </View>
        <View>
          <Label>Pieces</Label>
          <Figure value={String(pieces)} size={36} />
        </View>
      </View>
      {weighed ? <Strong tone={loss.unusual ? 'plum' : 'soot'}>{loss.words}</Strong> : null}
      {weighed && onScale && onScale.massG !== weighed.massG ? (
        <Action
          label={say('Use {mass} on the scale', {
            mass: format.mass(onScale.massG, plan.kitchen.benchStepG),
          })}
          onPress={() => setWeighed(onScale)}
        />
      ) : null}
      {heard && onScale ? (
        <Label>{say('Bench scale: {sourceWords}', { sourceWords: sourceWords(heard) })}</Label>
      ) : null}
    </>
  );
}

/** Whether the ball is in tolerance, and the count that would bring it there. */
function Cuts({ live, division: { standard, asks, ask, readyG } }: PartProps) {
  return (
    <CutChoice
      now={cutInto(readyG, Math.max(1, asks.count), standard)}
      cuts={waysToCut(readyG, standard)}
      standard={standard}
      benchStepG={live.batch.plan.kitchen.benchStepG}
      onChoose={(count) => ask('count', () => count)}
    />
  );
}

/** What is kept while the rest follows, and what each way comes to. */
function KeepChoice({ live, division }: PartProps) {
  const { kitchen } = live.batch.plan;
  const format = useFormat();
  const { keep, setKeep, asks, ask, ways, cost } = division;
  return (
    <>
      <Segments
        label="What to keep"
        value={keep}
        onChange={setKeep}
        options={[
          ['count', say('Keep {count, number} pieces', { count: asks.count })],
          ['ball', say('Keep {mass}', { mass: format.mass(asks.ball) })],
          ['size', say('Keep {length}', { length: format.length(asks.size) })],
        ]}
      />
      <WaysToDivide
        {...{ ways, keep }}
        benchStepG={kitchen.benchStepG}
        currency={kitchen.currency}
        priced={cost.unpriced.length === 0}
        onStep={(by) => ask(keep, (was) => Math.max(by, was + by))}
      />
    </>
  );
}

/** The cuts from one dough to so many balls, on a sheet of its own. */
function Guide({ pieces, ballG }: { pieces: number; ballG: number }) {
  const [open, setOpen] = useState(false);
  const doughG = pieces * ballG;
  return (
    <>
      <Action label={say('Guide to {pieces, number} parts', { pieces })} onPress={() => setOpen(true)} />
      <Sheet open={open} onClose={() => setOpen(false)} label="Cut guide">
        <Heading>{say('From one to {pieces, number}', { pieces })}</Heading>
        {open ? <CutGuidePicture rounds={cutGuide(pieces, doughG)} doughG={doughG} /> : null}
        <Body tone="soot">Weigh each part before you cut it again: an error is halved, not passed on.</Body>
      </Sheet>
    </>
  );
}

/** Hands for the stand-in of a scale, where one stands in. */
function SimulatedScale({ wantG }: { wantG: number }) {
  const { scale } = usePreferences();
  const heard = useReading('scale', scale);
  return heard?.source === 'simulated' ? <ScalePanel wantG={wantG} /> : null;
}
