/** What the finished bread waits in. */
export const HOLDINGS = [
  'cloth',
  'insulated box',
  'lidded dish',
  'fridge',
  'freezer',
  'served at once',
] as const;
export type Holding = (typeof HOLDINGS)[number];
