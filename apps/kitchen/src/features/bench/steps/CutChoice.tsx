import { say, sayAll } from '../../../reader/say';
import type { PieceTarget, Cut } from '@kettle-scale/core/portion';
import { View } from 'react-native';
import { Choices } from '../../../ui/input/Choices';
import { SPACE } from '../../../ui/tokens';
import { Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';

const BALL_STEP_G = 0.1;

interface CutChoiceProps {
  /** As it is chosen now. */
  now: Cut;
  /** The planned count, and the one that comes nearest to the wanted ball where that is another. */
  cuts: readonly Cut[];
  standard: PieceTarget;
  onChoose: (pieces: number) => void;
}

/** How many of what weight, against what is wanted: a piece is never lost quietly. */
export function CutChoice({ now, cuts, standard, onChoose }: CutChoiceProps) {
  const format = useFormat();
  const wanted = say('{mass} ± {mass2} wanted', {
    mass: format.mass(standard.ballG, BALL_STEP_G),
    mass2: format.mass(standard.toleranceG, BALL_STEP_G),
  });
  const off = format.mass(Math.abs(now.offG), BALL_STEP_G);
  const verdict = now.inTolerance
    ? 'in tolerance'
    : say(now.offG < 0 ? '{off} too light' : '{off} too heavy', { off });
  return (
    <View style={{ gap: SPACE.s }}>
      <Strong tone={now.inTolerance ? 'sage' : 'plum'}>{sayAll([wanted, verdict], ': ')}</Strong>
      {cuts.length > 1 ? (
        <Choices
          label="Pieces or weight"
          value={String(now.pieces)}
          options={[...cuts]
            .sort((a, b) => b.pieces - a.pieces)
            .map(
              ({ pieces, ballG }) =>
                [String(pieces), `${pieces} × ${format.mass(ballG, BALL_STEP_G)}`] as const,
            )}
          onChange={(pieces) => onChoose(Number(pieces))}
        />
      ) : null}
    </View>
  );
}
