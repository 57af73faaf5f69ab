import type { LivePiece } from '@kettle-scale/core/bake';
import { Choices } from '../../../ui/input/Choices';

interface PlaceChoiceProps {
  pieces: readonly LivePiece[];
  piece: LivePiece | null;
  onPiece: (piece: LivePiece | null) => void;
}

/** Which piece is meant, by its place on the plate. */
export const PlaceChoice = ({ pieces, piece, onPiece }: PlaceChoiceProps) => (
  <Choices
    label="Place"
    value={piece ? String(piece.place) : null}
    options={[...pieces]
      .sort((a, b) => a.place - b.place)
      .map(({ place }) => [String(place), String(place)] as const)}
    onChange={(place) => onPiece(pieces.find((one) => String(one.place) === place) ?? null)}
  />
);
