import type { Formula } from '@kettle-scale/core/formula';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { InputError, countField, parseInput } from '@kettle-scale/core/message';
import { listFormula } from '@kettle-scale/core/writing';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { replaceDraft } from '../../drafts/drafts';
import { useSaveFormula } from '../../api/changes';
import { saidKind, useWriting } from '../../drafts/writing';
import { numberTyped } from '../../ui/input/FigureField';
import { type Reading } from './useReading';
import { say } from '../../reader/say';

const REASON = 'Saved as a note';
const piecesField = countField('Pieces', { min: 1, max: 20_000 });

interface KeepListOptions {
  list: Reading['list'];
  kitchen: Kitchen;
  /** Ids of the book. */
  taken: ReadonlySet<string>;
}

/** Makes a formula of the list: into the book, or onto the editor's table. */
export function useKeepList({ list, kitchen, taken }: KeepListOptions) {
  const router = useRouter();
  const { text, name, pieces, answers, begin } = useWriting();
  const [problem, setProblem] = useState<string>();
  const save = useSaveFormula();
  const called = name.trim() || list.title || '';
  const make = (): Formula | null => {
    try {
      setProblem(undefined);
      const makes = pieces.trim() === '' ? list.pieces : parseInput(piecesField, numberTyped(pieces));
      return listFormula(
        { ...list, pieces: makes },
        { name: called || 'New formula', kind: saidKind(answers), taken, text, kitchen },
      );
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setProblem(say(error.problems[0]?.message ?? ''));
      return null;
    }
  };
  const keep = () => {
    const formula = make();
    if (!formula || save.isPending) return;
    save.mutate(
      { formula, reason: REASON, after: 0 },
      {
        onSuccess: () => {
          begin('', '');
          router.replace(`/formulas/${formula.id}`);
        },
      },
    );
  };
  const work = () => {
    const formula = make();
    if (!formula) return;
    replaceDraft(formula, 0, REASON);
    begin('', '');
    router.replace(`/formulas/${formula.id}/edit`);
  };
  return { keep, work, problem, setProblem, error: save.error, isPending: save.isPending };
}
