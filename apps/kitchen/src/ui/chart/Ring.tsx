import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { useColours } from '../theme';
import type { Colours } from '../tokens';

interface RingProps {
  size: number;
  /** Filled share, 0 to 1. */
  share: number;
  tone: keyof Colours;
  children: ReactNode;
}

const STROKE_SHARE = 0.07;

const styles = StyleSheet.create({ middle: { alignItems: 'center', justifyContent: 'center' } });

/** A timer's ring: it fills as time passes; number and word stand inside. */
export function Ring({ size, share, tone, children }: RingProps) {
  const colours = useColours();
  const stroke = size * STROKE_SHARE;
  const r = (size - stroke) / 2;
  const round = 2 * Math.PI * r;
  return (
    <View style={[styles.middle, { width: size, height: size }]}>
      <Svg width={size} height={size} style={StyleSheet.absoluteFill} aria-hidden>
        <Circle cx={size / 2} cy={size / 2} r={r} stroke={colours.rule} strokeWidth={stroke} fill="none" />
        <Circle
          cx={size / 2}
          cy={size / 2}
          r={r}
          stroke={colours[tone]}
          strokeWidth={stroke}
          fill="none"
          strokeDasharray={[round, round]}
          strokeDashoffset={round * (1 - Math.min(1, Math.max(0, share)))}
          transform={`rotate(-90 ${size / 2} ${size / 2})`}
        />
      </Svg>
      {children}
    </View>
  );
}
