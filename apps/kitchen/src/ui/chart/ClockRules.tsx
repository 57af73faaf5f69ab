import { Line } from 'react-native-svg';
import { SvgText } from './SvgText';
import { useColours } from '../theme';
import { FONT } from '../tokens';

const BASELINE_PX = 14;
const TEXT_PX = 15;
const GAP_PX = 6;

interface ClockRulesProps {
  ticks: readonly number[];
  x: (time: number) => number;
  format: (time: number) => string;
  /** Height of the row of figures, and of the whole picture. */
  head: number;
  height: number;
}

/** Times over a timeline with a rule down from each. */
export function ClockRules({ ticks, x, format, head, height }: ClockRulesProps) {
  const colours = useColours();
  return (
    <>
      {ticks.map((time) => (
        <Line
          key={time}
          x1={x(time)}
          x2={x(time)}
          y1={head - GAP_PX}
          y2={height}
          stroke={colours.rule}
          strokeWidth={1}
        />
      ))}
      {ticks.map((time) => (
        <SvgText
          key={`t${time}`}
          x={x(time)}
          y={BASELINE_PX}
          textAnchor="middle"
          fill={colours.soot}
          fontFamily={FONT.figure}
          fontSize={TEXT_PX}
        >
          {format(time)}
        </SvgText>
      ))}
    </>
  );
}
