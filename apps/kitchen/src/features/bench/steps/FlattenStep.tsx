import { say } from '../../../reader/say';
import { type BatchState, ballsAtHand } from '@kettle-scale/core/batch';
import { ROLLED_STEP_MM } from '@kettle-scale/core/bake';
import { bakeSecondsOf } from '@kettle-scale/core/formula';
import { PIECES_ON_PLATE, type Step, laidOut } from '@kettle-scale/core/plan';
import { discDiameterMm, DISC_KEEPS_S, rollAhead } from '@kettle-scale/core/portion';
import { roundToStep } from '@kettle-scale/core/quantity';
import { explainRolling } from '@kettle-scale/core/explain';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View, useWindowDimensions } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { LiveBatch } from '../../../batch/useBatch';
import { ColdBalls } from '../../../shared/ColdBalls';
import { Action } from '../../../ui/input/actions';
import { Disc } from '../../../ui/chart/Disc';
import { useColours } from '../../../ui/theme';
import { useSideways } from '../../../ui/layout/useWide';
import { CORNER, SPACE, TOUCH } from '../../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { CheckBalls } from '../CheckBalls';
import { EdgeSection } from '../EdgeSection';
import { OnBreadNow } from '../OnBreadNow';
import { StepCautions } from '../../../shared/StepCautions';
import { StepFrame } from '../StepFrame';
import { useStepWidth } from '../useStepWidth';
import { HotPressCaution, ShapingWords } from './ShapingWords';

const STEP = { diameterMm: 2, thicknessMm: ROLLED_STEP_MM } as const;
const PICTURE_SHARE = { ofWidth: 0.44, ofHeight: 0.17 } as const;

const styles = StyleSheet.create({
  // On its side a phone has no room for both: the figures come first.
  figuresFirst: { flexDirection: 'column-reverse', gap: SPACE.m },
  upright: { gap: SPACE.m },
  picture: { alignItems: 'center', gap: SPACE.s },
  pair: { flexDirection: 'row', gap: SPACE.l },
  half: { flex: 1 },
  buttons: { flexDirection: 'row', gap: SPACE.s },
  button: { flex: 1, width: 'auto', height: TOUCH.other, margin: 0, borderRadius: CORNER, borderWidth: 2 },
});

interface MeasureProps {
  label: string;
  value: string;
  unit: string;
  onStep: (direction: 1 | -1) => void;
}

function Measure({ label, value, unit, onStep }: MeasureProps) {
  const colours = useColours();
  return (
    <View style={styles.half}>
      <Label>{label}</Label>
      <Figure value={value} unit={unit} size={64} />
      <View style={styles.buttons}>
        {([-1, 1] as const).map((direction) => (
          <IconButton
            key={direction}
            icon={direction < 0 ? 'minus' : 'plus'}
            iconColor={colours.ink}
            accessibilityLabel={say(direction < 0 ? '{label}: less' : '{label}: more', { label })}
            onPress={() => onStep(direction)}
            style={[styles.button, { borderColor: colours.ink }]}
          />
        ))}
      </View>
    </View>
  );
}

const AHEAD_VERB = {
  pin: 'Roll',
  'hand-stretch': 'Stretch',
  'sheet-thin': 'Roll',
  'sheet-press': 'Press',
} as const;
const LAID_FIRST = {
  floured: 'Make {pieces, number} first: floured, under a cloth. They keep {keeps}.',
  'between sheets': 'Make {pieces, number} first, between sheets. They keep {keeps}.',
  'over the rim of a bowl': 'Make {pieces, number} first, over the rim of a bowl. They keep {keeps}.',
} as const;
const AHEAD_WHY = {
  hands: 'rolling is slower than the plate',
  plate: 'the plate is slower than rolling',
  skin: 'more would dry before they are baked',
} as const;

type DiscSize = Record<keyof typeof STEP, number>;

interface DiscPictureProps {
  disc: DiscSize;
  planned: DiscSize;
  springBack: number;
  measured: BatchState['discs'][number] | null;
}

/** The disc true to scale, and its edge rolled and relaxed. */
function DiscPicture({ disc, planned, springBack, measured }: DiscPictureProps) {
  const width = useStepWidth();
  const { height } = useWindowDimensions();
  const px = Math.round(Math.min(width * PICTURE_SHARE.ofWidth, height * PICTURE_SHARE.ofHeight));
  return (
    <View style={styles.picture}>
      <Disc
        diameterMm={disc.diameterMm}
        px={px}
        scaleMm={Math.max(disc.diameterMm, planned.diameterMm)}
        freckled={false}
      />
      <EdgeSection
        rolled={disc}
        relaxed={{
          diameterMm: disc.diameterMm * (1 - springBack),
          thicknessMm: disc.thicknessMm / (1 - springBack) ** 2,
        }}
        measured={measured}
      />
    </View>
  );
}

interface FlattenMoreProps {
  live: LiveBatch;
  step: Step;
  diameterMm: number;
  /** Why no more are rolled ahead. */
  limit: string | null;
}

/** How far it springs back, how it is worked, and the ways to check balls and discs. */
function FlattenMore({ live, step, diameterMm, limit }: FlattenMoreProps) {
  const router = useRouter();
  const format = useFormat();
  const { id, plan } = live.batch;
  const { springBack } = plan.formula.product;
  return (
    <>
      <Body tone="soot">
        {springBack > 0
          ? say('It springs back {springBack}, to {length}. {note}', {
              springBack: { share: springBack },
              length: format.length(diameterMm * (1 - springBack)),
              note: plan.formula.method.shaping.note,
            })
          : plan.formula.method.shaping.note}
      </Body>
      {limit ? <Body tone="soot">{say('Limit: {why}.', { why: limit })}</Body> : null}
      <OnBreadNow plan={plan} at={['on the bench']} />
      <CheckBalls live={live} />
      <Action label="True size, and measure a disc" onPress={() => router.push(`/bench/${id}/disc`)} />
      <ColdBalls live={live} over={false} />
      <ShapingWords live={live} step={step} />
    </>
  );
}

/** Roll to a diameter and a thickness; measured ones are kept. */
export function FlattenStep({ live, step }: { live: LiveBatch; step: Step }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const ballG = state.divided?.ballG ?? plan.ballG;
  const planned = {
    thicknessMm: roundToStep(plan.rolled.thicknessMm, STEP.thicknessMm),
    diameterMm: Math.round(discDiameterMm(ballG, plan.rolled.thicknessMm, plan.doughDensityGMl)),
  };
  const sideways = useSideways();
  const [disc, setDisc] = useState(planned);
  const change = (key: keyof typeof STEP) => (direction: 1 | -1) =>
    setDisc((now) => ({
      ...now,
      [key]: Math.max(STEP[key], roundToStep(now[key] + direction * STEP[key], 0.1)),
    }));
  const diameter = format.lengthFigure(disc.diameterMm);
  const thickness = format.lengthFigure(disc.thicknessMm);
  const { springBack } = plan.formula.product;
  const { shaping } = plan.formula.method;
  const pieces = Math.max(1, ballsAtHand(plan, state));
  const laid = laidOut(plan.formula, pieces);
  const bakeS = bakeSecondsOf(plan.formula.bake);
  const ahead = rollAhead({
    pieces,
    rollS: step.expectedS,
    griddleS: bakeS / PIECES_ON_PLATE,
    keepsS: DISC_KEEPS_S,
  });

  return (
    <StepFrame
      live={live}
      step={step}
      why={() => explainRolling(plan, ballG)}
      primary={{
        label: laid ? 'Discs laid out' : 'First discs rolled',
        onPress: () => act({ type: 'flattened', ...disc }),
      }}
      more={
        <FlattenMore
          {...{ live, step }}
          diameterMm={disc.diameterMm}
          limit={shaping.how === 'hot-press' || laid ? null : AHEAD_WHY[ahead.limit]}
        />
      }
    >
      <View style={sideways ? styles.figuresFirst : styles.upright}>
        <DiscPicture
          disc={disc}
          planned={planned}
          springBack={springBack}
          measured={state.discs.at(-1) ?? null}
        />
        <View style={styles.pair}>
          <Measure
            label="Rolled to"
            value={diameter.value}
            unit={diameter.unit}
            onStep={change('diameterMm')}
          />
          <Measure
            label="Thick"
            value={thickness.value}
            unit={thickness.unit}
            onStep={change('thicknessMm')}
          />
        </View>
      </View>
      <Heading>
        {laid
          ? say(LAID_FIRST[laid.where], { pieces: laid.atOnce, keeps: { s: laid.keepsS } })
          : shaping.how === 'hot-press'
            ? 'Press one as a place comes free.'
            : say('{aheadVerb} {before, number} first, then stay {ahead, number} ahead.', {
                aheadVerb: AHEAD_VERB[shaping.how],
                before: ahead.before,
                ahead: ahead.ahead,
              })}
      </Heading>
      <OnBreadNow short plan={plan} at={['on the bench']} />
      {shaping.how === 'hot-press' ? <HotPressCaution /> : null}
      <StepCautions plan={plan} kind="flatten" />
      <ColdBalls live={live} over />
    </StepFrame>
  );
}
