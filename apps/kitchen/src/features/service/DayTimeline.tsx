import { useKitchen } from '../../api/queries';
import { say } from '../../reader/say';
import type { Bar, DayPicture, Row } from '@kettle-scale/core/shift';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useDays } from '../../shared/useDays';
import { useStripWidth } from '../../ui/layout/useStripWidth';
import { ClockRules } from '../../ui/chart/ClockRules';
import { useColours } from '../../ui/theme';
import { type Colours, FONT } from '../../ui/tokens';
import { usePointerDrag } from '../../ui/usePointerDrag';
import type { ServiceNow } from './useServiceDay';

const HEAD_PX = 26;
const NAME_PX = 16;
const BAR_PX = 30;
const ROW_PX = NAME_PX + BAR_PX + 14;
/** A word stands in a bar that is at least this wide. */
const WORD_FROM_PX = 58;
const HOUR_S = 3600;
const PX_PER_TICK = 80;
const STEP_S = 60;
const MIN_S = 60;

const FILL: Record<Bar['kind'], keyof Colours> = {
  weigh: 'water',
  load: 'water',
  mix: 'water',
  knead: 'soot',
  divide: 'soot',
  bake: 'ember',
  light: 'rule',
  heat: 'rule',
};
/** Words on a fill that is light. */
const DARK_WORDS: ReadonlySet<Bar['kind']> = new Set(['light', 'heat']);

interface TimelineProps {
  now: ServiceNow;
  picture: DayPicture;
  nowS: number;
  /** A batch of the picture was dragged by so many minutes. */
  onMove: (batch: number, minutes: number) => void;
  /** Batches that may be dragged. */
  movable: (batch: number) => boolean;
}

interface Dragged {
  batch: number;
  fromX: number;
  byS: number;
}

function Bars({
  row,
  y,
  x,
  dragged,
}: {
  row: Row;
  y: number;
  x: (s: number) => number;
  dragged: Dragged | null;
}) {
  const colours = useColours();
  return (
    <G>
      {row.bars.map((bar) => {
        const byS = dragged?.batch === bar.batch ? dragged.byS : 0;
        const left = x(bar.from + byS);
        const width = Math.max(2, x(bar.to + byS) - left - 1);
        const word = width >= WORD_FROM_PX ? bar.kind : '';
        return (
          <G key={`${bar.kind}${bar.batch}${bar.from}`}>
            <Rect
              x={left}
              y={y}
              width={width}
              height={BAR_PX}
              fill={colours[FILL[bar.kind]]}
              stroke={byS === 0 ? 'none' : colours.ink}
              strokeWidth={2}
            />
            {word ? (
              <SvgText
                x={left + width / 2}
                y={y + BAR_PX / 2 + 5}
                textAnchor="middle"
                fontFamily={FONT.figure}
                fontSize={15}
                fill={DARK_WORDS.has(bar.kind) ? colours.onMaize : colours.ground}
              >
                {word}
              </SvgText>
            ) : null}
          </G>
        );
      })}
    </G>
  );
}

/** A batch is taken by any of its bars and dragged along the day; the table has buttons that do the same. */
function useDrag(
  barAt: (x: number, y: number) => Bar | null,
  secondsPerPx: number,
  onMove: TimelineProps['onMove'],
) {
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const handlers = usePointerDrag({
    onDown: ({ x, y }) => {
      const bar = barAt(x, y);
      if (bar) setDragged({ batch: bar.batch, fromX: x, byS: 0 });
      return bar !== null;
    },
    onMove: ({ x }) =>
      setDragged(
        (held) => held && { ...held, byS: Math.round(((x - held.fromX) * secondsPerPx) / STEP_S) * STEP_S },
      ),
    onUp: () => {
      if (dragged && dragged.byS !== 0) onMove(dragged.batch, dragged.byS / MIN_S);
      setDragged(null);
    },
    onCancel: () => setDragged(null),
  });
  return { dragged, handlers };
}

/** The day as a picture: a row for each cook, bowl and plate, and the line of now. */
export function DayTimeline({ now, picture, nowS, onMove, movable }: TimelineProps) {
  const { clock } = useDays();
  const colours = useColours();
  const { width, onLayout } = useStripWidth();
  const rows = picture.rows.filter(({ bars }) => bars.length > 0);
  const all = rows.flatMap(({ bars }) => bars);
  const fromS = Math.min(nowS, ...all.map(({ from }) => from)) - MIN_S * 5;
  const toS = Math.max(nowS + HOUR_S, ...all.map(({ to }) => to)) + MIN_S * 5;
  const x = (s: number) => ((s - fromS) / (toS - fromS)) * width;
  const height = HEAD_PX + rows.length * ROW_PX;
  const barsY = (row: number) => HEAD_PX + row * ROW_PX + NAME_PX + 4;
  const barAt = (px: number, py: number): Bar | null => {
    const row = rows[Math.floor((py - HEAD_PX) / ROW_PX)];
    const at = fromS + (px / width) * (toS - fromS);
    const slackS = (8 / width) * (toS - fromS);
    const bar = row?.bars.find(
      ({ batch, from, to }) => batch >= 0 && movable(batch) && from - slackS <= at && at <= to + slackS,
    );
    return bar ?? null;
  };
  const { dragged, handlers } = useDrag(barAt, (toS - fromS) / Math.max(1, width), onMove);
  const everyS =
    HOUR_S * Math.max(0.5, Math.ceil(((toS - fromS) / HOUR_S / Math.max(2, width / PX_PER_TICK)) * 2) / 2);
  const ticks: number[] = [];
  for (let s = Math.ceil(fromS / everyS) * everyS; s < toS; s += everyS) ticks.push(s);
  const { data: kitchen } = useKitchen();
  const named = [
    ...(now.record?.service.cooks ?? []),
    ...(kitchen?.mixers ?? []),
    ...(kitchen?.griddles ?? []),
  ];
  const nameOf = (row: Row) =>
    named.find(({ id }) => id === row.id)?.name ??
    row.id.replaceAll('-', ' ').replace(/^./, (letter) => letter.toUpperCase());
  return (
    <View
      role="img"
      aria-label={say('The day from {clock} to {clock2}: the table below says the same.', {
        clock: clock(now.toMs(fromS)),
        clock2: clock(now.toMs(toS)),
      })}
      onLayout={onLayout}
      style={{ width: '100%', height, touchAction: 'pan-y' } as object}
      {...handlers}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <ClockRules {...{ ticks, x, height }} format={(s) => clock(now.toMs(s))} head={HEAD_PX} />
          {rows.map((row, index) => (
            <G key={`${row.of}${row.id}`}>
              <SvgText
                x={2}
                y={HEAD_PX + index * ROW_PX + NAME_PX}
                fill={colours.ink}
                fontFamily={FONT.figure}
                fontSize={NAME_PX}
              >
                {nameOf(row)}
              </SvgText>
              <Bars row={row} y={barsY(index)} x={x} dragged={dragged} />
            </G>
          ))}
          <Line
            x1={x(nowS)}
            x2={x(nowS)}
            y1={HEAD_PX - 6}
            y2={height}
            stroke={colours.ember}
            strokeWidth={3}
          />
        </Svg>
      ) : null}
    </View>
  );
}
