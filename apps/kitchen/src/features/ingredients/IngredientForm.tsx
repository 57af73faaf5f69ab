import { freeId, slugOf } from '@kettle-scale/core/formula';
import { CATALOGUE, type Ingredient, heatCapacity } from '@kettle-scale/core/ingredient';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { zodResolver } from '@hookform/resolvers/zod';
import { get, useForm, useWatch } from 'react-hook-form';
import { useResetIngredient, useSaveIngredient } from '../../api/changes';
import { ForLead } from '../../shared/ForLead';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Check } from '../../ui/input/Choices';
import { Screen } from '../../ui/layout/Screen';
import { FieldError } from '../../ui/input/Field';
import { Strong } from '../../ui/type';
import { MadeOfTicket, MeasuresTicket } from './IngredientParts';
import { AllergensTicket, PackTicket, WhatTicket } from './IngredientTickets';
import { type IngredientText, ingredientForm, textOf } from './ingredientText';

interface IngredientFormProps {
  /** Null for a new one. */
  food: Ingredient | null;
  foods: readonly Ingredient[];
  currency: string | undefined;
}

/** Heat that it takes up, kJ/(kg·K), as typed so far; null while the fields make no ingredient. */
function heatOf(schema: ReturnType<typeof ingredientForm>, text: IngredientText): number | null {
  const read = schema.safeParse(text);
  return read.success ? heatCapacity(read.data) : null;
}

/** The form of an ingredient, checked as it is typed; a new one gets an id from its name. */
function useIngredientForm(food: Ingredient | null, foods: readonly Ingredient[]) {
  const schema = useMemo(() => {
    const taken = new Set(foods.map((entry) => entry.id));
    return ingredientForm((typed) => food?.id ?? freeId(slugOf(typed.name || 'ingredient'), taken), food);
  }, [food, foods]);
  const form = useForm<IngredientText, unknown, Ingredient>({
    mode: 'onChange',
    defaultValues: useMemo(() => textOf(food), [food]),
    resolver: zodResolver(schema),
  });
  return { form, schema };
}

/** Everything the kitchen knows of an ingredient, to be changed; its own, or laid over the catalogue's. */
export function IngredientForm({ food, foods, currency = 'EUR' }: IngredientFormProps) {
  const router = useRouter();
  const [begun, setBegun] = useState(food);
  const save = useSaveIngredient(begun);
  const reset = useResetIngredient();
  const { form, schema } = useIngredientForm(food, foods);
  const text = useWatch({ control: form.control }) as IngredientText;
  const { errors, isDirty, isValid } = form.formState;
  const problem = (field: string) => (get(errors, field) as { message?: string } | undefined)?.message;
  const put = <K extends keyof IngredientText>(field: K, value: IngredientText[K]) => {
    form.setValue(field as 'name', value as never, { shouldDirty: true });
    // All of it: shares are wrong by their sum.
    void form.trigger();
  };
  const ours = CATALOGUE.find((entry) => entry.id === food?.id);
  const changed = food !== null && ours !== undefined && JSON.stringify(ours) !== JSON.stringify(food);
  const keep = form.handleSubmit((kept) =>
    save.mutate(kept, {
      onSuccess: (saved) => {
        if (!food) return router.replace(`/ingredients/${saved.id}`);
        setBegun(saved);
        form.reset(textOf(saved));
      },
    }),
  );
  const takeBack = () => {
    if (!food) return;
    reset.mutate(food.id, {
      onSuccess: () => {
        if (!ours) return router.replace('/ingredients');
        setBegun(ours);
        form.reset(textOf(ours));
      },
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
          <ForLead instead="Only a lead changes ingredients.">
            <PrimaryAction
              label={save.isSuccess && !isDirty ? 'Saved' : 'Save'}
              onPress={() => void keep()}
              disabled={!isValid || !isDirty || save.isPending}
            />
          </ForLead>
        </>
      }
    >
      {food?.rolls === 'no' ? <Strong tone="plum">{food.note ?? 'It does not roll.'}</Strong> : null}
      <WhatTicket {...{ text, put, problem }} nameProblem={isDirty ? problem('name') : undefined} />
      <PackTicket {...{ text, put, problem, currency }} />
      <MeasuresTicket food={food} text={text} put={put} problem={problem} />
      <MadeOfTicket food={food} text={text} put={put} problem={problem} heatKJKgK={heatOf(schema, text)} />
      <AllergensTicket {...{ text, put }} />
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
