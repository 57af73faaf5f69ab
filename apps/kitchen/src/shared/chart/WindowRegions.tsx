import {
  type BakeWindow,
  type Ring,
  type WindowCode,
  type WindowPoint,
  firstSideLines,
  windowRegions,
} from '@kettle-scale/core/bake';
import type { ScaleLinear } from 'd3-scale';
import { curveCatmullRom, curveCatmullRomClosed, line } from 'd3-shape';
import { useMemo } from 'react';
import { ClipPath, Defs, G, Path, Pattern, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useColours } from '../../ui/theme';
import { type Colours, FONT } from '../../ui/tokens';

const TEXT_PX = 15;
const WORD_PX = 24;
/** Ground of its region behind a word; the good bread has lines, and none may run into its words. */
const WORD_GROUND_PX = 5;
const WORD_AMONG_LINES_PX = 18;
/** Mean width of its letters. */
const LETTER_PX = 10;
/** First sides that are drawn as lines, s. */
const LEVELS_S = [10, 15, 20, 30, 45, 60, 90] as const;
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

export type Scale = ScaleLinear<number, number>;

export interface RegionsProps {
  window: BakeWindow;
  /** What the codes of the window mean, and the word for each on the picture. */
  kinds: readonly { name: WindowCode; words: string }[];
  /** Where the kitchen stands: what is written on the lines keeps off it. */
  here: { plateC: number; thicknessMm: number };
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

/** Lines of equal first sides over the good bread, each with its seconds where neither a word nor the cross stands. */
function FirstSides({ window, words, here, x, y }: Omit<RegionsProps, 'kinds'> & { words: Words }) {
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
          (place) =>
            !words.some(({ at: word }) => isNear(x, y, place, word, NEAR_WORD_PX)) &&
            !isNear(x, y, place, [here.plateC, here.thicknessMm], NEAR_CROSS_PX),
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

/** Where good bread is, what lies beyond its edges, and lines of equal first sides. */
export function Regions({ window, kinds, here, x, y }: RegionsProps) {
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
      <FirstSides {...{ window, words, here, x, y }} />
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
          strokeWidth={code === 'good' ? WORD_AMONG_LINES_PX : WORD_GROUND_PX}
          strokeLinejoin="round"
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

/** A label this near to a word, or to the cross, would cover it. */
const NEAR_WORD_PX = { x: 78, y: 26 } as const;
const NEAR_CROSS_PX = { x: 30, y: 22 } as const;
const isNear = (
  x: Scale,
  y: Scale,
  a: WindowPoint,
  b: WindowPoint,
  near: { x: number; y: number },
): boolean => Math.abs(x(a[0]) - x(b[0])) < near.x && Math.abs(y(a[1]) - y(b[1])) < near.y;

/** The place of a window that is nearest to a plate and a thickness. */
export function codeAt({ heatsC, thicknessesMm, codes }: BakeWindow, plateC: number, mm: number): number {
  const nearest = (values: readonly number[], value: number): number =>
    values.reduce(
      (best, one, i) => (Math.abs(one - value) < Math.abs((values[best] ?? 0) - value) ? i : best),
      0,
    );
  return codes[nearest(thicknessesMm, mm) * heatsC.length + nearest(heatsC, plateC)] ?? 0;
}

const isGood = (window: BakeWindow, plateC: number, mm: number): boolean => codeAt(window, plateC, mm) === 0;
