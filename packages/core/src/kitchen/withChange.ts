import type { Kitchen, KitchenChange } from './kitchenSchema';

/**
 * The kitchen with some of its settings changed, as they are said: whether they fit each other is not looked at.
 * @param change what takes the place of what was; null takes it away, undefined says nothing
 */
export function withChange(kitchen: Kitchen, change: KitchenChange): Kitchen {
  const said = Object.entries(change).filter(([, value]) => value !== undefined);
  const all = { ...kitchen, ...Object.fromEntries(said) };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== null)) as Kitchen;
}
