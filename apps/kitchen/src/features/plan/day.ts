import { type Conditions, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** The figures of the day without the lot, as this device last had them. */
export type Day = Omit<Conditions, 'lot'>;

interface DayState {
  /** Whether plans follow the day, or the formula as it is written. */
  on: boolean;
  day: Day;
  /** Figures that somebody said or measured; the others are assumed. */
  said: Partial<Record<keyof Day, boolean>>;
  mixer: string | null;
  set: (changes: Partial<Pick<DayState, 'on' | 'mixer'>>) => void;
  change: (changes: Partial<Day>) => void;
  /** Takes a wished figure away. */
  clear: (field: 'doughC' | 'flourMoisture') => void;
}

/** What the cook found today; kept on the device, because the tap and the flour are the same all morning. */
export const useDay = create<DayState>()(
  persist(
    (set) => ({
      on: true,
      day: ORDINARY_DAY,
      said: {},
      mixer: null,
      set: (changes) => set(changes),
      change: (changes) =>
        set(({ day, said }) => ({
          day: { ...day, ...changes },
          said: { ...said, ...Object.fromEntries(Object.keys(changes).map((field) => [field, true])) },
        })),
      clear: (field) =>
        set(({ day }) => {
          const { [field]: _gone, ...rest } = day;
          return { day: rest as Day };
        }),
    }),
    { name: 'kettle-scale-day' },
  ),
);
