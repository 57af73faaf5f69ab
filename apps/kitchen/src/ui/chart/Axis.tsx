import { G, Line, Text as SvgText } from 'react-native-svg';
import { useColours } from '../theme';
import { FONT } from '../tokens';

export const AXIS_TEXT_PX = 14;
/** Between the axis and its figures. */
const GAP_PX = { left: 8, bottom: 18 } as const;
/** From the middle of a line of figures to its foot. */
const FOOT_PX = 5;

interface AxisProps {
  side: 'left' | 'bottom';
  /** From a value to its place on the picture. */
  scale: (value: number) => number;
  ticks: readonly number[];
  format?: (value: number) => string;
  /** What is measured, with its unit. */
  label: string;
  labelAt: { x: number; y: number; end?: boolean };
  /** Where the axis stands: from the left, or from the top. */
  at: number;
  /** A left axis draws a rule from each tick to here. */
  rulesTo?: number;
}

/** The figures of an axis and what they measure: the same on every chart. */
export function Axis({ side, scale, ticks, format = String, label, labelAt, at, rulesTo }: AxisProps) {
  const colours = useColours();
  const figure = { fontFamily: FONT.figure, fontSize: AXIS_TEXT_PX + 1, fill: colours.ink };
  return (
    <G>
      {ticks.map((tick) => {
        const place = scale(tick);
        return side === 'bottom' ? (
          <SvgText key={tick} x={place} y={at + GAP_PX.bottom} textAnchor="middle" {...figure}>
            {format(tick)}
          </SvgText>
        ) : (
          <G key={tick}>
            {rulesTo === undefined ? null : (
              <Line x1={at} x2={rulesTo} y1={place} y2={place} stroke={colours.rule} />
            )}
            <SvgText x={at - GAP_PX.left} y={place + FOOT_PX} textAnchor="end" {...figure}>
              {format(tick)}
            </SvgText>
          </G>
        );
      })}
      <SvgText
        x={labelAt.x}
        y={labelAt.y}
        textAnchor={labelAt.end ? 'end' : 'start'}
        fontFamily={FONT.text}
        fontSize={AXIS_TEXT_PX}
        fill={colours.soot}
      >
        {label}
      </SvgText>
    </G>
  );
}
