import { say } from '../../../reader/say';
import type { LivePiece } from '@kettle-scale/core/bake';
import { Action, PrimaryAction } from '../../../ui/input/actions';
import { Sheet } from '../../../ui/layout/Sheet';
import { Body, Heading } from '../../../ui/type';

const MS_PER_S = 1000;
const DOES = { flip: 'turn', fire: 'bring to the fire', off: 'take off' } as const;

/** An act that needs a word first. */
export interface Doubt {
  piece: LivePiece;
  kind: 'early' | 'long';
  /** When it was pressed. */
  atMs: number;
  /** All pieces that lie far past their time, this one among them. */
  past: readonly LivePiece[];
}

interface DoubtSheetProps {
  doubt: Doubt | null;
  /** The act as it is, at this time. */
  onForward: (piece: LivePiece, atMs: number) => void;
  /** All that was due was done, each act at its time, and nobody told. */
  onInTime: (piece: LivePiece) => void;
  onBurnt: (pieces: readonly LivePiece[]) => void;
  onClose: () => void;
}

/** Asks before a piece is turned that has hardly lain, and what became of one that lay far too long. */
export function DoubtSheet({ doubt, onForward, onInTime, onBurnt, onClose }: DoubtSheetProps) {
  const then = (act: () => void) => () => {
    act();
    onClose();
  };
  return (
    <Sheet open={doubt !== null} onClose={onClose} label="Confirm">
      {doubt?.kind === 'early' ? (
        <>
          <Heading>
            {say('Place {place, number}: {does} it already?', {
              place: doubt.piece.place,
              does: DOES[doubt.piece.next],
            })}
          </Heading>
          <Body>
            {say('It has lain {lain, number}\u00a0s of {side, number}\u00a0s.', {
              lain: lainS(doubt),
              side: Math.round(doubt.piece.sideS),
            })}
          </Body>
          <PrimaryAction label="Leave it where it lies" onPress={onClose} />
          <Action label="Yes, now" onPress={then(() => onForward(doubt.piece, doubt.atMs))} />
        </>
      ) : null}
      {doubt?.kind === 'long' ? (
        <>
          <Heading tone="plum">
            {say('Place {place, number}: burnt or dry by now', { place: doubt.piece.place })}
          </Heading>
          <Body>{byNowWords(doubt)}</Body>
          {doubt.past.length > 1 ? (
            <>
              <PrimaryAction
                label={say('All {past, number} burnt: clear the plate', { past: doubt.past.length })}
                onPress={then(() => onBurnt(doubt.past))}
              />
              <Action label="Only this one: throw it out" onPress={then(() => onBurnt([doubt.piece]))} />
            </>
          ) : (
            <PrimaryAction label="Burnt: throw it out" onPress={then(() => onBurnt([doubt.piece]))} />
          )}
          <Action
            label={say('It is still good: {does} it now', { does: DOES[doubt.piece.next] })}
            onPress={then(() => onForward(doubt.piece, doubt.atMs))}
          />
          <Action label="It came off in time, untold" onPress={then(() => onInTime(doubt.piece))} />
        </>
      ) : null}
    </Sheet>
  );
}

const lainS = ({ piece, atMs }: Doubt): number => Math.round((atMs - piece.sinceMs) / MS_PER_S);

/** How long it has lain, and from when the model calls it spoilt. */
function byNowWords(doubt: Doubt): string {
  const { latestS, sideS } = doubt.piece;
  const lain = lainS(doubt);
  return latestS === null
    ? say('If it still lies there: {lain, number}\u00a0s on a side of {side, number}\u00a0s.', {
        lain,
        side: Math.round(sideS),
      })
    : say('If it still lies there: {lain, number}\u00a0s, and it is spoilt after {latest, number}\u00a0s.', {
        lain,
        latest: Math.round(latestS),
      });
}
