import { say } from '../../reader/say';
import type { HotSpots, Place } from '@kettle-scale/core/bake';
import type { Griddle } from '@kettle-scale/core/kitchen';
import { scaleLinear } from 'd3-scale';
import { View } from 'react-native';
import Svg, { Circle, ClipPath, Defs, G, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useColours } from '../../ui/theme';
import { FONT } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const TALLEST = 380;
const IRON = '#3A362F';

interface PlatePictureProps {
  griddle: Griddle;
  places: readonly Place[];
  diameterMm: number;
  spots: HotSpots | null;
}

interface BreadsProps extends Pick<PlatePictureProps, 'places' | 'diameterMm'> {
  /** Pixels of a millimetre. */
  scale: number;
}

function Breads({ places, diameterMm, scale }: BreadsProps) {
  const colours = useColours();
  return (
    <>
      {places.map(({ xMm, yMm }, i) => (
        <G key={`${xMm}-${yMm}`}>
          <Circle
            cx={xMm * scale}
            cy={yMm * scale}
            r={(diameterMm / 2) * scale}
            fill={colours.dough}
            opacity={0.9}
            stroke={colours.crust}
            strokeWidth={1.5}
          />
          <SvgText
            x={xMm * scale}
            y={yMm * scale + 7}
            textAnchor="middle"
            fontFamily={FONT.figure}
            fontSize={20}
            fill="#24211D"
          >
            {String(i + 1)}
          </SvgText>
        </G>
      ))}
    </>
  );
}

interface ReadingWordsProps {
  readings: Griddle['readings'];
  w: number;
  h: number;
}

/** What was read on each field of the plate. */
function ReadingWords({ readings, w, h }: ReadingWordsProps) {
  const format = useFormat();
  return (
    <>
      {readings
        ? readings.tempsC.map((tempC, i) => {
            const left = ((i % readings.columns) + 0.5) * (w / readings.columns);
            // At the rim, where no piece lies.
            const row = Math.floor(i / readings.columns);
            const top =
              row < readings.rows / 2 ? row * (h / readings.rows) + 22 : (row + 1) * (h / readings.rows);
            return (
              <G key={`reading-${i}`}>
                <Rect x={left - 24} y={top - 22} width={48} height={20} fill={IRON} />
                <SvgText
                  x={left}
                  y={top - 6}
                  textAnchor="middle"
                  fontFamily={FONT.figure}
                  fontSize={16}
                  fill="#F6EEDF"
                >
                  {format.temp(tempC)}
                </SvgText>
              </G>
            );
          })
        : null}
    </>
  );
}

/** The plate true to scale, with its warm and cool fields and the pieces that fit. */
export function PlatePicture({ griddle, places, diameterMm, spots }: PlatePictureProps) {
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const { widthMm, depthMm, shape, readings } = griddle;
  const scale = Math.min(width / widthMm, TALLEST / depthMm);
  const [w, h] = [widthMm * scale, depthMm * scale];
  const colour = scaleLinear<string>()
    .domain([(spots?.coldestC ?? 0) - 1, spots?.meanC ?? 0, (spots?.hottestC ?? 0) + 1])
    .range(['#2F4A57', IRON, '#8A3A17']);
  const words = say('{name}, {length} by {length2}: {length3, number} pieces of {length4}{spots}', {
    name: griddle.name,
    length: format.length(widthMm),
    length2: format.length(depthMm),
    length3: places.length,
    length4: format.length(diameterMm),
    spots: spots
      ? say('; readings from {temp} to {temp2}', {
          temp: format.temp(spots.coldestC),
          temp2: format.temp(spots.hottestC),
        })
      : '',
  });
  return (
    <View onLayout={onLayout} role="img" aria-label={words}>
      {width > 0 ? (
        <Svg width={w} height={h}>
          <Defs>
            <ClipPath id="plate-edge">
              {shape === 'round' ? (
                <Circle cx={w / 2} cy={h / 2} r={w / 2} />
              ) : (
                <Rect x={0} y={0} width={w} height={h} />
              )}
            </ClipPath>
          </Defs>
          <G clipPath="url(#plate-edge)">
            <Rect x={0} y={0} width={w} height={h} fill={IRON} />
            {readings
              ? readings.tempsC.map((tempC, i) => {
                  const [column, row] = [i % readings.columns, Math.floor(i / readings.columns)];
                  const [fw, fh] = [w / readings.columns, h / readings.rows];
                  return (
                    <Rect
                      key={`${column}-${row}`}
                      x={column * fw}
                      y={row * fh}
                      width={fw + 0.5}
                      height={fh + 0.5}
                      fill={colour(tempC)}
                    />
                  );
                })
              : null}
          </G>
          <Breads {...{ places, diameterMm, scale }} />
          <ReadingWords {...{ readings, w, h }} />
        </Svg>
      ) : null}
    </View>
  );
}
