import type { BakeWindow, WindowCode } from '@kettle-scale/core/bake';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { View } from 'react-native';
import Svg, { Ellipse, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { useColours } from '../../ui/theme';
import { type Colours, FONT } from '../../ui/tokens';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const MARGIN = { left: 48, right: 12, top: 12, bottom: 46 } as const;
const TALLEST = 520;
const TEXT_PX = 15;
/** First sides that are drawn as lines, s. */
const LEVELS_S = [10, 15, 20, 30, 45, 60, 90] as const;
const X_TICKS = 5;

const FILL: Record<WindowCode, (colours: Colours) => string> = {
  good: ({ sage }) => sage,
  'middle stays raw': ({ water }) => water,
  'never browns': ({ dough }) => dough,
  'dries first': ({ maize }) => maize,
  'burns first': ({ plum }) => plum,
  'never puffs': ({ idle }) => idle,
};
const INK_ON: Record<WindowCode, (colours: Colours) => string> = {
  good: ({ ground }) => ground,
  'middle stays raw': ({ ground }) => ground,
  'never browns': () => '#24211D',
  'dries first': ({ onMaize }) => onMaize,
  'burns first': ({ ground }) => ground,
  'never puffs': ({ onIdle }) => onIdle,
};

interface Here {
  plateC: number;
  thicknessMm: number;
  sdC: number;
  sdMm: number;
}

interface WindowPictureProps {
  window: BakeWindow;
  here: Here;
  /** What the codes of the window mean, and the word for it on the picture. */
  kinds: readonly { name: WindowCode; words: string }[];
}

const GOOD = { name: 'good', words: 'good bread' } as const;

/** Heat along, thickness up: where good bread is, what lies beyond its edges, how long the first side takes, and where the kitchen stands. */
export function WindowPicture({ window, here, kinds }: WindowPictureProps) {
  const colours = useColours();
  const { width, onLayout } = useStripWidth();
  const { heatsC, thicknessesMm, codes, firstS } = window;
  const columns = heatsC.length;
  const height = Math.min(TALLEST, Math.max(320, width * 0.8));
  const halfC = ((heatsC[1] ?? 1) - (heatsC[0] ?? 0)) / 2;
  const halfMm = ((thicknessesMm[1] ?? 1) - (thicknessesMm[0] ?? 0)) / 2;
  const x = scaleLinear(
    [(heatsC[0] ?? 0) - halfC, (heatsC.at(-1) ?? 1) + halfC],
    [MARGIN.left, width - MARGIN.right],
  );
  const y = scaleLinear(
    [(thicknessesMm[0] ?? 0) - halfMm, (thicknessesMm.at(-1) ?? 1) + halfMm],
    [height - MARGIN.bottom, MARGIN.top],
  );
  /** Neighbours of one kind in a row as one rectangle. */
  const runs = thicknessesMm.flatMap((mm, row) => {
    const inRow: { from: number; to: number; code: number; mm: number }[] = [];
    for (let c = 0; c < columns; c += 1) {
      const code = codes[row * columns + c] ?? 0;
      const last = inRow.at(-1);
      if (last?.code === code) last.to = c;
      else inRow.push({ from: c, to: c, code, mm });
    }
    return inRow;
  });
  const names = kinds.flatMap(({ name, words }, code) => {
    const at = codes.flatMap((one, i) => (one === code ? [i] : []));
    if (at.length < columns) return [];
    const c = at.reduce((sum, i) => sum + (i % columns), 0) / at.length;
    const r = at.reduce((sum, i) => sum + Math.floor(i / columns), 0) / at.length;
    return [{ name, words, x: x(heatsC[Math.round(c)] ?? 0), y: y(thicknessesMm[Math.round(r)] ?? 0) }];
  });
  const levels = LEVELS_S.flatMap((level) => {
    const points = thicknessesMm.flatMap((mm, row): [number, number][] => {
      for (let c = 1; c < columns; c += 1) {
        const [a, b] = [firstS[row * columns + c - 1] ?? 0, firstS[row * columns + c] ?? 0];
        if (codes[row * columns + c - 1] !== 0 || codes[row * columns + c] !== 0) continue;
        if (a >= level && b < level) {
          const share = (a - level) / (a - b);
          return [[x((heatsC[c - 1] ?? 0) + share * 2 * halfC), y(mm)]];
        }
      }
      return [];
    });
    return points.length > 2 ? [{ level, path: line()(points) ?? '', end: points[0] }] : [];
  });
  const goodShare = Math.round((100 * codes.filter((code) => code === 0).length) / codes.length);
  const hereIs =
    kinds[codes[nearest(thicknessesMm, here.thicknessMm) * columns + nearest(heatsC, here.plateC)] ?? 0] ??
    GOOD;
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`Heat from ${Math.round(heatsC[0] ?? 0)} to ${Math.round(heatsC.at(-1) ?? 0)} °C against thickness: good bread on ${goodShare} % of the picture. You are at ${Math.round(here.plateC)} °C and ${here.thicknessMm.toFixed(2)} mm: ${hereIs.words}.`}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          {runs.map(({ from, to, code, mm }) => {
            const left = x((heatsC[from] ?? 0) - halfC);
            return (
              <Rect
                key={`${mm}-${from}`}
                x={left}
                y={y(mm + halfMm)}
                width={x((heatsC[to] ?? 0) + halfC) - left + 0.5}
                height={y(mm - halfMm) - y(mm + halfMm) + 0.5}
                fill={FILL[(kinds[code] ?? GOOD).name](colours)}
              />
            );
          })}
          {levels.map(({ level, path, end }) => (
            <G key={level}>
              <Path d={path} stroke={colours.ground} strokeWidth={2} fill="none" />
              <SvgText
                x={(end?.[0] ?? 0) + 4}
                y={(end?.[1] ?? 0) - 4}
                fontFamily={FONT.figure}
                fontSize={TEXT_PX}
                fill={colours.ground}
              >
                {`${level} s`}
              </SvgText>
            </G>
          ))}
          {names.map(({ name, words, x: cx, y: cy }) => (
            <SvgText
              key={name}
              x={cx}
              y={cy}
              textAnchor="middle"
              fontFamily={FONT.figure}
              fontSize={24}
              fill={INK_ON[name](colours)}
            >
              {words}
            </SvgText>
          ))}
          <Ellipse
            cx={x(here.plateC)}
            cy={y(here.thicknessMm)}
            rx={Math.max(6, x(here.plateC + 2 * here.sdC) - x(here.plateC))}
            ry={Math.max(6, y(here.thicknessMm) - y(here.thicknessMm + 2 * here.sdMm))}
            fill="none"
            stroke={colours.surface}
            strokeWidth={3}
          />
          <Line
            x1={x(here.plateC) - 7}
            x2={x(here.plateC) + 7}
            y1={y(here.thicknessMm)}
            y2={y(here.thicknessMm)}
            stroke={colours.surface}
            strokeWidth={3}
          />
          <Line
            x1={x(here.plateC)}
            x2={x(here.plateC)}
            y1={y(here.thicknessMm) - 7}
            y2={y(here.thicknessMm) + 7}
            stroke={colours.surface}
            strokeWidth={3}
          />
          {x.ticks(X_TICKS).map((tick) => (
            <SvgText
              key={tick}
              x={x(tick)}
              y={height - MARGIN.bottom + 18}
              textAnchor="middle"
              fontFamily={FONT.figure}
              fontSize={TEXT_PX}
              fill={colours.ink}
            >
              {String(tick)}
            </SvgText>
          ))}
          <SvgText
            x={width - MARGIN.right}
            y={height - 6}
            textAnchor="end"
            fontFamily={FONT.text}
            fontSize={TEXT_PX}
            fill={colours.ink}
          >
            plate, °C
          </SvgText>
          {y.ticks(X_TICKS).map((tick) => (
            <SvgText
              key={tick}
              x={MARGIN.left - 8}
              y={y(tick) + 5}
              textAnchor="end"
              fontFamily={FONT.figure}
              fontSize={TEXT_PX}
              fill={colours.ink}
            >
              {String(tick)}
            </SvgText>
          ))}
          <SvgText x={4} y={height - 6} fontFamily={FONT.text} fontSize={TEXT_PX} fill={colours.ink}>
            thickness, mm
          </SvgText>
        </Svg>
      ) : null}
    </View>
  );
}

const nearest = (values: readonly number[], value: number): number =>
  values.reduce(
    (best, one, i) => (Math.abs(one - value) < Math.abs((values[best] ?? 0) - value) ? i : best),
    0,
  );
