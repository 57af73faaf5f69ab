/** How a dough feels, from driest to wettest. */
export const FEELS = [
  'crumbly',
  'very dry',
  'a bit dry',
  'right',
  'a bit tacky',
  'sticky',
  'batter',
] as const;
export type Feel = (typeof FEELS)[number];

/** What a formula wants of its dough: to be rolled with flour, by itself, or to stick to iron. */
export const DOUGH_AIMS = ['slightly tacky', 'soft', 'stiff'] as const;
export type DoughAim = (typeof DOUGH_AIMS)[number];

/**
 * A feel is told from where the formula wants the dough, so that "right" and its steps mean the same water for every aim. What
 * the steps are called goes with the aim: a stiff dough that is right would be "a bit dry" elsewhere.
 */
const FEEL_WORDS: Record<DoughAim, Record<Feel, string>> = {
  'slightly tacky': {
    crumbly: 'crumbly',
    'very dry': 'dry, cracks',
    'a bit dry': 'smooth, not tacky',
    right: 'slightly tacky: right',
    'a bit tacky': 'sticks to the hands',
    sticky: 'very sticky',
    batter: 'batter',
  },
  soft: Object.fromEntries(FEELS.map((feel) => [feel, feel])) as Record<Feel, string>,
  stiff: {
    crumbly: 'crumbly',
    'very dry': 'will not hold together',
    'a bit dry': 'hard, cracks',
    right: 'stiff: right',
    'a bit tacky': 'soft',
    sticky: 'tacky',
    batter: 'sticky',
  },
};

/**
 * What a feel is called in a dough of that aim; soft and smooth where the formula says none.
 * @param feel what was felt
 * @param aim the feel aimed for
 */
export const feelWord = (feel: Feel, aim: DoughAim = 'soft'): string => FEEL_WORDS[aim][feel];

const RIGHT = FEELS.indexOf('right');
/** Water that one step of feel is worth, as a share of flour (assumption, refitted per cook and lot). */
const FEEL_STEP = 0.015;
/** The most that goes in at once, as a share of flour: dough needs turns to take it up. */
const LARGEST_ADDITION = 0.007;

/** Steps from right: negative is dry, positive wet. */
const feelSteps = (feel: Feel): number => FEELS.indexOf(feel) - RIGHT;

/** A line of the formula that may need a top-up when flour is added. */
export interface ToppedLine {
  lineId: string;
  name: string;
  /** Share of flour that it should be. */
  fraction: number;
}

export interface Correction {
  kind: 'none' | 'water' | 'flour';
  /** Water or flour, grams in all. */
  massG: number;
  /** In this many additions of at most 0.7 % of the flour. */
  additions: number;
  additionG: number;
  /** With flour: salt, leavener and fat that keep their share. */
  topUps: { lineId: string; name: string; massG: number; fractionWithout: number }[];
  /** The dough may still drink: go on and feel again before correcting. */
  waitFirst: boolean;
}

export interface CorrectionQuestion {
  feel: Feel;
  /** Flour in the bowl, grams. */
  flourG: number;
  /** Hydration that the dough should have, a fraction. */
  hydration: number;
  topped: readonly ToppedLine[];
  /** Still being mixed or kneaded, so the flour takes up more by itself. */
  stillDrinking: boolean;
  /** Learned for the cook or the lot; 0.015 when not. */
  stepShare?: number;
}

/**
 * What brings a dough to the right feel: water 0.015·F a step when dry; when wet, the flour that restores the hydration,
 * ΔF = F·0.015·steps / H, with top-ups in proportion. Masses in grams, not rounded.
 * @param q dough, feel and hydration
 * @returns g
 */
export function correctFeel(q: CorrectionQuestion): Correction {
  const steps = feelSteps(q.feel);
  const share = (q.stepShare ?? FEEL_STEP) * Math.abs(steps);
  if (steps === 0) {
    return { kind: 'none', massG: 0, additions: 0, additionG: 0, topUps: [], waitFirst: false };
  }
  const dry = steps < 0;
  const massG = dry ? share * q.flourG : (share * q.flourG) / q.hydration;
  const additions = Math.max(1, Math.ceil(massG / (LARGEST_ADDITION * q.flourG) - 1e-9));
  return {
    kind: dry ? 'water' : 'flour',
    massG,
    additions,
    additionG: massG / additions,
    topUps: dry
      ? []
      : q.topped.map(({ lineId, name, fraction }) => ({
          lineId,
          name,
          massG: fraction * massG,
          fractionWithout: (fraction * q.flourG) / (q.flourG + massG),
        })),
    waitFirst: !dry && q.stillDrinking && steps <= 1,
  };
}
