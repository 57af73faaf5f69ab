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
}

interface DoubtSheetProps {
  doubt: Doubt | null;
  /** The act as it is, at this time. */
  onForward: (piece: LivePiece, atMs: number) => void;
  onBurnt: (piece: LivePiece) => void;
  onClose: () => void;
}

/** Asks before a piece is turned that has hardly lain, and what became of one that lay far too long. */
export function DoubtSheet({ doubt, onForward, onBurnt, onClose }: DoubtSheetProps) {
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
          <Heading>{say('Place {place, number}: what became of it?', { place: doubt.piece.place })}</Heading>
          <Body>
            {say('It is {over, number}\u00a0s past its time.{spoiltWords}', {
              over: overS(doubt),
              spoiltWords: spoiltWords(doubt),
            })}
          </Body>
          <PrimaryAction
            label="It was done in time but not recorded"
            onPress={then(() => onForward(doubt.piece, doubt.piece.dueMs))}
          />
          <Action
            label="It lay there the whole time"
            onPress={then(() => onForward(doubt.piece, doubt.atMs))}
          />
          <Action label="Burnt: throw it out" onPress={then(() => onBurnt(doubt.piece))} />
        </>
      ) : null}
    </Sheet>
  );
}

const lainS = ({ piece, atMs }: Doubt): number => Math.round((atMs - piece.sinceMs) / MS_PER_S);
const spoiltWords = ({ piece: { latestS } }: Doubt): string =>
  latestS === null
    ? ''
    : say(' The model says it is spoilt after {latest, number}\u00a0s on this side.', {
        latest: Math.round(latestS),
      });
const overS = ({ piece, atMs }: Doubt): number => Math.round((atMs - piece.dueMs) / MS_PER_S);
