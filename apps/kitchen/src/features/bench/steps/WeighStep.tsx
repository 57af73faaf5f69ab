import { type Plan, type Step, heatCaution } from '@kettle-scale/core/plan';
import { formatPercent, parseQuantity, sumG } from '@kettle-scale/core/quantity';
import { checkWeight } from '@kettle-scale/core/batch';
import { explainTarget } from '@kettle-scale/core/explain';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Unreachable, api } from '../../../api/api';
import type { LiveBatch } from '../../../batch/useBatch';
import { useReading } from '../../../live/useReading';
import { sourceWords } from '../../../shared/readingWords';
import { Caution } from '../../../ui/layout/Caution';
import { Keypad } from '../../../ui/input/Keypad';
import { usePreferences } from '../../../ui/preferences';
import { SPACE } from '../../../ui/tokens';
import { BigFigure, Body, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { BowlBar } from '../BowlBar';
import { LiveScale, ScaleChoice, ScalePanel } from '../LiveScale';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';
import { OffTarget } from './OffTarget';

const styles = StyleSheet.create({ middle: { gap: SPACE.s } });

/** Waits for the tare, so that the next line does not start from this one's weight; a scale that is away is not waited for. */
const tare = (): Promise<unknown> => api.deviceAct('scale', { act: 'tare' }).catch(onlyUnreachable);

function onlyUnreachable(error: unknown): void {
  if (!(error instanceof Unreachable)) throw error;
}

/** Weigh one line: on the live scale, by confirming the planned mass, or by keying in what the scale showed. */
export function WeighStep({ live, step }: { live: LiveBatch; step: Step }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const width = useStepWidth();
  const { scale: wanted, autoAdvance } = usePreferences();
  const [typed, setTyped] = useState<string | null>(null);
  /** A weight off its target, waiting for the cook's choice. */
  const [doubtG, setDoubtG] = useState<number | null>(null);
  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  const bowl = state.bowls[(step.bowl ?? 1) - 1];
  const inBowl = bowl?.lines.find(({ lineId }) => lineId === step.lineId);
  // A gram of salt is nothing to the bench scale.
  const byScale = wanted && line?.scale === 'bench';
  const heard = useReading('scale', byScale && doubtG === null);
  // What is old or made up is shown as such; nothing is weighed by it.
  const reading = heard?.takeable ? heard.reading : null;
  const taken = useRef(false);

  const beforeG = inBowl?.weighedG ?? 0;
  const scaleG = sumG([beforeG, reading?.massG ?? 0]);
  const check = reading && inBowl ? checkWeight(plan, state, step, scaleG) : null;
  const takeRight = () => {
    if (taken.current || scaleG <= 0) return;
    taken.current = true;
    const source = heard?.source ?? 'device';
    void tare().then(() => act({ type: 'weighed', stepId: step.id, massG: scaleG, by: 'scale', source }));
  };
  const takeScale = () => {
    if (check?.verdict === 'right') takeRight();
    else setDoubtG(scaleG);
  };
  const ready = autoAdvance && reading?.steady === true && check?.verdict === 'right' && typed === null;
  const takeNow = useEffectEvent(takeRight);
  useEffect(() => {
    if (ready) takeNow();
  }, [ready]);

  if (!line || !inBowl) return null;
  const liquid = line.kind === 'water' || line.kind === 'dairy';
  const tone = liquid ? 'water' : 'ink';
  const { targetG, weighedG } = inBowl;
  const topUpG = weighedG === null ? null : targetG - weighedG;
  const weighed = (massG: number) => ({
    type: 'weighed' as const,
    stepId: step.id,
    massG,
    by: 'hand' as const,
  });
  const parsed = parseQuantity(typed ?? '', { defaultUnit: format.units === 'metric' ? 'g' : 'oz' });
  const typedG = parsed.ok ? parsed.quantity.amount : null;

  const keyed = () => {
    if (typedG === null) return;
    setTyped(null);
    const massG = (weighedG ?? 0) + typedG;
    if (checkWeight(plan, state, step, massG).verdict === 'right') act(weighed(massG));
    else setDoubtG(massG);
  };

  if (doubtG !== null) {
    return (
      <OffTarget
        live={live}
        step={step}
        massG={doubtG}
        onAgain={() => {
          setDoubtG(null);
          if (!byScale) setTyped('');
        }}
        onDone={() => {
          setDoubtG(null);
          if (byScale) void tare();
        }}
      />
    );
  }

  const showG = topUpG ?? targetG;
  const shown = format.massFigure(showG, line.stepG);
  const unit = format.units === 'metric' ? 'g' : 'oz';
  const share = formatPercent(line.fraction, 1);
  const showScale = reading !== null && typed === null;
  const primary =
    typed !== null
      ? {
          label: typedG === null ? 'Key in the scale' : `Use ${typed} ${unit}`,
          onPress: keyed,
          disabled: typedG === null,
        }
      : showScale
        ? {
            label: `Take ${format.mass(reading.massG, line.stepG)}`,
            onPress: takeScale,
            disabled: reading.overload || reading.massG <= 0,
            quiet: check?.verdict !== 'right',
          }
        : { label: `${format.mass(showG, line.stepG)} is in`, onPress: () => act(weighed(targetG)) };
  const held = line.startG === undefined ? 0 : sumG([inBowl.totalG, -targetG]);
  return (
    <StepFrame
      live={live}
      step={step}
      {...(typed === null ? { why: () => explainTarget(plan, state, step, format.units) } : {})}
      {...(topUpG === null ? {} : { title: `Add more ${line.name.toLowerCase()}` })}
      primary={primary}
      others={[
        typed === null
          ? { key: 'key', label: 'Key it in', onPress: () => setTyped('') }
          : { key: 'key', label: 'Back', onPress: () => setTyped(null) },
      ]}
    >
      {showScale && check ? (
        <LiveScale
          reading={reading}
          source={heard ? sourceWords(heard) : ''}
          targetG={showG}
          check={check}
          stepG={1}
          tone={tone}
          onTare={() => void tare()}
        />
      ) : (
        <View style={styles.middle}>
          <Label>{typed === null ? 'Put on the scale' : 'The scale shows'}</Label>
          <BigFigure
            value={typed === null ? shown.value : typed || '0'}
            unit={typed === null ? shown.unit : unit}
            tone={tone}
            width={width}
            label={typed === null ? `${shown.value} ${shown.unit}` : `${typed} ${unit}`}
          />
        </View>
      )}
      {typed === null ? (
        <View style={styles.middle}>
          <Heading tone={tone}>{line.note ? `${line.name}, ${line.note}` : line.name}</Heading>
          <Body tone="soot">
            {topUpG === null
              ? `${share} of flour, on the ${line.scale} scale, to ${format.mass(line.stepG, line.stepG)}`
              : `to ${format.mass(targetG, line.stepG)}: the batch follows the over-pour`}
          </Body>
          {held > 0 ? (
            <Body
              tone={tone}
            >{`To start with. ${format.mass(held, line.stepG)} more is kept ready and goes in by feel.`}</Body>
          ) : null}
          {liquid ? <LiquidTemp plan={plan} lineId={line.lineId} /> : null}
        </View>
      ) : (
        <Keypad text={typed} onChange={setTyped} />
      )}
      {typed === null && bowl ? <BowlBar plan={plan} bowl={bowl} nowId={line.lineId} /> : null}
      {heard && !showScale && typed === null ? <Label>{`Bench scale: ${sourceWords(heard)}`}</Label> : null}
      {typed === null && line.scale === 'bench' ? <ScaleChoice /> : null}
      {showScale && heard?.source === 'simulated' ? (
        <ScalePanel wantG={Math.max(0, Math.round(showG - reading.massG))} />
      ) : null}
    </StepFrame>
  );
}

/** How warm the liquid should be, with the caution where it scalds, and its ice where it is to be cold. */
function LiquidTemp({ plan, lineId }: { plan: Plan; lineId: string }) {
  const format = useFormat();
  const today = plan.today?.liquid?.lineId === lineId ? plan.today.liquid : null;
  const tempC = today?.tempC ?? plan.formula.method.liquidTempC;
  const caution = heatCaution(tempC, format.units);
  if (caution) return <Caution {...caution} />;
  const ice = today?.ice ? `, ${format.mass(today.ice.iceG)} of it as ice` : '';
  return <Body tone="water">{`At ${format.temp(tempC)}${ice}.`}</Body>;
}
