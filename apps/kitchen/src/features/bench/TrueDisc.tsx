import { say } from '../../reader/say';
import { MM_PER_INCH } from '@kettle-scale/core/quantity';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useColours } from '../../ui/theme';
import { FONT } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const MARGIN = 10;
const RULER = 26;
/** Marks of the ruler: small and large ones, and how often one is named, in mm, in the reader's unit. */
const RULER_MARKS = {
  metric: { smallMm: 5, largeEvery: 2, namedEvery: 4 },
  us: { smallMm: MM_PER_INCH / 8, largeEvery: 4, namedEvery: 8 },
} as const;

interface Props {
  diameterMm: number;
  toleranceMm: number;
  pxPerMm: number;
  height: number;
}

/**
 * A disc in its true size on the glass, to lay a real one against. Where it is wider than the screen its left rim is shown, with
 * the tolerance on either side; the ruler under it is true as well.
 */
export function TrueDisc({ diameterMm, toleranceMm, pxPerMm, height }: Props) {
  const colours = useColours();
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const radius = (diameterMm / 2) * pxPerMm;
  const whole = 2 * radius + 2 * MARGIN <= width;
  const cx = whole ? width / 2 : MARGIN + toleranceMm * pxPerMm + radius;
  const cy = (height - RULER) / 2;
  const { smallMm, largeEvery, namedEvery } = RULER_MARKS[format.units];
  const ticks = Array.from({ length: Math.ceil(width / pxPerMm / smallMm) + 1 }, (_, i) => ({
    mm: i * smallMm,
    large: i % largeEvery === 0,
    named: i > 0 && i % namedEvery === 0,
  }));
  return (
    <View
      role="img"
      aria-label={say('A disc of {length} in true size{whole}', {
        length: format.length(diameterMm),
        whole: whole ? '' : ', its left rim',
      })}
      onLayout={onLayout}
      style={{ width: '100%', height, overflow: 'hidden' }}
    >
      {width > 0 ? (
        <Svg width={width} height={height}>
          <Circle cx={cx} cy={cy} r={radius} fill={colours.dough} stroke={colours.ink} strokeWidth={2.5} />
          {[-1, 1].map((side) => (
            <Circle
              key={side}
              cx={cx}
              cy={cy}
              r={Math.max(1, radius + (side * toleranceMm * pxPerMm) / 2)}
              fill="none"
              stroke={colours.sage}
              strokeWidth={2}
              strokeDasharray="7 5"
            />
          ))}
          <G>
            <Rect x={0} y={height - RULER - 2} width={width} height={RULER + 2} fill={colours.ground} />
            {ticks.map(({ mm, large }) => (
              <Line
                key={mm}
                x1={mm * pxPerMm}
                x2={mm * pxPerMm}
                y1={height - RULER}
                y2={height - RULER + (large ? 12 : 7)}
                stroke={colours.ink}
                strokeWidth={1.5}
              />
            ))}
            {ticks
              .filter(({ named }) => named)
              .map(({ mm }) => (
                <SvgText
                  key={mm}
                  x={mm * pxPerMm}
                  y={height}
                  textAnchor="middle"
                  fontFamily={FONT.figure}
                  fontSize={14}
                  fill={colours.ink}
                >
                  {format.units === 'us'
                    ? say('{mm, number} in', { mm: Math.round(mm / MM_PER_INCH) })
                    : say('{mm, number} mm', { mm })}
                </SvgText>
              ))}
          </G>
        </Svg>
      ) : null}
    </View>
  );
}
