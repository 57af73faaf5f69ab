import type { FillMethod } from '../ingredient/ingredientSchema';

/** What a line says beside the amount and the name. */
export interface Hints {
  fill: FillMethod | null;
  /** Temperature that the words mean, °C. */
  tempC: number | null;
  /** A temperature whose scale is not said: the figure as written. */
  tempUnsure: number | null;
  /** State of a fat, which tells the mixing school. */
  state: 'melted' | 'soft' | 'cold' | null;
  /** "1 cup melted lard" is measured melted; "1 cup lard, melted" is measured as it was. */
  meltedFirst: boolean;
  /** Not an amount to weigh: for dusting, for the pan, to taste. */
  aside: 'dusting' | 'pan' | 'top' | 'taste' | 'extra' | null;
  /** Ounces on the scale, as the line says. */
  byWeight: boolean;
  /** The last of it goes in by feel. */
  byFeel: boolean;
  optional: boolean;
  /** Left as a note on the line. */
  notes: string[];
  rest: string;
}

/** Order matters: longer sayings first. */
const FILLS: readonly (readonly [RegExp, FillMethod])[] = [
  [
    /\b(?:spoon(?:ed)?(?: in)?(?:,? (?:and|&|\+) (?:level(?:l?ed)?|swept|sweep))?|fluffed(?: up)?(?: and spooned)?|lightly (?:spooned|filled)|loosely packed|loose)\b/i,
    'spooned',
  ],
  [
    /\b(?:(?:dip(?:ped)?|scoop(?:ed)?)(?:,? (?:and|&|\+) (?:sweep|swept|level(?:l?ed)?))?|straight from the bag|from the bag)\b/i,
    'scooped',
  ],
  [
    /\b(?:(?:firmly |tightly |well |hard )?packed(?: down)?|pressed(?: down)?|tamped(?: down)?|shaken down)\b/i,
    'packed',
  ],
];
/** "1 cup sifted flour" is sifted first; "1 cup flour, sifted" is measured first, so its fill is not said. */
const SIFTED_FIRST = /^\s*(?:well )?sifted\b/i;

const WARM_C = 38;
const HOT_TAP_C = 50;
const COLD_C = 5;
const TEMPS: readonly (readonly [RegExp, number])[] = [
  [/\b(?:boiling|just[- ]boiled|off the boil|freshly boiled|boiled|scalding)(?: hot)?\b/i, 98],
  [/\b(?:very hot|nearly boiling)\b/i, 65],
  [/\b(?:hot tap|hot)\b/i, HOT_TAP_C],
  [/\b(?:lukewarm|luke warm|tepid|blood[- ]warm|hand[- ]warm|slightly warm)\b/i, 36],
  [/\b(?:warm(?:ed)?)\b/i, WARM_C],
  [/\b(?:at )?room temp(?:erature|\.)?\b/i, 22],
  [/\b(?:ice[- ]cold|iced|chilled|fridge[- ]cold|straight from the fridge|from the fridge)\b/i, COLD_C],
  [/\b(?:cold|cool)\b/i, 12],
];

const STATES: readonly (readonly [RegExp, NonNullable<Hints['state']>])[] = [
  [/\b(?:melted|liquid|liquefied)\b/i, 'melted'],
  [/\b(?:softened|soft|creamed|at room temp(?:erature)?|room temp(?:erature)?)\b/i, 'soft'],
  [/\b(?:ice[- ]cold|chilled|cold|cubed|diced|grated|frozen|from the fridge)\b/i, 'cold'],
];

const ASIDES: readonly (readonly [RegExp, NonNullable<Hints['aside']>])[] = [
  [
    /,?\s*\(?\b(?:plus|and|\+) (?:some |a (?:little|bit) )?(?:extra|more)(?: (?:for|to) (?:dust(?:ing)?|roll(?:ing)?|flour the bench|work|grease|brush(?:ing)?|the bench|knead(?:ing)?)[^,;)]*)?\)?/i,
    'extra',
  ],
  [
    /\(?\b(?:(?:extra|more) )?for (?:dusting|rolling|the bench|the board|flouring|kneading)[^,;)]*\)?/i,
    'dusting',
  ],
  [/\(?\bto dust\b[^,;)]*\)?/i, 'dusting'],
  [
    /\(?\b(?:to (?:brush|finish|top|spread|serve)|for (?:brushing|topping|finishing|spreading|serving|the top))\b[^,;)]*\)?/i,
    'top',
  ],
  [/\(?\bfor (?:frying|the pan|greasing|the griddle|the plate|cooking)[^,;)]*\)?/i, 'pan'],
  [/\(?\b(?:to taste|as needed|as required|if needed|as necessary)\b\)?/i, 'taste'],
];
/** Of a liquid with an amount these mean that some of it is kept back. */
const BY_FEEL =
  /,?\s*\(?\b(?:(?:or |more )?(?:as|if) (?:needed|required|necessary)|(?:to|by) (?:the )?feel|until it feels right|a (?:little|bit) at a time|(?:just )?enough (?:to|for|until)\b[^,;)]*|as much as it takes|give or take|(?:maybe |perhaps |or |and )*(?:an? (?:little|bit|touch|splash)|some|a few drops) more)\)?/i;
const BY_WEIGHT = /\(?\b(?:by weight|on the scale|weighed)\b\)?/i;
const OPTIONAL = /\(?\boptional(?:ly)?\b\)?/i;
const TEMPERATURE =
  /(?:\(\s*)?(?:\b(?:[Aa]t|[Aa]bout|[Aa]round)\s+|@\s*)?(\d{2,3})(?:\s*(?:-|to)\s*(\d{2,3}))?\s*(?:(?:°|º|[Dd]eg(?:rees?)?\b|DEG(?:REES?)?\b)\s*([Cc](?:elsius)?\b|[Ff](?:ahrenheit)?\b)?|((?<=\d)[CFcf]|(?<=\d\s)[CF])(?![A-Za-z]))(?:\s*\))?/;

const toC = (value: number, scale: string | undefined): number =>
  scale?.toLowerCase().startsWith('f') ? ((value - 32) * 5) / 9 : value;

/** Above this no cook means °C for a dough liquid; below the other, none means °F. */
const SURELY_F = 100;
const SURELY_C = 60;

interface Temperature {
  tempC: number | null;
  unsure: number | null;
  rest: string;
}

function temperature(text: string): Temperature {
  const match = TEMPERATURE.exec(text);
  if (!match) return { tempC: null, unsure: null, rest: text };
  const rest = `${text.slice(0, match.index)} ${text.slice(match.index + match[0].length)}`;
  const low = Number(match[1]);
  const value = match[2] ? (low + Number(match[2])) / 2 : low;
  const scale = match[3] ?? match[4];
  // The number itself knows: no dough liquid has 110 °C, and none 40 °F that is called warm.
  const guess = scale ?? (value > SURELY_F ? 'f' : value <= SURELY_C ? 'c' : undefined);
  if (!guess) return { tempC: null, unsure: value, rest };
  return { tempC: Math.round(toC(value, guess)), unsure: null, rest };
}

/** "110 °F (43 °C)": the second says the first again, and is no name. */
function temperatureTwice(text: string): Temperature {
  const first = temperature(text);
  if (first.rest === text) return first;
  const again = temperature(first.rest.replace(/\s[/=]\s*(?=\d{2,3}\s*(?:°|º|[CF]\b))/, ' '));
  return {
    ...first,
    tempC: first.tempC ?? again.tempC,
    unsure: again.tempC === null ? first.unsure : null,
    rest: again.rest,
  };
}

/** The first saying of a table that the text has; `take` cuts it out. */
function firstOf<T>(
  table: readonly (readonly [RegExp, T])[],
  text: string,
): { value: T; match: string } | null {
  for (const [pattern, value] of table) {
    const match = pattern.exec(text);
    if (match) return { value, match: match[0] };
  }
  return null;
}

/**
 * Takes from a line what is neither amount nor name: fill, temperature, state, what is only for the bench.
 * @param text the tidied line without its amount
 */
export function readHints(text: string): Hints {
  const hints: Hints = {
    fill: null,
    tempC: null,
    tempUnsure: null,
    state: null,
    meltedFirst: false,
    aside: null,
    byFeel: false,
    byWeight: false,
    optional: false,
    notes: [],
    rest: text,
  };
  const take = (part: string) => {
    hints.rest = hints.rest.replace(part, ' ');
  };
  const optional = OPTIONAL.exec(hints.rest);
  if (optional) {
    hints.optional = true;
    hints.notes.push('optional');
    take(optional[0]);
  }
  const weight = BY_WEIGHT.exec(hints.rest);
  if (weight) {
    hints.byWeight = true;
    take(weight[0]);
  }
  const feel = BY_FEEL.exec(hints.rest);
  const aside = firstOf(ASIDES, hints.rest);
  if (aside) {
    hints.aside = aside.value;
    hints.notes.push(aside.match.replace(/^[,(\s]+|[)\s]+$/g, ''));
    take(aside.match);
  }
  if (feel) {
    hints.byFeel = true;
    const words = feel[0].replace(/^[,(\s]+|[)\s]+$/g, '');
    if (!hints.notes.some((note) => words.includes(note))) hints.notes.push(words);
    take(feel[0]);
  }
  const temp = temperatureTwice(hints.rest);
  hints.rest = temp.rest;
  hints.tempC = temp.tempC;
  hints.tempUnsure = temp.unsure;
  if (SIFTED_FIRST.test(hints.rest)) {
    hints.fill = 'sifted';
    hints.rest = hints.rest.replace(SIFTED_FIRST, ' ');
  }
  const fill = firstOf(FILLS, hints.rest);
  if (fill) {
    hints.fill = fill.value;
    take(fill.match);
  }
  const state = firstOf(STATES, hints.rest);
  if (state) {
    hints.state = state.value;
    hints.meltedFirst = state.value === 'melted' && !/[,(].*\bmelted/i.test(hints.rest);
  }
  const saidTemp = firstOf(TEMPS, hints.rest);
  if (saidTemp) {
    hints.tempC ??= saidTemp.value;
    take(saidTemp.match);
  }
  if (state) {
    hints.rest = hints.rest.replace(state.match, ' ');
    hints.notes.push(state.match.toLowerCase());
  }
  hints.rest = hints.rest.replace(/\s+/g, ' ').trim();
  return hints;
}
