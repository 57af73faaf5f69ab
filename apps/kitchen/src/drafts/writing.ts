import type { Answers } from '@kettle-scale/core/writing';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Writing {
  text: string;
  /** What the formula is to be called; empty to take the name found above the list. */
  name: string;
  answers: Answers;
  set: (changes: Partial<Pick<Writing, 'text' | 'name'>>) => void;
  /** Adds to the answers given: two quick presses both count, whatever the screen has drawn between them. */
  answer: (more: Answers) => void;
  /** Begins anew, with a list that came from a file or with nothing. */
  begin: (text: string, name: string) => void;
}

/** The list being written down, kept on this device until it is a formula. */
export const useWriting = create<Writing>()(
  persist(
    (set) => ({
      text: '',
      name: '',
      answers: {},
      set: (changes) => set(changes),
      answer: (more) => set(({ answers }) => ({ answers: { ...answers, ...more } })),
      begin: (text, name) => set({ text, name, answers: {} }),
    }),
    { name: 'kettle-scale-writing' },
  ),
);
