import { say } from '../../../reader/say';
import type { LivePiece } from '@kettle-scale/core/bake';
import { memo, useId } from 'react';
import { shallow } from 'zustand/shallow';
import { StyleSheet, View } from 'react-native';
import { Text } from '../../../ui/Text';
import Svg, { Circle } from 'react-native-svg';
import { FillingArc, Ring } from '../../../ui/chart/Ring';
import { Icon } from '../../../ui/Icon';
import { Press } from '../../../ui/input/Press';
import { FONT, PAPER } from '../../../ui/tokens';
import { Label } from '../../../ui/type';
import { Ticking } from '../../../ui/Ticking';
import { LOOK_MS, secondsTo, useSampled } from '../../../ui/useSampled';

const MS_PER_S = 1000;
const NEXT_WORDS = { flip: 'Turn', fire: 'Flame', off: 'Off' } as const;

/** Bread is bread-coloured on iron and on paper; what is written on it is ink. */
const INK = PAPER.ink;
const EMBER = PAPER.ember;
/** The rest is the ring around it. */
const BREAD_SHARE = 0.8;
/** Longer words are set smaller. */
const SHORT_WORD = 4;
const FIGURE_SHARE = { count: 0.36, short: 0.24, long: 0.15 } as const;
const UNDER_PX = 17;
const MOST_FRECKLES = 26;
const BLISTER_COVER = 45;
const GOLDEN = 2.399963;

const styles = StyleSheet.create({
  place: { alignItems: 'center', justifyContent: 'center' },
  bread: { alignItems: 'center', justifyContent: 'center', backgroundColor: PAPER.dough, overflow: 'hidden' },
  count: { fontFamily: FONT.figure, fontVariant: ['tabular-nums'] },
  side: { fontFamily: FONT.strong, fontSize: UNDER_PX, color: PAPER.ink },
  freckles: { position: 'absolute', top: 0, left: 0 },
  name: { display: 'none' },
  number: { position: 'absolute', top: 2, left: 6 },
});

/** The side that was baked lies up: as many freckles as the model says. */
const Freckled = memo(function Freckled({ px, cover }: { px: number; cover: number }) {
  const count = Math.round((MOST_FRECKLES * cover) / BLISTER_COVER);
  if (count === 0) return null;
  return (
    <Svg width={px} height={px} style={styles.freckles} aria-hidden>
      {Array.from({ length: count }, (_, i) => {
        const r = (px / 2 - 6) * Math.sqrt((i + 0.7) / count);
        return (
          <Circle
            key={i}
            cx={px / 2 + r * Math.cos(i * GOLDEN)}
            cy={px / 2 + r * Math.sin(i * GOLDEN)}
            r={px * 0.028}
            fill={PAPER.crust}
            opacity={0.55}
          />
        );
      })}
    </Svg>
  );
});

/** Whole seconds past its time; null before it. */
const overSOf = ({ dueMs }: LivePiece, nowMs: number): number | null =>
  nowMs < dueMs ? null : Math.floor((nowMs - dueMs) / MS_PER_S);

const sideWords = ({ flame, side }: LivePiece): string =>
  flame ? 'flame' : say('side {side, number}', { side });

interface UnderProps {
  piece: LivePiece;
  sides: number;
  overS: number | null;
}

/** Under the count: how far past its time, else which side of how many; it stands still for the whole of a side. */
const Under = memo(function Under({ piece, sides, overS }: UnderProps) {
  if (overS) return <Text style={styles.side}>{say('+{over, number} s', { over: overS })}</Text>;
  if (piece.flame) return <Icon name="flame" size={UNDER_PX} colour={INK} />;
  // A turn beyond the program has no number of so many.
  return <Text style={styles.side}>{piece.side > sides ? '+' : `${piece.side}/${sides}`}</Text>;
});

interface CountProps {
  piece: LivePiece;
  /** Sides of the bread, without its fire. */
  sides: number;
  size: number;
  /** Of the words that name the whole place. */
  nameId: string;
}

/** What stands on a bread, its count or its word, and the place's name with it: all that changes from second to second. */
function Count({ piece, sides, size, nameId }: CountProps) {
  const overS = useSampled((nowMs) => overSOf(piece, nowMs), LOOK_MS);
  const word = NEXT_WORDS[piece.next];
  const due = overS !== null;
  const share = due ? FIGURE_SHARE[say(word).length > SHORT_WORD ? 'long' : 'short'] : FIGURE_SHARE.count;
  const style = [styles.count, { fontSize: size * share, color: due ? EMBER : INK }];
  const nameAt = (nowMs: number): string => {
    const left = secondsTo(piece.dueMs, nowMs);
    return say('Place {place, number}, piece {piece, number}, {sideWords}: {when}', {
      place: piece.place,
      piece: piece.piece,
      sideWords: sideWords(piece),
      when:
        left === 0
          ? say('{word} now', { word: { lower: word } })
          : say('{word} in {left, number} s', { word: { lower: word }, left }),
    });
  };
  return (
    <>
      <Ticking id={nameId} style={styles.name} textAt={nameAt} />
      {due ? (
        <Text style={style}>{say(word).toUpperCase()}</Text>
      ) : (
        <Ticking style={style} textAt={(nowMs) => String(secondsTo(piece.dueMs, nowMs))} />
      )}
      <Under {...{ piece, sides, overS }} />
    </>
  );
}

interface BusyPlaceProps {
  piece: LivePiece;
  /** Sides of the bread, without its fire. */
  sides: number;
  size: number;
  /** Always the same function. */
  onForward: (piece: LivePiece) => void;
}

const isSamePlace = (before: BusyPlaceProps, now: BusyPlaceProps): boolean =>
  before.sides === now.sides && before.size === now.size && shallow(before.piece, now.piece);

/** One piece: its countdown, its ring and the word for what comes. A plate that is read anew leaves it as it is. */
export const BusyPlace = memo(function BusyPlace({ piece, sides, size, onForward }: BusyPlaceProps) {
  const nameId = useId();
  const breadPx = size * BREAD_SHARE;
  const { sinceMs, sideS } = piece;
  return (
    <Press
      role="button"
      aria-labelledby={nameId}
      onPress={() => onForward(piece)}
      style={[styles.place, { width: size, height: size }]}
    >
      <Ring size={size} arc={<FillingArc seconds={sideS} {...{ size, sinceMs }} />}>
        <View style={[styles.bread, { width: breadPx, height: breadPx, borderRadius: breadPx / 2 }]}>
          <Freckled px={breadPx} cover={piece.side > 1 ? piece.cover : 0} />
          <Count {...{ piece, sides, size, nameId }} />
        </View>
      </Ring>
      <Label style={styles.number}>{String(piece.place)}</Label>
    </Press>
  );
}, isSamePlace);
