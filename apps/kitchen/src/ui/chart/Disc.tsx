import { say } from '../../reader/say';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { SvgText } from './SvgText';
import { useColours } from '../theme';
import { FONT } from '../tokens';
import { useFormat } from '../useFormat';

/** Freckles in the places where a plate touches first; shares of the radius and their size. */
const FRECKLES: readonly (readonly [x: number, y: number, r: number])[] = [
  [-0.42, -0.3, 0.07],
  [0.18, -0.52, 0.05],
  [0.48, -0.08, 0.08],
  [-0.12, 0.1, 0.05],
  [-0.5, 0.36, 0.05],
  [0.24, 0.46, 0.07],
  [-0.05, 0.68, 0.04],
  [0.62, 0.38, 0.04],
];

/** All freckles as one path: one element a disc instead of eight keeps the first picture quick on a slow phone. */
const frecklesPath = (cx: number, cy: number, r: number): string =>
  FRECKLES.map(([x, y, size]) => {
    const radius = size * r;
    return `M${cx + x * r - radius} ${cy + y * r}a${radius} ${radius} 0 1 0 ${radius * 2} 0a${radius} ${radius} 0 1 0 ${-radius * 2} 0`;
  }).join('');

interface DiscProps {
  diameterMm: number;
  /** Picture width in px that stands for `scaleMm` of bread: discs drawn with one scale can be compared by eye. */
  px: number;
  scaleMm: number;
  /** Written under the disc, as in "280 mm". */
  dimension?: string;
  freckled?: boolean;
}

const DIMENSION_PX = 30;

/** A disc in its true proportion, with a dimension line when asked for. */
export function Disc({ diameterMm, px, scaleMm, dimension, freckled = true }: DiscProps) {
  const colours = useColours();
  const format = useFormat();
  const r = Math.max(4, (diameterMm / scaleMm) * px * 0.5 - 1);
  const height = r * 2 + 2 + (dimension ? DIMENSION_PX : 0);
  const cx = px / 2;
  const cy = r + 1;
  const y = r * 2 + 14;
  return (
    <View role="img" aria-label={say('Disc of {length}', { length: format.length(diameterMm) })}>
      <Svg width={px} height={height}>
        <Circle cx={cx} cy={cy} r={r} fill={colours.dough} stroke={colours.ink} strokeWidth={1.5} />
        {freckled ? <Path d={frecklesPath(cx, cy, r)} fill={colours.crust} opacity={0.75} /> : null}
        {dimension ? (
          <G>
            <Line x1={cx - r} x2={cx + r} y1={y} y2={y} stroke={colours.ink} strokeWidth={1.5} />
            <Line x1={cx - r} x2={cx - r} y1={y - 7} y2={y + 7} stroke={colours.ink} strokeWidth={1.5} />
            <Line x1={cx + r} x2={cx + r} y1={y - 7} y2={y + 7} stroke={colours.ink} strokeWidth={1.5} />
            <Rect x={cx - 36} y={y - 10} width={72} height={22} fill={colours.ground} />
            <SvgText
              x={cx}
              y={y + 6}
              textAnchor="middle"
              fontFamily={FONT.figure}
              fontSize={18}
              fill={colours.ink}
            >
              {dimension}
            </SvgText>
          </G>
        ) : null}
      </Svg>
    </View>
  );
}

interface SectionProps {
  thicknessMm: number;
  /** Width in px. */
  px: number;
  /** Screen px per millimetre of thickness; said beside the picture, because a true edge would be a hair. */
  pxPerMm: number;
}

/** The edge of a disc, cut through. */
export function CrossSection({ thicknessMm, px, pxPerMm }: SectionProps) {
  const colours = useColours();
  const height = Math.max(3, thicknessMm * pxPerMm);
  return (
    <Svg width={px} height={height + 2} aria-hidden>
      <Rect
        x={1}
        y={1}
        width={px - 2}
        height={height}
        rx={Math.min(4, height / 2)}
        fill={colours.dough}
        stroke={colours.ink}
        strokeWidth={1.5}
      />
    </Svg>
  );
}
