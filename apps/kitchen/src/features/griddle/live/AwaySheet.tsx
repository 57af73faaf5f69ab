import { say } from '../../../reader/say';
import type { PlateAct } from '@kettle-scale/core/bake';
import { Action, PrimaryAction } from '../../../ui/input/actions';
import { Sheet } from '../../../ui/layout/Sheet';
import { Body, Heading } from '../../../ui/type';
import type { ByItself } from './useByItself';

const countOf = (acts: readonly PlateAct[], kinds: readonly PlateAct['kind'][]): number =>
  acts.filter(({ kind }) => kinds.includes(kind)).length;

/** Somebody left the plate that counts by itself and is back: one question for the whole of it. */
export function AwaySheet({ byItself }: { byItself: ByItself }) {
  const { away, asPlanned, allBurnt, stop } = byItself;
  return (
    <Sheet open={away !== null} onClose={stop} label="Back at the plate">
      {away ? (
        <>
          <Heading>{say('{away} away: what became of the plate?', { away: { s: away.forS } })}</Heading>
          <Body>
            {say('By the plan: {on, number} put on, {turned, number} turned, {off, number} taken off.', {
              on: countOf(away.acts, ['put']),
              turned: countOf(away.acts, ['flip', 'fire']),
              off: countOf(away.acts, ['off']),
            })}
          </Body>
          <PrimaryAction label="It went as planned" onPress={asPlanned} />
          <Action label="All burnt: clear the plate" onPress={allBurnt} />
          <Action label="Nothing was done: go on by hand" onPress={stop} />
        </>
      ) : null}
    </Sheet>
  );
}
