/** Whether whoever uses this device has asked for things not to move. */
export const stillness = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches;
