import { create } from 'zustand';

/** Whether the kitchen has said that this phone has no key to it (any more); until it is opened anew. */
export const useKey = create(() => ({ lost: false }));

export const keyIsLost = (): void => useKey.setState({ lost: true });
