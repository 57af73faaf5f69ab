import { zodResolver } from '@hookform/resolvers/zod';
import {
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
  get,
  useForm,
  useWatch,
} from 'react-hook-form';
import type { ViewStyle } from 'react-native';
import { z } from 'zod';
import { FigureField } from './FigureField';

interface TextFormOptions<T extends FieldValues, R> {
  /** What the fields show when the form opens; fields of the schema go by the same names. */
  first: T;
  /** The candidate that typed text makes; core's schema has the last word on it. */
  read: (text: T) => unknown;
  schema: z.ZodType<R>;
  /** When its sentences come: as it is typed, or when it is sent the first time. */
  mode?: 'onChange' | 'onSubmit';
}

/** A form of typed text: what is typed stays, and each sentence stands at its field. */
export function useTextForm<T extends FieldValues, R>(options: TextFormOptions<T, R>) {
  const { first, read, schema, mode = 'onSubmit' } = options;
  const form = useForm<T, unknown, R>({
    mode,
    defaultValues: first as DefaultValues<T>,
    resolver: zodResolver(z.preprocess((text) => read(text as T), schema) as z.ZodType<R, T>),
  });
  const text = useWatch({ control: form.control }) as T;
  const { errors, isDirty, isSubmitted } = form.formState;
  const put = (field: string, value: unknown) => {
    form.setValue(field as Path<T>, value as PathValue<T, Path<T>>, { shouldDirty: true });
    // All of it: a figure can be wrong by another one.
    if (mode === 'onChange' || isSubmitted) void form.trigger();
  };
  const set = (changes: Partial<T>) => {
    for (const [field, value] of Object.entries(changes)) put(field, value);
  };
  const problem = (field: string): string | undefined =>
    (get(errors, field) as { message?: string } | undefined)?.message;

  /** A figure of the form. */
  const figure = (field: Path<T>, label: string, unit: string, style?: ViewStyle) => (
    <FigureField
      key={field}
      labelled
      name={field}
      {...{ label, unit }}
      value={String(get(text, field))}
      onText={(typed) => put(field, typed)}
      error={problem(field)}
      {...(style ? { style } : {})}
    />
  );
  return {
    ...{ text, set, problem, figure, isDirty },
    /** Nothing of it is wrong, as far as it was looked at. */
    isRight: Object.keys(errors).length === 0,
    /** Hands the record on, or shows a sentence at each field that is wrong. */
    submit: (onRead: (record: R) => void) => () => void form.handleSubmit(onRead)(),
    /** The fields as they were kept. */
    reset: (kept: T) => form.reset(kept),
  };
}
