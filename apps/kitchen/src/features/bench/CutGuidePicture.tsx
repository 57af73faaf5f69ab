import { say } from '../../reader/say';
import type { CutRound } from '@kettle-scale/core/portion';
import { View } from 'react-native';
import Svg, { G, Rect } from 'react-native-svg';
import { SvgText } from '../../ui/chart/SvgText';
import { useColours } from '../../ui/theme';
import { FONT } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { useStripWidth } from '../../ui/layout/useStripWidth';

const ROW = { height: 34, gap: 40, top: 22 } as const;
const GAP = 2;
const WORDS: Record<number, string> = { 2: 'halve', 3: 'thirds', 5: 'fifths' };

/** What is done in a round, in words. */
const cutWords = ({ into, how }: CutRound): string =>
  how === 'weigh'
    ? say('weigh off {into, number} from each', { into })
    : (WORDS[into] ?? say('into {into, number}', { into }));

/** The dough from one piece to all: a row a round, every part as wide as it is heavy. */
export function CutGuidePicture({ rounds, doughG }: { rounds: readonly CutRound[]; doughG: number }) {
  const colours = useColours();
  const format = useFormat();
  const { width, onLayout } = useStripWidth();
  const rows = [{ parts: 1, partG: doughG, words: 'the whole dough' }].concat(
    rounds.map((round) => ({ parts: round.parts, partG: round.partG, words: cutWords(round) })),
  );
  const height = ROW.top + rows.length * (ROW.height + ROW.gap);
  const spoken = rows.map(({ parts, partG, words }) =>
    say('{words}: {parts, number} of {mass}', { words, parts, mass: format.mass(partG, 0.1) }),
  );
  return (
    <View role="img" aria-label={spoken.join('; ')} onLayout={onLayout} style={{ width: '100%' }}>
      {width > 0 ? (
        <Svg width={width} height={height}>
          {rows.map(({ parts, partG, words }, row) => {
            const y = ROW.top + row * (ROW.height + ROW.gap);
            const each = width / parts;
            return (
              <G key={parts}>
                <SvgText x={0} y={y - 6} fontFamily={FONT.strong} fontSize={16} fill={colours.ink}>
                  {words}
                </SvgText>
                <SvgText
                  x={width}
                  y={y - 6}
                  textAnchor="end"
                  fontFamily={FONT.figure}
                  fontSize={20}
                  fill={colours.ink}
                >
                  {`${parts} × ${format.mass(partG, partG < 200 ? 0.1 : 1)}`}
                </SvgText>
                {Array.from({ length: parts }, (_, part) => (
                  <Rect
                    key={part}
                    x={part * each + (parts > 1 ? GAP / 2 : 0)}
                    y={y}
                    width={Math.max(1.5, each - (parts > 1 ? GAP : 0))}
                    height={ROW.height}
                    rx={each > 14 ? 5 : 1}
                    fill={colours.dough}
                    stroke={colours.ink}
                    strokeWidth={each > 8 ? 1.5 : 0.75}
                  />
                ))}
              </G>
            );
          })}
        </Svg>
      ) : null}
    </View>
  );
}
