/** What a cook sees on a piece that is not right. */
export const SYMPTOMS = {
  hard: 'Hard or dry',
  cracks: 'Cracks when folded',
  'springs-back': 'Springs back, small and thick',
  sticks: 'Sticks',
  'no-puff': 'Does not puff',
  'black-spots': 'Black spots',
  pale: 'Pale',
  raw: 'Raw inside',
  tough: 'Tough and chewy',
  salty: 'Tastes salty',
  misshapen: 'Not round',
  'burnt-edge': 'Burnt edge',
} as const;
export type Symptom = keyof typeof SYMPTOMS;
export const SYMPTOM_IDS = Object.keys(SYMPTOMS) as [Symptom, ...Symptom[]];

/** What may be behind it. */
export const CAUSES = {
  'too-dry': 'Too little water',
  'too-wet': 'Too much water',
  'bench-flour': 'Bench flour rolled in',
  'rest-short': 'Rest cut short',
  'over-kneaded': 'Kneaded too long',
  'dough-cold': 'Dough too cold',
  'plate-cold': 'Plate too cold',
  'plate-hot': 'Plate too hot',
  'time-long': 'Too long on the plate',
  'time-short': 'Too short on the plate',
  thick: 'Rolled too thick',
  thin: 'Rolled too thin',
  uneven: 'Uneven thickness',
  'balls-uneven': 'Balls of different weight',
  'loose-flour': 'Loose flour burning on the plate',
  'skin-dried': 'Skin dried before baking',
  unwrapped: 'Not wrapped after baking',
  'fat-low': 'Too little fat',
  'salt-high': 'Too much salt',
} as const;
export type Cause = keyof typeof CAUSES;
export const CAUSE_IDS = Object.keys(CAUSES) as [Cause, ...Cause[]];

/** How often a cause shows as a symptom (assumptions, by trade practice). */
export const OFTEN = { usual: 0.6, often: 0.3, sometimes: 0.12, rarely: 0.02 } as const;
type Grade = keyof typeof OFTEN;

/** How common a cause is in a kitchen, against the others (assumptions). */
export const COMMON: Record<Cause, number> = {
  'too-dry': 3,
  'too-wet': 1,
  'bench-flour': 2,
  'rest-short': 3,
  'over-kneaded': 1,
  'dough-cold': 1,
  'plate-cold': 2,
  'plate-hot': 2,
  'time-long': 2,
  'time-short': 1,
  thick: 1,
  thin: 1,
  uneven: 2,
  'balls-uneven': 2,
  'loose-flour': 1,
  'skin-dried': 1,
  unwrapped: 2,
  'fat-low': 1,
  'salt-high': 1,
};

/** Symptom: the causes that show so, and how often. What is not named is rare. */
export const LIKELIHOOD: Record<Symptom, Partial<Record<Cause, Grade>>> = {
  hard: {
    'too-dry': 'usual',
    'bench-flour': 'often',
    'plate-cold': 'often',
    'time-long': 'usual',
    unwrapped: 'often',
    thin: 'often',
    'fat-low': 'often',
  },
  cracks: {
    'too-dry': 'usual',
    'bench-flour': 'often',
    'plate-cold': 'sometimes',
    'time-long': 'often',
    unwrapped: 'usual',
    'skin-dried': 'often',
    'fat-low': 'sometimes',
  },
  'springs-back': {
    'rest-short': 'usual',
    'over-kneaded': 'often',
    'dough-cold': 'often',
    'too-dry': 'sometimes',
  },
  sticks: { 'too-wet': 'usual', 'plate-cold': 'often', 'rest-short': 'sometimes' },
  'no-puff': {
    thick: 'often',
    thin: 'often',
    uneven: 'usual',
    'plate-cold': 'often',
    'too-dry': 'often',
    'skin-dried': 'often',
    'balls-uneven': 'sometimes',
  },
  'black-spots': { 'plate-hot': 'usual', 'loose-flour': 'usual', 'time-long': 'often' },
  pale: { 'plate-cold': 'usual', 'time-short': 'usual', thick: 'sometimes', 'too-wet': 'sometimes' },
  raw: { 'plate-hot': 'often', 'time-short': 'usual', thick: 'often', 'too-wet': 'often' },
  tough: { 'fat-low': 'often', 'over-kneaded': 'often', 'rest-short': 'often', 'too-dry': 'sometimes' },
  salty: { 'salt-high': 'usual' },
  misshapen: { 'balls-uneven': 'often', uneven: 'often', 'rest-short': 'often', 'dough-cold': 'sometimes' },
  'burnt-edge': { uneven: 'usual', thin: 'often', 'plate-hot': 'often' },
};
