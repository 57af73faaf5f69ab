import type { Difference } from '@kettle-scale/core/document';
import { create } from 'zustand';

export type Whose = 'mine' | 'theirs';

interface Asked {
  differences: readonly Difference[];
  answer: (whose: Whose | null) => void;
}

/** What two people changed to different values, while somebody is asked whose is to stay. */
export const useWhose = create<{ asked: Asked | null }>(() => ({ asked: null }));

/** Asks whose is to stay; null when the sheet is closed without an answer. */
export const askWhose = (differences: readonly Difference[]): Promise<Whose | null> =>
  new Promise((resolve) => {
    // Whoever was asked before and has not answered saves nothing.
    useWhose.getState().asked?.answer(null);
    const answer = (whose: Whose | null): void => {
      useWhose.setState({ asked: null });
      resolve(whose);
    };
    useWhose.setState({ asked: { differences, answer } });
  });
