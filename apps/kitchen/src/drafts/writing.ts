import { KINDS_OF_BREAD, type KindOfBread } from '@kettle-scale/core/formula';
import type { Answers } from '@kettle-scale/core/writing';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Writing {
  text: string;
  /** What the formula is to be called; empty to take the name found above the list. */
  name: string;
  /** How many pieces it makes, as typed; empty to take what the list says. */
  pieces: string;
  answers: Answers;
  set: (changes: Partial<Pick<Writing, 'text' | 'name' | 'pieces'>>) => void;
  /** Adds to the answers given: two quick presses both count, whatever the screen has drawn between them. */
  answer: (more: Answers) => void;
  /** Takes answers back: they are asked again. */
  askAgain: (keys: readonly string[]) => void;
  /** Begins anew, with a list that came from a file or with nothing. */
  begin: (text: string, name: string) => void;
}

/** The answer that says the kind of bread, beside those to the list's own questions. */
export const KIND_KEY = 'kind-of-bread';
export const saidKind = (answers: Answers): KindOfBread | undefined =>
  KINDS_OF_BREAD.find((kind) => kind === answers[KIND_KEY]);

/** The list being written down, kept on this device until it is a formula. */
export const useWriting = create<Writing>()(
  persist(
    (set) => ({
      text: '',
      name: '',
      pieces: '',
      answers: {},
      set: (changes) => set(changes),
      answer: (more) => set(({ answers }) => ({ answers: { ...answers, ...more } })),
      askAgain: (keys) =>
        set(({ answers }) => ({
          answers: Object.fromEntries(Object.entries(answers).filter(([key]) => !keys.includes(key))),
        })),
      begin: (text, name) => set({ text, name, pieces: '', answers: {} }),
    }),
    { name: 'kettle-scale-writing' },
  ),
);
