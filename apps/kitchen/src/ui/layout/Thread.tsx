import { say } from '../../reader/say';
import { View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { useColours } from '../theme';

interface ThreadProps {
  /** Steps in all, and the one to do now (from 0); `now` equal to `count` when all are done. */
  count: number;
  now: number;
  width: number;
  label: string;
}

const HEIGHT = 28;
const NOW_R = 10;
const DOT_R = 4.5;
/** Closer than this the dots become a plain line. */
const LEAST_GAP = 14;

/** The batch as a thread of steps: done, now, to come. */
export function Thread({ count, now, width, label }: ThreadProps) {
  const colours = useColours();
  const span = width - 2 * NOW_R;
  const gap = count > 1 ? span / (count - 1) : 0;
  const x = (index: number) => NOW_R + index * gap;
  const y = HEIGHT / 2;
  const reached = x(Math.min(now, count - 1));
  const dots = gap >= LEAST_GAP ? Array.from({ length: count }, (_, index) => index) : [];
  return (
    <View role="img" aria-label={say(label)}>
      <Svg width={width} height={HEIGHT}>
        <Line x1={NOW_R} x2={width - NOW_R} y1={y} y2={y} stroke={colours.rule} strokeWidth={3} />
        <Line x1={NOW_R} x2={reached} y1={y} y2={y} stroke={colours.ink} strokeWidth={3} />
        {dots.map((index) => (
          <Circle
            key={index}
            cx={x(index)}
            cy={y}
            r={DOT_R}
            fill={index < now ? colours.ink : colours.ground}
            stroke={colours.ink}
            strokeWidth={2}
          />
        ))}
        {now < count ? <Circle cx={reached} cy={y} r={NOW_R} fill={colours.ember} /> : null}
      </Svg>
    </View>
  );
}
