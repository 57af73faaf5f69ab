import { say } from '../../reader/say';
import { type Cold, leadS } from '@kettle-scale/core/shift';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { useFormulas } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Action } from '../../ui/input/actions';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading, Label, Strong } from '../../ui/type';
import type { PlanActs } from './usePlanActs';
import type { ServiceNow } from './useServiceDay';

/** A batch that is put into the plan by hand begins on the next of these, s. */
const GRID_S = 300;

const wordsOf = ({ pieces, as }: Cold, name: string): string =>
  as === 'balls'
    ? say('{pieces, number} balls of {name}', { pieces, name })
    : say('Dough for {pieces, number} {name}', { pieces, name });

/** Balls and dough in the fridge with their best-by: seen until they are used up, and the start of a plan, whole or in part. */
export function ColdTicket({ now, acts }: { now: ServiceNow; acts: PlanActs }) {
  const { when } = useDays();
  const formulas = useFormulas();
  const nowMs = now.toMs(now.nowS);
  if (now.cold.length === 0) return null;
  const plan = (store: Cold, pieces: number) => {
    const bread = now.line?.breads.findIndex(({ id }) => id === store.bread) ?? -1;
    if (!now.line || bread < 0) return;
    const cold = now.line.shift.cold?.findIndex(({ id, as }) => id === store.id && as === store.as);
    const start = Math.ceil(now.nowS / GRID_S) * GRID_S;
    const lead = leadS(now.line.shift, { bread, n: pieces, cold });
    acts.keepRest([
      ...now.rest,
      {
        ...{ id: uuidv7(), formulaId: store.bread, n: pieces, start, bakeAt: Math.ceil(start + lead) },
        cold: { batchId: store.id, as: store.as },
      },
    ]);
  };
  return (
    <Ticket>
      <Heading>In the fridge</Heading>
      {now.cold.map((store) => {
        const name = formulas.data?.find(({ id }) => id === store.bread)?.name ?? store.bread;
        const planned = now.rest.reduce(
          (sum, { n, cold }) => (cold?.batchId === store.id && cold.as === store.as ? sum + n : sum),
          0,
        );
        const left = store.pieces - planned;
        const ofService = now.line?.breads.some(({ id }) => id === store.bread) ?? false;
        return (
          <View key={`${store.id}/${store.as}`}>
            <Strong>{wordsOf(store, name)}</Strong>
            <Label>{say('best by {when}', { when: when(now.toMs(store.bestBy), nowMs) })}</Label>
            {planned > 0 ? (
              <Label>{say('{planned, number} of them are in the plan.', { planned })}</Label>
            ) : null}
            {ofService && left > 0 ? (
              <Action
                label={say('Plan {left, number}', { left })}
                hint={say('Plan {left, number} {name} out of the fridge', { left, name })}
                onPress={() => plan(store, left)}
              />
            ) : null}
          </View>
        );
      })}
    </Ticket>
  );
}
