import { say } from '../../../reader/say';
import type { LivePiece, OtherPiece, Place } from '@kettle-scale/core/bake';
import { useCallback, useEffect, useRef } from 'react';
import { StyleSheet, View, useWindowDimensions } from 'react-native';
import { Icon } from '../../../ui/Icon';
import { Press } from '../../../ui/input/Press';
import { useStripWidth } from '../../../ui/layout/useStripWidth';
import { useSideways } from '../../../ui/layout/useWide';
import { useColours } from '../../../ui/theme';
import { CORNER, SPACE } from '../../../ui/tokens';
import { Figure, Label } from '../../../ui/type';
import { LOOK_MS, secondsTo, useSampled } from '../../../ui/useSampled';
import { BusyPlace } from './BusyPlace';

const MOST_PX = 760;
/** Title, action and bar above and below the plate. */
const AROUND_PX = 275;
/** The same on a phone on its side, where acts and bar stand beside it. */
const SIDEWAYS_PX = 120;
/** A place is at least so large, for a wet finger; a little less where all of a large plate is to be in sight. */
const SMALLEST_PX = { upright: 104, sideways: 84 } as const;
/** Places no farther apart than this from back to front lie in one row. */
const ROW_MM = 40;
const FREE_PX = 22;
const NEXT_PX = 30;

const styles = StyleSheet.create({
  plate: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: SPACE.s,
    padding: SPACE.s,
    borderRadius: CORNER,
    borderWidth: 2,
  },
  empty: {
    borderWidth: 2,
    borderStyle: 'dashed',
    borderRadius: CORNER,
    alignItems: 'center',
    justifyContent: 'center',
  },
  others: { borderStyle: 'solid', padding: SPACE.s },
  name: { textAlign: 'center' },
  number: { position: 'absolute', top: 2, left: 6 },
});

interface LivePlateProps {
  pieces: readonly LivePiece[];
  /** Sides of the bread, without its fire. */
  sides: number;
  placeCount: number;
  /** Where places lie, for their order in rows as on the plate. */
  spots: readonly Place[];
  nextPlace: number | null;
  /** When the next piece should go on; 0 is now, null never. */
  nextOnMs: number | null;
  /** Places that another batch's pieces lie on, with its name. */
  others: readonly OtherPiece[];
  onForward: (piece: LivePiece) => void;
  onPlace: (place: number) => void;
}

/** Places in a row at the back of the plate. */
function columnsOf(spots: readonly Place[], placeCount: number): number {
  const back = spots[0]?.yMm;
  if (back === undefined) return Math.ceil(Math.sqrt(placeCount));
  const row = spots.slice(0, placeCount).filter(({ yMm }) => Math.abs(yMm - back) < ROW_MM).length;
  return Math.max(1, row);
}

interface PlateRoom extends Pick<LivePlateProps, 'spots' | 'placeCount'> {
  width: number;
  height: number;
  smallest: number;
}

/** Side of a place, px: all places are seen at once; only a phone with very many scrolls. */
function placePx({ width, height, smallest, spots, placeCount }: PlateRoom): number {
  const inner = width - 2 * SPACE.s - 4;
  const fits = Math.max(2, Math.floor((inner + SPACE.s) / (smallest + SPACE.s)));
  const columns = Math.min(placeCount, fits, Math.max(2, columnsOf(spots, placeCount)));
  const rows = Math.ceil(placeCount / columns);
  const tallest = Math.max(smallest, height / rows - SPACE.s);
  return Math.floor(Math.min(tallest, (inner - (columns - 1) * SPACE.s) / columns));
}

/** The plate with its places: what each piece waits for, how long, and where the next one goes. */
export function LivePlate(props: LivePlateProps) {
  const { pieces, sides, placeCount, spots, nextPlace, nextOnMs, others, onForward, onPlace } = props;
  const colours = useColours();
  const laid = useStripWidth();
  // One function for all that is drawn: a new one would draw every piece again.
  const latest = useRef(onForward);
  useEffect(() => {
    latest.current = onForward;
  }, [onForward]);
  const forward = useCallback((piece: LivePiece) => latest.current(piece), []);
  const { width: windowPx, height: windowHeight } = useWindowDimensions();
  // Before it is laid out: about as wide as the page.
  const width = laid.width || Math.max(320, Math.min(MOST_PX, windowPx - 2 * SPACE.m));
  const sideways = useSideways();
  const size = placePx({
    width,
    height: windowHeight - (sideways ? SIDEWAYS_PX : AROUND_PX),
    smallest: sideways ? SMALLEST_PX.sideways : SMALLEST_PX.upright,
    spots,
    placeCount,
  });
  return (
    <View
      onLayout={laid.onLayout}
      style={[styles.plate, { borderColor: colours.rule, backgroundColor: colours.surface }]}
    >
      {Array.from({ length: placeCount }, (_, i) => i + 1).map((place) => {
        const piece = pieces.find((one) => one.place === place);
        if (piece) return <BusyPlace key={place} {...{ piece, sides, size }} onForward={forward} />;
        const other = others.find((one) => one.place === place);
        if (other) return <OthersPlace key={place} {...{ size, other }} />;
        return (
          <Press
            key={place}
            role="button"
            aria-label={say('Place {place, number}: put a piece on', { place })}
            onPress={() => onPlace(place)}
            style={[styles.empty, { width: size, height: size, borderColor: colours.rule }]}
          >
            <Label style={styles.number}>{String(place)}</Label>
            {place === nextPlace && nextOnMs !== null ? (
              <NextPiece onMs={nextOnMs} />
            ) : (
              <Icon name="plus" size={FREE_PX} colour={colours.soot} />
            )}
          </Press>
        );
      })}
    </View>
  );
}

/** A piece of another batch lies here. */
function OthersPlace({ size, other }: { size: number; other: OtherPiece }) {
  const colours = useColours();
  const { place, of, dueMs } = other;
  const leftS = useSampled((nowMs) => secondsTo(dueMs, nowMs), LOOK_MS);
  return (
    <View style={[styles.empty, styles.others, { width: size, height: size, borderColor: colours.rule }]}>
      <Label style={styles.number}>{String(place)}</Label>
      <Label style={styles.name}>{of}</Label>
      <Label>{leftS > 0 ? say('≈ {left, number} s', { left: leftS }) : 'due'}</Label>
    </View>
  );
}

/** When the next piece goes here. */
function NextPiece({ onMs }: { onMs: number }) {
  const colours = useColours();
  const inS = useSampled((nowMs) => secondsTo(onMs, nowMs), LOOK_MS);
  return (
    <>
      <Icon name="plus" size={NEXT_PX} colour={inS === 0 ? colours.ember : colours.ink} />
      <Figure
        value={inS === 0 ? 'now' : say('in {in, number}', { in: inS })}
        {...(inS === 0 ? {} : { unit: 's' })}
        size={34}
        tone={inS === 0 ? 'ember' : 'ink'}
      />
    </>
  );
}
