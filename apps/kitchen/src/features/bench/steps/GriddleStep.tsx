import { say } from '../../../reader/say';
import { ballsAtHand, ballsMade, careDue, coldStore } from '@kettle-scale/core/batch';
import { type BakePhase, bakePhases, plateCFor } from '@kettle-scale/core/formula';
import type { Step } from '@kettle-scale/core/plan';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action } from '../../../ui/input/actions';
import { useHotLine } from '../../../reader/preferences';
import { useSideways } from '../../../ui/layout/useWide';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { UseWhich } from '../../../shared/UseWhich';
import { usePlanTimes } from '../../../shared/useBakeTimes';
import { useOwnSeconds } from '../../../shared/useOwnSeconds';
import { BallsLeftSheet } from '../../../shared/BallsLeftSheet';
import { ColdBalls } from '../../../shared/ColdBalls';
import { PlateCareNow } from '../../../shared/PlateCareNow';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';
import { OnBreadNow } from '../OnBreadNow';
import { StepCautions } from '../../../shared/StepCautions';
import { StepFrame } from '../StepFrame';
import { useAlarm } from '../../../ui/alarm/useAlarm';
import { useRingSize } from '../useStepWidth';
import { GriddleTimer, OnGriddleFor, useDue } from './GriddleTimer';

const styles = StyleSheet.create({
  middle: { alignItems: 'center', justifyContent: 'center', flexGrow: 1, gap: SPACE.m },
  facts: { flexDirection: 'row', justifyContent: 'space-between' },
  factsDown: { gap: SPACE.s },
  plate: { flexGrow: 1, gap: SPACE.m },
  plateAcross: { flexDirection: 'row', flexGrow: 1, gap: SPACE.m },
});

interface HeatAndSecondsProps {
  /** None while it is worked out which seconds hold. */
  phases: readonly BakePhase[];
  /** Of the piece that lies, or comes next, °C. */
  plateC: number;
  ranges: readonly string[];
}

/** The plate's heat and each side's seconds, with their ranges where this kitchen's are known. */
function HeatAndSeconds({ phases, plateC, ranges }: HeatAndSecondsProps) {
  const format = useFormat();
  return (
    <View style={useSideways() ? styles.factsDown : styles.facts}>
      <View>
        <Label>Plate</Label>
        <Figure value={format.temp(plateC)} size={36} tone="ember" />
      </View>
      {phases.length === 0 ? <Body tone="soot">Working out the seconds …</Body> : null}
      {phases.map(({ name, seconds }, index) => (
        <View key={say(name)}>
          <Label>{name}</Label>
          <Figure value={String(seconds)} unit="s" size={36} />
          {ranges[index] ? <Label>{`${ranges[index]} s`}</Label> : null}
        </View>
      ))}
    </View>
  );
}

/** When each goes on the bread. */
const ON_BREAD = ['on the face', 'on the pan', 'after the turn', 'at the end'] as const;

interface NextAct {
  live: LiveBatch;
  done: () => void;
  /** What the piece on the plate is for next. */
  cue: string;
  /** The next piece to go on. */
  piece: number;
  /** Whether another side follows. */
  following: boolean;
}

/** The one act that takes the batch forward: a piece on, over or off, cold balls out, or the end. */
function nextAct({ live, done, cue, piece, following }: NextAct) {
  const { batch, state, act } = live;
  const { balls: cold } = coldStore(batch.plan, state);
  const griddle = state.onPlate.at(0) ?? null;
  const allOff = !griddle && ballsAtHand(batch.plan, state) === 0;
  return allOff && cold
    ? {
        label: say('Take out {pieces, number} balls', { pieces: cold.pieces }),
        onPress: () => act({ type: 'taken-out', pieces: cold.pieces }),
      }
    : allOff
      ? { label: 'All pieces are off', onPress: done }
      : griddle
        ? {
            label: say('{cue}: piece {piece, number}', { cue, piece: griddle.piece }),
            onPress: () =>
              following
                ? act({ type: 'flipped', piece: griddle.piece, side: griddle.side + 1 })
                : act({ type: 'piece-off', piece: griddle.piece }),
          }
        : {
            label: say('Piece {piece, number} on', { piece }),
            onPress: () => act({ type: 'piece-on', piece }),
          };
}

/** The formula's heat and seconds per side, piece by piece, with a flip timer. */
export function GriddleStep({ live, step }: { live: LiveBatch; step: Step }) {
  useHotLine();
  const router = useRouter();
  const { batch, state, act } = live;
  const { plan } = batch;
  const size = useRingSize();
  const sideways = useSideways();
  const times = usePlanTimes(plan, state.flattened);
  const own = useOwnSeconds(times);
  // Other seconds are never shown first.
  const phases = own ? bakePhases(own.bake) : [];
  const sides = bakePhases(plan.formula.bake);
  const pieces = ballsMade(plan, state);
  const atHand = ballsAtHand(plan, state);
  const { balls: cold } = coldStore(plan, state);
  const { piecesOff } = state;
  // One at a time; several at once are worked on the live griddle.
  const griddle = state.onPlate.at(0) ?? null;
  const piece = griddle?.piece ?? piecesOff + 1;
  const phase = griddle ? phases[griddle.side - 1] : undefined;
  const following = griddle ? sides[griddle.side] : undefined;
  const allOff = !griddle && atHand === 0;

  const side = griddle && phase ? { sinceMs: griddle.sinceMs, seconds: phase.seconds } : null;
  const due = useDue(side);
  const startedMs = state.steps.find((s) => s.step.id === step.id)?.startedMs;
  const cue = following ? (following.flame ? 'To the flame' : 'Turn') : 'Take off';
  const alarm = useAlarm(
    griddle && due ? `${batch.id}/${griddle.piece}/${griddle.side}/${griddle.sinceMs}` : null,
  );
  const title = allOff
    ? cold
      ? say('{pieces, number} balls in the fridge', { pieces: cold.pieces })
      : 'All off'
    : griddle
      ? say('{name}, piece {piece, number} of {pieces, number}', {
          name: sides[griddle.side - 1]?.name ?? '',
          piece: griddle.piece,
          pieces,
        })
      : say('Piece {piece, number} of {pieces, number}', { piece, pieces });
  const done = () => act({ type: 'done', stepId: step.id });
  const [ending, setEnding] = useState(false);

  const idle = griddle === null;
  // The plate is seen to while nothing lies on it; what it does then comes before what comes later.
  const careNow = idle && careDue(plan.formula.bake.care, state).length > 0;
  const several = <Action label="Several at once" onPress={() => router.push(`/griddle/live/${batch.id}`)} />;
  const primary = nextAct({ live, done, cue, piece, following: following !== undefined });

  return (
    <StepFrame
      live={live}
      step={step}
      title={title}
      primary={primary}
      others={
        (allOff && !cold) || griddle
          ? []
          : [{ key: 'end', label: 'No more pieces', onPress: () => setEnding(true) }]
      }
      {...(due ? { alarm: { ...alarm, words: say('{cue} now', { cue }) } } : {})}
      more={
        <>
          <Body tone="soot">{plan.formula.product.look}</Body>
          {times && !times.open ? <UseWhich times={times} /> : null}
          {own?.words && own.ranges.length === 0 ? <Label>{own.words}</Label> : null}
          {idle && !careNow ? null : several}
          {careNow ? <StepCautions plan={plan} kind="griddle" /> : null}
          <OnBreadNow plan={plan} at={ON_BREAD} />
          <TakeTemp
            kind="thermometer"
            label="Plate"
            onTake={(taken) => act(measuredBody(step.id, 'plate', taken))}
          />
          <ColdBalls live={live} over={false} />
          {startedMs ? <OnGriddleFor startedMs={startedMs} /> : null}
        </>
      }
    >
      <View style={sideways ? styles.plateAcross : styles.plate}>
        <HeatAndSeconds
          phases={phases}
          plateC={plateCFor(plan.formula.bake, piece)}
          ranges={own?.ranges ?? []}
        />
        {times?.open ? <UseWhich times={times} /> : null}
        <View style={styles.middle}>
          {griddle && !side ? null : <GriddleTimer size={size} side={side} cue={cue} piecesOff={piecesOff} />}
          {phase?.act ? <Heading>{phase.act}</Heading> : null}
        </View>
      </View>
      {careNow ? <PlateCareNow live={live} /> : null}
      <OnBreadNow short plan={plan} at={ON_BREAD} />
      <ColdBalls live={live} over />
      {idle && !careNow ? several : null}
      {careNow ? null : <StepCautions plan={plan} kind="griddle" />}
      <BallsLeftSheet live={live} open={ending} onClose={() => setEnding(false)} onNone={done} />
    </StepFrame>
  );
}
