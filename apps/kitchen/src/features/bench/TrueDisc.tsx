import { View } from 'react-native';
import Svg, { Circle, G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { useColours } from '../../ui/theme';
import { FONT } from '../../ui/tokens';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const MARGIN = 10;
const RULER = 26;
const TICK_MM = { small: 5, large: 10 } as const;

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
  const { width, onLayout } = useStripWidth();
  const radius = (diameterMm / 2) * pxPerMm;
  const whole = 2 * radius + 2 * MARGIN <= width;
  const cx = whole ? width / 2 : MARGIN + toleranceMm * pxPerMm + radius;
  const cy = (height - RULER) / 2;
  const ticks = Array.from(
    { length: Math.ceil(width / pxPerMm / TICK_MM.small) + 1 },
    (_, i) => i * TICK_MM.small,
  );
  return (
    <View
      role="img"
      aria-label={`A disc of ${Math.round(diameterMm)} mm in true size${whole ? '' : ', its left rim'}`}
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
            {ticks.map((mm) => (
              <Line
                key={mm}
                x1={mm * pxPerMm}
                x2={mm * pxPerMm}
                y1={height - RULER}
                y2={height - RULER + (mm % TICK_MM.large === 0 ? 12 : 7)}
                stroke={colours.ink}
                strokeWidth={1.5}
              />
            ))}
            {ticks
              .filter((mm) => mm % (2 * TICK_MM.large) === 0 && mm > 0)
              .map((mm) => (
                <SvgText
                  key={mm}
                  x={mm * pxPerMm}
                  y={height}
                  textAnchor="middle"
                  fontFamily={FONT.figure}
                  fontSize={14}
                  fill={colours.ink}
                >
                  {`${mm} mm`}
                </SvgText>
              ))}
          </G>
        </Svg>
      ) : null}
    </View>
  );
}
