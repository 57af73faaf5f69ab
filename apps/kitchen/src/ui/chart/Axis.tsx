import { G, Line } from 'react-native-svg';
import { SvgText } from './SvgText';
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
  /** What is measured, with its unit; left out where the figures carry it. */
  label?: { words: string; x: number; y: number; end?: boolean };
  /** Where the axis stands: from the left, or from the top. */
  at: number;
  /** A left axis draws a rule from each tick to here. */
  rulesTo?: number;
  /** A bottom axis draws its line and a notch at each tick from here to there; figures near its ends are set inwards. */
  line?: readonly [from: number, to: number];
}

const NOTCH_PX = 5;
const LINE_PX = 1.5;
/** Nearer to an end of the line than this a figure is set inwards. */
const EDGE_PX = 20;

const anchorAt = (place: number, line: AxisProps['line']): 'start' | 'middle' | 'end' => {
  if (!line) return 'middle';
  return place > line[1] - EDGE_PX ? 'end' : place < line[0] + EDGE_PX ? 'start' : 'middle';
};

/** The figures of an axis and what they measure: the same on every chart. */
export function Axis({ side, scale, ticks, format = String, label, at, rulesTo, line }: AxisProps) {
  const colours = useColours();
  const stroke = { stroke: colours.ink, strokeWidth: LINE_PX };
  const figure = { fontFamily: FONT.figure, fontSize: AXIS_TEXT_PX + 1, fill: colours.ink };
  return (
    <G>
      {line ? <Line x1={line[0]} x2={line[1]} y1={at} y2={at} {...stroke} /> : null}
      {ticks.map((tick) => {
        const place = scale(tick);
        return side === 'bottom' ? (
          <G key={tick}>
            {line ? <Line x1={place} x2={place} y1={at} y2={at + NOTCH_PX} {...stroke} /> : null}
            <SvgText
              x={place}
              y={at + GAP_PX.bottom + (line ? NOTCH_PX : 0)}
              textAnchor={anchorAt(place, line)}
              {...figure}
            >
              {format(tick)}
            </SvgText>
          </G>
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
      {label ? (
        <SvgText
          x={label.x}
          y={label.y}
          textAnchor={label.end ? 'end' : 'start'}
          fontFamily={FONT.text}
          fontSize={AXIS_TEXT_PX}
          fill={colours.soot}
        >
          {label.words}
        </SvgText>
      ) : null}
    </G>
  );
}
