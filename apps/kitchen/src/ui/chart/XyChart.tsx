import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { type ReactNode, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { Table } from '../layout/Table';
import { useColours } from '../theme';
import { type Colours, FONT, SPACE, TOUCH } from '../tokens';
import { Label, Strong } from '../type';
import { useStripWidth } from '../layout/useStripWidth';
import { AskWord } from '../layout/Why';

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
const TEXT_PX = 14;
const HEIGHT = 230;
/** Air above and below the data, as a share of its range. */
const AIR = 0.12;
const Y_TICKS = 4;

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

/**
 * Points over a measured axis, with levels and bands: for a thumb, an eye a metre away, the arrow keys and a screen reader.
 * The table behind it says the same in rows.
 */
export function XyChart({
  label,
  points,
  joined = false,
  tone = 'ink',
  y,
  x,
  levels = [],
  bands = [],
  height = HEIGHT,
  table,
}: ChartProps) {
  const colours = useColours();
  const { width, onLayout } = useStripWidth();
  const [asTable, setAsTable] = useState(false);
  const [at, setAt] = useState<number | null>(null);
  const edge = { ...MARGIN, right: levels.length > 0 ? NAMES_PX : MARGIN.right };
  const ys = [
    ...points.map((point) => point.y),
    ...levels.map((level) => level.y),
    ...bands.flatMap(({ low, high }) => [low, high]),
  ];
  const xs = points.map((point) => point.x);
  const scaleY = scaleLinear(around(ys, y.zero ?? false), [height - edge.bottom, edge.top]).nice(Y_TICKS);
  const [firstX, lastX] = xs.length > 0 ? [Math.min(...xs), Math.max(...xs)] : [0, 1];
  const pad = (lastX - firstX || 1) * 0.04;
  const scaleX = scaleLinear([firstX - pad, lastX + pad], [edge.left, width - edge.right]);
  const path = line<ChartPoint>(
    (point) => scaleX(point.x),
    (point) => scaleY(point.y),
  )([...points]);
  const walk = (by: number) =>
    setAt((now) =>
      Math.min(points.length - 1, Math.max(0, now === null ? (by > 0 ? 0 : points.length - 1) : now + by)),
    );
  const chosen = at === null ? null : points[at];
  const writeY = y.format ?? scaleY.tickFormat(Y_TICKS);
  const ticksX = x.ticks ?? scaleX.ticks(width > 500 ? 7 : 4);
  return (
    <View>
      <View
        role="img"
        aria-label={`${label}. ${points.length} points; left and right walk over them.`}
        tabIndex={0}
        onLayout={onLayout}
        style={[styles.box, { height }]}
        {...({
          onKeyDown: (event: { key: string; preventDefault: () => void }) => {
            const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
            if (by === 0) return;
            event.preventDefault();
            walk(by);
          },
        } as object)}
      >
        {width > 0 ? (
          <Svg width={width} height={height}>
            {bands.map(({ low, high, tone: fill }) => (
              <Rect
                key={`${low}/${high}`}
                x={edge.left}
                y={scaleY(high)}
                width={Math.max(0, width - edge.left - edge.right)}
                height={Math.max(1, scaleY(low) - scaleY(high))}
                fill={colours[fill]}
                opacity={0.28}
              />
            ))}
            {scaleY.ticks(Y_TICKS).map((tick) => (
              <G key={tick}>
                <Line
                  x1={edge.left}
                  x2={width - edge.right}
                  y1={scaleY(tick)}
                  y2={scaleY(tick)}
                  stroke={colours.rule}
                />
                <SvgText
                  x={edge.left - 8}
                  y={scaleY(tick) + 5}
                  textAnchor="end"
                  fontFamily={FONT.figure}
                  fontSize={TEXT_PX + 1}
                  fill={colours.ink}
                >
                  {writeY(tick)}
                </SvgText>
              </G>
            ))}
            {levels.map((level) => (
              <G key={level.name}>
                <Line
                  x1={edge.left}
                  x2={width - edge.right}
                  y1={scaleY(level.y)}
                  y2={scaleY(level.y)}
                  stroke={colours[level.tone]}
                  strokeWidth={2}
                  {...(level.dashed ? { strokeDasharray: '6 4' } : {})}
                />
                <SvgText
                  x={width - edge.right + 6}
                  y={scaleY(level.y) + 5}
                  fontFamily={FONT.text}
                  fontSize={TEXT_PX - 1}
                  fill={colours[level.tone]}
                >
                  {level.name}
                </SvgText>
              </G>
            ))}
            {joined && path ? <Path d={path} stroke={colours[tone]} strokeWidth={2} fill="none" /> : null}
            {points.map((point, index) => {
              const [cx, cy] = [scaleX(point.x), scaleY(point.y)];
              const big = index === at ? 3 : 0;
              const fill = point.flagged ? colours.plum : colours[tone];
              const r = DOT + big;
              return point.flagged ? (
                <Path
                  key={index}
                  d={`M${cx} ${cy - r - 2}L${cx + r + 2} ${cy}L${cx} ${cy + r + 2}L${cx - r - 2} ${cy}Z`}
                  fill={fill}
                />
              ) : (
                <Circle
                  key={index}
                  cx={cx}
                  cy={cy}
                  r={r}
                  fill={colours.surface}
                  stroke={fill}
                  strokeWidth={2.5}
                />
              );
            })}
            <Line
              x1={edge.left}
              x2={width - edge.right}
              y1={height - edge.bottom}
              y2={height - edge.bottom}
              stroke={colours.ink}
              strokeWidth={1.5}
            />
            {ticksX.map((tick) => (
              <SvgText
                key={tick}
                x={scaleX(tick)}
                y={height - edge.bottom + 18}
                textAnchor="middle"
                fontFamily={FONT.figure}
                fontSize={TEXT_PX + 1}
                fill={colours.ink}
              >
                {x.format(tick)}
              </SvgText>
            ))}
            <SvgText
              x={width - edge.right}
              y={height - 6}
              textAnchor="end"
              fontFamily={FONT.text}
              fontSize={TEXT_PX}
              fill={colours.soot}
            >
              {x.label}
            </SvgText>
            <SvgText x={0} y={TEXT_PX} fontFamily={FONT.text} fontSize={TEXT_PX} fill={colours.soot}>
              {y.label}
            </SvgText>
          </Svg>
        ) : null}
      </View>
      <View role="status" style={{ minHeight: chosen ? SPACE.l : 0 }}>
        {chosen ? <Strong tone={chosen.flagged ? 'plum' : 'ink'}>{chosen.words}</Strong> : null}
      </View>
      <Pressable
        role="button"
        aria-expanded={asTable}
        onPress={() => setAsTable(!asTable)}
        style={styles.ask}
      >
        <AskWord>{asTable ? 'Hide the table' : 'As a table'}</AskWord>
      </Pressable>
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
