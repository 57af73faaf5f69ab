import { type BakeRequest, type Solution, bakeWith, turnsOnce } from './bakeRequest';
import type { BakeOutcome } from '../model/outcome';
import { solveByScale } from './solveByScale';
import { adviseOneFlip } from './advise';
import { turnsIron } from '../../formula/bakePhases';
import { solveOneFlipFast } from './solveOneFlip';

export interface SolvedBake extends Solution {
  /** What the bake comes to with these seconds. */
  outcome: BakeOutcome;
}

/**
 * Seconds per side that meet the standard on this plate, with the range that is allowed and what binds at its ends.
 * Where no good bread exists the solution says what comes first, and its seconds are the nearest thing.
 * @param request the bread on its plate
 * @param onlyLeast whether only the least seconds are wanted
 */
export function solveTimes(request: BakeRequest, onlyLeast = false): Solution {
  if (!turnsOnce(request.program)) return solveByScale(request, onlyLeast);
  return onlyLeast && !turnsIron(request.program) ? solveOneFlipFast(request) : adviseOneFlip(request);
}

/**
 * The same, and what the bake comes to.
 * @param request the bread on its plate
 * @returns solution and outcome
 */
export function solve(request: BakeRequest): SolvedBake {
  const solution = solveTimes(request);
  return { ...solution, outcome: bakeWith(request, solution.seconds) };
}
