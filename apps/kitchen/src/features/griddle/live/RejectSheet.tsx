import { REJECTS, type Reject } from '@kettle-scale/core/batch';
import type { LivePiece } from '@kettle-scale/core/bake';
import { Choices } from '../../../ui/input/Choices';
import { Sheet } from '../../../ui/layout/Sheet';
import { Heading } from '../../../ui/type';
import { PlaceChoice } from './PlaceChoice';

interface RejectSheetProps {
  pieces: readonly LivePiece[];
  /** The piece that is meant; null while the sheet is closed. */
  piece: LivePiece | null;
  onPiece: (piece: LivePiece | null) => void;
  onReject: (piece: number, reason: Reject) => void;
}

/** Which piece comes off as waste, and why. */
export function RejectSheet({ pieces, piece, onPiece, onReject }: RejectSheetProps) {
  return (
    <Sheet open={piece !== null} onClose={() => onPiece(null)} label="Reject">
      <Heading>Which piece, and why?</Heading>
      <PlaceChoice pieces={pieces} piece={piece} onPiece={onPiece} />
      <Choices<Reject>
        label="Reason"
        value={null}
        options={REJECTS.map((reason) => [reason, reason] as const)}
        onChange={(reason) => {
          if (piece) onReject(piece.piece, reason);
          onPiece(null);
        }}
      />
    </Sheet>
  );
}
