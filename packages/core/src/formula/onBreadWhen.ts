/** When an ingredient that is not in the dough meets the bread, in the order of the work. */
export const ON_BREAD_WHEN = [
  'on the bench',
  'on the face',
  'on the pan',
  'after the turn',
  'at the end',
] as const;
export type OnBreadWhen = (typeof ON_BREAD_WHEN)[number];
