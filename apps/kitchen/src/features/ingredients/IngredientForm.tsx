import {
  ALLERGENS,
  CATALOGUE,
  FILL_METHODS,
  INGREDIENT_KINDS,
  type Ingredient,
  freeId,
  heatCapacity,
  slugOf,
} from '@kettle-scale/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { useResetIngredient, useSaveIngredient } from '../../data/queries';
import { Action, PrimaryAction } from '../../ui/actions';
import { Check, Choices } from '../../ui/Choices';
import { FigureField } from '../../ui/FigureField';
import { Screen } from '../../ui/Screen';
import { Segments } from '../../ui/Segments';
import { FieldError } from '../../ui/StepperField';
import { Ticket } from '../../ui/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label, Strong } from '../../ui/type';
import { WordField } from '../../ui/WordField';
import { type IngredientText, readText, textOf } from './ingredientText';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flex: 1, minWidth: 96 },
  wrap: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
});

const SHARE_WORDS = [
  ['water', 'Water'],
  ['protein', 'Protein'],
  ['fat', 'Fat'],
  ['carbohydrate', 'Carbohydrate'],
  ['ash', 'Ash and salt'],
] as const;
const ENDS = [
  ['low', 'low'],
  ['typical', 'typical'],
  ['high', 'high'],
] as const;

interface IngredientFormProps {
  /** Null for a new one. */
  food: Ingredient | null;
  foods: readonly Ingredient[];
  currency: string | undefined;
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
      <Ticket>
        <Heading>What a measure of it weighs</Heading>
        <Body tone="soot">
          Grams in one millilitre: least, usual, most. Leave a way empty that is not used.
        </Body>
        {FILL_METHODS.map((fill) => {
          const own = food?.densities?.find((density) => density.fill === fill)?.weighedOn;
          return (
            <View key={fill}>
              <Label>{own ? `${fill}; our own cup, weighed ${own}` : fill}</Label>
              <View style={styles.row}>
                {ENDS.map(([end, words]) => (
                  <FigureField
                    key={end}
                    name={`${fill}-${end}`}
                    label={`${fill}, ${words}`}
                    unit="g/ml"
                    value={text.fills[fill][end]}
                    onText={(value) =>
                      put('fills', { ...text.fills, [fill]: { ...text.fills[fill], [end]: value } })
                    }
                    style={styles.cell}
                  />
                ))}
              </View>
              {problem(`fills.${fill}`) ? (
                <FieldError id={`${fill}-error`} message={problem(`fills.${fill}`) ?? ''} />
              ) : null}
            </View>
          );
        })}
        <Label>Counted: name of the piece, and grams of one</Label>
        {text.pieces.map((piece, index) => (
          <View key={index}>
            <View style={styles.row}>
              <WordField
                quiet
                name={`piece-${index}`}
                label={`Piece ${index + 1}`}
                value={piece.name}
                onText={(name) =>
                  put(
                    'pieces',
                    text.pieces.map((entry, at) => (at === index ? { ...entry, name } : entry)),
                  )
                }
                style={styles.cell}
              />
              {ENDS.map(([end, words]) => (
                <FigureField
                  key={end}
                  name={`piece-${index}-${end}`}
                  label={`Piece ${index + 1}, ${words}`}
                  unit="g"
                  value={piece[end]}
                  onText={(value) =>
                    put(
                      'pieces',
                      text.pieces.map((entry, at) => (at === index ? { ...entry, [end]: value } : entry)),
                    )
                  }
                  style={styles.cell}
                />
              ))}
            </View>
            {problem(`pieces.${index}`) ? (
              <FieldError id={`piece-${index}-error`} message={problem(`pieces.${index}`) ?? ''} />
            ) : null}
          </View>
        ))}
      </Ticket>
      <Ticket>
        <Heading>What it is made of</Heading>
        <View style={styles.row}>
          {SHARE_WORDS.map(([part, words]) => (
            <FigureField
              key={part}
              labelled
              name={part}
              label={words}
              unit="%"
              value={text.shares[part]}
              onText={(value) => put('shares', { ...text.shares, [part]: value })}
              error={problem(`shares.${part}`)}
              style={styles.cell}
            />
          ))}
          <FigureField
            labelled
            name="heat"
            label="Heat capacity"
            unit="kJ/(kg K)"
            value={text.heat}
            onText={(value) => put('heat', value)}
            error={problem('heat')}
            style={styles.cell}
          />
        </View>
        {text.heat.trim() === '' && read.ok ? (
          <Label>{`Left empty it is worked out: ${heatCapacity(read.food).toFixed(2)} kJ/(kg K).`}</Label>
        ) : null}
        {food?.source ? <Label>{food.source}</Label> : null}
      </Ticket>
      <Ticket>
        <Heading>Allergens</Heading>
        <View style={styles.wrap}>
          {ALLERGENS.map((name) => (
            <Check
              key={name}
              label={name}
              value={text.allergens.includes(name)}
              onChange={(on) =>
                put(
                  'allergens',
                  on ? [...text.allergens, name] : text.allergens.filter((other) => other !== name),
                )
              }
            />
          ))}
        </View>
        <Label>Your supplier’s label and your local food code decide what must be declared.</Label>
      </Ticket>
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
