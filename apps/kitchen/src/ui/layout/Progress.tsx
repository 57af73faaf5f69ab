import { say } from '../../reader/say';
import { View } from 'react-native';
import { ProgressBar } from 'react-native-paper';
import { useColours } from '../theme';
import { Figure } from '../type';

const PERCENT = 100;
const BAR_PX = 8;

interface ProgressProps {
  /** What is worked on. */
  label: string;
  /** 0 to 1. */
  share: number;
  size?: number;
}

/** How far a piece of work is, as a figure and a bar. */
export function Progress({ label, share, size = 48 }: ProgressProps) {
  const colours = useColours();
  const percent = Math.round(PERCENT * share);
  return (
    <View>
      <Figure value={String(percent)} unit="%" size={size} />
      <ProgressBar
        progress={share}
        color={colours.ember}
        style={{ height: BAR_PX, backgroundColor: colours.rule }}
        aria-label={say(label)}
        // Paper's own figure is in a property that the web does not pass on.
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={PERCENT}
      />
    </View>
  );
}
