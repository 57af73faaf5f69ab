import { say } from '../../../reader/say';
import { windowAt } from '@kettle-scale/core/batch';
import { formatClock } from '@kettle-scale/core/quantity';
import { StyleSheet, View } from 'react-native';
import { FillingArc, Ring, RingArc } from '../../../ui/chart/Ring';
import { Figure, Heading, Label } from '../../../ui/type';
import { LOOK_MS, useSampled } from '../../../ui/useSampled';

const MS_PER_S = 1000;
const FIGURE_SHARE = 0.4;

const styles = StyleSheet.create({ inside: { alignItems: 'center' } });

interface Side {
  /** When it went on, or was turned. */
  sinceMs: number;
  seconds: number;
}

const at = ({ sinceMs, seconds }: Side, nowMs: number) => windowAt(sinceMs, seconds, seconds, nowMs);

/** Whether a side has had its time; false while nothing lies. */
export const useDue = (side: Side | null): boolean =>
  useSampled((nowMs) => side !== null && at(side, nowMs).phase === 'late', LOOK_MS);

interface GriddleTimerProps {
  size: number;
  side: Side | null;
  /** What follows: flip, to the flame, off. */
  cue: string;
  piecesOff: number;
}

/** The side that bakes, counted down in its ring; how many are off while none does. */
export function GriddleTimer({ size, side, cue, piecesOff }: GriddleTimerProps) {
  const due = useDue(side);
  const figure = useSampled((nowMs) => {
    if (!side) return String(piecesOff);
    const { phase, remainingS } = at(side, nowMs);
    return phase === 'late' ? `+${Math.floor(remainingS)}` : String(Math.ceil(remainingS));
  }, LOOK_MS);
  return (
    <Ring
      size={size}
      arc={side ? <FillingArc {...{ size, ...side }} /> : <RingArc size={size} share={0} tone="dough" />}
    >
      <View style={styles.inside} role="timer">
        <Figure value={figure} size={size * FIGURE_SHARE} tone={due ? 'ember' : 'ink'} />
        <Heading tone={due ? 'ember' : 'soot'}>
          {side
            ? due
              ? say('{cue} now', { cue })
              : say('s, then {cue}', { cue: { lower: cue } })
            : 'pieces off'}
        </Heading>
      </View>
    </Ring>
  );
}

/** How long the batch has been on the griddle. */
export function OnGriddleFor({ startedMs }: { startedMs: number }) {
  const clock = useSampled((nowMs) => formatClock(Math.floor((nowMs - startedMs) / MS_PER_S)), LOOK_MS);
  return <Label>{say('On the griddle for {clock}', { clock })}</Label>;
}
