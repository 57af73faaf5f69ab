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
  ask(
    kind: QuestionKind,
    ask: string,
    answers: Question['answers'],
    valid?: (id: string) => boolean,
  ): string {
    const key = this.key(kind);
    const given = this.answers[key];
    if (given !== undefined && (answers.some(({ id }) => id === given) || valid?.(given))) return given;
    this.questions.push({ key, kind, ask, answers });
    return answers[0]?.id ?? '';
  }
}
