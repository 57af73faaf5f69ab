/** What the finished bread waits in. */
export const HOLDINGS = [
  'cloth',
  'insulated box',
  'lidded dish',
  'closed bag',
  'paper and foil',
  'fridge',
  'freezer',
  'vacuum pack, chilled',
  'vacuum pack, frozen',
  'served at once',
] as const;
export type Holding = (typeof HOLDINGS)[number];

/** How cold bread is kept in each way, from warm to frozen. */
export const COLDNESS: Record<Holding, 'warm' | 'room' | 'cold' | 'frozen'> = {
  cloth: 'warm',
  'insulated box': 'warm',
  'lidded dish': 'warm',
  'closed bag': 'room',
  'paper and foil': 'room',
  fridge: 'cold',
  freezer: 'frozen',
  'vacuum pack, chilled': 'cold',
  'vacuum pack, frozen': 'frozen',
  'served at once': 'warm',
};

/** Where held bread may go: held in another way, thawed or brought to the tray, or thrown out. */
export const BREAD_TO = [...HOLDINGS, 'tray', 'thrown out'] as const;

/** Why bread is thrown away. */
export const WASTE_REASONS = ['too old', 'left at closing', 'dropped', 'not good enough', 'other'] as const;

/** Hours that bread may be held in each way, where the kitchen says nothing (assumptions of the trade; local food codes come first). */
export const DEFAULT_HOLD_H: Record<Holding, number> = {
  cloth: 2,
  'insulated box': 4,
  'lidded dish': 2,
  'closed bag': 48,
  'paper and foil': 12,
  fridge: 48,
  freezer: 24 * 60,
  'vacuum pack, chilled': 24 * 5,
  'vacuum pack, frozen': 24 * 120,
  'served at once': 0.5,
};
