import { USUAL_DOUGH_C } from '@kettle-scale/core/bake';
import { create } from 'zustand';

interface Choice {
  formulaId: string | null;
  griddleId: string | null;
  /** Null while the formula's own is meant. */
  plateC: number | null;
  thicknessMm: number | null;
  doughC: number;
  altitudeM: number | null;
  set: (changes: Partial<Omit<Choice, 'set'>>) => void;
}

/** What the griddle pages look at; kept while the app is open. */
export const useGriddleChoice = create<Choice>()((set) => ({
  ...{ formulaId: null, griddleId: null, plateC: null, thicknessMm: null, altitudeM: null },
  doughC: USUAL_DOUGH_C,
  set: (changes) => set(changes),
}));
