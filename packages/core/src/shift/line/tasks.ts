import { SKILL, doughG, takesLoad } from './compile';
import { type LineRun, STAGE } from './lineState';

/** Dough this near its latest is divided before anything else, s. */
export const URGENT_S = 900;

/** What there is for a person to do; below zero where there is nothing. */
export interface Tasks {
  urgent: number;
  urgentBy: number;
  divide: number;
  knead: number;
  load: number;
  weigh: number;
}

const nothing: Tasks = { urgent: -1, urgentBy: Infinity, divide: -1, knead: -1, load: -1, weigh: -1 };

const freeMixer = ({ line, mixers }: LineRun, massG: number): number =>
  line.shift.mixers.findIndex((mixer, index) => mixers[index] === 0 && takesLoad(mixer, massG));

/** Balls that the bench has room for: what lies on it is there until it is rolled. */
function benchRoom({ line, batches }: LineRun): number {
  const { benchBalls } = line.shift;
  if (benchBalls === undefined) return Infinity;
  let lying = 0;
  for (const { stage, left } of batches) if (stage === STAGE.balls) lying += left;
  return benchBalls - lying;
}

/**
 * What there is for a person with these skills, each kind the one that is first.
 * @param run the shift
 * @param can skills as bits
 */
export function tasksFor(run: LineRun, can: number): Tasks {
  const { line, batches, t } = run;
  const tasks = { ...nothing };
  const room = benchRoom(run);
  let divideBy = Infinity;
  let weighFrom = Infinity;
  for (let k = 0; k < batches.length; k += 1) {
    const batch = batches[k]!;
    const bread = line.breads[batch.bread]!;
    if (batch.stage === STAGE.resting) {
      if (!(can & SKILL.divide) || batch.at + bread.rest1[0] > t || batch.n > room) continue;
      const by = batch.at + bread.rest1[1];
      if (by - t <= URGENT_S && by < tasks.urgentBy) {
        tasks.urgentBy = by;
        tasks.urgent = k;
      }
      if (by < divideBy) {
        divideBy = by;
        tasks.divide = k;
      }
    } else if (batch.stage === STAGE.mixed) {
      if (can & SKILL.knead) tasks.knead = k;
    } else if (batch.stage === STAGE.weighed) {
      if (!(can & SKILL.load) || tasks.load >= 0) continue;
      const mixer = freeMixer(run, doughG(bread, batch.n));
      if (mixer < 0) continue;
      tasks.load = k;
      batch.mixer = mixer;
    } else if (
      batch.stage === STAGE.planned &&
      batch.cold < 0 &&
      can & SKILL.weigh &&
      batch.start <= t &&
      batch.start < weighFrom
    ) {
      weighFrom = batch.start;
      tasks.weigh = k;
    }
  }
  return tasks;
}
