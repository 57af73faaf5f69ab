import type { Place } from '@kettle-scale/core/bake';
import { Pressable, StyleSheet, Text, View, useWindowDimensions } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { Ring } from '../../../ui/chart/Ring';
import { useColours } from '../../../ui/theme';
import { CORNER, FONT, PAPER, SPACE } from '../../../ui/tokens';
import { Figure, Label, Strong } from '../../../ui/type';
import { useStripWidth } from '../../../ui/layout/useStripWidth';
import type { LivePiece } from '@kettle-scale/core/bake';

const MS_PER_S = 1000;
const NEXT_WORDS = { flip: 'turn', fire: 'to the fire', off: 'off' } as const;
const MOST_PX = 760;
/** Title, action and bar above and below the plate. */
const AROUND_PX = 210;
/** A place is at least so large, for a wet finger. */
const SMALLEST_PX = 104;

const styles = StyleSheet.create({
  plate: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: SPACE.s,
    padding: SPACE.s,
    borderRadius: CORNER,
    borderWidth: 2,
  },
  place: { alignItems: 'center', justifyContent: 'center' },
  bread: { alignItems: 'center', justifyContent: 'center', backgroundColor: PAPER.dough, overflow: 'hidden' },
  count: { fontFamily: FONT.figure, fontVariant: ['tabular-nums'] },
  side: { fontFamily: FONT.strong, fontSize: 15, color: PAPER.ink },
  freckles: { position: 'absolute', top: 0, left: 0 },
  empty: {
    borderWidth: 2,
    borderStyle: 'dashed',
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
  },
  number: { position: 'absolute', top: 2, left: 6 },
});

/** Bread is bread-coloured on iron and on paper; what is written on it is ink. */
const INK = PAPER.ink;
const EMBER = PAPER.ember;
/** The rest is the ring around it. */
const BREAD_SHARE = 0.8;
const MOST_FRECKLES = 26;
const BLISTER_COVER = 45;
const GOLDEN = 2.399963;

/** The side that was baked lies up: as many freckles as the model says. */
function Freckled({ px, cover }: { px: number; cover: number }) {
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
}

interface LivePlateProps {
  pieces: readonly LivePiece[];
  placeCount: number;
  /** Where places lie, for their order in rows as on the plate. */
  spots: readonly Place[];
  nextPlace: number | null;
  nextOnMs: number | null;
  nowMs: number;
  onForward: (piece: LivePiece) => void;
  onPlace: (place: number) => void;
}

/** Places in a row at the back of the plate. */
function columnsOf(spots: readonly Place[], placeCount: number): number {
  const back = spots[0]?.yMm;
  if (back === undefined) return Math.ceil(Math.sqrt(placeCount));
  const row = spots.slice(0, placeCount).filter(({ yMm }) => Math.abs(yMm - back) < 40).length;
  return Math.max(1, row);
}

/** The plate with its places: what each piece waits for, how long, and where the next one goes. */
export function LivePlate(props: LivePlateProps) {
  const { pieces, placeCount, spots, nextPlace, nextOnMs, nowMs, onForward, onPlace } = props;
  const colours = useColours();
  const laid = useStripWidth();
  const { width: windowPx, height: windowHeight } = useWindowDimensions();
  // Before it is laid out: about as wide as the page.
  const width = laid.width || Math.max(320, Math.min(MOST_PX, windowPx - 2 * SPACE.m));
  const wanted = columnsOf(spots, placeCount);
  const inner = width - 2 * SPACE.s - 4;
  const fits = Math.max(2, Math.floor((inner + SPACE.s) / (SMALLEST_PX + SPACE.s)));
  const columns = Math.min(placeCount, fits, Math.max(2, wanted));
  const rows = Math.ceil(placeCount / columns);
  // All places are seen at once; only a phone with very many scrolls.
  const tallest = Math.max(SMALLEST_PX, (windowHeight - AROUND_PX) / rows - SPACE.s);
  const size = Math.floor(Math.min(tallest, (inner - (columns - 1) * SPACE.s) / columns));
  return (
    <View
      onLayout={laid.onLayout}
      style={[styles.plate, { borderColor: colours.rule, backgroundColor: colours.surface }]}
    >
      {Array.from({ length: placeCount }, (_, i) => i + 1).map((place) => {
        const piece = pieces.find((one) => one.place === place);
        return piece ? (
          <Busy key={place} piece={piece} size={size} nowMs={nowMs} onPress={() => onForward(piece)} />
        ) : (
          <Pressable
            key={place}
            role="button"
            aria-label={`Place ${place}: put a piece on`}
            onPress={() => onPlace(place)}
            style={[styles.empty, { width: size, height: size, borderColor: colours.rule }]}
          >
            <Label style={styles.number}>{String(place)}</Label>
            {place === nextPlace && nextOnMs !== null ? (
              <>
                <Strong>next piece</Strong>
                <Figure
                  value={nextOnMs <= nowMs ? 'now' : `in ${Math.ceil((nextOnMs - nowMs) / MS_PER_S)}`}
                  {...(nextOnMs <= nowMs ? {} : { unit: 's' })}
                  size={34}
                  tone={nextOnMs <= nowMs ? 'ember' : 'ink'}
                />
              </>
            ) : (
              <Label>free</Label>
            )}
          </Pressable>
        );
      })}
    </View>
  );
}

interface BusyProps {
  piece: LivePiece;
  size: number;
  nowMs: number;
  onPress: () => void;
}

/** One piece: its countdown, its ring and the word for what comes. */
function Busy({ piece, size, nowMs, onPress }: BusyProps) {
  const leftS = (piece.dueMs - nowMs) / MS_PER_S;
  const due = leftS <= 0;
  const word = NEXT_WORDS[piece.next];
  const side = piece.flame ? 'fire' : `side ${piece.side}`;
  const breadPx = size * BREAD_SHARE;
  return (
    <Pressable
      role="button"
      aria-label={`Place ${piece.place}, piece ${piece.piece}, ${side}: ${due ? `${word} now` : `${word} in ${Math.ceil(leftS)} s`}`}
      onPress={onPress}
      style={[styles.place, { width: size, height: size }]}
    >
      <Ring
        size={size}
        share={Math.min(1, Math.max(0, 1 - leftS / piece.sideS))}
        tone={due ? 'ember' : 'dough'}
      >
        <View style={[styles.bread, { width: breadPx, height: breadPx, borderRadius: breadPx / 2 }]}>
          <Freckled px={breadPx} cover={piece.side > 1 ? piece.cover : 0} />
          <Text
            style={[
              styles.count,
              {
                fontSize: due ? size * (word.length > 4 ? 0.15 : 0.24) : size * 0.36,
                color: due ? EMBER : INK,
              },
            ]}
          >
            {due ? word.toUpperCase() : String(Math.ceil(leftS))}
          </Text>
          <Text style={styles.side}>{due && leftS < -1 ? `${Math.floor(-leftS)} s over` : side}</Text>
        </View>
      </Ring>
      <Label style={styles.number}>{String(piece.place)}</Label>
    </Pressable>
  );
}
