import { say } from '../../reader/say';
import { type Adjustment, type Carried, type Plan, ADJUSTABLE } from '@kettle-scale/core/plan';
import { planLessons } from '@kettle-scale/core/log';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { useDropCarried } from '../../api/logQueries';
import { Action } from '../../ui/input/actions';
import { Check } from '../../ui/input/Choices';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading, Label, Strong } from '../../ui/type';
import { AskWord } from '../../ui/layout/Why';

interface Props {
  plan: Plan;
  /** Changes that this plan could have, with those left out of it by hand. */
  offered: readonly Adjustment[];
  carried: readonly Carried[];
  left: ReadonlySet<string>;
  onLeave: (id: string, leave: boolean) => void;
}

/** What history changed in this plan, each with its reason and a switch for this batch. */
export function LessonsTicket({ plan, offered, carried, left, onLeave }: Props) {
  const drop = useDropCarried();
  const used = planLessons(plan);
  const out = offered.filter(({ id }) => left.has(id));
  if (used.length === 0 && out.length === 0) return null;
  const isCarried = (id: string) => carried.some((one) => one.id === id);
  const switchable = new Set(offered.map(({ id }) => id));
  return (
    <Ticket>
      <Heading>Learned from earlier batches</Heading>
      {used.map(({ id, effect, why }) => (
        <View key={id}>
          {switchable.has(id) ? (
            <Check label={say(effect)} value onChange={() => onLeave(id, true)} />
          ) : (
            <Strong>{effect}</Strong>
          )}
          <Label>{why}</Label>
          {isCarried(id) ? (
            <Action label="Delete" onPress={() => drop.mutate(id)} disabled={drop.isPending} />
          ) : null}
        </View>
      ))}
      {out.map(({ id, what, words }) => (
        <View key={id}>
          <Check
            label={say('{name}: left out of this batch', { name: ADJUSTABLE[what].name })}
            value={false}
            onChange={() => onLeave(id, false)}
          />
          <Label>{words}</Label>
        </View>
      ))}
      <Link href="/lessons">
        <AskWord>All lessons and their evidence</AskWord>
      </Link>
    </Ticket>
  );
}
