import { useState } from 'react';
import type { ViewStyle } from 'react-native';
import type { z } from 'zod';
import { FigureField } from './FigureField';

type Problems = Partial<Record<string, string>>;

/**
 * A short form of typed text: what is typed stays, core's schema has the last word, and each sentence stands at its field.
 * @param first what the fields show when the form opens; fields of the schema go by the same names
 */
export function useTextForm<T extends object>(first: T) {
  const [text, setText] = useState(first);
  const [problems, setProblems] = useState<Problems>({});
  const set = (changes: Partial<T>) => setText((was) => ({ ...was, ...changes }));

  /** The record, or null with the sentences at their fields. */
  const check = <R,>(schema: z.ZodType<R>, candidate: unknown): R | null => {
    const checked = schema.safeParse(candidate);
    setProblems(
      checked.success
        ? {}
        : Object.fromEntries(checked.error.issues.map(({ path, message }) => [String(path[0]), message])),
    );
    return checked.success ? checked.data : null;
  };

  /** A figure of the form. */
  const figure = (field: keyof T & string, label: string, unit: string, style?: ViewStyle) => (
    <FigureField
      labelled
      name={field}
      label={label}
      unit={unit}
      value={String(text[field])}
      onText={(typed) => set({ [field]: typed } as Partial<T>)}
      error={problems[field]}
      {...(style ? { style } : {})}
    />
  );
  return { text, set, problems, check, figure };
}
