import { type BakeRequest, type Solution, asWritten, bakeWith, secondsOf, turnsOnce } from './bakeRequest';
import { remembered } from './remembered';
import type { BakeOutcome } from '../model/outcome';
import { solveByScale } from './solveByScale';
import { adviseOneFlip } from './advise';
import { turnsIron } from '../../formula/bakePhases';
import { solveOneFlipFast } from './solveOneFlip';

export interface SolvedBake extends Solution {
  /** What the bake comes to with these seconds. */
  outcome: BakeOutcome;
}

const byModel = new Map<string, Solution>();

/**
 * Seconds that the program says, on another plate or for another disc than they were written for: in proportion to what the
 * model would say there and here.
 */
function carriedOver(request: BakeRequest, written: NonNullable<BakeRequest['written']>): Solution {
  const { written: _written, ...bare } = request;
  const [there, here] = [asWritten(bare, written), bare].map((one) =>
    remembered(byModel, JSON.stringify(one), () => solveTimes(one)),
  );
  const own = secondsOf(request.program);
  const seconds = own.map((s, side) =>
    here!.good && there!.good ? (s * here!.seconds[side]!) / there!.seconds[side]! : s,
  );
  return { ...here!, seconds };
}

/**
 * Seconds per side that meet the standard on this plate, with the range that is allowed and what binds at its ends.
 * Where the program's seconds were written for some plate they hold on it, whether the model finds them good or not.
 * Where no good bread exists the solution says what comes first, and its seconds are the nearest thing.
 * @param request the bread on its plate
 * @param onlyLeast whether only the least seconds are wanted
 */
export function solveTimes(request: BakeRequest, onlyLeast = false): Solution {
  const { program, written } = request;
  if (onlyLeast && turnsOnce(program) && !turnsIron(program)) return solveOneFlipFast(request);
  const solution = turnsOnce(program) ? adviseOneFlip(request) : solveByScale(request, onlyLeast);
  return written && !solution.keepsSplit && !onlyLeast ? carriedOver(request, written) : solution;
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
