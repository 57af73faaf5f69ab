/** What comes down the kitchen's stream. */
export const STREAMED = [
  'hello',
  'event',
  'batch',
  'lots',
  'plans',
  'service',
  'book',
  'ingredients',
  'settings',
  'phones',
  'kitchen',
  'reading',
] as const;
export type Streamed = (typeof STREAMED)[number];
