import { formatPercent } from '../../../reader/figures';
import { say } from '../../../reader/say';
import type { Feel } from '@kettle-scale/core/dough';
import { type RunningDough, type StepState, correctionFor, correctionLines } from '@kettle-scale/core/batch';
import { roundToStep } from '@kettle-scale/core/quantity';
import type { LiveBatch } from '../../../batch/useBatch';
import { useFormat } from '../../../ui/useFormat';

export interface Fix {
  /** Of the button: "Add 12 g water with 0.2 g salt". */
  label: string;
  add: () => void;
  /** Flour without its salt and fat; null where nothing goes with it. */
  alone: { label: string; add: () => void; drift: string } | null;
  words: string;
  waitFirst: boolean;
}

/** What to do about the feel: how much, in what pours, and what flour alone would do. Null where nothing is to be done. */
export function useFix(
  live: LiveBatch,
  now: StepState,
  dough: RunningDough | null,
  feel: Feel | null,
  late: boolean,
): Fix | null {
  const { batch, act } = live;
  const format = useFormat();
  if (!feel || !dough) return null;
  const correction = correctionFor(batch.plan, dough, feel, !late);
  const { liquid, flour } = correctionLines(batch.plan);
  const line = correction.kind === 'water' ? liquid : flour;
  if (correction.kind === 'none' || !line) return null;
  const add = (lineId: string, massG: number, why: 'correction' | 'top-up') => ({
    ...{ type: 'added' as const, stepId: now.step.id, lineId, massG },
    why,
  });
  const pourG = Math.max(line.stepG, roundToStep(correction.additionG, line.stepG));
  const pour = `${format.mass(pourG, line.stepG)} ${say(line.name).toLocaleLowerCase()}`;
  const topUps = correction.topUps.flatMap((topUp) => {
    const row = batch.plan.sheet.find(({ lineId }) => lineId === topUp.lineId);
    const massG = row ? roundToStep(topUp.massG / correction.additions, row.stepG) : 0;
    return row && massG >= row.stepG ? [{ ...topUp, massG, stepG: row.stepG }] : [];
  });
  const withIt = topUps.map(
    ({ name, massG, stepG }) => `${format.mass(massG, stepG)} ${say(name).toLocaleLowerCase()}`,
  );
  const drift = correction.topUps.map(
    ({ name, fractionWithout, lineId }) =>
      `${say(name).toLocaleLowerCase()} ${formatPercent(dough.lines.find((row) => row.line.lineId === lineId)?.fraction ?? 0, 1)} → ${formatPercent(fractionWithout, 1)}`,
  );
  return {
    label:
      topUps.length > 0
        ? say('Add {pour} with {withIt}', { pour, withIt: { list: withIt } })
        : say('Add {pour}', { pour }),
    add: () =>
      act(
        add(line.lineId, pourG, 'correction'),
        ...topUps.map(({ lineId, massG }) => add(lineId, massG, 'top-up')),
      ),
    alone:
      topUps.length > 0
        ? {
            label: say('Only {pour}', { pour }),
            add: () => act(add(line.lineId, pourG, 'correction')),
            drift: say('Flour alone, all of it: {drift}.', { drift: { list: drift } }),
          }
        : null,
    words: say(
      '{mass} of {name} in all, in {additions, number} {additions, plural, one {pour} other {pours}}; feel after each.',
      {
        mass: format.mass(correction.massG, line.stepG),
        name: { lower: line.name },
        additions: correction.additions,
      },
    ),
    waitFirst: correction.waitFirst,
  };
}
