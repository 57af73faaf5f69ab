import type { Kitchen, Mixer } from './kitchenSchema';

/** Before a kitchen says otherwise: a 12 kg mixer, a 1 g and a 0.1 g scale, losses of 1 % and 0.5 % (assumptions). */
export const DEFAULT_KITCHEN: Kitchen = {
  benchStepG: 1,
  fineStepG: 0.1,
  fineMaxG: 500,
  bowlCapacityG: 12_000,
  bowlMinimumG: 1_500,
  bowlLoss: 0.01,
  benchLoss: 0.005,
  measures: 'us',
  currency: 'EUR',
};

/** Hours that perishable dough may be out of the cold, where the kitchen says nothing; local food codes come first. */
export const DEFAULT_COLD_LIMIT_H = 4;

/** Hours that leftover dough may stay in the fridge (assumption). */
export const DEFAULT_FRIDGE_DOUGH_H = 48;

/** The kitchen with one of its bowls or machines as the bowl that doughs are mixed in; as it is when there is none of this name. */
export function kitchenWith(
  kitchen: Kitchen,
  mixerId: string | undefined,
): { kitchen: Kitchen; mixer: Mixer | null } {
  const mixer = kitchen.mixers?.find(({ id }) => id === mixerId) ?? null;
  if (!mixer) return { kitchen, mixer };
  return { kitchen: { ...kitchen, bowlCapacityG: mixer.maxG, bowlMinimumG: mixer.minG }, mixer };
}

/** Share of the dough that ends up in balls: (1 − bowl loss)(1 − bench loss). */
export const keptShare = (kitchen: Pick<Kitchen, 'bowlLoss' | 'benchLoss'>): number =>
  (1 - kitchen.bowlLoss) * (1 - kitchen.benchLoss);
