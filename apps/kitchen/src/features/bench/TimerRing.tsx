import { say } from '../../reader/say';
import type { TimeWindow } from '@kettle-scale/core/batch';
import { formatClock } from '@kettle-scale/core/quantity';
import { StyleSheet, View } from 'react-native';
import { Ring, RingArc } from '../../ui/chart/Ring';
import { Body, Figure } from '../../ui/type';

const styles = StyleSheet.create({ inside: { alignItems: 'center' } });
const FIGURE_SHARE = 0.3;

interface TimerRingProps {
  size: number;
  /** Null before it was started. */
  running: TimeWindow | null;
  earliestS: number;
  words: Record<TimeWindow['phase'], string>;
  /** What it is to take, until it runs. */
  label: string;
}

/** A window of time as number, ring and word. */
export function TimerRing({ size, running, earliestS, words, label }: TimerRingProps) {
  const phase = running?.phase;
  const figure = formatClock(running ? Math.ceil(running.remainingS) : earliestS);
  return (
    <Ring
      size={size}
      arc={
        <RingArc
          size={size}
          share={running?.share ?? 0}
          tone={phase === 'late' ? 'plum' : phase === 'open' ? 'sage' : 'maize'}
        />
      }
    >
      <View style={styles.inside} role="timer" aria-label={say(phase ? words[phase] : label)}>
        <Figure
          value={phase === 'late' ? `+${figure}` : figure}
          size={size * FIGURE_SHARE}
          tone={phase === 'late' ? 'plum' : 'ink'}
        />
        <Body tone={phase === 'late' ? 'plum' : 'soot'}>{phase ? words[phase] : label}</Body>
      </View>
    </Ring>
  );
}
