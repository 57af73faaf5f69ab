import { say, sayAll } from '../../reader/say';
import type { OnBreadWhen } from '@kettle-scale/core/formula';
import type { Plan } from '@kettle-scale/core/plan';
import { View } from 'react-native';
import { Leader } from '../../ui/layout/Ticket';
import { Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

const FINEST_G = 0.1;

interface OnBreadProps {
  plan: Plan;
  at: readonly OnBreadWhen[];
  /** What and how much, in a line each; the rest is behind *More*. */
  short?: boolean;
}

/** What goes on the bread at this point of the work: grams a piece, and how much must be at hand. */
export function OnBreadNow({ plan, at, short = false }: OnBreadProps) {
  const format = useFormat();
  const lines = (plan.onBread ?? []).filter(({ when }) => at.includes(when));
  if (lines.length === 0) return null;
  if (short)
    return lines.map(({ lineId, name, gPerPiece, pieces }) => (
      <Strong key={lineId}>
        {say(
          pieces === undefined
            ? '{mass} {name} on each'
            : '{mass} {name} on {pieces, plural, one {# piece} other {# pieces}}',
          {
            mass: format.mass(gPerPiece, FINEST_G),
            name: { lower: name },
            pieces: pieces ?? 0,
          },
        )}
      </Strong>
    ));
  return (
    <View>
      <Label>On the bread</Label>
      {lines.map(({ lineId, name, note, when, gPerPiece, pieces, massG, stepG }) => (
        <Leader
          key={lineId}
          name={sayAll([name, note, when])}
          value={format.mass(gPerPiece, FINEST_G)}
          unit={pieces === undefined ? 'a piece' : say('on {pieces, number}', { pieces })}
          aside={say('{mass} in all', { mass: format.mass(massG, stepG) })}
        />
      ))}
    </View>
  );
}
