import { parseQuantity, roundToStep, type Step } from '@kettle-scale/core';
import { ballForCountG, countForBall, explainDivision, batchRecord } from '@kettle-scale/core/batch';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../data/useBatch';
import { Keypad } from '../../../ui/Keypad';
import { Segments } from '../../../ui/Segments';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Figure, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';

type Keep = 'count' | 'ball';

/** Balls are cut on the bench scale but told to a tenth, so that the cook sees which way to lean. */
const BALL_STEP_G = 0.1;

const styles = StyleSheet.create({
  pair: { flexDirection: 'row', gap: SPACE.xl },
});

/** Real dough weight in, ball weight out. */
export function DivideStep({ live, step }: { live: LiveBatch; step: Step }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const width = useStepWidth();
  const [typed, setTyped] = useState<string | null>(null);
  const [doughG, setDoughG] = useState<number | null>(null);
  const [keep, setKeep] = useState<Keep>('count');

  const record = batchRecord(plan, state);
  const expectedG = roundToStep(record.doughG * (1 - plan.kitchen.bowlLoss), plan.kitchen.benchStepG);
  const realG = doughG ?? expectedG;
  const unit = format.units === 'metric' ? 'g' : 'oz';
  const parsed = parseQuantity(typed ?? '', { defaultUnit: unit });
  const typedG = parsed.ok ? parsed.quantity.amount : null;

  const pieces = keep === 'count' ? record.piecesExpected : countForBall(realG, plan.ballG, plan);
  const ballG = roundToStep(
    keep === 'count' ? ballForCountG(realG, Math.max(1, pieces), plan) : plan.ballG,
    BALL_STEP_G,
  );
  const overG = Math.max(0, realG * (1 - plan.kitchen.benchLoss) - pieces * ballG);
  const ball = format.massFigure(ballG, BALL_STEP_G);
  const dough = format.massFigure(realG, plan.kitchen.benchStepG);

  if (typed !== null) {
    return (
      <StepFrame
        live={live}
        step={step}
        primary={{
          label: typedG === null ? 'Key in the scale' : `The dough weighs ${typed} ${unit}`,
          disabled: typedG === null,
          onPress: () => {
            setDoughG(typedG);
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
        onPress: () => act({ type: 'divided', doughG: realG, pieces, ballG }),
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
          <Figure value={dough.value} unit={dough.unit} size={36} />
        </View>
        <View>
          <Label>Pieces</Label>
          <Figure value={String(pieces)} size={36} />
        </View>
      </View>
      <Segments
        label="What to keep"
        value={keep}
        onChange={setKeep}
        options={[
          ['count', `Keep ${record.piecesExpected} pieces`],
          ['ball', `Keep ${format.mass(plan.ballG)}`],
        ]}
      />
      {pieces < 1 ? (
        <Strong tone="plum">This dough is less than one ball; key in its weight again.</Strong>
      ) : (
        <Body tone="soot">
          {overG >= plan.kitchen.benchStepG
            ? `${format.mass(overG)} of dough is left over.`
            : 'Weigh the whole dough first if you can: bowl and hands keep about a hundredth.'}
        </Body>
      )}
      <Body>Round them tight, seam under, and cover them: a round ball gives a round disc.</Body>
    </StepFrame>
  );
}
