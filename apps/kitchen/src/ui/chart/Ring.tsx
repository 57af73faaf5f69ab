import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { useColours } from '../theme';
import { stillness } from '../stillness';
import type { Colours } from '../tokens';

const STROKE_SHARE = 0.07;

function ringOf(size: number) {
  const stroke = size * STROKE_SHARE;
  return { stroke, r: (size - stroke) / 2 };
}

const styles = StyleSheet.create({ middle: { alignItems: 'center', justifyContent: 'center' } });

interface ArcProps {
  size: number;
  /** Filled share, 0 to 1. */
  share: number;
  tone: keyof Colours;
  /** Seconds that the browser takes to glide to a new share: a ring told once a second moves all the while. */
  glideS?: number;
}

/** The types of SVG parts know no styles of the browser. */
const glide = (seconds: number): object => ({
  style: { transition: `stroke-dashoffset ${seconds}s linear` },
});

/** The filled part of a ring; apart from the rest of it, which stands still. */
export function RingArc({ size, share, tone, glideS = 0 }: ArcProps) {
  const colours = useColours();
  const { stroke, r } = ringOf(size);
  const round = 2 * Math.PI * r;
  return (
    <Circle
      cx={size / 2}
      cy={size / 2}
      r={r}
      stroke={colours[tone]}
      strokeWidth={stroke}
      fill="none"
      strokeDasharray={round}
      strokeDashoffset={round * (1 - Math.min(1, Math.max(0, share)))}
      transform={`rotate(-90 ${size / 2} ${size / 2})`}
      {...(glideS > 0 && !stillness() ? glide(glideS) : {})}
    />
  );
}

interface RingProps {
  size: number;
  /** A `RingArc`, or a part that draws one. */
  arc: ReactNode;
  children: ReactNode;
}

/** A timer's ring: it fills as time passes; number and word stand inside. */
export function Ring({ size, arc, children }: RingProps) {
  const colours = useColours();
  const { stroke, r } = ringOf(size);
  return (
    <View style={[styles.middle, { width: size, height: size }]}>
      <Svg width={size} height={size} style={StyleSheet.absoluteFill} aria-hidden>
        <Circle cx={size / 2} cy={size / 2} r={r} stroke={colours.rule} strokeWidth={stroke} fill="none" />
        {arc}
      </Svg>
      {children}
    </View>
  );
}
