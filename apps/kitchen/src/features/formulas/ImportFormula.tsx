import { InputError, checkFormula, parseJson, type Formula } from '@kettle-scale/core';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { Refused } from '../../data/api';
import { useAddFormula, useIngredients } from '../../data/queries';
import { Action } from '../../ui/actions';
import { FieldError } from '../../ui/StepperField';

const firstSentence = (error: unknown): string => {
  if (error instanceof InputError || error instanceof Refused) {
    const [first] = error.problems;
    if (!first) return error.message;
    return first.path ? `${first.path}: ${first.message}` : first.message;
  }
  return error instanceof Error ? error.message : String(error);
};

/** Brings a formula file into the book: whole or not at all. */
export function ImportFormula() {
  const router = useRouter();
  const add = useAddFormula();
  const { data: ingredients = [] } = useIngredients();
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const read = async (file: File | undefined) => {
    if (!file) return;
    setProblem(null);
    try {
      const formula: Formula = checkFormula(parseJson(await file.text()), ingredients).formula;
      await add.mutateAsync(formula);
      router.push(`/formulas/${formula.id}`);
    } catch (error) {
      setProblem(firstSentence(error));
    }
  };

  return (
    <View>
      {problem ? <FieldError id="import-error" message={`${problem} Nothing was brought in.`} /> : null}
      <Action icon="upload" label="Bring in a formula file" onPress={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Formula file"
        tabIndex={-1}
        hidden
        onChange={(event) => {
          void read(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </View>
  );
}
