import type { UnitSystem } from '@kettle-scale/core/quantity';
import { useEffect, useSyncExternalStore } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type ThemeName = 'paper' | 'iron';

interface Preferences {
  units: UnitSystem;
  /** BCP 47; null while nobody has chosen: as the browser asks. */
  language: string | null;
  /** Null while nobody has chosen: as the device is. */
  theme: ThemeName | null;
  sound: boolean;
  /** Reads the next act of a batch aloud. */
  voice: boolean;
  /** Listens for the few words that a step knows, where the device itself can. */
  listen: boolean;
  /** Weigh by the live scale, and go on by itself when the weight is steady and right. */
  scale: boolean;
  autoAdvance: boolean;
  /** Screen px a millimetre, held against a bank card; the browser's own guess until then. */
  pxPerMm: number;
  calibrated: boolean;
  set: (changes: Partial<Omit<Preferences, 'set'>>) => void;
}

/** A CSS inch is 96 px, whatever the glass really is. */
const CSS_PX_PER_MM = 96 / 25.4;

/** How this person reads the app on this device; kept on the device. */
export const usePreferences = create<Preferences>()(
  persist(
    (set) => ({
      units: 'metric',
      language: null,
      theme: null,
      sound: true,
      voice: false,
      listen: false,
      scale: false,
      autoAdvance: false,
      pxPerMm: CSS_PX_PER_MM,
      calibrated: false,
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

const DARK = '(prefers-color-scheme: dark)';
// Where there is no window to ask, as in a test, it is light.
const darkness = typeof window !== 'undefined' && 'matchMedia' in window ? window.matchMedia(DARK) : null;
const isDark = (): boolean => darkness?.matches ?? false;
const followDark = (changed: () => void) => {
  darkness?.addEventListener('change', changed);
  return () => darkness?.removeEventListener('change', changed);
};

/** The theme to draw in now. */
export function useThemeName(): ThemeName {
  const hot = useHeat((state) => state.hot);
  const chosen = usePreferences((state) => state.theme);
  const dark = useSyncExternalStore(followDark, isDark, () => false);
  return hot ? 'iron' : (chosen ?? (dark ? 'iron' : 'paper'));
}
