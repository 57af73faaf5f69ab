import type { Words } from '../message/message';
import type { FillMethod, Ingredient } from '../ingredient/ingredientSchema';
import type { Measure } from '../formula/formulaSchema';
import type { OnBreadWhen } from '../formula/onBreadWhen';
import type { SaidAmount } from './amountAt';
import type { Interval } from '../quantity/interval';

export type QuestionKind =
  | 'ingredient'
  | 'twice'
  | 'fill'
  | 'piece'
  | 'amount'
  | 'range'
  | 'ounce'
  | 'thousand'
  | 'temperature'
  | 'aside';

/** One answer that can be given by a tap. */
export interface Answer {
  id: string;
  words: Words;
}

/** What is ambiguous in a line: asked, never guessed. Until it is answered the first answer stands in, and says so. */
export interface Question {
  /** Stays the same while the line's text does, so that an answer survives other edits. */
  key: string;
  kind: QuestionKind;
  ask: Words;
  answers: Answer[];
}

/** A line as understood. Masses in grams. */
export interface ReadLine {
  /** Index among the entries of the text, from 0. */
  index: number;
  text: string;
  food: Ingredient;
  said: SaidAmount | null;
  fill: FillMethod | null;
  tempC: number | null;
  state: 'melted' | 'soft' | 'cold' | null;
  note: string;
  /** Null until the flour is known, where the amount is a share of it. */
  mass: Interval | null;
  /** Share of flour, where the line says one ("water 60 %") or an answer does. */
  fraction: number | null;
  /** It goes on the bread, the bench or the pan and not into the dough: when, and how much in all, g. */
  onBread: { when: OnBreadWhen; massG: number | null } | null;
  /** Of a range like "1 to 1 1/2 cups" of a liquid: what is kept back, as a share of the line. */
  holdBack: number;
  /** How it was measured, kept with the formula's line; null for weights. */
  measure: Measure | null;
  /** Questions still open; the first answer stands in until then. */
  questions: Question[];
}

/** A line that is no ingredient: a heading, a remark, the name of the bread. */
export interface Remark {
  index: number;
  text: string;
  kind: 'title' | 'heading' | 'note' | 'yield' | 'left-out';
}

export interface ReadList {
  lines: ReadLine[];
  remarks: Remark[];
  /** Name found above the list. */
  title: string | null;
  /** From "makes 12". */
  pieces: number | null;
  /** Lines that name nothing known; each asks what it is. */
  unknown: { index: number; text: string; key: string; ask: Words }[];
  questions: Question[];
  /** All flour in grams; null when no line says how much. */
  flourG: number | null;
}

/** Answers given so far: question key to answer id. */
export type Answers = Readonly<Record<string, string>>;

/** What one line of a list comes to. */
export type LineResult =
  | { as: 'line'; line: ReadLine }
  | { as: 'unknown'; key: string; ask: Words }
  | { as: 'left-out' }
  | { as: 'words'; hasAmount: boolean; named: boolean };
