import { HAND_SAFE_C } from '../dough/cooling';
import type { MixingSchool } from '../formula/methodSchema';
import { formatMass, formatSpan, formatTemp, type UnitSystem } from '../quantity/formatQuantity';
import type { Plan, SheetLine } from './planSchema';

/** One part of mixing, in the order of the school. */
export interface MixPart {
  id: string;
  title: string;
  text: string;
  /** A hazard, shown in place. */
  caution?: { lead: string; text: string } | undefined;
  /** Additions by feel happen here; a wait runs by the clock; a temperature may be taken. */
  kind: 'do' | 'add' | 'wait';
  waitS?: number;
  /** What a probe may be put into. */
  probe?: 'fat' | 'liquid';
}

type Words = (plan: Plan, units: UnitSystem) => MixPart[];

/** Fat temperatures that the schools work with (trade practice). */
const FAT_C = { creamed: [18, 22], melted: [40, 50] } as const;
/** A fat is rubbed in where it is firm and not hard; that is cooler for butter than for shortening (trade practice). */
const RUBBED_C: readonly (readonly [id: string, range: readonly [number, number]])[] = [
  ['butter', [8, 16]],
  ['margarine', [8, 16]],
  ['lard', [10, 18]],
  ['shortening', [16, 22]],
  ['tallow', [16, 22]],
];
const RUBBED_USUALLY_C = [12, 18] as const;
/** Above these a liquid is hot to the hand, too hot to leave a hand in, and scalds at a touch. */
const WARM_C = 43;
const HOT_C = 50;
const SCALD_C = 60;
/** A dairy drier than this is a powder: it goes in with the flour and is not poured. */
const POURS_FROM_WATER = 0.3;
/** Kneaded this long, a leavened dough is not merely folded together. */
const KNEADED_FROM_S = 60;

const range = ([from, to]: readonly [number, number], units: UnitSystem) =>
  `${formatTemp(from, units)} to ${formatTemp(to, units)}`;

const lineOf = (plan: Plan, kinds: readonly string[]) =>
  plan.sheet
    .filter(({ kind }) => kinds.includes(kind))
    .map(({ name }) => name.toLowerCase())
    .join(' and ');

/** Names of lines by what they are made of, in small letters. */
function namesOf(plan: Plan, test: (line: SheetLine, water: number) => boolean): string {
  const water = new Map(plan.ingredients.map((food) => [food.id, food.water]));
  return plan.sheet
    .filter((line) => test(line, water.get(line.ingredient) ?? 0))
    .map(({ name }) => name.toLowerCase())
    .join(' and ');
}
const isPowder = ({ kind }: SheetLine, water: number): boolean =>
  kind === 'dairy' && water < POURS_FROM_WATER;
const liquidName = (plan: Plan): string =>
  namesOf(
    plan,
    (line, water) => (line.kind === 'water' || line.kind === 'dairy') && !isPowder(line, water),
  ) || 'the liquid';
const dryName = (plan: Plan, kinds: readonly string[]): string =>
  namesOf(plan, (line, water) => kinds.includes(line.kind) || isPowder(line, water));
/** Where every solid fat of a dough rubs well. */
function rubbedC(plan: Plan): readonly [number, number] {
  const fat = plan.sheet.find(({ kind }) => kind === 'fat')?.ingredient ?? '';
  return RUBBED_C.find(([id]) => fat.startsWith(id))?.[1] ?? RUBBED_USUALLY_C;
}
const fatName = (plan: Plan): string => lineOf(plan, ['fat']);
const liquidC = (plan: Plan): number => plan.today?.liquid?.tempC ?? plan.formula.method.liquidTempC;

const saltWords = ({ formula: { method } }: Plan): string =>
  method.saltIn === 'water' ? 'Dissolve the salt in the liquid first.' : 'Salt goes into the flour.';

/** What to heed of a liquid at a temperature; null where it is harmless. */
export function heatCaution(tempC: number, units: UnitSystem): MixPart['caution'] | null {
  const lead = `${formatTemp(tempC, units)}.`;
  if (tempC >= SCALD_C) return { lead, text: 'It scalds: pour away from you, stir with the spoon.' };
  if (tempC >= HOT_C)
    return { lead, text: 'Hot tap water: stir with the spoon, hands go in when it has cooled.' };
  if (tempC >= WARM_C) return { lead, text: 'Warm to the hand: test it on the wrist before hands go in.' };
  return null;
}

const heeding = (plan: Plan, units: UnitSystem): Pick<MixPart, 'caution'> => {
  const caution = heatCaution(liquidC(plan), units);
  return caution ? { caution } : {};
};

/** Names of ingredients are in small letters; a sentence begins with a large one. */
const sentence = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);

const dry: Words = (plan) => [
  {
    id: 'dry',
    kind: 'do',
    title: 'Dry first',
    text: `Stir ${dryName(plan, ['flour', 'leavener', 'sugar'])} together. ${saltWords(plan)}`,
  },
];

const wet: Words = (plan, units) => [
  {
    id: 'liquid',
    kind: 'do',
    probe: 'liquid',
    title: 'First of the liquid',
    text: `Pour in ${liquidName(plan)} at ${formatTemp(liquidC(plan), units)} and turn until no dry flour is left.`,
    ...heeding(plan, units),
  },
];

const byFeel: Words = (plan, units) => {
  if (!plan.holdBack) return [];
  const line = plan.sheet.find(({ lineId }) => lineId === plan.holdBack?.lineId);
  return [
    {
      id: 'by-feel',
      kind: 'add',
      title: 'The rest by feel',
      text: `Up to ${formatMass(plan.holdBack.massG, line?.stepG, units)} more, a little at a time. Turn it in, feel, then decide.`,
    },
  ];
};

const fatIn = (plan: Plan, part: Omit<MixPart, 'kind' | 'id'>): MixPart[] =>
  fatName(plan) ? [{ id: 'fat', kind: 'do', probe: 'fat', ...part }] : [];

/** Dairy that must not stand about. */
const cold: Words = (plan, units) => [
  {
    id: 'cold',
    kind: 'do',
    title: 'Take it cold',
    text: `Bring out ${lineOf(plan, ['dairy', 'egg']) || 'the milk'} only now, and warm no more than you use to ${formatTemp(liquidC(plan), units)}. Its time out of the cold is counted.`,
  },
];

const cooling: Words = (plan, units) => {
  const wait = plan.today?.cooling;
  const safe = formatTemp(HAND_SAFE_C, units);
  const spread = wait?.spreadS
    ? ` Spread it two fingers thick on the bench and it takes ${formatSpan(wait.spreadS)}.`
    : '';
  return [
    {
      id: 'cool',
      kind: 'wait',
      title: 'Let it cool for the hand',
      text: `Below ${safe} hands may go in.${spread} Then push it together with the fist.`,
      caution: { lead: 'Scald.', text: 'Spoon only until it has cooled. Check the middle, not the skin.' },
      ...(wait?.waitS ? { waitS: wait.waitS } : {}),
    },
  ];
};

const SCHOOLS: Record<MixingSchool, readonly Words[]> = {
  'hold-back': [
    dry,
    (plan) => fatIn(plan, { title: 'Fat in', text: `Work ${fatName(plan)} through the flour.` }),
    wet,
    byFeel,
  ],
  'flour-back': [
    (plan, units) => [
      {
        id: 'wet-start',
        kind: 'do',
        title: 'Start wet',
        text: `All of ${liquidName(plan)}${fatName(plan) ? `, ${fatName(plan)}` : ''} and the salt, then the first of the flour: a loose batter.`,
        ...heeding(plan, units),
      },
    ],
    (plan, units) => [
      {
        id: 'flour-back',
        kind: 'add',
        title: 'Flour by the handful',
        text: `About ${formatMass(plan.holdBack?.massG ?? 0, 1, units)} more, a handful at a time, until it holds together.`,
      },
    ],
    () => [
      {
        id: 'top-ups',
        kind: 'do',
        title: 'Salt, fat and leavener follow',
        text: 'The flour decided how much dough this is. Top up what its shares ask for.',
      },
    ],
  ],
  'rubbed-in': [
    dry,
    (plan, units) =>
      fatIn(plan, {
        title: 'Rub the fat in',
        text: `${fatName(plan)} at ${range(rubbedC(plan), units)}, firm, not greasy. Rub with the fingertips to crumbs with some small peas: the peas make the layers.`,
      }),
    wet,
    byFeel,
  ],
  creamed: [
    (plan, units) =>
      fatIn(plan, {
        title: 'Cream the fat',
        text: `${fatName(plan)} at ${range(FAT_C.creamed, units)}: soft, holding a finger mark. Work it smooth, no lumps.`,
      }),
    dry,
    wet,
    byFeel,
  ],
  oil: [
    (plan, units) =>
      fatIn(plan, {
        title: 'Whisk the fat into the liquid',
        text: `${fatName(plan)}, melted at ${range(FAT_C.melted, units)} if it was solid, whisked until no slick is left on top.`,
      }),
    dry,
    wet,
    byFeel,
  ],
  'boiling-water': [
    dry,
    (plan, units) => [
      {
        id: 'scald',
        kind: 'do',
        probe: 'liquid',
        title: 'Scald the flour',
        text: `Pour ${liquidName(plan)} at ${formatTemp(liquidC(plan), units)} over it in a thin stream and stir with a stout spoon until it is shaggy.`,
        caution: {
          lead: 'Scald.',
          text: 'Boiling water and steam: long spoon, pour away from you, no hands.',
        },
      },
    ],
    cooling,
    (plan) => fatIn(plan, { title: 'Fat in', text: `Work ${fatName(plan)} into the warm dough.` }),
    byFeel,
  ],
  milk: [
    cold,
    dry,
    (plan) => fatIn(plan, { title: 'Fat in', text: `Work ${fatName(plan)} through the flour.` }),
    wet,
    byFeel,
  ],
  'yogurt-leavener': [
    (plan) => [
      {
        id: 'leavener',
        kind: 'do',
        title: 'Leavener through the flour',
        text: `Whisk ${dryName(plan, ['flour', 'leavener', 'sugar', 'salt'])} well: a pocket of leavener tastes of soap.`,
      },
    ],
    cold,
    (plan, units) => [
      {
        id: 'liquid',
        kind: 'do',
        probe: 'liquid',
        ...(plan.formula.method.knead.minS >= KNEADED_FROM_S
          ? {
              title: 'Liquid in',
              text: `${liquidName(plan)}${fatName(plan) ? ` and ${fatName(plan)}` : ''} in at once, stirred to a rough dough. The leavener starts now and goes on through kneading and rest.`,
            }
          : {
              title: 'Fold in, do not beat',
              text: `${liquidName(plan)}${fatName(plan) ? ` and ${fatName(plan)}` : ''} in at once. The leavener starts now: work on without a pause.`,
            }),
        ...heeding(plan, units),
      },
    ],
    byFeel,
  ],
};

/** The parts of mixing in the order of the formula's school, with the day's temperatures. */
export const mixGuide = (plan: Plan, units: UnitSystem = 'metric'): MixPart[] =>
  SCHOOLS[plan.formula.method.school].flatMap((words) =>
    words(plan, units).map((part) => ({ ...part, text: sentence(part.text) })),
  );
