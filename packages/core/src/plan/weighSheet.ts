import type { ResolvedLine } from '../formula/formulaSchema';
import { bakersFractions, flourMass } from '../formula/percentages';
import { FINE_SCALE_KINDS } from '../ingredient/ingredientSchema';
import { roundToStep, sumG } from '../quantity/roundToStep';
import type { Kitchen } from '../kitchen/kitchenSchema';
import type { SheetLine } from './planSchema';

/** A ceiling on some lines of a load, such as the bowl's capacity or the flour at hand. */
export interface Ceiling {
  covers: (line: ResolvedLine) => boolean;
  maxG: number;
}

/** Half a step of the bench scale may be so much of what is weighed on it. */
const ROUGH_SHARE = 0.02;

/** Which scale a line goes on: the fine one by its kind, or where the bench scale reads it too roughly; and its step. */
export function scaleFor(
  line: Pick<ResolvedLine, 'food'>,
  massG: number,
  kitchen: Kitchen,
): Pick<SheetLine, 'scale' | 'stepG'> {
  const rough = kitchen.benchStepG / 2 > ROUGH_SHARE * massG;
  const fine = (FINE_SCALE_KINDS.has(line.food.kind) || rough) && massG <= kitchen.fineMaxG;
  return fine ? { scale: 'fine', stepG: kitchen.fineStepG } : { scale: 'bench', stepG: kitchen.benchStepG };
}

/**
 * The weigh sheet of one bowl: each line of the formula for a flour mass, rounded to its scale's step.
 * Where rounding up would break a ceiling, the line that gained most from rounding gives a step back.
 * @param flourG flour of this bowl, grams
 * @returns lines with the exact and the rounded mass and the percentage as it will be weighed
 */
export function weighSheet(
  lines: readonly ResolvedLine[],
  flourG: number,
  kitchen: Kitchen,
  ceilings: readonly Ceiling[] = [],
): SheetLine[] {
  const sheet = lines.map((line) => {
    const exactG = line.fraction * flourG;
    const scale = scaleFor(line, exactG, kitchen);
    return { line, exactG, ...scale, massG: roundToStep(exactG, scale.stepG) };
  });

  for (const { covers, maxG } of ceilings) {
    const covered = sheet.filter((row) => covers(row.line));
    const gain = (row: (typeof sheet)[number]) => (row.massG - row.exactG) / row.stepG;
    while (sumG(covered.map((row) => row.massG)) > maxG + 1e-6) {
      const row = covered.filter((r) => r.massG > 0).sort((a, b) => gain(b) - gain(a))[0];
      if (!row) break;
      row.massG = roundToStep(row.massG - row.stepG, row.stepG);
    }
  }

  const parts = sheet.map((row) => ({ mass: row.massG, food: row.line.food }));
  const weighed = flourMass(parts) > 0 ? bakersFractions(parts) : sheet.map(() => 0);
  return sheet.map(({ line, exactG, massG, scale, stepG }, index) => ({
    lineId: line.id,
    ingredient: line.food.id,
    name: line.food.name,
    kind: line.food.kind,
    ...(line.note ? { note: line.note } : {}),
    ...(line.late ? { late: true } : {}),
    scale,
    stepG,
    exactG,
    massG,
    fraction: line.fraction,
    weighedFraction: weighed[index] ?? 0,
    // A line that a change took down to nothing has nothing to be off by.
    relativeError: exactG > 0 ? massG / exactG - 1 : 0,
  }));
}
