import type { Kitchen, KitchenCook } from '@kettle-scale/core/kitchen';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { keys, queryClient, useKitchen } from '../api/queries';

/** The cook that was chosen on this phone; kept on it. */
const useChosen = create<{ cook: string | null }>()(
  persist((): { cook: string | null } => ({ cook: null }), { name: 'kettle-scale-cook' }),
);

/** Says who is working on this phone from now on; null: nobody says. */
export function chooseCook(cook: string | null): void {
  useChosen.setState({ cook });
}

const atWork = (kitchen: Kitchen | undefined): KitchenCook[] =>
  (kitchen?.cooks ?? []).filter(({ gone }) => !gone);

/** Who may be chosen here, and who is. */
export function useCook(): { cooks: KitchenCook[]; cook: KitchenCook | null } {
  const cooks = atWork(useKitchen().data);
  const chosen = useChosen(({ cook }) => cook);
  return { cooks, cook: cooks.find(({ id }) => id === chosen) ?? null };
}

/** What an act is stored with: nobody, where none was chosen or the chosen one has left the kitchen. */
export function cookOfAct(): { cook?: string } {
  const { cook } = useChosen.getState();
  const kitchen = queryClient.getQueryData<Kitchen>(keys.kitchen);
  // Before the kitchen is known, the phone is believed.
  const known = !kitchen || atWork(kitchen).some(({ id }) => id === cook);
  return cook !== null && known ? { cook } : {};
}
