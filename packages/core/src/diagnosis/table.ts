import type { KindOfBread } from '../formula/kindsOfBread';

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
  bland: 'Tastes bland',
  sour: 'Tastes sour',
  greasy: 'Greasy',
  'sticky-to-roll': 'Too sticky to roll',
  misshapen: 'Not round',
  'burnt-edge': 'Burnt edge',
  holes: 'Holes and tears',
  'slides-off': 'Slides off the iron',
  'rim-blisters': 'Blisters only at the rim',
  'one-side-hard': 'One side hard',
  gummy: 'Gummy middle',
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
  'salt-low': 'Too little salt, or none',
  'fat-high': 'Too much fat',
  'rest-long': 'Rested too long or too warm',
  'little-bench-flour': 'Too little bench flour',
  'dirty-plate': 'Dirty plate',
  'ball-not-round': 'Ball not round',
  'sides-unequal': 'One side longer on the plate',
  'plate-uneven': 'Plate hotter in places',
  'few-turns': 'One turn too few',
  holed: 'A hole or a crease',
  'face-dry': 'Wet face too dry',
  'plate-oily': 'Oil on the iron',
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
  'salt-low': 1,
  'fat-high': 1,
  'rest-long': 1,
  'little-bench-flour': 1,
  'dirty-plate': 1,
  'ball-not-round': 2,
  'sides-unequal': 1,
  'plate-uneven': 1,
  'few-turns': 1,
  holed: 1,
  'face-dry': 1,
  'plate-oily': 1,
};

/** What cannot be, or is as it should be, in a kind of bread. */
export const NOT_OF_KIND: Partial<
  Record<KindOfBread, { symptoms: readonly Symptom[]; causes: readonly Cause[] }>
> = {
  maize: {
    symptoms: ['springs-back', 'tough', 'misshapen'],
    causes: [
      'over-kneaded',
      'rest-short',
      'dough-cold',
      'bench-flour',
      'little-bench-flour',
      'fat-low',
      'rest-long',
    ],
  },
  // It is dry at the plate on purpose, and softens in the stack.
  sheet: { symptoms: ['no-puff'], causes: ['few-turns'] },
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
  sticks: {
    'too-wet': 'usual',
    'plate-cold': 'often',
    'rest-short': 'sometimes',
    'little-bench-flour': 'often',
    'dirty-plate': 'often',
  },
  'no-puff': {
    thick: 'often',
    thin: 'often',
    uneven: 'usual',
    'plate-cold': 'often',
    'too-dry': 'often',
    'skin-dried': 'often',
    'balls-uneven': 'sometimes',
    'few-turns': 'often',
    holed: 'usual',
  },
  'black-spots': {
    'plate-hot': 'usual',
    'loose-flour': 'usual',
    'time-long': 'often',
    'dirty-plate': 'often',
    'plate-uneven': 'sometimes',
  },
  pale: { 'plate-cold': 'usual', 'time-short': 'usual', thick: 'sometimes', 'too-wet': 'sometimes' },
  raw: { 'plate-hot': 'often', 'time-short': 'usual', thick: 'often', 'too-wet': 'often' },
  tough: { 'fat-low': 'often', 'over-kneaded': 'often', 'rest-short': 'often', 'too-dry': 'sometimes' },
  salty: { 'salt-high': 'usual' },
  bland: { 'salt-low': 'usual', 'fat-low': 'sometimes', 'time-short': 'sometimes' },
  // Salt holds souring back, water helps it.
  sour: { 'rest-long': 'usual', 'salt-low': 'sometimes', 'too-wet': 'sometimes' },
  greasy: { 'fat-high': 'usual', 'plate-oily': 'usual', 'plate-cold': 'often' },
  // Salt tightens a dough: without it, it is slack and sticks.
  'sticky-to-roll': {
    'too-wet': 'usual',
    'little-bench-flour': 'usual',
    'rest-long': 'often',
    'fat-high': 'sometimes',
    'salt-low': 'sometimes',
    'over-kneaded': 'sometimes',
  },
  misshapen: {
    'ball-not-round': 'usual',
    'balls-uneven': 'sometimes',
    uneven: 'often',
    'rest-short': 'often',
    'dough-cold': 'sometimes',
  },
  'burnt-edge': { uneven: 'usual', thin: 'often', 'plate-hot': 'often', 'plate-uneven': 'sometimes' },
  holes: {
    holed: 'sometimes',
    thin: 'usual',
    'little-bench-flour': 'usual',
    'too-wet': 'often',
    uneven: 'often',
    'skin-dried': 'often',
    'rest-short': 'often',
    'over-kneaded': 'sometimes',
    'too-dry': 'sometimes',
  },
  'slides-off': {
    'face-dry': 'usual',
    'plate-oily': 'usual',
    'bench-flour': 'often',
    'too-dry': 'often',
    'plate-cold': 'sometimes',
    'dirty-plate': 'often',
  },
  'rim-blisters': {
    uneven: 'usual',
    'plate-uneven': 'usual',
    'too-dry': 'sometimes',
    'plate-hot': 'sometimes',
    thick: 'often',
  },
  'one-side-hard': {
    'sides-unequal': 'usual',
    'skin-dried': 'usual',
    'time-long': 'often',
    'plate-cold': 'often',
    'bench-flour': 'sometimes',
  },
  gummy: {
    'time-short': 'usual',
    'too-wet': 'usual',
    thick: 'usual',
    'plate-hot': 'often',
    holed: 'sometimes',
  },
};
