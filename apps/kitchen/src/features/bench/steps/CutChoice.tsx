import { say, sayAll } from '../../../reader/say';
import type { PieceTarget, Cut } from '@kettle-scale/core/portion';
import { View } from 'react-native';
import { Choices } from '../../../ui/input/Choices';
import { SPACE } from '../../../ui/tokens';
import { Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';

interface CutChoiceProps {
  /** As it is chosen now. */
  now: Cut;
  /** The planned count, and the one that comes nearest to the wanted ball where that is another. */
  cuts: readonly Cut[];
  standard: PieceTarget;
  /** Of the scale that shows the balls, g. */
  benchStepG: number;
  onChoose: (pieces: number) => void;
}

interface VerdictProps extends Pick<CutChoiceProps, 'now' | 'standard' | 'benchStepG'> {
  format: ReturnType<typeof useFormat>;
}

function verdictOf({ now, standard, benchStepG, format }: VerdictProps): string {
  if (now.inTolerance) return 'in tolerance';
  const light = now.offG < 0;
  const off = format.ball(Math.abs(now.offG), benchStepG);
  // "3 g too light" beside "± 3 g" would read as right.
  if (off === format.ball(standard.toleranceG, benchStepG)) {
    return light ? 'just too light' : 'just too heavy';
  }
  return say(light ? '{off} too light' : '{off} too heavy', { off });
}

/** How many of what weight, against what is wanted: a piece is never lost quietly. */
export function CutChoice({ now, cuts, standard, benchStepG, onChoose }: CutChoiceProps) {
  const format = useFormat();
  const wanted = say('{mass} ± {mass2} wanted', {
    mass: format.ball(standard.ballG, benchStepG),
    mass2: format.ball(standard.toleranceG, benchStepG),
  });
  return (
    <View style={{ gap: SPACE.s }}>
      <Strong tone={now.inTolerance ? 'sage' : 'plum'}>
        {sayAll([wanted, verdictOf({ now, standard, format, benchStepG })], ': ')}
      </Strong>
      {cuts.length > 1 ? (
        <Choices
          label="Pieces or weight"
          value={String(now.pieces)}
          options={[...cuts]
            .sort((a, b) => b.pieces - a.pieces)
            .map(
              ({ pieces, ballG }) =>
                [String(pieces), `${pieces} × ${format.ball(ballG, benchStepG)}`] as const,
            )}
          onChange={(pieces) => onChoose(Number(pieces))}
        />
      ) : null}
    </View>
  );
}
