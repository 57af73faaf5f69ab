import type { Kitchen, TimesChosen } from '../../kitchen/kitchenSchema';
import { chosenFor } from '../../kitchen/timesChosen';
import { programWith } from '../solve/bakeRequest';
import type { Opinions } from '../solve/opinions';
import type { BakeQuestion } from './question';

/** Whose seconds hold for a bread on a plate. */
export interface TimesInUse {
  /** The question, with the seconds that hold as its program. */
  question: BakeQuestion;
  use: TimesChosen['use'];
  /** Whether they differ and nobody has said which: then the formula's stand until somebody does. */
  open: boolean;
}

/**
 * A question with the seconds that are used: the formula's own, unless those for here keep clearly more pieces and somebody
 * chose them.
 * @param question about the formula, or a batch of it
 * @param formulaId id of the formula
 * @param opinions both opinions about the formula on this plate
 * @param kitchen what was chosen
 */
export function inUse(
  question: BakeQuestion,
  formulaId: string,
  { differ, here }: Pick<Opinions, 'differ' | 'here'>,
  kitchen: Pick<Kitchen, 'timesChosen'>,
): TimesInUse {
  const chosen = chosenFor(kitchen, { formulaId, griddleId: question.griddle?.id ?? null });
  if (!differ || !here || chosen !== 'here') {
    return { question, use: 'formula', open: differ && chosen === null };
  }
  const { request } = question;
  const program = programWith(request.program, here.seconds);
  return { question: { ...question, request: { ...request, program } }, use: 'here', open: false };
}
