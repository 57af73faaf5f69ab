import { type Words, message } from '../message/message';
import { HAND_SAFE_C } from '../dough/cooling';
import type { MixingSchool } from '../formula/methodSchema';
import { fatPart, liquidAndFat } from './fatParts';
import { sumG, roundToStep } from '../quantity/roundToStep';
import { type MixPart, dryLines, dryName, inOne, lineOf, liquidC, liquidLines, liquidName } from './mixNames';
import type { Plan } from './planSchema';

type Parts = (plan: Plan) => MixPart[];

/** Above these a liquid is hot to the hand, too hot to leave a hand in, and scalds at a touch. */
const WARM_C = 43;
const HOT_C = 50;
const SCALD_C = 60;
/** Kneaded this long, a leavened dough is not merely folded together. */
const KNEADED_FROM_S = 60;

/** Where the salt goes; null for a dough without. */
function saltWords({ sheet, formula: { method } }: Plan): string | null {
  if (!sheet.some(({ kind, late }) => kind === 'salt' && !late)) return null;
  return method.saltIn === 'water' ? 'Dissolve the salt in the liquid first.' : 'Salt goes into the flour.';
}

/**
 * What to heed of a liquid at a temperature; null where it is harmless.
 * @param tempC liquid, °C
 */
export function heatCaution(tempC: number): MixPart['caution'] | null {
  const temp = { tempC };
  if (tempC >= SCALD_C)
    return {
      lead: message('{temp}: pour away from you.', { temp }),
      text: 'It scalds: stir with the spoon.',
    };
  if (tempC >= HOT_C)
    return {
      lead: message('{temp}: spoon, not hands.', { temp }),
      text: 'Hot tap water: hands go in when it has cooled.',
    };
  if (tempC >= WARM_C)
    return {
      lead: message('{temp}: test it on the wrist.', { temp }),
      text: 'Warm to the hand: test it before hands go in.',
    };
  return null;
}

const heeding = (plan: Plan): Pick<MixPart, 'caution'> => {
  const caution = heatCaution(liquidC(plan));
  return caution ? { caution } : {};
};

const DRY = ['flour', 'leavener', 'sugar'];

/** What is dry, in the bowl; one flour alone is not stirred together with anything. */
function dryWords(plan: Plan): Words {
  const name = dryName(plan, DRY);
  const several = dryLines(plan, DRY).length > 1;
  const salt = saltWords(plan);
  const names = { dryName: several ? name : { capital: name } };
  if (!salt)
    return several ? message('Stir {dryName} together.', names) : message('{dryName} into the bowl.', names);
  const salted = { ...names, saltWords: salt };
  return several
    ? message('Stir {dryName} together. {saltWords}', salted)
    : message('{dryName} into the bowl. {saltWords}', salted);
}

const dry: Parts = (plan) => [{ id: 'dry', kind: 'do', title: 'Dry first', text: dryWords(plan) }];

const wet: Parts = (plan) => [
  {
    id: 'liquid',
    kind: 'do',
    probe: 'liquid',
    title: 'First of the liquid',
    text: message(
      // With some of it held back, dry flour may still lie in the bowl.
      plan.holdBack
        ? 'Pour in {liquidName} at {liquid} and turn until it is shaggy: a little dry flour may be left.'
        : 'Pour in {liquidName} at {liquid} and turn until no dry flour is left.',
      { liquidName: liquidName(plan), liquid: { tempC: liquidC(plan) } },
    ),
    ...heeding(plan),
  },
];

const byFeel: Parts = (plan) => {
  if (!plan.holdBack) return [];
  const line = plan.sheet.find(({ lineId }) => lineId === plan.holdBack?.lineId);
  return [
    {
      id: 'by-feel',
      kind: 'add',
      title: 'The rest by feel',
      text: message('Up to {mass} more, a little at a time. Turn it in, feel, then decide.', {
        mass: { g: plan.holdBack.massG, stepG: line?.stepG },
      }),
    },
  ];
};

const flourLines = ({ sheet }: Plan) => sheet.filter(({ kind, late }) => kind === 'flour' && !late);

/** What of a bowl's flour is wetted first, with as large a part of the liquid, g; null where none is. */
function soakG(plan: Plan): { flourG: number; liquidG: number; restS: number } | null {
  const { soak } = plan.formula.method;
  if (!soak) return null;
  const total = (lines: Plan['sheet']) => sumG(lines.map(({ massG, startG }) => startG ?? massG));
  return {
    flourG: roundToStep(total(flourLines(plan)) * soak.share, plan.kitchen.benchStepG),
    liquidG: roundToStep(total(liquidLines(plan)) * soak.share, plan.kitchen.benchStepG),
    restS: soak.restS,
  };
}

/** Part of the flour, wetted and set aside. */
const soaking: Parts = (plan) => {
  const wetted = soakG(plan);
  if (!wetted) return [];
  return [
    {
      id: 'soak',
      kind: 'wait',
      title: 'Wet part of the flour',
      amounts: message('{flour} flour, {liquid} liquid', {
        flour: { g: wetted.flourG },
        liquid: { g: wetted.liquidG },
      }),
      text: message(
        '{flour} of {flourName} with {liquid} of {liquidName}, no salt yet: stir, cover and set aside.',
        {
          flour: { g: wetted.flourG },
          flourName: inOne(flourLines(plan)) ?? 'the flour',
          liquid: { g: wetted.liquidG },
          liquidName: liquidName(plan),
        },
      ),
      waitS: wetted.restS,
    },
  ];
};

/** Softened alone or stirred into the liquid: before anything else. */
const fatFirst: Parts = (plan) => fatPart(plan, 'creamed', 'whisked');
const fatInFlour: Parts = (plan) => fatPart(plan, 'through', 'rubbed', 'melted');
const fatInDough: Parts = (plan) => fatPart(plan, 'worked');

/** Dairy that must not stand about. */
const cold: Parts = (plan) => {
  const perishable = lineOf(plan, ['dairy', 'egg']);
  if (!perishable) return [];
  return [
    {
      id: 'cold',
      kind: 'do',
      title: 'Take it cold',
      text: message(
        'Bring out {lineOf} only now, and warm no more than you use to {liquid}. Its time out of the cold is counted.',
        { lineOf: perishable, liquid: { tempC: liquidC(plan) } },
      ),
    },
  ];
};

const cooling: Parts = (plan) => {
  const wait = plan.today?.cooling;
  const heap = wait?.heapS
    ? message('Check the middle, not the skin. In a heap it stays hot for {heap}.', {
        heap: { s: wait.heapS },
      })
    : 'Check the middle, not the skin: a heap stays hot far longer.';
  return [
    {
      id: 'cool',
      kind: 'wait',
      title: 'Spread it to cool',
      text: message(
        'Stir with the spoon, push it out half a finger thin, turn it over once. Below {safe} the fists may go in; until then the spoon.',
        { safe: { tempC: HAND_SAFE_C } },
      ),
      caution: { lead: 'Scald: spoon only.', text: heap },
      ...(wait?.waitS ? { waitS: wait.waitS } : {}),
    },
  ];
};

const scald: Parts = (plan) => [
  {
    id: 'scald',
    kind: 'do',
    probe: 'liquid',
    title: 'Scald the flour',
    text: message(
      'Pour {liquidName} at {liquid} over it in a thin stream and stir with a stout spoon until it is shaggy.',
      { liquidName: liquidName(plan), liquid: { tempC: liquidC(plan) } },
    ),
    caution: {
      lead: 'Scald: long spoon, no hands.',
      text: 'Boiling water and steam: pour away from you.',
    },
  },
];

const wetStart: Parts = (plan) => [
  {
    id: 'wet-start',
    kind: 'do',
    title: 'Start wet',
    text: message(
      saltWords(plan)
        ? 'All of {liquid} and the salt, then the first of the flour: a loose batter.'
        : 'All of {liquid}, then the first of the flour: a loose batter.',
      { liquid: liquidAndFat(plan) },
    ),
    ...heeding(plan),
  },
];

const flourBack: Parts = (plan) => [
  {
    id: 'flour-back',
    kind: 'add',
    title: 'Flour by the handful',
    text: message('About {mass} more, a handful at a time, until it holds together.', {
      mass: { g: plan.holdBack?.massG ?? 0 },
    }),
  },
  {
    id: 'top-ups',
    kind: 'do',
    title: 'Salt, fat and leavener follow',
    text: 'The flour sets the size of this dough. Top up the other lines to their shares.',
  },
];

/** Not yeast. */
const TASTES_OF_SOAP: ReadonlySet<string> = new Set(['baking-powder', 'baking-soda']);

const leavener: Parts = (plan) => [
  {
    id: 'leavener',
    kind: 'do',
    title: 'Leavener through the flour',
    text: message(
      plan.sheet.some(({ ingredient }) => TASTES_OF_SOAP.has(ingredient))
        ? 'Whisk {dryName} well: a pocket of leavener tastes of soap.'
        : 'Whisk {dryName} well: the leavener works where it is.',
      { dryName: dryName(plan, [...DRY, 'salt']) },
    ),
  },
];

const liquidAtOnce: Parts = (plan) => [
  {
    id: 'liquid',
    kind: 'do',
    probe: 'liquid',
    ...(plan.formula.method.knead.minS >= KNEADED_FROM_S
      ? {
          title: 'Liquid in',
          text: message(
            '{liquid} in at once, stirred to a rough dough. The leavener starts now and goes on through kneading and rest.',
            { liquid: { capital: liquidAndFat(plan) } },
          ),
        }
      : {
          title: 'Fold in, do not beat',
          text: message('{liquid} in at once. The leavener starts now: work on without a pause.', {
            liquid: { capital: liquidAndFat(plan) },
          }),
        }),
    ...heeding(plan),
  },
];

const USUAL = [fatFirst, dry, fatInFlour, wet, fatInDough, byFeel] as const;

/** The order of each school; wherever a formula wants its fat, it finds its place. */
const SCHOOLS: Record<MixingSchool, readonly Parts[]> = {
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
 */
export const mixGuide = (plan: Plan): MixPart[] =>
  [soaking, ...SCHOOLS[plan.formula.method.school]].flatMap((parts) => parts(plan));
