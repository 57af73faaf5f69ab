import { say } from '../../reader/say';
import type { BatchSummary } from '@kettle-scale/core/batch';
import type { StepKind } from '@kettle-scale/core/plan';
import { View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useDays } from '../../shared/useDays';
import { ClockRules } from '../../ui/chart/ClockRules';
import { useColours } from '../../ui/theme';
import { FONT, type Colours } from '../../ui/tokens';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const ROW = 64;
const HEAD = 28;
const BAR = 32;
const HALF_HOUR_MS = 30 * 60_000;
const LEAST_SPAN_MS = 60 * 60_000;
const NAME_PX = 16;
/** A word is written in a bar that is at least this wide. */
const WORD_FROM_PX = 52;

const FILL: Record<StepKind, keyof Colours> = {
  weigh: 'ink',
  mix: 'ink',
  knead: 'soot',
  pause: 'maize',
  rest: 'maize',
  divide: 'soot',
  coins: 'soot',
  flatten: 'soot',
  griddle: 'ember',
  finish: 'sage',
};

/** When each step of each batch would begin and end, and the stretch of time that shows them all. */
function timelineOf(batches: readonly BatchSummary[], nowMs: number) {
  const rows = batches.map((batch) => {
    const { now, ahead = [] } = batch.record;
    let atMs = now?.startedMs ?? nowMs;
    const bars = ahead.map(({ kind, title, seconds }, index) => {
      const startMs = atMs;
      const openMs = index === 0 ? (now?.opensMs ?? startMs + seconds * 1000) : startMs + seconds * 1000;
      atMs = index === 0 ? Math.max(openMs, nowMs) : openMs;
      return { kind, title, startMs, endMs: atMs, now: index === 0 };
    });
    return { batch, bars };
  });
  const fromMs = Math.min(
    nowMs - HALF_HOUR_MS / 3,
    ...rows.flatMap(({ bars }) => bars.slice(0, 1).map((bar) => bar.startMs)),
  );
  const toMs =
    Math.max(fromMs + LEAST_SPAN_MS, ...rows.flatMap(({ bars }) => bars.map((bar) => bar.endMs))) +
    HALF_HOUR_MS / 6;
  return { rows, fromMs, toMs };
}

type Bars = ReturnType<typeof timelineOf>['rows'][number]['bars'];

interface BatchRowProps {
  batch: BatchSummary;
  bars: Bars;
  /** Top of the row. */
  y: number;
  x: (ms: number) => number;
}

/** A batch's name over its steps; the present one is filled. */
function BatchRow({ batch, bars, y, x }: BatchRowProps) {
  const colours = useColours();
  return (
    <>
      <SvgText x={2} y={y + NAME_PX} fill={colours.ink} fontFamily={FONT.figure} fontSize={NAME_PX}>
        {say('{formulaName}, {piecesPlanned, number} pieces', {
          formulaName: batch.formulaName,
          piecesPlanned: batch.record.piecesPlanned,
        })}
      </SvgText>
      {bars.map((bar, index) => (
        <Rect
          key={`${batch.id}${index}`}
          x={x(bar.startMs) + 1}
          y={y + NAME_PX + 6}
          width={Math.max(2, x(bar.endMs) - x(bar.startMs) - 2)}
          height={BAR}
          fill={bar.now ? colours[FILL[bar.kind]] : 'none'}
          stroke={colours[FILL[bar.kind]]}
          strokeWidth={2}
        />
      ))}
      {bars.map((bar, index) =>
        x(bar.endMs) - x(bar.startMs) >= WORD_FROM_PX ? (
          <SvgText
            key={`w${batch.id}${index}`}
            x={(x(bar.startMs) + x(bar.endMs)) / 2}
            y={y + NAME_PX + 27}
            textAnchor="middle"
            fill={bar.now ? (bar.kind === 'rest' ? colours.onMaize : colours.ground) : colours.ink}
            fontFamily={FONT.figure}
            fontSize={15}
          >
            {bar.kind === 'rest' ? 'rest' : bar.kind}
          </SvgText>
        ) : null,
      )}
    </>
  );
}

/** The shift as it would go on from now: a row for each running batch, its steps as bars. */
export function Timeline({ batches, nowMs }: { batches: readonly BatchSummary[]; nowMs: number }) {
  const { clock } = useDays();
  const colours = useColours();
  const { width, onLayout } = useStripWidth();
  const { rows, fromMs, toMs } = timelineOf(batches, nowMs);
  const x = (ms: number) => ((ms - fromMs) / (toMs - fromMs)) * width;
  const everyMs =
    HALF_HOUR_MS * Math.max(1, Math.ceil((toMs - fromMs) / HALF_HOUR_MS / Math.max(2, width / 90)));
  const ticks: number[] = [];
  for (let ms = Math.ceil(fromMs / everyMs) * everyMs; ms < toMs; ms += everyMs) ticks.push(ms);
  const height = HEAD + rows.length * ROW + 8;
  const words = rows
    .map(
      ({ batch, bars }) =>
        `${batch.formulaName}: ${bars.map(({ title, endMs }) => say('{step} to {clock}', { step: { lower: title }, clock: clock(endMs) })).join(', ')}`,
    )
    .join('. ');
  return (
    <View
      role="img"
      aria-label={say('Timeline. {words}', { words })}
      onLayout={onLayout}
      style={{ width: '100%', height }}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <ClockRules {...{ ticks, x, height }} format={clock} head={HEAD} />
          {rows.map(({ batch, bars }, row) => (
            <BatchRow key={batch.id} {...{ batch, bars, x }} y={HEAD + row * ROW} />
          ))}
          {rows.map(({ batch }, row) => (
            <Line
              key={`now${batch.id}`}
              x1={x(nowMs)}
              x2={x(nowMs)}
              y1={HEAD + row * ROW + NAME_PX + 2}
              y2={HEAD + row * ROW + NAME_PX + BAR + 10}
              stroke={colours.ember}
              strokeWidth={3}
            />
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
