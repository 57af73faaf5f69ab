import { say } from '../../reader/say';
import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { Axis } from '../../ui/chart/Axis';
import { useColours } from '../../ui/theme';
import { useFormat } from '../../ui/useFormat';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const HEIGHT = 84;
const AXIS_Y = 52;
const DOT = 8;
/** The strip reaches this many tolerances to either side, or to the farthest ball. */
const REACH = 2;

interface Props {
  ballsG: readonly number[];
  targetG: number;
  toleranceG: number;
}

/** Balls as they were weighed, over the weight that is wanted and its tolerance. */
export function BallStrip({ ballsG, targetG, toleranceG }: Props) {
  const colours = useColours();
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const reach = Math.max(REACH * toleranceG, ...ballsG.map((g) => Math.abs(g - targetG) * 1.1));
  const x = scaleLinear([targetG - reach, targetG + reach], [DOT + 2, Math.max(DOT, width - DOT - 2)]);
  const marks = [targetG - toleranceG, targetG, targetG + toleranceG];
  const words = ballsG.map((g) => format.mass(g, 0.1)).join(', ');
  return (
    <View
      role="img"
      aria-label={ballsG.length > 0 ? say('Balls: {words}', { words }) : say('No ball weighed yet')}
      onLayout={onLayout}
      style={{ width: '100%', height: HEIGHT }}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT}>
          <Rect
            x={x(targetG - toleranceG)}
            y={14}
            width={x(targetG + toleranceG) - x(targetG - toleranceG)}
            height={AXIS_Y - 14}
            fill={colours.sage}
            opacity={0.22}
          />
          {marks.map((g, index) => (
            <Line
              key={g}
              x1={x(g)}
              x2={x(g)}
              y1={10}
              y2={AXIS_Y + 6}
              stroke={index === 1 ? colours.ink : colours.sage}
              strokeWidth={2}
            />
          ))}
          <Axis
            side="bottom"
            scale={x}
            ticks={marks}
            format={(g) => format.mass(g, 0.1)}
            at={AXIS_Y}
            line={[0, width]}
          />
          {ballsG.map((g, index) => {
            const out = Math.abs(g - targetG) > toleranceG;
            const last = index === ballsG.length - 1;
            return (
              <Circle
                key={index}
                cx={x(g)}
                cy={32}
                r={last ? DOT + 2 : DOT}
                fill={last ? (out ? colours.plum : colours.ink) : colours.surface}
                stroke={out ? colours.plum : colours.ink}
                strokeWidth={2.5}
              />
            );
          })}
        </Svg>
      ) : null}
    </View>
  );
}
