import { wordsOfFood } from '../../shared/wordsOfFood';
import { figure, formatMoney } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import { ForLead, LeadsPage } from '../../shared/ForLead';
import { useFormat } from '../../ui/useFormat';
import { pricePerG } from '@kettle-scale/core/formula';
import { CATALOGUE, INGREDIENT_KINDS, type Ingredient } from '@kettle-scale/core/ingredient';

import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useIngredients, useKitchen } from '../../api/queries';
import { Action } from '../../ui/input/actions';
import { Check } from '../../ui/input/Choices';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Panes } from '../../ui/layout/Panes';
import { Screen } from '../../ui/layout/Screen';
import { ListRow } from '../../ui/layout/ListRow';
import { Figure, Label } from '../../ui/type';
import { useFindKey } from '../../ui/input/useFindKey';
import { useWide } from '../../ui/layout/useWide';
import { VirtualList } from '../../ui/layout/VirtualList';
import { SearchField } from '../../ui/input/SearchField';
import { IngredientForm } from './IngredientForm';

const ROW_PX = 66;
const G_PER_KG = 1000;

const FROM_CATALOGUE = new Map(CATALOGUE.map((food) => [food.id, food]));
const KIND_ORDER = new Map<string, number>(INGREDIENT_KINDS.map((kind, index) => [kind, index]));

/** "scooped 0.56 to 0.64 g/ml": the widest of what a measure of it weighs. */
function densityText(food: Ingredient, { read, unitOf }: ReturnType<typeof useFormat>): string {
  const fills = food.densities ?? [];
  if (fills.length === 0) return 'by weight only';
  const low = Math.min(...fills.map((density) => density.low));
  const high = Math.max(...fills.map((density) => density.high));
  return say('{read} to {read2} {unitOf}{length}', {
    read: figure(read(low, 'g/ml'), 2),
    read2: figure(read(high, 'g/ml'), 2),
    unitOf: unitOf('g/ml'),
    length: fills.length > 1 ? say(', {length, number} ways of filling', { length: fills.length }) : '',
  });
}

function IngredientRow({
  food,
  here,
  currency,
}: {
  food: Ingredient;
  here: boolean;
  currency: string | undefined;
}) {
  const format = useFormat();
  const price = pricePerG(food);
  const base = FROM_CATALOGUE.get(food.id);
  const mark = !base ? 'our own' : JSON.stringify(base) === JSON.stringify(food) ? '' : 'changed';
  return (
    <ListRow
      to={`/ingredients/${food.id}`}
      here={here}
      title={sayAll([food.name, food.hidden && '(hidden)'], ' ')}
      description={sayAll(
        [food.kind, densityText(food, format), food.rolls === 'no' && 'does not roll', mark],
        ' · ',
      )}
      right={
        <Figure
          value={price === null ? '–' : formatMoney(price * G_PER_KG, currency, 2)}
          unit="/kg"
          size={20}
        />
      }
    />
  );
}

/** Every ingredient of the kitchen: found, priced, measured, hidden, added. */
export function IngredientsScreen({ id }: { id?: string | undefined }) {
  const router = useRouter();
  const wide = useWide();
  const ingredients = useIngredients();
  const kitchen = useKitchen();
  const [find, setFind] = useState('');
  const [hidden, setHidden] = useState(false);
  useFindKey('find-food');
  const foods = ingredients.data;
  const shown = useMemo(() => {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean);
    return (foods ?? [])
      .filter((food) => {
        const text = wordsOfFood(food);
        return (hidden || !food.hidden) && words.every((word) => text.includes(word));
      })
      .sort(
        (a, b) =>
          (KIND_ORDER.get(a.kind) ?? 0) - (KIND_ORDER.get(b.kind) ?? 0) ||
          say(a.name).localeCompare(say(b.name)),
      );
  }, [foods, find, hidden]);
  if (!foods) {
    return (
      <Screen title="Ingredients">
        <Waiting what="ingredients" error={ingredients.error} onRetry={() => void ingredients.refetch()} />
      </Screen>
    );
  }
  const currency = kitchen.data?.currency;
  const chosen = foods.find((food) => food.id === (id ?? (wide ? shown[0]?.id : undefined)));
  const list = (
    <Screen title="Ingredients">
      <SearchField
        name="find-food"
        label={say('Find among {length, number}, by any name', { length: foods.length })}
        value={find}
        onText={setFind}
      />
      {foods.some((food) => food.hidden) ? (
        <Check label="Include hidden" value={hidden} onChange={setHidden} />
      ) : null}
      <ForLead>
        <Action icon="plus" label="Add an ingredient" onPress={() => router.push('/ingredients/new')} />
      </ForLead>
      <VirtualList
        label="Ingredients"
        items={shown}
        keyOf={(food) => food.id}
        rowPx={ROW_PX}
        gap={0}
        row={(food) => <IngredientRow food={food} here={food === chosen} currency={currency} />}
      />
      {shown.length === 0 ? <Label>No ingredient goes by that name.</Label> : null}
    </Screen>
  );
  const page =
    id === 'new' ? (
      <LeadsPage title="New ingredient">
        <IngredientForm key="new" food={null} foods={foods} currency={currency} />
      </LeadsPage>
    ) : chosen ? (
      <IngredientForm key={chosen.id} food={chosen} foods={foods} currency={currency} />
    ) : id ? (
      <Screen title="Ingredients">
        <Notice title="Ingredient not found" text="There is no ingredient at this address." />
      </Screen>
    ) : null;
  return <Panes list={list} page={page} asked={id !== undefined} />;
}
