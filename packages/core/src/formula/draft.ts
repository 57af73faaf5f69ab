import { message } from '../message/message';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { InputError, parseInput } from '../message/problem';
import { DEFAULT_FLOUR_G } from './formulaFacts';
import { freeId } from './slug';
import { FORMULA_FORMAT_VERSION, type Formula, type FormulaLine, formulaSchema } from './formulaSchema';

/** A line being worked on. Grams are the truth; percent is worked out from them. */
export interface DraftLine extends Omit<FormulaLine, 'fraction'> {
  massG: number;
  /** A locked line keeps its grams whatever else changes. */
  locked: boolean;
}

/** A formula being worked on: its lines in grams of one batch. */
export interface Draft extends Omit<Formula, 'lines' | 'flourG'> {
  lines: DraftLine[];
}

export type FoodOf = (ingredient: string) => Ingredient | undefined;
type Lines = readonly DraftLine[];

/** Decimals kept of a share of flour: a hundredth of a gram in a tonne. */
const FRACTION_DECIMALS = 8;
const MOST_LINE_G = 1_000_000;

const isFlour = (line: DraftLine, foodOf: FoodOf): boolean => foodOf(line.ingredient)?.kind === 'flour';
const sum = (lines: Lines): number => lines.reduce((total, line) => total + line.massG, 0);

/**
 * All flour of a draft, grams.
 * @param lines lines of the draft
 * @param foodOf ingredient by its id
 * @returns g
 */
export const draftFlourG = (lines: Lines, foodOf: FoodOf): number =>
  sum(lines.filter((line) => isFlour(line, foodOf)));
/**
 * All dough of a draft, grams.
 * @param lines lines of the draft
 * @returns g
 */
export const draftDoughG = (lines: Lines): number => sum(lines);

/**
 * A formula laid out in grams: of the batch it has in mind, or of a kilogram of flour.
 * @param formula the formula
 * @returns masses in g
 */
export function toDraft(formula: Formula): Draft {
  const { flourG = DEFAULT_FLOUR_G, lines, ...rest } = formula;
  return {
    ...rest,
    lines: lines.map(({ fraction, ...line }) => ({ ...line, massG: fraction * flourG, locked: false })),
  };
}

/**
 * The formula that a draft is.
 * @param draft the draft
 * @param foodOf ingredient by its id
 * @throws InputError naming the line without an amount, or that there is no flour
 */
export function toFormula(draft: Draft, foodOf: FoodOf): Formula {
  const flourG = draftFlourG(draft.lines, foodOf);
  if (!(flourG > 0))
    throw InputError.at('lines', 'A formula needs flour: every other line is a share of it.');
  const problems = draft.lines.flatMap((line, index) =>
    line.massG > 0
      ? []
      : [
          {
            path: `lines[${index}].massG`,
            message: message('Enter how much {name}, or remove the line.', {
              name: { lower: foodOf(line.ingredient)?.name ?? line.ingredient },
            }),
          },
        ],
  );
  if (problems.length > 0) throw new InputError(problems);
  const lines = draft.lines.map(({ massG, locked, ...line }) => ({
    ...line,
    fraction: Number((massG / flourG).toFixed(FRACTION_DECIMALS)),
  }));
  return parseInput(formulaSchema, {
    ...draft,
    formatVersion: FORMULA_FORMAT_VERSION,
    lines,
    flourG: Number(flourG.toFixed(3)),
  });
}

function indexOf(lines: Lines, id: string): number {
  const index = lines.findIndex((line) => line.id === id);
  if (index < 0) throw InputError.at('lines', message('There is no line “{id}”.', { id }));
  return index;
}

function checkAmount(index: number, value: number, most: number, words: string): void {
  if (!Number.isFinite(value) || value < 0 || value > most) {
    throw InputError.at(
      `lines[${index}].massG`,
      message('{words} must be between 0 and {toLocaleString}.', {
        words,
        toLocaleString: most.toLocaleString('en-US'),
      }),
    );
  }
}

/** A line set by hand is no longer what the cup said. */
const weighed = ({ measure, ...line }: DraftLine, massG: number): DraftLine => ({ ...line, massG });

/**
 * Sets a line's grams. Of flour: the other flours stay, and every line that is not flour and not locked follows,
 * so that percentages hold.
 * @param lines lines of the draft
 * @param foodOf ingredient by its id
 * @param id id of the line
 * @param massG g
 */
export function setGrams(lines: Lines, foodOf: FoodOf, id: string, massG: number): DraftLine[] {
  const index = indexOf(lines, id);
  checkAmount(index, massG, MOST_LINE_G, 'Grams');
  const target = lines[index];
  const before = draftFlourG(lines, foodOf);
  const changed = lines.map((line) => (line.id === id ? weighed(line, massG) : line));
  if (!target || !isFlour(target, foodOf)) return changed;
  const after = draftFlourG(changed, foodOf);
  if (before <= 0 || after <= 0) return changed;
  return changed.map((line) =>
    isFlour(line, foodOf) || line.locked ? line : { ...line, massG: (line.massG * after) / before },
  );
}

/**
 * Sets a line's share of flour. Of flour: the other flours that are not locked give or take, so that all stay 100 %.
 * @param lines lines of the draft
 * @param foodOf ingredient by its id
 * @param id id of the line
 * @param fraction 0.02 for 2 %
 */
export function setFraction(lines: Lines, foodOf: FoodOf, id: string, fraction: number): DraftLine[] {
  const index = indexOf(lines, id);
  const flourG = draftFlourG(lines, foodOf);
  if (flourG <= 0) throw InputError.at('lines', 'Give the flour in grams first: percent is a share of it.');
  const target = lines[index];
  if (!target) return [...lines];
  if (!isFlour(target, foodOf)) {
    checkAmount(index, fraction * 100, 500, 'Percent');
    return lines.map((line) => (line.id === id ? weighed(line, fraction * flourG) : line));
  }
  checkAmount(index, fraction * 100, 100, 'Percent of a flour');
  const others = lines.filter((line) => isFlour(line, foodOf) && line.id !== id);
  const free = others.filter((line) => !line.locked);
  const lockedG = sum(others.filter((line) => line.locked));
  const leftG = flourG * (1 - fraction) - lockedG;
  if (free.length === 0 && Math.abs(leftG) > 1e-6) {
    const only =
      others.length === 0
        ? 'The only flour is always 100 %; add another flour to blend.'
        : 'The other flours are locked; unlock one, or change grams instead.';
    throw InputError.at(`lines[${index}].massG`, only);
  }
  if (leftG < -1e-6) {
    const most = Number(((1 - lockedG / flourG) * 100).toFixed(1));
    throw InputError.at(
      `lines[${index}].massG`,
      message('Locked flours leave room for {most, number} % at most.', { most }),
    );
  }
  return shareOut(
    lines.map((line) => (line.id === id ? weighed(line, fraction * flourG) : line)),
    new Set(free.map((line) => line.id)),
    Math.max(0, leftG),
  );
}

/** Gives some lines a new total, in the proportions they have; alike where they have none. */
function shareOut(lines: Lines, ids: ReadonlySet<string>, totalG: number): DraftLine[] {
  const nowG = sum(lines.filter((line) => ids.has(line.id)));
  return lines.map((line) => {
    if (!ids.has(line.id)) return line;
    return { ...line, massG: nowG > 0 ? (line.massG * totalG) / nowG : totalG / ids.size };
  });
}

/**
 * Sets the dough weight: lines that are not locked are scaled alike.
 * @param lines lines of the draft
 * @param totalG g
 */
export function setTotal(lines: Lines, totalG: number): DraftLine[] {
  checkAmount(0, totalG, MOST_LINE_G, 'Dough weight');
  const free = new Set(lines.filter((line) => !line.locked).map((line) => line.id));
  const lockedG = sum(lines.filter((line) => line.locked));
  if (free.size === 0 || sum(lines.filter((line) => free.has(line.id))) <= 0) {
    throw InputError.at('total', 'Every line is locked; unlock one to change the dough weight.');
  }
  if (totalG <= lockedG) {
    throw InputError.at(
      'total',
      message('The locked lines alone weigh {locked}; the dough must weigh more.', {
        locked: { g: lockedG },
      }),
    );
  }
  return shareOut(lines, free, totalG - lockedG);
}

/**
 * Blends the flours to 100 %: the wanted shares, whatever they add up to, are brought to the whole.
 * The flour's weight stays; locked flours keep their grams.
 * @param wanted share by line id, in any one unit; a flour not named keeps the proportion it has
 */
export function blendFlours(lines: Lines, foodOf: FoodOf, wanted: ReadonlyMap<string, number>): DraftLine[] {
  const flours = lines.filter((line) => isFlour(line, foodOf));
  const flourG = sum(flours);
  const free = flours.filter((line) => !line.locked);
  const asked = (line: DraftLine) => wanted.get(line.id) ?? line.massG / flourG;
  const total = free.reduce((all, line) => all + asked(line), 0);
  if (free.length === 0) throw InputError.at('lines', 'Every flour is locked; unlock one to blend.');
  if (!(total > 0) || free.some((line) => !(asked(line) >= 0))) {
    throw InputError.at('lines', 'Give at least one flour a share above zero, and none below.');
  }
  const leftG = flourG - sum(flours.filter((line) => line.locked));
  return lines.map((line) => (free.includes(line) ? weighed(line, (asked(line) / total) * leftG) : line));
}

/**
 * @param lines lines of the draft
 * @param id id of the line
 * @param locked whether it keeps its grams
 * @returns the lines with it locked or free
 */
export const setLocked = (lines: Lines, id: string, locked: boolean): DraftLine[] =>
  lines.map((line) => (line.id === id ? { ...line, locked } : line));

/**
 * @param lines lines of the draft
 * @param id id of the line
 * @param note empty for none
 * @returns the lines with the note
 */
export const setNote = (lines: Lines, id: string, note: string): DraftLine[] =>
  lines.map(({ note: before, ...line }) =>
    line.id === id
      ? note
        ? { ...line, note }
        : line
      : before === undefined
        ? line
        : { ...line, note: before },
  );

/**
 * Exchanges a line's ingredient at the same weight.
 * @param lines lines of the draft
 * @param id id of the line
 * @param ingredient id of the new ingredient
 */
export const setIngredient = (lines: Lines, id: string, ingredient: string): DraftLine[] =>
  lines.map((line) => (line.id === id ? { ...weighed(line, line.massG), ingredient } : line));

/**
 * Adds a line at the end; its id is the ingredient's, made unique.
 * @param lines lines of the draft
 * @param ingredient id of the ingredient
 * @param massG g
 */
export function addLine(lines: Lines, ingredient: string, massG: number): DraftLine[] {
  const taken = new Set(lines.map((line) => line.id));
  return [...lines, { id: freeId(ingredient, taken), ingredient, massG, locked: false }];
}

/**
 * @param lines lines of the draft
 * @param id id of the line
 * @returns the lines without it
 */
export const removeLine = (lines: Lines, id: string): DraftLine[] => lines.filter((line) => line.id !== id);

/**
 * Moves a line to another place in the order; beyond either end it stays at the end.
 * @param lines lines of the draft
 * @param id id of the line
 * @param to index, from 0
 */
export function moveLine(lines: Lines, id: string, to: number): DraftLine[] {
  const from = indexOf(lines, id);
  const moved = lines.filter((line) => line.id !== id);
  const line = lines[from];
  if (!line) return [...lines];
  moved.splice(Math.min(Math.max(to, 0), moved.length), 0, line);
  return moved;
}

/** How a dough is kneaded again, until somebody says. */
const USUAL_AGAIN = { by: 'hand', pauseS: 0, minS: 120, maxS: 300 } as const;

/**
 * Lets a line go in late, or not; the method gains the kneading that works it in, where it had none.
 * @param draft the draft
 * @param id id of the line
 * @param late whether it goes in late
 */
export function setLate(draft: Draft, id: string, late: boolean): Draft {
  const { again = [], ...knead } = draft.method.knead;
  const lines = draft.lines.map((line) => {
    if (line.id !== id) return line;
    const { late: _was, ...rest } = line;
    return late ? { ...rest, late } : rest;
  });
  const rounds = late && again.length === 0 ? [{ ...USUAL_AGAIN, by: knead.by }] : again;
  return {
    ...draft,
    lines,
    method: { ...draft.method, knead: { ...knead, ...(rounds.length > 0 ? { again: rounds } : {}) } },
  };
}
