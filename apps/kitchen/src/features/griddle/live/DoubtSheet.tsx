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
          <Heading>{`Place ${doubt.piece.place}: ${DOES[doubt.piece.next]} it already?`}</Heading>
          <Body>{`It has lain ${lainS(doubt)}\u00a0s of ${Math.round(doubt.piece.sideS)}\u00a0s.`}</Body>
          <PrimaryAction label="Leave it where it lies" onPress={onClose} />
          <Action label="Yes, now" onPress={then(() => onForward(doubt.piece, doubt.atMs))} />
        </>
      ) : null}
      {doubt?.kind === 'long' ? (
        <>
          <Heading>{`Place ${doubt.piece.place}: what became of it?`}</Heading>
          <Body>{`It is ${overS(doubt)}\u00a0s past its time.${spoiltWords(doubt)}`}</Body>
          <PrimaryAction
            label="It was done in time, only not told"
            onPress={then(() => onForward(doubt.piece, doubt.piece.dueMs))}
          />
          <Action label="It lay all that time" onPress={then(() => onForward(doubt.piece, doubt.atMs))} />
          <Action label="Burnt: throw it out" onPress={then(() => onBurnt(doubt.piece))} />
        </>
      ) : null}
    </Sheet>
  );
}

const lainS = ({ piece, atMs }: Doubt): number => Math.round((atMs - piece.sinceMs) / MS_PER_S);
const spoiltWords = ({ piece: { latestS } }: Doubt): string =>
  latestS === null ? '' : ` By the model it is spoilt after ${Math.round(latestS)}\u00a0s on this side.`;
const overS = ({ piece, atMs }: Doubt): number => Math.round((atMs - piece.dueMs) / MS_PER_S);
