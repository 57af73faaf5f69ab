import type { Step } from '@kettle-scale/core/plan';
import { formatPercent } from '@kettle-scale/core/quantity';
import { checkWeight, fractionIfKept, offerRescale } from '@kettle-scale/core/batch';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action } from '../../../ui/input/actions';
import { Leader, Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Heading, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';

interface OffTargetProps {
  live: LiveBatch;
  step: Step;
  massG: number;
  /** Weigh again: scooped out, or more added. */
  onAgain: () => void;
  onDone: () => void;
}

const styles = StyleSheet.create({ stack: { gap: SPACE.s } });

/** A weight off its target: take out or add, keep it knowingly, or let the batch follow an over-pour. */
export function OffTarget({ live, step, massG, onAgain, onDone }: OffTargetProps) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const width = useStepWidth();
  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  if (!line) return null;
  const { verdict, offG, targetG } = checkWeight(plan, state, step, massG);
  const over = verdict === 'over';
  const offer = offerRescale(plan, state, step, massG);
  const kept = formatPercent(fractionIfKept(plan, state, step, massG), 1);
  const off = format.mass(Math.abs(offG), line.stepG);
  const keep = () => {
    act({ type: 'weighed', stepId: step.id, massG });
    onDone();
  };
  const follow = () => {
    act(
      { type: 'weighed', stepId: step.id, massG },
      { type: 'rescaled', stepId: step.id, factor: offer.factor },
    );
    onDone();
  };
  const figure = format.massFigure(Math.abs(offG), line.stepG);
  return (
    <StepFrame
      live={live}
      step={step}
      title={over ? `Too much ${line.name.toLowerCase()}` : `Not enough ${line.name.toLowerCase()}`}
      primary={{ label: over ? `Take out ${off}` : `Add ${off} more`, onPress: onAgain }}
    >
      <View>
        <BigFigure
          value={`${over ? '+' : '−'}${figure.value}`}
          unit={figure.unit}
          tone="plum"
          width={width}
        />
        <Body tone="soot">
          {over
            ? `${format.mass(massG, line.stepG)} on the scale; the line comes to ${format.mass(massG - offG, line.stepG)} in all`
            : `${format.mass(massG, line.stepG)} on the scale, ${format.mass(targetG, line.stepG)} asked for`}
        </Body>
      </View>
      {over ? (
        <Ticket>
          <Heading>Let the batch follow</Heading>
          {offer.fits ? (
            <>
              <View>
                <Leader name="Dough" value={format.mass(offer.doughG, plan.kitchen.benchStepG)} />
                <Leader name="Pieces" value={`${plan.pieces} → ${offer.pieces}`} />
                {offer.topUps.map(({ name, addG, stepG }) => (
                  <Leader key={name} name={`${name}, add`} value={`+${format.mass(addG, stepG)}`} />
                ))}
              </View>
              <Action label={`Rescale the batch × ${offer.factor.toFixed(3)}`} onPress={follow} />
            </>
          ) : (
            <Body>{`The bowl would hold ${format.mass(offer.bowlG)}, more than its ${format.mass(plan.kitchen.bowlCapacityG)}.`}</Body>
          )}
        </Ticket>
      ) : null}
      <View style={styles.stack}>
        <Strong>{`Kept as it is, ${line.name.toLowerCase()} is ${kept} of flour instead of ${formatPercent(line.fraction, 1)}.`}</Strong>
        <Action label={`Keep it at ${kept}`} onPress={keep} />
      </View>
    </StepFrame>
  );
}
