import { freeId, slugOf } from '@kettle-scale/core/formula';
import {
  ALLERGENS,
  CATALOGUE,
  INGREDIENT_KINDS,
  type Ingredient,
  heatCapacity,
} from '@kettle-scale/core/ingredient';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { useResetIngredient, useSaveIngredient } from '../../api/queries';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Check, Choices } from '../../ui/input/Choices';
import { FigureField } from '../../ui/input/FigureField';
import { Screen } from '../../ui/layout/Screen';
import { Segments } from '../../ui/input/Segments';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading, Label, Strong } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';
import { MadeOfTicket, MeasuresTicket } from './IngredientParts';
import { type IngredientText, readText, textOf } from './ingredientText';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flex: 1, minWidth: 96 },
  wrap: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
});

interface IngredientFormProps {
  /** Null for a new one. */
  food: Ingredient | null;
  foods: readonly Ingredient[];
  currency: string | undefined;
}

interface ChecksProps<T extends string> {
  label: string;
  names: readonly T[];
  value: readonly T[];
  onChange: (names: T[]) => void;
}

/** Any of a list, each with a box. */
function Checks<T extends string>({ label, names, value, onChange }: ChecksProps<T>) {
  return (
    <View role="group" aria-label={label}>
      <Label>{label}</Label>
      <View style={styles.wrap}>
        {names.map((name) => (
          <Check
            key={name}
            label={name}
            value={value.includes(name)}
            onChange={(on) => onChange(on ? [...value, name] : value.filter((other) => other !== name))}
          />
        ))}
      </View>
    </View>
  );
}

/** Everything the kitchen knows of an ingredient, to be changed; its own, or laid over the catalogue's. */
export function IngredientForm({ food, foods, currency = 'EUR' }: IngredientFormProps) {
  const router = useRouter();
  const save = useSaveIngredient();
  const reset = useResetIngredient();
  const form = useForm<IngredientText>({ defaultValues: useMemo(() => textOf(food), [food]) });
  const text = useWatch({ control: form.control }) as IngredientText;
  const id = food?.id ?? freeId(slugOf(text.name || 'ingredient'), new Set(foods.map((entry) => entry.id)));
  const read = useMemo(() => readText(id, text, food), [id, text, food]);
  const problem = (field: string) => (read.ok ? undefined : read.problems.get(field));
  const put = <K extends keyof IngredientText>(field: K, value: IngredientText[K]) =>
    form.setValue(field as 'name', value as never, { shouldDirty: true });
  const ours = CATALOGUE.find((entry) => entry.id === food?.id);
  const changed = food !== null && ours !== undefined && JSON.stringify(ours) !== JSON.stringify(food);
  const keep = () => {
    if (!read.ok) return;
    save.mutate(read.food, {
      onSuccess: (saved) => (food ? form.reset(textOf(saved)) : router.replace(`/ingredients/${saved.id}`)),
    });
  };
  const takeBack = () => {
    if (!food) return;
    reset.mutate(food.id, {
      onSuccess: () => (ours ? form.reset(textOf(ours)) : router.replace('/ingredients')),
    });
  };
  const error = save.error ?? reset.error;
  return (
    <Screen
      eyebrow={
        food
          ? ours
            ? changed
              ? 'Changed by this kitchen'
              : 'From the catalogue'
            : 'This kitchen’s own'
          : 'New'
      }
      title={food?.name ?? 'New ingredient'}
      foot={
        <>
          {error ? <FieldError id="ingredient-error" message={error.message} /> : null}
          <PrimaryAction
            label={save.isSuccess && !form.formState.isDirty ? 'Saved' : 'Save'}
            onPress={keep}
            disabled={!read.ok || !form.formState.isDirty || save.isPending}
          />
        </>
      }
    >
      {food?.rolls === 'no' ? <Strong tone="plum">{food.note ?? 'It does not roll.'}</Strong> : null}
      <Ticket>
        <Heading>What it is</Heading>
        <WordField
          name="name"
          label="Name"
          value={text.name}
          onText={(value) => put('name', value)}
          error={form.formState.isDirty ? problem('name') : undefined}
        />
        <Choices
          label="Kind"
          value={text.kind}
          options={INGREDIENT_KINDS.map((kind) => [kind, kind])}
          onChange={(kind) => put('kind', kind)}
        />
        {problem('kind') ? <FieldError id="kind-error" message={problem('kind') ?? ''} /> : null}
        <WordField
          name="aliases"
          label="Also written as, with commas"
          value={text.aliases}
          rows={2}
          onText={(value) => put('aliases', value)}
          error={problem('aliases')}
        />
        <WordField
          name="note"
          label="What a cook must know"
          value={text.note}
          rows={2}
          onText={(value) => put('note', value)}
          error={problem('note')}
        />
        {text.kind === 'flour' ? (
          <>
            <Segments
              labelled
              label="Rolls"
              value={text.rolls || 'well'}
              options={[
                ['well', 'Well'],
                ['with care', 'With care'],
                ['no', 'No'],
              ]}
              onChange={(value) => put('rolls', value)}
            />
            <FigureField
              labelled
              name="absorption"
              label="Absorption"
              unit="%"
              value={text.absorption}
              onText={(value) => put('absorption', value)}
              error={problem('absorption')}
            />
          </>
        ) : null}
        {text.kind === 'fat' ? (
          <Segments
            labelled
            label="At 20 °C"
            value={text.at20 || 'solid'}
            options={[
              ['solid', 'Solid'],
              ['soft', 'Soft'],
              ['liquid', 'Liquid'],
            ]}
            onChange={(value) => put('at20', value)}
          />
        ) : null}
      </Ticket>
      <Ticket>
        <Heading>Pack and price</Heading>
        <View style={styles.row}>
          <FigureField
            labelled
            name="packG"
            label="A pack holds"
            unit="g"
            value={text.packG}
            onText={(value) => put('packG', value)}
            error={problem('packG')}
            style={styles.cell}
          />
          <FigureField
            labelled
            name="price"
            label="and costs"
            unit={currency}
            value={text.price}
            onText={(value) => put('price', value)}
            error={problem('price')}
            style={styles.cell}
          />
        </View>
      </Ticket>
      <MeasuresTicket food={food} text={text} put={put} problem={problem} />
      <MadeOfTicket
        food={food}
        text={text}
        put={put}
        problem={problem}
        heatKJKgK={read.ok ? heatCapacity(read.food) : null}
      />
      <Ticket>
        <Heading>Allergens</Heading>
        <Checks
          label="Always in it"
          names={ALLERGENS}
          value={text.allergens}
          onChange={(names) => put('allergens', names)}
        />
        <Checks
          label="In some brands: the pack decides"
          names={ALLERGENS.filter((name) => !text.allergens.includes(name))}
          value={text.mayContain}
          onChange={(names) => put('mayContain', names)}
        />
        <Label>Your supplier’s label and your local food code decide what must be declared.</Label>
      </Ticket>
      <Check
        label="Spoils in the warm: its time out of the cold is counted"
        value={text.keepCold || text.kind === 'dairy' || text.kind === 'egg'}
        onChange={(value) => put('keepCold', value)}
      />
      <Check label="Hide it from lists" value={text.hidden} onChange={(value) => put('hidden', value)} />
      {changed || (food && !ours) ? (
        <Action
          icon="undo"
          label={ours ? 'Back to the catalogue’s values' : 'Remove this ingredient'}
          onPress={takeBack}
          disabled={reset.isPending}
        />
      ) : null}
    </Screen>
  );
}
