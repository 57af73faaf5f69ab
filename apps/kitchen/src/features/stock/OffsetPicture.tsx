import { figure } from '../../reader/figures';
import { say } from '../../reader/say';
import { type LotOffset, offsetReach, type LotUse } from '@kettle-scale/core/flourLot';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useColours } from '../../ui/theme';
import { FONT } from '../../ui/tokens';
import { Label } from '../../ui/type';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const HEIGHT = 66;
const MIDDLE = 26;
const EDGE_POINTS = 5;
const DOT = 6;
const TEXT_PX = 14;

const signed = (points: number): string => `${points >= 0 ? '+' : '−'}${figure(Math.abs(points), 1)}`;

/** What is believed of a lot: the batches that were judged right as dots, the belief with its interval over them. */
export function OffsetPicture({ offset, uses }: { offset: LotOffset; uses: readonly LotUse[] }) {
  const colours = useColours();
  const { width, onLayout } = useStripWidth();
  const { meanPoints, batches } = offset;
  const reach = offsetReach(offset);
  const seen = uses.flatMap(({ points }) => (points === null ? [] : [points]));
  const edge = Math.max(EDGE_POINTS, ...seen.map(Math.abs), Math.abs(meanPoints) + reach);
  const x = (points: number) => ((points + edge) / (2 * edge)) * (width - 2 * DOT) + DOT;
  const words =
    batches === 0
      ? say('Not judged yet: taken for {signed} points, give or take {reach}', {
          signed: signed(meanPoints),
          reach: figure(reach, 1),
        })
      : say(
          'Absorbs {signed} points more than its moisture explains ({signed2} to {signed3}), from {batches, number} {batches, plural, one {batch} other {batches}}',
          {
            signed: signed(meanPoints),
            signed2: signed(meanPoints - reach),
            signed3: signed(meanPoints + reach),
            batches,
          },
        );
  return (
    <View>
      <View role="img" aria-label={words} onLayout={onLayout} style={{ width: '100%', height: HEIGHT }}>
        {width > 0 ? (
          <Svg width={width} height={HEIGHT}>
            <Rect
              x={x(meanPoints - reach)}
              y={MIDDLE - 12}
              width={x(meanPoints + reach) - x(meanPoints - reach)}
              height={24}
              fill={colours.rule}
            />
            <Line x1={0} x2={width} y1={MIDDLE} y2={MIDDLE} stroke={colours.soot} strokeWidth={1} />
            <Line
              x1={x(0)}
              x2={x(0)}
              y1={4}
              y2={MIDDLE + 16}
              stroke={colours.soot}
              strokeWidth={1}
              strokeDasharray="3 3"
            />
            {seen.map((points, index) => (
              <Circle
                key={index}
                cx={x(points)}
                cy={MIDDLE}
                r={DOT}
                fill={colours.surface}
                stroke={colours.water}
                strokeWidth={2}
              />
            ))}
            <Rect x={x(meanPoints) - 2} y={MIDDLE - 16} width={4} height={32} fill={colours.water} />
            {[-Math.floor(edge), 0, Math.floor(edge)].map((points, index) => (
              <SvgText
                key={points}
                x={x(points)}
                y={HEIGHT - 6}
                textAnchor={index === 0 ? 'start' : index === 1 ? 'middle' : 'end'}
                fill={colours.soot}
                fontFamily={FONT.text}
                fontSize={TEXT_PX}
              >
                {points === 0 ? 'as the formula' : say('{signed} points', { signed: signed(points) })}
              </SvgText>
            ))}
          </Svg>
        ) : null}
      </View>
      <Label>{`${words}.`}</Label>
    </View>
  );
}
