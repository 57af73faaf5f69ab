import { DRAWN, DRAWN_STEPS, REJECT_DRAWS, ROLL_DRAWS } from '../demand/shiftDay';
import { SKILL } from './compile';
import { type LineAct, type LineRun, type PersonNow, type PlateNow, STAGE } from './lineState';
import { type Tasks, tasksFor } from './tasks';

/** A colleague who is free so long before the latest will do it, s. */
const IN_TIME_S = 60;

/** Draws of neighbouring batches and pieces do not repeat each other. */
const ROLL_STRIDE = 61;
const REJECT_STRIDE = 97;

const drawn = (run: LineRun, batch: number, step: keyof typeof DRAWN): number => {
  const { bread, ordinal } = run.batches[batch]!;
  return run.luck.work[bread]![ordinal * DRAWN_STEPS + DRAWN[step]]!;
};

function busy(run: LineRun, index: number, kind: LineAct['kind'], batch: number, spanS: number): void {
  const person = run.people[index]!;
  person.freeAt = run.t + spanS;
  run.log?.acts.push({
    ...{ who: run.line.shift.people[index]!.id, kind, batch, from: run.t },
    to: person.freeAt,
  });
}

/** Puts the next rolled disc on, where its place, the heat and the plate's pace allow it. */
function putOn(run: LineRun, index: number, plate: PlateNow): boolean {
  const { line, t, luck, log } = run;
  if (plate.rolled === 0 || t < plate.hotAt || t < plate.nextOn) return false;
  const place = plate.count % plate.freeAt.length;
  if (plate.freeAt[place]! > t) return false;
  const batch = run.batches[plate.batch]!;
  const off = t + line.placeS[batch.bread]!;
  const piece = batch.n - batch.left - plate.rolled - plate.rolling;
  plate.freeAt[place] = off;
  plate.lastOff = Math.max(plate.lastOff, off);
  plate.nextOn = t + (line.breads[batch.bread]!.heatS ?? 0);
  plate.rolled -= 1;
  plate.count += 1;
  const draw =
    luck.rejectDraw[batch.bread]![(batch.ordinal * REJECT_STRIDE + Math.max(0, piece)) & (REJECT_DRAWS - 1)]!;
  const rejected = draw < luck.rejectShare[batch.bread]![batch.ordinal]!;
  if (rejected) run.counts[batch.bread]!.rejected += 1;
  else {
    run.counts[batch.bread]!.made += 1;
    run.ready[batch.bread]!.push(off);
  }
  const plateIndex = run.people[index]!.plate;
  log?.pieces.push({ batch: plate.batch, plate: plateIndex, place, on: t, off, rejected });
  busy(run, index, 'bake', plate.batch, line.actS[batch.bread]!);
  return true;
}

function roll(run: LineRun, index: number, plateIndex: number): void {
  const plate = run.plates[plateIndex]!;
  const batch = run.batches[plate.batch]!;
  batch.left -= 1;
  plate.rolling += 1;
  run.people[index]!.rollingFor = plateIndex;
  const factor = run.luck.roll[(batch.ordinal * ROLL_STRIDE + batch.left) & (ROLL_DRAWS - 1)]!;
  busy(run, index, 'roll', plate.batch, run.line.breads[batch.bread]!.rollS * factor);
  if (batch.left === 0) batch.stage = STAGE.rolledOut;
}

/** Whether balls of a plate's batch may still be rolled. */
function mayRoll(run: LineRun, plate: PlateNow): boolean {
  const batch = run.batches[plate.batch]!;
  return (
    batch.stage === STAGE.balls &&
    batch.left > 0 &&
    run.t <= batch.at + run.line.breads[batch.bread]!.rest2[1]
  );
}

const others = (run: LineRun, index: number, is: (person: PersonNow, can: number) => boolean): boolean =>
  run.people.some((person, other) => other !== index && is(person, run.line.can[other]!));

/** A baker's next act at the plate; null where this person has left it and may do something else. */
function atPlate(run: LineRun, index: number, tasks: Tasks): boolean | null {
  const { t, line } = run;
  const person = run.people[index]!;
  const plate = run.plates[person.plate]!;
  plate.drain =
    tasks.urgent >= 0 &&
    !others(
      run,
      index,
      ({ plate: at, freeAt }, can) =>
        at < 0 && (can & SKILL.divide) !== 0 && freeAt < tasks.urgentBy - IN_TIME_S,
    );
  const idle = plate.rolled === 0 && plate.rolling === 0;
  if (plate.batch >= 0) {
    if (putOn(run, index, plate)) return true;
    const rollsItself =
      idle &&
      !plate.drain &&
      (line.can[index]! & SKILL.roll) !== 0 &&
      mayRoll(run, plate) &&
      !others(
        run,
        index,
        ({ plate: at, freeAt, rollingFor }, can) =>
          at < 0 && freeAt <= t && rollingFor < 0 && (can & SKILL.roll) !== 0,
      );
    if (rollsItself) {
      roll(run, index, person.plate);
      return true;
    }
  }
  const batch = plate.batch >= 0 ? run.batches[plate.batch]! : null;
  const nothingMore = plate.drain || !batch || batch.left === 0 || batch.stage !== STAGE.balls;
  if (!(t >= plate.lastOff && idle && nothingMore)) return false;
  plate.baker = -1;
  person.plate = -1;
  return null;
}

/** Goes to a plate whose batch waits for a baker. */
function takePlate(run: LineRun, index: number): boolean {
  const { plates, batches, line, t } = run;
  const found = plates.findIndex((plate) => {
    if (plate.baker >= 0 || plate.batch < 0) return false;
    const batch = batches[plate.batch]!;
    const waits = (batch.stage === STAGE.balls && batch.left > 0) || plate.rolled > 0;
    return waits && t >= plate.hotAt - line.breads[batch.bread]!.rollS;
  });
  if (found < 0) return false;
  plates[found]!.baker = index;
  run.people[index]!.plate = found;
  return true;
}

function divide(run: LineRun, index: number, k: number): void {
  const batch = run.batches[k]!;
  busy(run, index, 'divide', k, batch.n * run.line.breads[batch.bread]!.divideS * drawn(run, k, 'divide'));
  batch.at = run.people[index]!.freeAt;
  batch.stage = STAGE.balls;
  run.counts[batch.bread]!.divided += batch.n;
}

function knead(run: LineRun, index: number, k: number): void {
  const batch = run.batches[k]!;
  busy(run, index, 'knead', k, run.line.breads[batch.bread]!.kneadS * drawn(run, k, 'knead'));
  batch.at = run.people[index]!.freeAt;
  batch.stage = STAGE.resting;
  batch.bowlFreeAt = batch.at;
}

function load(run: LineRun, index: number, k: number): void {
  const batch = run.batches[k]!;
  const bread = run.line.breads[batch.bread]!;
  run.mixers[batch.mixer] = k + 1;
  busy(run, index, 'load', k, bread.loadS * drawn(run, k, 'load'));
  const from = run.people[index]!.freeAt;
  const kneadS = bread.kneadByHand ? 0 : bread.kneadS * drawn(run, k, 'knead');
  batch.stage = STAGE.mixing;
  batch.at = from + bread.mixS * drawn(run, k, 'mix') + kneadS;
  const who = run.line.shift.mixers[batch.mixer]!.id;
  run.log?.acts.push({ who, kind: 'mix', batch: k, from, to: batch.at });
}

function weigh(run: LineRun, index: number, k: number): void {
  const batch = run.batches[k]!;
  busy(run, index, 'weigh', k, run.line.breads[batch.bread]!.weighS * drawn(run, k, 'weigh'));
  batch.stage = STAGE.weighing;
  batch.at = run.people[index]!.freeAt;
}

/** Rolls for a colleague at a plate, as far ahead as discs keep. */
function rollAheadFor(run: LineRun, index: number): boolean {
  const found = run.plates.findIndex((plate) => {
    if (plate.baker < 0 || plate.batch < 0 || plate.drain || !mayRoll(run, plate)) return false;
    const { ahead } = run.line.breads[run.batches[plate.batch]!.bread]!;
    return plate.rolled + plate.rolling < ahead;
  });
  if (found < 0) return false;
  roll(run, index, found);
  return true;
}

/** Lets one person do what comes first; says whether anything changed. */
function act(run: LineRun, index: number): boolean {
  const person = run.people[index]!;
  const can = run.line.can[index]!;
  let changed = false;
  if (person.rollingFor >= 0) {
    const plate = run.plates[person.rollingFor]!;
    plate.rolling -= 1;
    plate.rolled += 1;
    person.rollingFor = -1;
    changed = true;
  }
  const tasks = tasksFor(run, can);
  if (person.plate >= 0) {
    const acted = atPlate(run, index, tasks);
    if (acted !== null) return acted || changed;
    changed = true;
  }
  if (tasks.urgent < 0 && can & SKILL.bake && takePlate(run, index)) return true;
  const dividing = tasks.urgent >= 0 ? tasks.urgent : tasks.divide;
  if (dividing >= 0) divide(run, index, dividing);
  else if (tasks.knead >= 0) knead(run, index, tasks.knead);
  else if (tasks.load >= 0) load(run, index, tasks.load);
  else if (tasks.weigh >= 0) weigh(run, index, tasks.weigh);
  else return (can & SKILL.roll && rollAheadFor(run, index)) || changed;
  return true;
}

/** Weighed out, or a bowl emptied by hands: what ends with the moment. */
function endStages(run: LineRun): boolean {
  let changed = false;
  for (const batch of run.batches) {
    if (batch.stage === STAGE.weighing && batch.at <= run.t) {
      batch.stage = STAGE.weighed;
      changed = true;
    }
    if (batch.bowlFreeAt >= 0 && batch.bowlFreeAt <= run.t) {
      run.mixers[batch.mixer] = 0;
      batch.bowlFreeAt = -1;
      changed = true;
    }
  }
  return changed;
}

/**
 * Everybody who is free does what comes first, until nobody has anything left to do at this moment.
 * @param run the shift
 */
export function letHandsAct(run: LineRun): void {
  if (run.t >= run.line.shift.ends) return;
  let changed = true;
  while (changed) {
    changed = false;
    for (let index = 0; index < run.people.length; index += 1) {
      if (run.people[index]!.freeAt <= run.t && act(run, index)) changed = true;
    }
    if (endStages(run)) changed = true;
  }
}
