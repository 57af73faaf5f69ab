import { HAND_SAFE_C } from '../dough/cooling';
import { fatIsInBefore } from '../formula/fatWay';
import type { MixingSchool } from '../formula/methodSchema';
import { formatMass, formatSpan, formatTemp, type UnitSystem } from '../quantity/formatQuantity';
import { fatPart, fatWithLiquid } from './fatParts';
import { type MixPart, dryName, lineOf, liquidC, liquidName } from './mixNames';
import type { Plan } from './planSchema';

type Words = (plan: Plan, units: UnitSystem) => MixPart[];

/** Above these a liquid is hot to the hand, too hot to leave a hand in, and scalds at a touch. */
const WARM_C = 43;
const HOT_C = 50;
const SCALD_C = 60;
/** Kneaded this long, a leavened dough is not merely folded together. */
const KNEADED_FROM_S = 60;

const saltWords = ({ formula: { method } }: Plan): string =>
  method.saltIn === 'water' ? 'Dissolve the salt in the liquid first.' : 'Salt goes into the flour.';

/**
 * What to heed of a liquid at a temperature; null where it is harmless.
 * @param tempC liquid, °C
 * @param units measures of the reader
 */
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

/** Softened alone or stirred into the liquid: before anything else. */
const fatFirst: Words = (plan, units) => fatPart(plan, units, 'creamed', 'whisked');
const fatInFlour: Words = (plan, units) => fatPart(plan, units, 'through', 'rubbed');
const fatInDough: Words = (plan, units) => fatPart(plan, units, 'worked');

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
  const fatIsIn = fatIsInBefore(plan.formula.method);
  const spread = wait?.spreadS
    ? ` Spread it two fingers thick on the bench and it takes ${formatSpan(wait.spreadS)}.`
    : '';
  return [
    {
      id: 'cool',
      kind: 'wait',
      title: 'Let it cool for the hand',
      text: fatIsIn
        ? `Everything is in, so nothing waits in a heap: push it two fingers thick with the spoon. Below ${safe} hands may go in; until then go on with the spoon.`
        : `Below ${safe} hands may go in.${spread} Then push it together with the fist.`,
      caution: { lead: 'Scald.', text: 'Spoon only until it has cooled. Check the middle, not the skin.' },
      ...(wait?.waitS ? { waitS: wait.waitS } : {}),
    },
  ];
};

const scald: Words = (plan, units) => [
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
];

const wetStart: Words = (plan, units) => [
  {
    id: 'wet-start',
    kind: 'do',
    title: 'Start wet',
    text: `All of ${liquidName(plan)}${fatWithLiquid(plan, ', ')} and the salt, then the first of the flour: a loose batter.`,
    ...heeding(plan, units),
  },
];

const flourBack: Words = (plan, units) => [
  {
    id: 'flour-back',
    kind: 'add',
    title: 'Flour by the handful',
    text: `About ${formatMass(plan.holdBack?.massG ?? 0, 1, units)} more, a handful at a time, until it holds together.`,
  },
  {
    id: 'top-ups',
    kind: 'do',
    title: 'Salt, fat and leavener follow',
    text: 'The flour decided how much dough this is. Top up what its shares ask for.',
  },
];

const leavener: Words = (plan) => [
  {
    id: 'leavener',
    kind: 'do',
    title: 'Leavener through the flour',
    text: `Whisk ${dryName(plan, ['flour', 'leavener', 'sugar', 'salt'])} well: a pocket of leavener tastes of soap.`,
  },
];

const liquidAtOnce: Words = (plan, units) => [
  {
    id: 'liquid',
    kind: 'do',
    probe: 'liquid',
    ...(plan.formula.method.knead.minS >= KNEADED_FROM_S
      ? {
          title: 'Liquid in',
          text: `${liquidName(plan)}${fatWithLiquid(plan, ' and ')} in at once, stirred to a rough dough. The leavener starts now and goes on through kneading and rest.`,
        }
      : {
          title: 'Fold in, do not beat',
          text: `${liquidName(plan)}${fatWithLiquid(plan, ' and ')} in at once. The leavener starts now: work on without a pause.`,
        }),
    ...heeding(plan, units),
  },
];

const USUAL = [fatFirst, dry, fatInFlour, wet, fatInDough, byFeel] as const;

/** The order of each school; wherever a formula wants its fat, it finds its place. */
const SCHOOLS: Record<MixingSchool, readonly Words[]> = {
  'hold-back': USUAL,
  'flour-back': [fatFirst, fatInFlour, wetStart, fatInDough, flourBack],
  'rubbed-in': USUAL,
  creamed: USUAL,
  oil: USUAL,
  'boiling-water': [fatFirst, dry, fatInFlour, scald, cooling, fatInDough, byFeel],
  milk: [cold, ...USUAL],
  'yogurt-leavener': [leavener, cold, fatFirst, fatInFlour, liquidAtOnce, fatInDough, byFeel],
};

/**
 * The parts of mixing in the order of the formula's school, with the day's temperatures.
 * @param plan the plan
 * @param units measures of the reader
 */
export const mixGuide = (plan: Plan, units: UnitSystem = 'metric'): MixPart[] =>
  SCHOOLS[plan.formula.method.school].flatMap((words) =>
    words(plan, units).map((part) => ({ ...part, text: sentence(part.text) })),
  );
