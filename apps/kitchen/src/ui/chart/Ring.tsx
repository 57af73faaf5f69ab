import { type ReactNode, type Ref, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { useColours } from '../theme';
import type { Colours } from '../tokens';
import { LOOK_MS, secondsTo, useSampled, useWritten } from '../useSampled';

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
  ref?: Ref<Circle>;
}

/** What is left out of a ring's round, px, where a share of it is filled. */
const gapOf = (size: number, share: number): number =>
  2 * Math.PI * ringOf(size).r * (1 - Math.min(1, Math.max(0, share)));

/** The filled part of a ring; apart from the rest of it, which stands still. */
export function RingArc({ size, share, tone, ref }: ArcProps) {
  const colours = useColours();
  const { stroke, r } = ringOf(size);
  return (
    <Circle
      ref={ref}
      cx={size / 2}
      cy={size / 2}
      r={r}
      stroke={colours[tone]}
      strokeWidth={stroke}
      fill="none"
      strokeDasharray={gapOf(size, 0)}
      strokeDashoffset={gapOf(size, share)}
      transform={`rotate(-90 ${size / 2} ${size / 2})`}
    />
  );
}

const MS_PER_S = 1000;

interface FillingArcProps {
  size: number;
  /** When it was empty. */
  sinceMs: number;
  /** Until it is full. */
  seconds: number;
}

/**
 * A ring that fills with time, second by second, as the figure in it counts: one that glides is painted sixty times a second,
 * and a plate of nine then takes a third of a small processor, and of a battery, for hours.
 */
export function FillingArc({ size, sinceMs, seconds }: FillingArcProps) {
  const dueMs = sinceMs + seconds * MS_PER_S;
  const isFull = useSampled((nowMs) => nowMs >= dueMs, LOOK_MS);
  const arc = useRef<Circle>(null);
  useWritten(
    (nowMs) => secondsTo(dueMs, nowMs),
    (leftS) => {
      // On the web react-native-svg takes it in a style.
      const written: object = { style: { strokeDashoffset: gapOf(size, 1 - leftS / seconds) } };
      arc.current?.setNativeProps(written);
    },
    LOOK_MS,
  );
  return <RingArc ref={arc} size={size} share={isFull ? 1 : 0} tone={isFull ? 'ember' : 'dough'} />;
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
