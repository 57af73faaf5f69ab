import { say } from '../../reader/say';
import { clockText, readClock } from '@kettle-scale/core/quantity';

import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { type ScaleLinear, scaleLinear } from 'd3-scale';
import { Axis } from '../../ui/chart/Axis';
import { useStripWidth } from '../../ui/layout/useStripWidth';
import { useColours } from '../../ui/theme';
import { FONT } from '../../ui/tokens';
import { usePointerDrag } from '../../ui/usePointerDrag';
import type { WaveText } from './serviceForm';

const HEIGHT_PX = 140;
const FOOT_PX = 26;
const TOP_PX = 26;
const HANDLE_PX = 12;
const REACH_PX = 30;
const STEP_S = 300;
const EDGE_PX = 8;
/** The picture is at least so high, and this much higher than its peaks. */
const LEAST_TOP = 10;
const HEADROOM = 1.25;
/** A triangle of so many pieces over an hour is this high: pieces of the busiest quarter. */
const QUARTER_S = 900;

interface WaveCurveProps {
  name: string;
  waves: readonly WaveText[];
  from: number;
  to: number;
  onChange: (wave: number, changes: Partial<WaveText>) => void;
}

interface Drawn {
  wave: number;
  opens: number;
  peak: number;
  closes: number;
  pieces: number;
  /** Pieces of a quarter of an hour at its peak. */
  top: number;
}

const drawn = (waves: readonly WaveText[]): Drawn[] =>
  waves.flatMap((text, wave) => {
    const [opens, peak, closes] = [text.opens, text.peak, text.closes].map(readClock) as (number | null)[];
    const pieces = Number(text.pieces);
    if (opens == null || peak == null || closes == null || !(closes > opens) || !(pieces >= 0)) return [];
    return [{ wave, opens, peak, closes, pieces, top: (2 * pieces * QUARTER_S) / (closes - opens) }];
  });

/** A peak held by the pointer, with the scale of the picture as it was then: it would run away from the finger otherwise. */
interface Held {
  wave: number;
  most: number;
}

interface Scales {
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
}

/** Takes hold of the peak under the pointer and moves it in time and pieces. */
function usePeaks(
  shown: readonly Drawn[],
  { x, y }: Scales,
  [held, setHeld]: [Held | null, (held: Held | null) => void],
  most: number,
  onChange: WaveCurveProps['onChange'],
) {
  return usePointerDrag({
    onDown: (place) => {
      const near = shown.find((one) => Math.hypot(x(one.peak) - place.x, y(one.top) - place.y) <= REACH_PX);
      if (near) setHeld({ wave: near.wave, most });
      return near !== undefined;
    },
    onMove: (place) => {
      const one = shown.find(({ wave }) => wave === held?.wave);
      if (!one) return;
      const at = Math.round(x.invert(place.x) / STEP_S) * STEP_S;
      const top = Math.max(0, y.invert(place.y));
      onChange(one.wave, {
        peak: clockText(Math.min(one.closes, Math.max(one.opens, at))),
        pieces: String(Math.round((top * (one.closes - one.opens)) / (2 * QUARTER_S))),
      });
    },
    onUp: () => setHeld(null),
    onCancel: () => setHeld(null),
  });
}

function Triangle({ one, x, y }: { one: Drawn } & Scales) {
  const colours = useColours();
  return (
    <G>
      <Path
        d={`M${x(one.opens)} ${y(0)}L${x(one.peak)} ${y(one.top)}L${x(one.closes)} ${y(0)}Z`}
        fill={colours.maize}
        opacity={0.5}
      />
      <Circle cx={x(one.peak)} cy={y(one.top)} r={HANDLE_PX} fill={colours.ember} />
      <SvgText
        x={x(one.peak)}
        y={y(one.top) - HANDLE_PX - 4}
        textAnchor="middle"
        fontFamily={FONT.figure}
        fontSize={16}
        fill={colours.ink}
      >
        {say('{pieces, number} pieces', { pieces: one.pieces })}
      </SvgText>
    </G>
  );
}

/** What guests want through the service; a peak is dragged sideways in time, up and down in pieces. */
export function WaveCurve({ name, waves, from, to, onChange }: WaveCurveProps) {
  const { width, onLayout } = useStripWidth();
  const shown = drawn(waves);
  const [held, setHeld] = useState<Held | null>(null);
  const most = held?.most ?? Math.max(LEAST_TOP, ...shown.map(({ top }) => top)) * HEADROOM;
  const x = scaleLinear([from, to], [EDGE_PX, Math.max(EDGE_PX + 1, width - EDGE_PX)]);
  const y = scaleLinear([0, most], [HEIGHT_PX - FOOT_PX, TOP_PX]);
  const handlers = usePeaks(shown, { x, y }, [held, setHeld], most, onChange);
  const words = shown
    .map(({ pieces, peak }) =>
      say('{pieces, number} pieces around {clockText}', { pieces, clockText: clockText(peak) }),
    )
    .join(', ');
  return (
    <View
      role="img"
      aria-label={say('{name}: {words}. The fields below say the same.', { name, words })}
      onLayout={onLayout}
      style={{ width: '100%', height: HEIGHT_PX, touchAction: 'pan-y' } as object}
      {...handlers}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT_PX}>
          {shown.map((one) => (
            <Triangle key={one.wave} {...{ one, x, y }} />
          ))}
          <Axis
            side="bottom"
            scale={x}
            ticks={[from, (from + to) / 2, to]}
            format={clockText}
            at={HEIGHT_PX - FOOT_PX}
            line={[EDGE_PX, width - EDGE_PX]}
          />
        </Svg>
      ) : null}
    </View>
  );
}
