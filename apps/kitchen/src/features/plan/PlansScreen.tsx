import { say } from '../../reader/say';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { InputError } from '@kettle-scale/core/message';
import { type Plan, type SavedPlan, comparePlans, planBatch } from '@kettle-scale/core/plan';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useForgetPlan } from '../../api/changes';
import { useBookAndKitchen, useSavedPlans } from '../../api/queries';
import { Action, ActionRow } from '../../ui/input/actions';
import { Check } from '../../ui/input/Choices';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Table } from '../../ui/layout/Table';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';
import { useDay } from './day';
import { addressOfNeed } from './planForm';

const styles = StyleSheet.create({ list: { gap: SPACE.m } });
const PAIR = 2;

/** A kept plan worked out for its own day; a sentence where it cannot be any more. */
function workOut(
  { formulaId, formulaVersion: _kept, name: _name, savedAt: _at, id: _id, ...asked }: SavedPlan,
  formulas: readonly Formula[],
  kitchen: Kitchen,
  ingredients: Ingredient[],
): Plan | string {
  const formula = formulas.find(({ id }) => id === formulaId);
  if (!formula) return 'Its formula is not in the book any more.';
  try {
    return planBatch({ formula, kitchen, ingredients, ...asked });
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
}

/** Two kept plans side by side. */
function Compared({ a, b, names }: { a: Plan; b: Plan; names: readonly [string, string] }) {
  const rows = comparePlans(a, b);
  const differing = rows.filter(({ same }) => !same);
  return (
    <Ticket>
      <Heading>Compared</Heading>
      {differing.length === 0 ? <Body>They give the same result.</Body> : null}
      {differing.length > 0 ? (
        <Table
          label="Where the plans differ"
          columns={['', ...names]}
          rows={differing.map(({ what, a: ofA, b: ofB }) => [what, ofA, ofB])}
        />
      ) : null}
      <Label>
        {say('{length, number} figures are the same.', { length: rows.length - differing.length })}
      </Label>
    </Ticket>
  );
}

const planWords = ({ formula, pieces, doughG, bowls }: Plan): string =>
  say('{name}: {pieces, number} pieces, {dough} of dough in {bowls, plural, one {# bowl} other {# bowls}}', {
    name: formula.name,
    pieces,
    dough: { bulkG: doughG },
    bowls,
  });

/** Plans kept for later: open one, hold two against each other, forget one. */
export function PlansScreen() {
  const router = useRouter();
  const plans = useSavedPlans();
  const { ready, error, retry } = useBookAndKitchen();
  const forget = useForgetPlan();
  const { change, set } = useDay();
  const [chosen, setChosen] = useState<string[]>([]);
  if (!plans.data || !ready) {
    return (
      <Screen title="Saved plans">
        <Waiting what="the plans" error={plans.error ?? error} onRetry={retry} />
      </Screen>
    );
  }
  const formulas = ready.entries.map(({ formula }) => formula);
  const worked = plans.data.map((kept) => ({
    kept,
    plan: workOut(kept, formulas, ready.kitchen, ready.foods),
  }));
  const open = ({ formulaId, need, conditions, mixer }: SavedPlan) => {
    set({ on: conditions !== undefined, mixer: mixer ?? null });
    if (conditions) {
      const { lot: _lot, ...day } = conditions;
      change(day);
    }
    const address = { ...addressOfNeed(need), ...(conditions?.lot ? { lot: conditions.lot.id } : {}) };
    router.push({ pathname: '/plan/[id]', params: { id: formulaId, ...address } });
  };
  const pair = worked.filter(({ kept }) => chosen.includes(kept.id));
  const [first, second] = pair;
  return (
    <Screen title="Saved plans">
      {worked.length === 0 ? (
        <Notice
          title="No saved plan"
          text="Plan a batch and keep it for later; then it can be opened or compared here."
        />
      ) : null}
      {pair.length === PAIR &&
      first &&
      second &&
      typeof first.plan !== 'string' &&
      typeof second.plan !== 'string' ? (
        <Compared a={first.plan} b={second.plan} names={[first.kept.name, second.kept.name]} />
      ) : worked.length >= PAIR ? (
        <Label>Tick two to compare them.</Label>
      ) : null}
      <View style={styles.list}>
        {worked.map(({ kept, plan }) => (
          <Ticket key={kept.id}>
            <Heading>{kept.name}</Heading>
            <Body tone="soot">{typeof plan === 'string' ? plan : planWords(plan)}</Body>
            <Check
              label={say('Compare {name}', { name: kept.name })}
              value={chosen.includes(kept.id)}
              onChange={(value) =>
                setChosen((ids) =>
                  value ? [...ids, kept.id].slice(-PAIR) : ids.filter((id) => id !== kept.id),
                )
              }
            />
            <ActionRow
              actions={[
                { key: 'open', label: 'Open', onPress: () => open(kept), disabled: typeof plan === 'string' },
                { key: 'forget', label: 'Delete', onPress: () => forget.mutate(kept.id) },
              ]}
            />
          </Ticket>
        ))}
      </View>
      <Action label="To the shift" onPress={() => router.push('/shift')} />
    </Screen>
  );
}
