import { say, sayAll } from '../../reader/say';
import type { WeighCheck } from '@kettle-scale/core/batch';
import type { ReadingOf } from '@kettle-scale/core/device';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { api } from '../../api/api';
import { Action, ActionRow } from '../../ui/input/actions';
import { Check } from '../../ui/input/Choices';
import { Sheet } from '../../ui/layout/Sheet';
import { usePreferences } from '../../reader/preferences';
import { useColours } from '../../ui/theme';
import { SPACE } from '../../ui/tokens';
import { BigFigure, Body, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useStripWidth } from '../../ui/layout/useStripWidth';
import { useStepWidth } from './useStepWidth';

const HEIGHT = 56;
const BAR = { top: 18, height: 24 } as const;
/** The strip ends this far above the target, as a share of it. */
const HEADROOM = 0.25;
/** A band thinner than this could not be seen. */
const LEAST_BAND_PX = 10;
const NEEDLE = 9;

const styles = StyleSheet.create({
  stack: { gap: SPACE.s },
  strip: { width: '100%', height: HEIGHT },
  state: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  words: { flex: 1 },
});

interface LiveScaleProps {
  reading: ReadingOf<'scale'>;
  /** Where the reading comes from, and how old it is, in words. */
  source: string;
  /** Of the line with what is on the scale. */
  check: WeighCheck;
  targetG: number;
  stepG: number;
  tone: 'ink' | 'water';
  onTare: () => void;
}

const TONE = { short: 'soot', right: 'sage', over: 'plum' } as const;

function verdictWords({ offG, heldInG, toleranceG }: LiveScaleProps['check'], stepG: number) {
  const off = { g: Math.abs(offG), stepG };
  return {
    short: say('{off} to go', { off }),
    right:
      heldInG > toleranceG
        ? say('right, with {held} of the hold-back', { held: { g: heldInG, stepG } })
        : 'right',
    over: say('{off} too much', { off }),
  };
}

/** The weight as it comes, against its target and the band that is right. */
export function LiveScale({ reading, source, check, targetG, stepG, tone, onTare }: LiveScaleProps) {
  const colours = useColours();
  const format = useFormat();
  const stepWidth = useStepWidth();
  const { width, onLayout } = useStripWidth();
  const { verdict, toleranceG } = check;
  const figure = format.massFigure(reading.massG, stepG);
  const x = (g: number) => (Math.max(0, g) / (targetG * (1 + HEADROOM))) * width;
  const needle = Math.min(width - 2, x(reading.massG));
  const band = Math.max(LEAST_BAND_PX, x(targetG + toleranceG) - x(targetG - toleranceG));
  const words = verdictWords(check, stepG);
  const state = reading.overload
    ? 'Overloaded: take something off'
    : sayAll([words[verdict], reading.steady && 'steady']);
  return (
    <View style={styles.stack}>
      <Label>
        {say('On the scale, {source}: {mass} ± {mass2} wanted', {
          source,
          mass: format.mass(targetG, stepG),
          mass2: format.mass(toleranceG, stepG),
        })}
      </Label>
      <BigFigure
        value={figure.value}
        unit={figure.unit}
        width={stepWidth}
        tone={verdict === 'short' ? tone : TONE[verdict]}
      />
      <View style={styles.strip} onLayout={onLayout} aria-hidden>
        {width > 0 ? (
          <Svg width={width} height={HEIGHT}>
            <Rect
              x={0}
              y={BAR.top}
              width={width}
              height={BAR.height}
              fill={colours.surface}
              stroke={colours.ink}
              strokeWidth={2}
            />
            <Rect
              x={0}
              y={BAR.top + 3}
              width={Math.max(0, needle)}
              height={BAR.height - 6}
              fill={verdict === 'short' ? colours.water : colours[TONE[verdict]]}
            />
            <Rect
              x={x(targetG) - band / 2}
              y={BAR.top - 6}
              width={band}
              height={BAR.height + 12}
              fill="none"
              stroke={colours.sage}
              strokeWidth={3}
            />
            <Path
              d={`M${needle} ${BAR.top + BAR.height + 2}l${-NEEDLE} ${NEEDLE}h${2 * NEEDLE}z`}
              fill={colours.ink}
            />
          </Svg>
        ) : null}
      </View>
      <View style={styles.state}>
        <View role="status" style={styles.words}>
          <Strong tone={reading.overload ? 'plum' : TONE[verdict]}>{state}</Strong>
        </View>
        <Action label="Tare" onPress={onTare} />
      </View>
    </View>
  );
}

const POURS_G = [10, 100, 1000] as const;
const SCOOPS_G = [5, 50] as const;
/** A steady hand pours this fast. */
const G_PER_S = 200;
const SLOWEST_POUR_S = 0.5;

const act = (what: Parameters<typeof api.deviceAct>[1]) => void api.deviceAct('scale', what);

/** Plays with the simulated scale: for demonstrations and tests. */
export function ScalePanel({ wantG }: { wantG: number }) {
  const format = useFormat();
  const [open, setOpen] = useState(false);
  const pour = (massG: number) =>
    act({ act: 'pour', massG, seconds: Math.max(SLOWEST_POUR_S, massG / G_PER_S) });
  return (
    <>
      <Action label="Simulated scale: pour, scoop" onPress={() => setOpen(true)} />
      <Sheet open={open} onClose={() => setOpen(false)} label="Simulated scale">
        <Heading>Simulated scale</Heading>
        <Body tone="soot">A simulation: the bridge of a real device sends the same readings.</Body>
        {wantG > 0 ? (
          <Action
            label={say('Pour what is missing, {mass}', { mass: format.mass(wantG) })}
            onPress={() => {
              pour(wantG);
              setOpen(false);
            }}
          />
        ) : null}
        <ActionRow
          actions={POURS_G.map((massG) => ({
            key: String(massG),
            label: say('Pour {mass}', { mass: format.mass(massG) }),
            onPress: () => pour(massG),
          }))}
        />
        <ActionRow
          actions={[
            ...SCOOPS_G.map((massG) => ({
              key: String(massG),
              label: say('Scoop {mass}', { mass: format.mass(massG) }),
              onPress: () => act({ act: 'scoop', massG }),
            })),
            { key: 'clear', label: 'Clear', onPress: () => act({ act: 'clear' }) },
          ]}
        />
      </Sheet>
    </>
  );
}

/** By the live scale or by hand; and whether a steady right weight goes on by itself. */
export function ScaleChoice() {
  const { scale, autoAdvance, set } = usePreferences();
  return (
    <View>
      <Check label="Live scale" value={scale} onChange={(value) => set({ scale: value })} />
      {scale ? (
        <Check
          label="Continue automatically when steady and within tolerance"
          value={autoAdvance}
          onChange={(value) => set({ autoAdvance: value })}
        />
      ) : null}
    </View>
  );
}
