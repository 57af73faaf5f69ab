import {
  type BakeWindow,
  type Ring,
  type WindowCode,
  type WindowPoint,
  firstSideLines,
  windowRegions,
} from '@kettle-scale/core/bake';
import { type ScaleLinear, scaleLinear } from 'd3-scale';
import { curveCatmullRom, curveCatmullRomClosed, line } from 'd3-shape';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, {
  ClipPath,
  Defs,
  Ellipse,
  G,
  Line,
  Path,
  Pattern,
  Rect,
  Text as SvgText,
} from 'react-native-svg';
import { Axis } from '../../ui/chart/Axis';
import { useStripWidth } from '../../ui/layout/useStripWidth';
import { useColours } from '../../ui/theme';
import { type Colours, FONT } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';

const MARGIN = { left: 48, right: 12, top: 12, bottom: 46 } as const;
const TALLEST = 520;
const SHORTEST = 320;
const TEXT_PX = 15;
const WORD_PX = 24;
/** Mean width of its letters. */
const LETTER_PX = 10;
/** First sides that are drawn as lines, s. */
const LEVELS_S = [10, 15, 20, 30, 45, 60, 90] as const;
const X_TICKS = 5;
const HATCH_PX = 9;

interface Look {
  fill: (colours: Colours) => string;
  ink: (colours: Colours) => string;
  /** Strokes of its hatching in a square of HATCH_PX; the good bread has none, so that it is told apart without colour. */
  hatch: string | null;
}

const LOOK: Record<WindowCode, Look> = {
  good: { fill: ({ sage }) => sage, ink: ({ ground }) => ground, hatch: null },
  'middle stays raw': { fill: ({ water }) => water, ink: ({ ground }) => ground, hatch: 'M0 4.5 H9' },
  'never browns': { fill: ({ dough }) => dough, ink: () => '#24211D', hatch: 'M4.5 0 V9' },
  'dries first': { fill: ({ maize }) => maize, ink: ({ onMaize }) => onMaize, hatch: 'M0 9 L9 0' },
  'burns first': { fill: ({ plum }) => plum, ink: ({ ground }) => ground, hatch: 'M0 0 L9 9 M0 9 L9 0' },
  'never puffs': { fill: ({ idle }) => idle, ink: ({ onIdle }) => onIdle, hatch: 'M2 2 h2 M6 6 h2' },
};
const HATCH_SHADE = 0.35;

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

type Scale = ScaleLinear<number, number>;

/** The scales of a window; its outer places reach half a step beyond their middles. */
function scalesOf({ heatsC, thicknessesMm }: BakeWindow, width: number, height: number) {
  const ends = (values: readonly number[]): [number, number] => {
    const half = ((values[1] ?? 1) - (values[0] ?? 0)) / 2;
    return [(values[0] ?? 0) - half, (values.at(-1) ?? 1) + half];
  };
  return {
    x: scaleLinear(ends(heatsC), [MARGIN.left, width - MARGIN.right]),
    y: scaleLinear(ends(thicknessesMm), [height - MARGIN.bottom, MARGIN.top]),
  };
}

/** Heat along, thickness up: where good bread is, what lies beyond its edges, how long the first side takes, and where the kitchen stands. */
export function WindowPicture({ window, here, kinds }: WindowPictureProps) {
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const { heatsC, codes } = window;
  const height = Math.min(TALLEST, Math.max(SHORTEST, width * 0.8));
  const goodShare = Math.round((100 * codes.filter((code) => code === 0).length) / codes.length);
  return (
    <View
      onLayout={onLayout}
      role="img"
      aria-label={`Heat from ${format.temp(heatsC[0] ?? 0)} to ${format.temp(heatsC.at(-1) ?? 0)} against thickness: good bread on ${goodShare} % of the picture. You are at ${format.temp(here.plateC)} and ${format.thickness(here.thicknessMm)}: ${wordsAt(window, here, kinds)}.`}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <Regions window={window} kinds={kinds} {...scalesOf(window, width, height)} />
          <HereMark here={here} {...scalesOf(window, width, height)} />
          <Axes {...scalesOf(window, width, height)} width={width} height={height} />
        </Svg>
      ) : null}
    </View>
  );
}

interface RegionsProps {
  window: BakeWindow;
  kinds: WindowPictureProps['kinds'];
  x: Scale;
  y: Scale;
}

type Words = ReturnType<typeof windowRegions>['words'];

/** The pattern of a region, told apart without colour. */
function Hatch({ code }: { code: WindowCode }) {
  const colours = useColours();
  return (
    <Pattern
      id={`hatch-${code.replaceAll(' ', '-')}`}
      patternUnits="userSpaceOnUse"
      width={HATCH_PX}
      height={HATCH_PX}
    >
      <Rect width={HATCH_PX} height={HATCH_PX} fill={LOOK[code].fill(colours)} />
      <Path
        d={LOOK[code].hatch ?? ''}
        stroke={LOOK[code].ink(colours)}
        strokeOpacity={HATCH_SHADE}
        strokeWidth={1}
      />
    </Pattern>
  );
}

/** Lines of equal first sides over the good bread, each with its seconds where no word stands. */
function FirstSides({ window, words, x, y }: Omit<RegionsProps, 'kinds'> & { words: Words }) {
  const colours = useColours();
  const levels = useMemo(
    () => LEVELS_S.map((seconds) => ({ seconds, lines: firstSideLines(window, seconds) })),
    [window],
  );
  const curve = line<WindowPoint>(
    ([plateC]) => x(plateC),
    ([, mm]) => y(mm),
  );
  const open = (points: WindowPoint[]) => curve.curve(curveCatmullRom)(points) ?? '';
  return (
    <>
      <G clipPath="url(#good-bread)">
        {levels.flatMap(({ seconds, lines }) =>
          lines.map((points) => (
            <Path
              key={`${seconds} ${points[0]?.join()}`}
              d={open(points)}
              stroke={LOOK.good.ink(colours)}
              strokeWidth={2}
              fill="none"
            />
          )),
        )}
      </G>
      {levels.flatMap(({ seconds, lines }) => {
        const at = labelPoints(lines, window).find(
          (place) => !words.some(({ at: word }) => isNear(x, y, place, word)),
        );
        if (!at) return [];
        return [
          <SvgText
            key={seconds}
            x={x(at[0])}
            y={y(at[1]) + TEXT_PX / 3}
            textAnchor="middle"
            fontFamily={FONT.figure}
            fontSize={TEXT_PX}
            fill={LOOK.good.ink(colours)}
            stroke={LOOK.good.fill(colours)}
            strokeWidth={5}
            {...{ paintOrder: 'stroke' }}
          >
            {`${seconds} s`}
          </SvgText>,
        ];
      })}
    </>
  );
}

function Regions({ window, kinds, x, y }: RegionsProps) {
  const colours = useColours();
  const { good, troubles, words } = useMemo(() => windowRegions(window), [window]);
  const point = ([plateC, mm]: WindowPoint) => `${x(plateC).toFixed(1)} ${y(mm).toFixed(1)}`;
  const closed = (rings: readonly Ring[]) => rings.map((ring) => `M${ring.map(point).join('L')}Z`).join('');
  const curve = line<WindowPoint>(
    ([plateC]) => x(plateC),
    ([, mm]) => y(mm),
  );
  const goodPath = good.map((ring) => curve.curve(curveCatmullRomClosed)(ring.slice(0, -1)) ?? '').join('');
  const nameOf = (code: WindowCode) => kinds.find(({ name }) => name === code)?.words ?? code;
  return (
    <G>
      <Defs>
        <ClipPath id="good-bread">
          <Path d={goodPath} />
        </ClipPath>
        {troubles.map(({ code }) => (
          <Hatch key={code} code={code} />
        ))}
      </Defs>
      {troubles.map(({ code, rings }) => (
        <Path
          key={code}
          d={closed(rings)}
          fill={`url(#hatch-${code.replaceAll(' ', '-')})`}
          fillRule="evenodd"
        />
      ))}
      <Path
        d={goodPath}
        fill={LOOK.good.fill(colours)}
        fillRule="evenodd"
        stroke={colours.surface}
        strokeWidth={3}
      />
      <FirstSides {...{ window, words, x, y }} />
      {words.map(({ code, at: [plateC, mm] }) => (
        <SvgText
          key={code}
          x={Math.max(x.range()[0] ?? 0, x(plateC) - (nameOf(code).length * LETTER_PX) / 2)}
          y={y(mm)}
          textAnchor="start"
          fontFamily={FONT.figure}
          fontSize={WORD_PX}
          fill={LOOK[code].ink(colours)}
          stroke={LOOK[code].fill(colours)}
          strokeWidth={5}
          {...{ paintOrder: 'stroke' }}
        >
          {nameOf(code)}
        </SvgText>
      ))}
    </G>
  );
}

/** Where a line may say its seconds, as shares of its way over the good bread from the thin end; the first is best. */
const LABEL_AT = [1 / 3, 2 / 3, 0.15, 0.85] as const;

function labelPoints(lines: readonly WindowPoint[][], window: BakeWindow): WindowPoint[] {
  const onBread = lines.flat().filter(([plateC, mm]) => isGood(window, plateC, mm));
  const byThickness = [...onBread].sort((a, b) => a[1] - b[1]);
  return LABEL_AT.flatMap((share) => {
    const point = byThickness[Math.floor(byThickness.length * share)];
    return point ? [point] : [];
  });
}

/** A label this near to a word would cover it. */
const NEAR_PX = { x: 78, y: 26 } as const;
const isNear = (x: Scale, y: Scale, a: WindowPoint, b: WindowPoint): boolean =>
  Math.abs(x(a[0]) - x(b[0])) < NEAR_PX.x && Math.abs(y(a[1]) - y(b[1])) < NEAR_PX.y;

/** The kitchen's plate and thickness as a cross, and the ring that holds 19 of 20 pieces. */
function HereMark({ here, x, y }: { here: Here; x: Scale; y: Scale }) {
  const { surface } = useColours();
  const [cx, cy] = [x(here.plateC), y(here.thicknessMm)];
  const stroke = { stroke: surface, strokeWidth: 3 };
  return (
    <G>
      <Ellipse
        {...{ cx, cy }}
        rx={Math.max(LEAST_RING_PX, x(here.plateC + 2 * here.sdC) - cx)}
        ry={Math.max(LEAST_RING_PX, cy - y(here.thicknessMm + 2 * here.sdMm))}
        fill="none"
        {...stroke}
      />
      <Line x1={cx - CROSS_PX} x2={cx + CROSS_PX} y1={cy} y2={cy} {...stroke} />
      <Line x1={cx} x2={cx} y1={cy - CROSS_PX} y2={cy + CROSS_PX} {...stroke} />
    </G>
  );
}
const LEAST_RING_PX = 6;
const CROSS_PX = 7;

function Axes({ x, y, width, height }: { x: Scale; y: Scale; width: number; height: number }) {
  const format = useFormat();
  // Round figures of the reader's own units.
  const read = (scale: Scale, stored: string): Scale =>
    scaleLinear(
      scale.domain().map((value) => format.read(value, stored)),
      scale.range(),
    );
  const [heat, thickness] = [read(x, '°C'), read(y, 'mm')];
  return (
    <G>
      <Axis
        side="bottom"
        scale={heat}
        ticks={heat.ticks(X_TICKS)}
        label={{
          words: `plate, ${format.unitOf('°C')}`,
          x: width - MARGIN.right,
          y: height - 6,
          end: true,
        }}
        at={height - MARGIN.bottom}
      />
      <Axis
        side="left"
        scale={thickness}
        ticks={thickness.ticks(X_TICKS)}
        label={{ words: `thickness, ${format.unitOf('mm')}`, x: 4, y: height - 6 }}
        at={MARGIN.left}
      />
    </G>
  );
}

/** The place of a window that is nearest to a plate and a thickness. */
function codeAt({ heatsC, thicknessesMm, codes }: BakeWindow, plateC: number, mm: number): number {
  const nearest = (values: readonly number[], value: number): number =>
    values.reduce(
      (best, one, i) => (Math.abs(one - value) < Math.abs((values[best] ?? 0) - value) ? i : best),
      0,
    );
  return codes[nearest(thicknessesMm, mm) * heatsC.length + nearest(heatsC, plateC)] ?? 0;
}

const isGood = (window: BakeWindow, plateC: number, mm: number): boolean => codeAt(window, plateC, mm) === 0;

const wordsAt = (window: BakeWindow, here: Here, kinds: WindowPictureProps['kinds']): string =>
  kinds[codeAt(window, here.plateC, here.thicknessMm)]?.words ?? 'good bread';
