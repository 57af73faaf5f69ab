import { formatPercent, parseQuantity, type Step } from '@kettle-scale/core';
import { checkWeight, explainTarget } from '@kettle-scale/core/batch';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../data/useBatch';
import { Caution } from '../../../ui/Caution';
import { Keypad } from '../../../ui/Keypad';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { BowlBar } from '../BowlBar';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';
import { OffTarget } from './OffTarget';

const styles = StyleSheet.create({ middle: { gap: SPACE.s } });

/** Water above this is a scald hazard to a hand. */
const SCALD_C = 50;
const WARM_C = 43;

/** Weigh one line: confirm the planned mass, or key in what the scale showed. */
export function WeighStep({ live, step }: { live: LiveBatch; step: Step }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const width = useStepWidth();
  const [typed, setTyped] = useState<string | null>(null);
  /** A weight off its target, waiting for the cook's choice. */
  const [doubtG, setDoubtG] = useState<number | null>(null);

  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  const bowl = state.bowls[(step.bowl ?? 1) - 1];
  const inBowl = bowl?.lines.find(({ lineId }) => lineId === step.lineId);
  if (!line || !inBowl) return null;
  const liquid = line.kind === 'water' || line.kind === 'dairy';
  const tone = liquid ? 'water' : 'ink';
  const { targetG, weighedG } = inBowl;
  const topUpG = weighedG === null ? null : targetG - weighedG;
  const weighed = (massG: number) => ({ type: 'weighed' as const, stepId: step.id, massG });

  const parsed = parseQuantity(typed ?? '', { defaultUnit: format.units === 'metric' ? 'g' : 'oz' });
  const typedG = parsed.ok ? parsed.quantity.amount : null;
  const accept = (massG: number) => {
    if (checkWeight(plan, state, step, massG).verdict === 'right') act(weighed(massG));
    else setDoubtG(massG);
  };
  const keyed = () => {
    if (typedG === null) return;
    setTyped(null);
    accept((weighedG ?? 0) + typedG);
  };

  if (doubtG !== null) {
    return (
      <OffTarget
        live={live}
        step={step}
        massG={doubtG}
        onAgain={() => {
          setDoubtG(null);
          setTyped('');
        }}
        onDone={() => setDoubtG(null)}
      />
    );
  }
  const showG = topUpG ?? targetG;
  const figure =
    typed === null
      ? format.massFigure(showG, line.stepG)
      : { value: typed || '0', unit: format.units === 'metric' ? 'g' : 'oz' };
  const share = formatPercent(line.fraction, 1);
  return (
    <StepFrame
      live={live}
      step={step}
      {...(typed === null ? { why: () => explainTarget(plan, state, step, format.units) } : {})}
      {...(topUpG === null ? {} : { title: `Add more ${line.name.toLowerCase()}` })}
      primary={
        typed === null
          ? { label: `${format.mass(showG, line.stepG)} is in`, onPress: () => act(weighed(targetG)) }
          : {
              label: typedG === null ? 'Key in the scale' : `Use ${typed} ${figure.unit}`,
              onPress: keyed,
              disabled: typedG === null,
            }
      }
      others={[
        typed === null
          ? { key: 'key', label: 'Key it in', onPress: () => setTyped('') }
          : { key: 'key', label: 'Back', onPress: () => setTyped(null) },
      ]}
    >
      <View style={styles.middle}>
        <Label>{typed === null ? 'Put on the scale' : 'The scale shows'}</Label>
        <BigFigure
          value={figure.value}
          unit={figure.unit}
          tone={tone}
          width={width}
          label={`${figure.value} ${figure.unit}`}
        />
      </View>
      {typed === null ? (
        <View style={styles.middle}>
          <Heading tone={tone}>{line.note ? `${line.name}, ${line.note}` : line.name}</Heading>
          <Body tone="soot">
            {topUpG === null
              ? `${share} of flour, on the ${line.scale} scale, to ${format.mass(line.stepG, line.stepG)}`
              : `to ${format.mass(targetG, line.stepG)} in all: the batch follows the over-pour`}
          </Body>
          {plan.holdBack?.lineId === line.lineId ? (
            <Body tone="water">{`Keep ${format.mass(plan.holdBack.massG, line.stepG)} of it aside; it goes in by feel while mixing.`}</Body>
          ) : null}
          {liquid && plan.formula.method.liquidTempC >= WARM_C ? (
            <Caution
              lead={`${format.temp(plan.formula.method.liquidTempC)}.`}
              text={
                plan.formula.method.liquidTempC >= SCALD_C
                  ? 'It scalds: pour away from you, use the spoon.'
                  : 'Hot tap water: test it on the wrist before hands go in.'
              }
            />
          ) : null}
        </View>
      ) : (
        <Keypad text={typed} onChange={setTyped} />
      )}
      {typed === null && bowl ? <BowlBar plan={plan} bowl={bowl} nowId={line.lineId} /> : null}
    </StepFrame>
  );
}
