import type { ReadingSource } from '@kettle-scale/core/device';
import { type Step, planCost } from '@kettle-scale/core/plan';
import { parseQuantity, roundToStep } from '@kettle-scale/core/quantity';
import { ballStandard, batchRecord } from '@kettle-scale/core/batch';
import { explainDivision, explainLoss } from '@kettle-scale/core/explain';
import { mixedG } from '@kettle-scale/core/log';
import {
  type DivideBy,
  MOST_GUIDED,
  cutGuide,
  cutInto,
  divideDough,
  waysToCut,
} from '@kettle-scale/core/portion';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useReading } from '../../../live/useReading';
import type { LiveBatch } from '../../../batch/useBatch';
import { sourceWords } from '../../../shared/readingWords';
import { Action } from '../../../ui/input/actions';
import { usePreferences } from '../../../ui/preferences';
import { Keypad } from '../../../ui/input/Keypad';
import { Segments } from '../../../ui/input/Segments';
import { Sheet } from '../../../ui/layout/Sheet';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { CutGuidePicture } from '../CutGuidePicture';
import { ScalePanel } from '../LiveScale';
import { StepCautions } from '../StepCautions';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';
import { CutChoice } from './CutChoice';
import { type Leftover, LeftoverChoice } from './LeftoverChoice';
import { WaysToDivide } from './WaysToDivide';

type Keep = DivideBy['by'];

/** Balls are cut on the bench scale but told to a tenth, so that the cook sees which way to lean. */
const BALL_STEP_G = 0.1;
const G_PER_KG = 1000;

const styles = StyleSheet.create({ pair: { flexDirection: 'row', gap: SPACE.xl } });

/** Real dough weight in, balls out: by count, by weight or by the size of the bread. */
export function DivideStep({ live, step }: { live: LiveBatch; step: Step }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const width = useStepWidth();
  const { scale } = usePreferences();
  const heard = useReading('scale', scale);
  const reading = heard?.takeable ? heard.reading : null;
  const record = batchRecord(plan, state);
  const [typed, setTyped] = useState<string | null>(null);
  const [weighed, setWeighed] = useState<{ massG: number; source: ReadingSource } | null>(null);
  const doughG = weighed?.massG ?? null;
  const grew = state.bowls.some(({ factor }) => factor !== 1);
  const standard = { ...ballStandard(plan), ...(grew ? { pieces: record.piecesExpected } : {}) };
  const [keep, setKeep] = useState<Keep>('count');
  const [asks, setAsks] = useState<Record<Keep, number>>({
    // The planned count, unless the batch followed an over-pour; what it means for the ball is said below.
    count: standard.pieces,
    ball: plan.ballG,
    size: plan.relaxed.diameterMm,
  });
  const [guide, setGuide] = useState(false);
  const [leftover, setLeftover] = useState<Leftover>('waste');

  const { kitchen } = plan;
  const inBowlsG = mixedG(state);
  const expectedG = roundToStep(inBowlsG * (1 - kitchen.bowlLoss), kitchen.benchStepG);
  const realG = doughG ?? expectedG;
  const readyG = realG * (1 - kitchen.benchLoss);
  const unit = format.units === 'metric' ? 'g' : 'oz';
  const parsed = parseQuantity(typed ?? '', { defaultUnit: unit });
  const typedG = parsed.ok ? parsed.quantity.amount : null;
  const cost = planCost(plan);

  const dough = {
    doughG: realG,
    benchLoss: kitchen.benchLoss,
    densityGMl: plan.doughDensityGMl,
    thicknessMm: plan.relaxed.thicknessMm,
    costPerG: cost.perKg / G_PER_KG,
  };
  const askOf: Record<Keep, DivideBy> = {
    count: { by: 'count', pieces: asks.count },
    ball: { by: 'ball', ballG: asks.ball },
    size: { by: 'size', diameterMm: asks.size },
  };
  const ways = {
    count: divideDough(dough, askOf.count),
    ball: divideDough(dough, askOf.ball),
    size: divideDough(dough, askOf.size),
  };
  const { pieces, leftoverG, ballG: exactG } = ways[keep];
  const ballG = roundToStep(exactG, BALL_STEP_G);
  const isOver = keep !== 'count' && leftoverG >= kitchen.benchStepG;
  const ball = format.massFigure(ballG, BALL_STEP_G);
  const figure = format.massFigure(realG, kitchen.benchStepG);
  const loss = explainLoss(plan, inBowlsG, realG, format.units);
  const onScaleG = reading?.steady && reading.massG > plan.ballG ? reading.massG : null;

  const cut = () => {
    act({
      ...{ type: 'divided', doughG: realG, pieces, ballG },
      ...(weighed ? { source: weighed.source } : {}),
    });
    if (isOver) {
      const massG = roundToStep(leftoverG, kitchen.benchStepG);
      const short = leftover === 'short batch' ? { pieces: Math.max(1, Math.round(massG / ballG)) } : {};
      act({ type: 'leftover', massG, as: leftover, ...short });
    }
  };

  if (typed !== null) {
    return (
      <StepFrame
        live={live}
        step={step}
        primary={{
          label: typedG === null ? 'Key in the scale' : `The dough weighs ${typed} ${unit}`,
          disabled: typedG === null,
          onPress: () => {
            if (typedG !== null) setWeighed({ massG: typedG, source: 'typed' });
            setTyped(null);
          },
        }}
        others={[{ key: 'back', label: 'Back', onPress: () => setTyped(null) }]}
      >
        <View>
          <Label>The whole dough on the scale</Label>
          <BigFigure value={typed || '0'} unit={unit} width={width} />
        </View>
        <Keypad text={typed} onChange={setTyped} />
      </StepFrame>
    );
  }
  return (
    <StepFrame
      live={live}
      step={step}
      primary={{
        label: `Cut ${pieces} × ${format.mass(ballG, BALL_STEP_G)}`,
        disabled: pieces < 1,
        onPress: cut,
      }}
      why={() => explainDivision(plan, realG, Math.max(1, pieces), format.units)}
      others={[{ key: 'key', label: 'Key it in', onPress: () => setTyped('') }]}
    >
      <View>
        <Label>Each ball</Label>
        <BigFigure value={ball.value} unit={ball.unit} width={width} />
      </View>
      <View style={styles.pair}>
        <View>
          <Label>{doughG === null ? 'Dough, as expected' : 'Dough, on the scale'}</Label>
          <Figure value={figure.value} unit={figure.unit} size={36} />
        </View>
        <View>
          <Label>Pieces</Label>
          <Figure value={String(pieces)} size={36} />
        </View>
      </View>
      {doughG === null ? (
        <Body tone="soot">
          Weigh the whole dough first if you can: the loss shows, and the balls come out right.
        </Body>
      ) : (
        <Strong tone={loss.unusual ? 'plum' : 'soot'}>{loss.words}</Strong>
      )}
      {heard && onScaleG !== null && onScaleG !== doughG ? (
        <>
          <Action
            label={`Use ${format.mass(onScaleG, kitchen.benchStepG)} on the scale`}
            onPress={() => setWeighed({ massG: onScaleG, source: heard.source })}
          />
          <Label>{`Bench scale: ${sourceWords(heard)}`}</Label>
        </>
      ) : null}
      {keep === 'count' ? (
        <CutChoice
          now={cutInto(readyG, Math.max(1, asks.count), standard)}
          cuts={waysToCut(readyG, standard)}
          standard={standard}
          onChoose={(count) => setAsks((was) => ({ ...was, count }))}
        />
      ) : null}
      <Segments
        label="What to keep"
        value={keep}
        onChange={setKeep}
        options={[
          ['count', `Keep ${asks.count} pieces`],
          ['ball', `Keep ${format.mass(asks.ball)}`],
          ['size', `Keep ${format.length(asks.size)}`],
        ]}
      />
      <WaysToDivide
        ways={ways}
        keep={keep}
        currency={kitchen.currency}
        priced={cost.unpriced.length === 0}
        onStep={(by) => setAsks((was) => ({ ...was, [keep]: Math.max(by, was[keep] + by) }))}
      />
      {pieces < 1 ? (
        <Strong tone="plum">This dough is less than one ball; key in its weight again.</Strong>
      ) : null}
      {isOver ? (
        <LeftoverChoice
          massG={leftoverG}
          ballG={ballG}
          kitchen={kitchen}
          value={leftover}
          onChange={setLeftover}
        />
      ) : null}
      {pieces > 1 && pieces <= MOST_GUIDED ? (
        <Action label={`Guide to ${pieces} parts`} onPress={() => setGuide(true)} />
      ) : null}
      {heard?.source === 'simulated' ? <ScalePanel wantG={expectedG} /> : null}
      <StepCautions plan={plan} kind="divide" />
      <Body>Round them tight, seam under, and cover them: a round ball gives a round disc.</Body>
      <Sheet open={guide} onClose={() => setGuide(false)} label="Cut guide">
        <Heading>{`From one to ${pieces}`}</Heading>
        {guide ? <CutGuidePicture rounds={cutGuide(pieces, pieces * ballG)} doughG={pieces * ballG} /> : null}
        <Body tone="soot">
          Put each part on the scale before it is cut again: an error is halved, not passed on.
        </Body>
      </Sheet>
    </StepFrame>
  );
}
