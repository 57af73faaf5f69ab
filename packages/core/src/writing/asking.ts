import type { Words } from '../message/message';
import { tidyLine } from './tidyLine';
import type { Answers, Question, QuestionKind } from './readListTypes';

/** Collects the questions of one line and gives the standing answer to each. */
export class Asking {
  readonly questions: Question[] = [];
  constructor(
    private readonly stem: string,
    private readonly answers: Answers,
  ) {}

  key(kind: QuestionKind): string {
    return `${this.stem}#${kind}`;
  }

  /** False while the question is open. */
  isAnswered(kind: QuestionKind): boolean {
    return this.questions.every((question) => question.kind !== kind);
  }

  /** The answer in force: the one given, or the first while the question is open. */
  ask(kind: QuestionKind, ask: Words, answers: Question['answers'], valid?: (id: string) => boolean): string {
    const key = this.key(kind);
    const given = this.answers[key];
    if (given !== undefined && (answers.some(({ id }) => id === given) || valid?.(given))) return given;
    this.questions.push({ key, kind, ask, answers });
    return answers[0]?.id ?? '';
  }
}

/** What the keys of a line's questions begin with; the same line written again is told apart. */
export const lineStem = (text: string, occurrence: number): string =>
  `${tidyLine(text).toLowerCase()}${occurrence > 0 ? `~${occurrence}` : ''}`;

/**
 * The keys of the answers that were given for a line, by its text: all of them where it stands there several times.
 * @param answers answers by key
 * @param text the line as it stands
 */
export const answersOf = (answers: Answers, text: string): string[] => {
  const stem = lineStem(text, 0);
  return Object.keys(answers).filter((key) => key.startsWith(`${stem}#`) || key.startsWith(`${stem}~`));
};
