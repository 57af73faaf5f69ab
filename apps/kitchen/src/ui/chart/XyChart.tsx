import { say } from '../../reader/say';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { type ReactNode, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Press } from '../input/Press';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { SvgText } from './SvgText';
import { Table } from '../layout/Table';
import { useColours } from '../theme';
import { type Colours, FONT, SPACE, TOUCH } from '../tokens';
import { Label, Strong } from '../type';
import { useStripWidth } from '../layout/useStripWidth';
import { AskWord } from '../layout/Why';
import { AXIS_TEXT_PX, Axis } from './Axis';

type Tone = keyof Pick<Colours, 'ink' | 'soot' | 'ember' | 'maize' | 'sage' | 'water' | 'plum' | 'rule'>;

export interface ChartPoint {
  x: number;
  y: number;
  /** What it is, as the keys walk over it: "batch of 4 March: 104.2 g". */
  words: string;
  /** Something is wrong with it: drawn as a diamond, not only in another colour. */
  flagged?: boolean;
}

export interface ChartProps {
  /** Says what the picture shows. */
  label: string;
  points: readonly ChartPoint[];
  /** Joins the points in their order. */
  joined?: boolean;
  tone?: Tone;
  /** Ticks are written with as many decimals as their step has, unless a format is given. */
  y: { label: string; format?: (value: number) => string; zero?: boolean };
  x: { label: string; format: (value: number) => string; ticks?: readonly number[] };
  /** Level lines with their names. */
  levels?: readonly { y: number; name: string; tone: Tone; dashed?: boolean }[];
  /** Ranges that are shaded. */
  bands?: readonly { low: number; high: number; tone: Tone }[];
  height?: number;
  /** The same in rows, behind the picture. */
  table: { columns: readonly string[]; rows: readonly (readonly string[])[] };
  children?: ReactNode;
}

const MARGIN = { left: 58, right: 14, top: 30, bottom: 44 } as const;
/** Room for the names of level lines, beside the axis where no point can lie. */
const NAMES_PX = 62;
const DOT = 5;
const HEIGHT = 230;
/** Air above and below the data, as a share of its range. */
const AIR = 0.12;
const Y_TICKS = 4;
/** From here on there is room for more figures below. */
const WIDE_PX = 500;

const styles = StyleSheet.create({
  ask: { minHeight: TOUCH.other, justifyContent: 'center' },
  box: { width: '100%' },
});

const around = (values: readonly number[], zero: boolean): [number, number] => {
  const low = Math.min(...values, ...(zero ? [0] : []));
  const high = Math.max(...values, ...(zero ? [0] : []));
  const air = (high - low || Math.abs(high) || 1) * AIR;
  return [zero && low === 0 ? 0 : low - air, high + air];
};

interface Frame {
  left: number;
  right: number;
  scaleX: (x: number) => number;
  scaleY: (y: number) => number;
}

/** Ranges that are shaded, and level lines with their names beside the picture. */
function Ranges({
  left,
  right,
  scaleY,
  bands,
  levels,
}: Frame & Required<Pick<ChartProps, 'bands' | 'levels'>>) {
  const colours = useColours();
  return (
    <G>
      {bands.map(({ low, high, tone }) => (
        <Rect
          key={`${low}/${high}`}
          x={left}
          y={scaleY(high)}
          width={Math.max(0, right - left)}
          height={Math.max(1, scaleY(low) - scaleY(high))}
          fill={colours[tone]}
          opacity={0.28}
        />
      ))}
      {levels.map(({ name, y, tone, dashed }) => (
        <G key={name}>
          <Line
            x1={left}
            x2={right}
            y1={scaleY(y)}
            y2={scaleY(y)}
            stroke={colours[tone]}
            strokeWidth={2}
            {...(dashed ? { strokeDasharray: '6 4' } : {})}
          />
          <SvgText
            x={right + 6}
            y={scaleY(y) + 5}
            fontFamily={FONT.text}
            fontSize={AXIS_TEXT_PX - 1}
            fill={colours[tone]}
          >
            {name}
          </SvgText>
        </G>
      ))}
    </G>
  );
}

interface PointsProps extends Pick<Frame, 'scaleX' | 'scaleY'> {
  points: readonly ChartPoint[];
  joined: boolean;
  tone: Tone;
  /** The one that is chosen. */
  at: number | null;
}

/** The points, joined or not; what is wrong with one is told by its shape too. */
function Points({ points, joined, tone, at, scaleX, scaleY }: PointsProps) {
  const colours = useColours();
  const path = line<ChartPoint>(
    ({ x }) => scaleX(x),
    ({ y }) => scaleY(y),
  )([...points]);
  return (
    <G>
      {joined && path ? <Path d={path} stroke={colours[tone]} strokeWidth={2} fill="none" /> : null}
      {points.map((point, index) => {
        const [cx, cy] = [scaleX(point.x), scaleY(point.y)];
        const r = DOT + (index === at ? 3 : 0);
        return point.flagged ? (
          <Path
            key={index}
            d={`M${cx} ${cy - r - 2}L${cx + r + 2} ${cy}L${cx} ${cy + r + 2}L${cx - r - 2} ${cy}Z`}
            fill={colours.plum}
          />
        ) : (
          <Circle
            key={index}
            cx={cx}
            cy={cy}
            r={r}
            fill={colours.surface}
            stroke={colours[tone]}
            strokeWidth={2.5}
          />
        );
      })}
    </G>
  );
}

/** The scales of a chart in its box. */
function scalesOf({ points, levels = [], bands = [], y }: ChartProps, width: number, height: number) {
  const edge = { ...MARGIN, right: levels.length > 0 ? NAMES_PX : MARGIN.right };
  const ys = [
    ...points.map((point) => point.y),
    ...levels.map((level) => level.y),
    ...bands.flatMap(({ low, high }) => [low, high]),
  ];
  const xs = points.map((point) => point.x);
  const [firstX, lastX] = xs.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, 1];
  const pad = (lastX - firstX || 1) * 0.04;
  return {
    scaleY: scaleLinear(around(ys, y.zero ?? false), [height - edge.bottom, edge.top]).nice(Y_TICKS),
    scaleX: scaleLinear([firstX - pad, lastX + pad], [edge.left, width - edge.right]),
    left: edge.left,
    right: width - edge.right,
    foot: height - edge.bottom,
  };
}

/** The point that the arrow keys have come to. */
function useWalk(count: number) {
  const [at, setAt] = useState<number | null>(null);
  const walk = (by: number) =>
    setAt((now) => Math.min(count - 1, Math.max(0, now === null ? (by > 0 ? 0 : count - 1) : now + by)));
  const onKeyDown = (event: { key: string; preventDefault: () => void }) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    walk(by);
  };
  return { at, onKeyDown };
}

/**
 * Points over a measured axis, with levels and bands: for a thumb, an eye a metre away, the arrow keys and a screen reader.
 * The table behind it says the same in rows.
 */
export function XyChart(props: ChartProps) {
  const { label, points, joined = false, tone = 'ink', y, x, levels = [], bands = [] } = props;
  const { height = HEIGHT, table } = props;
  const colours = useColours();
  const { width, onLayout } = useStripWidth();
  const [asTable, setAsTable] = useState(false);
  const { at, onKeyDown } = useWalk(points.length);
  const { scaleX, scaleY, left, right, foot } = scalesOf(props, width, height);
  const frame = { left, right, scaleX, scaleY };
  const chosen = at === null ? null : points[at];
  return (
    <View>
      <View
        role="img"
        aria-label={say('{label}. {length, number} points; left and right walk over them.', {
          label,
          length: points.length,
        })}
        tabIndex={0}
        onLayout={onLayout}
        style={[styles.box, { height }]}
        {...({ onKeyDown } as object)}
      >
        {width > 0 ? (
          <Svg width={width} height={height}>
            <Ranges {...frame} bands={bands} levels={[]} />
            <Axis
              side="left"
              scale={scaleY}
              ticks={scaleY.ticks(Y_TICKS)}
              format={y.format ?? scaleY.tickFormat(Y_TICKS)}
              label={{ words: y.label, x: 0, y: AXIS_TEXT_PX }}
              at={left}
              rulesTo={right}
            />
            <Ranges {...frame} bands={[]} levels={levels} />
            <Points {...{ points, joined, tone, at, scaleX, scaleY }} />
            <Line x1={left} x2={right} y1={foot} y2={foot} stroke={colours.ink} strokeWidth={1.5} />
            <Axis
              side="bottom"
              scale={scaleX}
              ticks={x.ticks ?? scaleX.ticks(width > WIDE_PX ? 7 : 4)}
              format={x.format}
              label={{ words: x.label, x: right, y: height - 6, end: true }}
              at={foot}
            />
          </Svg>
        ) : null}
      </View>
      <View role="status" style={{ minHeight: chosen ? SPACE.l : 0 }}>
        {chosen ? <Strong tone={chosen.flagged ? 'plum' : 'ink'}>{chosen.words}</Strong> : null}
      </View>
      <Press role="button" aria-expanded={asTable} onPress={() => setAsTable(!asTable)} style={styles.ask}>
        <AskWord>{asTable ? 'Hide the table' : 'As a table'}</AskWord>
      </Press>
      {asTable ? (
        table.rows.length > 0 ? (
          <Table label={label} columns={table.columns} rows={table.rows} />
        ) : (
          <Label>Nothing to show yet.</Label>
        )
      ) : null}
    </View>
  );
}
