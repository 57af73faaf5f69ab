import { say } from '../reader/say';
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { SvgText } from '../ui/chart/SvgText';
import { useStripWidth } from '../ui/layout/useStripWidth';
import { useColours } from '../ui/theme';
import { FONT } from '../ui/tokens';

interface WaterGaugeProps {
  label: string;
  /** Filled up to here; `startG` is marked. */
  nowG: number;
  startG: number;
  /** Where it is usually right. */
  lowG: number;
  highG: number;
  words: { low: string; high: string; now: string };
}

const HEIGHT = 64;
const BAR = { top: 24, height: 16 } as const;
/** The picture shows this much on either side of what matters, as shares of the span. */
const MARGIN = 0.18;
const MARK = 7;
const TEXT_PX = 14;

const styles = StyleSheet.create({ box: { width: '100%', height: HEIGHT } });

/** How wet the dough is, on a strip whose marked stretch is what is usual. */
export function WaterGauge({ label, nowG, startG, lowG, highG, words }: WaterGaugeProps) {
  const colours = useColours();
  const { width, onLayout } = useStripWidth();
  const from = Math.min(startG, lowG);
  const to = Math.max(highG, nowG);
  const span = Math.max(1e-9, (to - from) * (1 + 2 * MARGIN));
  const x = (g: number) => ((g - from + (to - from) * MARGIN) / span) * width;
  const middle = BAR.top + BAR.height / 2;
  /** Past the middle the word stands before its mark. */
  const late = x(nowG) > width / 2;
  const clip = (px: number) => Math.min(width - 60, Math.max(60, px));
  return (
    <View role="img" aria-label={say(label)} style={styles.box} onLayout={onLayout}>
      {width > 0 ? (
        <Svg width={width} height={HEIGHT}>
          <Line x1={0} x2={width} y1={middle} y2={middle} stroke={colours.rule} strokeWidth={3} />
          <Rect
            x={x(lowG)}
            y={BAR.top}
            width={Math.max(2, x(highG) - x(lowG))}
            height={BAR.height}
            fill="none"
            stroke={colours.water}
            strokeWidth={2}
            strokeDasharray="5 3"
          />
          <Rect x={0} y={middle - 4} width={Math.max(0, x(nowG))} height={8} fill={colours.water} />
          <Path d={`M${x(nowG)} ${BAR.top - 2}l${-MARK} ${-MARK - 3}h${2 * MARK}z`} fill={colours.ink} />
          <SvgText
            x={x(nowG) + (late ? -MARK - 4 : MARK + 4)}
            y={TEXT_PX}
            textAnchor={late ? 'end' : 'start'}
            fill={colours.ink}
            fontFamily={FONT.figure}
            fontSize={TEXT_PX + 1}
          >
            {words.now}
          </SvgText>
          {(
            [
              [lowG, words.low],
              [highG, words.high],
            ] as const
          ).map(([g, word]) => (
            <SvgText
              key={g}
              x={clip(x(g))}
              y={HEIGHT - 6}
              textAnchor="middle"
              fill={colours.soot}
              fontFamily={FONT.text}
              fontSize={TEXT_PX}
            >
              {word}
            </SvgText>
          ))}
        </Svg>
      ) : null}
    </View>
  );
}
