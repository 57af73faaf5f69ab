import type { Kitchen, KitchenChange } from './kitchenSchema';

/**
 * The kitchen with some of its settings changed, as they are said: whether they fit each other is not looked at.
 * @param change what takes the place of what was; null takes it away
 */
export const withChange = (kitchen: Kitchen, change: KitchenChange): Kitchen =>
  Object.fromEntries(
    Object.entries({ ...kitchen, ...change }).filter(([, value]) => value !== null && value !== undefined),
  ) as Kitchen;
