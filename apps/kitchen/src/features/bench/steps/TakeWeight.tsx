import { say } from '../../../reader/say';
import { type Plan, heatCaution } from '@kettle-scale/core/plan';
import { sumG } from '@kettle-scale/core/quantity';
import { explainTarget } from '@kettle-scale/core/explain';
import { StyleSheet, View } from 'react-native';
import { sourceWords } from '../../../shared/readingWords';
import { Caution } from '../../../ui/layout/Caution';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Heading, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { BowlBar } from '../BowlBar';
import { LiveScale, ScaleChoice, ScalePanel } from '../LiveScale';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';

import { type WeighPart, byHand, toneOf, topUpTitle } from './weighPart';
import { type ScaleWeight, tare } from './useScaleWeight';

const styles = StyleSheet.create({ middle: { gap: SPACE.s } });

interface TakeProps extends WeighPart {
  weight: ScaleWeight;
  onKey: () => void;
}

/** The planned mass, confirmed by a tap, or what lies on the live scale. */
export function TakeWeight(part: TakeProps) {
  const { live, step, line, bowl, inBowl, weight, onKey, onDoubt } = part;
  const { plan } = live.batch;
  const format = useFormat();
  const width = useStepWidth();
  const { heard, reading, scaleG, check, takeRight } = weight;
  const { targetG, weighedG } = inBowl;
  const tone = toneOf(line);
  const showG = weighedG === null ? targetG : targetG - weighedG;
  const shown = format.massFigure(showG, line.stepG);
  const primary = reading
    ? {
        label: say('Take {mass}', { mass: format.mass(reading.massG, line.stepG) }),
        onPress: () => (check?.verdict === 'right' ? takeRight() : onDoubt(scaleG)),
        disabled: reading.overload || reading.massG <= 0,
        quiet: check?.verdict !== 'right',
      }
    : {
        label: say('{mass} is in', { mass: format.mass(showG, line.stepG) }),
        onPress: () => live.act(byHand(step, targetG)),
      };
  return (
    <StepFrame
      {...{ live, step, primary }}
      {...topUpTitle(part)}
      why={() => explainTarget(plan, live.state, step)}
      others={[{ key: 'key', label: 'Key it in', onPress: onKey }]}
      more={
        <>
          {line.scale === 'bench' ? <ScaleChoice /> : null}
          {reading && heard?.source === 'simulated' ? (
            <ScalePanel wantG={Math.max(0, Math.round(showG - reading.massG))} />
          ) : null}
        </>
      }
    >
      {reading && check ? (
        <LiveScale
          {...{ reading, check, tone }}
          source={heard ? sourceWords(heard) : ''}
          targetG={showG}
          stepG={1}
          onTare={() => void tare()}
        />
      ) : (
        <View style={styles.middle}>
          <BigFigure
            value={shown.value}
            unit={shown.unit}
            tone={tone}
            width={width}
            label={`${shown.value} ${shown.unit}`}
          />
        </View>
      )}
      <LineWords {...{ plan, line, inBowl }} />
      <BowlBar plan={plan} bowl={bowl} nowId={line.lineId} />
      {heard && !reading ? (
        <Label>{say('Bench scale: {sourceWords}', { sourceWords: sourceWords(heard) })}</Label>
      ) : null}
    </StepFrame>
  );
}

/** What the line is, its share and its scale, and what is kept back of it. */
function LineWords({ plan, line, inBowl }: { plan: Plan } & Pick<WeighPart, 'line' | 'inBowl'>) {
  const format = useFormat();
  const tone = toneOf(line);
  const heldG = line.startG === undefined ? 0 : sumG([inBowl.totalG, -inBowl.targetG]);
  return (
    <View style={styles.middle}>
      {line.note ? <Heading tone={tone}>{line.note}</Heading> : null}
      {line.scale === 'fine' ? <Strong>On the fine scale</Strong> : null}
      {inBowl.weighedG === null ? null : (
        <Body tone="soot">
          {say('to {mass}, after the over-pour', {
            mass: format.mass(inBowl.targetG, line.stepG),
          })}
        </Body>
      )}
      {line.late ? <Body tone={tone}>Keep it aside: kneaded in later.</Body> : null}
      {heldG > 0 ? (
        <Body tone={tone}>
          {say('{mass} more by feel', {
            mass: format.mass(heldG, line.stepG),
          })}
        </Body>
      ) : null}
      {tone === 'water' ? <LiquidTemp plan={plan} lineId={line.lineId} /> : null}
    </View>
  );
}

/** How warm the liquid should be, with the caution where it scalds, and its ice where it is to be cold. */
function LiquidTemp({ plan, lineId }: { plan: Plan; lineId: string }) {
  const format = useFormat();
  const today = plan.today?.liquid?.lineId === lineId ? plan.today.liquid : null;
  const tempC = today?.tempC ?? plan.formula.method.liquidTempC;
  const caution = heatCaution(tempC);
  if (caution) return <Caution folded {...caution} />;
  const ice = today?.ice ? say(', {mass} of it as ice', { mass: format.mass(today.ice.iceG) }) : '';
  return <Body tone="water">{say('At {temp}{ice}.', { temp: format.temp(tempC), ice })}</Body>;
}
