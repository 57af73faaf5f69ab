import type { UnitSystem } from '@kettle-scale/core';
import { useEffect } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { ThemeName } from './tokens';

interface Preferences {
  units: UnitSystem;
  theme: ThemeName;
  sound: boolean;
  /** Weigh by the live scale, and go on by itself when the weight is steady and right. */
  scale: boolean;
  autoAdvance: boolean;
  set: (changes: Partial<Omit<Preferences, 'set'>>) => void;
}

/** How this person reads the app on this device; kept on the device. */
export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      units: 'metric',
      theme: 'paper',
      sound: true,
      scale: false,
      autoAdvance: false,
      set: (changes) => set(changes),
    }),
    { name: 'kettle-scale-preferences' },
  ),
);

export const useUnits = (): UnitSystem => usePreferences((state) => state.units);

const useHeat = create<{ hot: boolean }>(() => ({ hot: false }));

/** While a screen that uses this is shown, the whole app is iron: glare over the plate is the worst place for paper. */
export function useHotLine(): void {
  useEffect(() => {
    useHeat.setState({ hot: true });
    return () => useHeat.setState({ hot: false });
  }, []);
}

/** The theme to draw in now. */
export function useThemeName(): ThemeName {
  const hot = useHeat((state) => state.hot);
  const chosen = usePreferences((state) => state.theme);
  return hot ? 'iron' : chosen;
}
