import { STAGE, type BatchNow, type LineRun, type PlateNow } from './lineState';

/**
 * Whether balls of a batch may be baked now: rested, not past their latest, and wanted by now.
 * @param run the shift
 * @param batch the batch
 */
function mayBake({ line, t }: LineRun, batch: BatchNow): boolean {
  const [earliest, latest] = line.breads[batch.bread]!.rest2;
  return (
    batch.stage === STAGE.balls &&
    batch.left > 0 &&
    batch.at + earliest <= t &&
    t <= batch.at + latest &&
    batch.bakeAt <= t
  );
}

/** Brings a plate to another heat: from cold by preheating, else after what lies on it. */
function setHeat(run: LineRun, index: number, heat: number): void {
  const plate = run.plates[index]!;
  if (plate.heat === heat) return;
  const { shift, changeS, heats } = run.line;
  if (plate.heat < 0) plate.hotAt = Math.max(plate.litAt, shift.opens) + shift.plates[index]!.preheatS;
  else {
    plate.hotAt = Math.max(run.t, plate.lastOff, plate.hotAt) + changeS[index]![plate.heat]![heat]!;
    run.changes += 1;
  }
  plate.heat = heat;
  run.log?.heats.push({ plate: index, heat: heats[heat]!, from: run.t, hotAt: plate.hotAt });
}

const onAPlate = (run: LineRun, batch: number): boolean => run.plates.some((plate) => plate.batch === batch);

/** Batches whose baking has no time come after those that have one. */
const UNTIMED = 1e6;

/** Heat that the next batch wants may be set before it, so that the plate is there when its first disc is. */
function heatAhead(run: LineRun, index: number, next: number): void {
  const plate = run.plates[index]!;
  const { t, line } = run;
  if (next < 0 || plate.litAt < 0 || plate.litAt > t || plate.lastOff > t || plate.baker >= 0) return;
  const batch = run.batches[next]!;
  const heat = line.heatOf[batch.bread]!;
  const changeS = plate.heat < 0 ? 0 : line.changeS[index]![plate.heat]![heat]!;
  if (plate.heat !== heat && batch.bakeAt + line.breads[batch.bread]!.rollS - changeS <= t) {
    setHeat(run, index, heat);
  }
}

const isDone = (run: LineRun, plate: PlateNow): boolean =>
  plate.batch >= 0 &&
  run.batches[plate.batch]!.stage === STAGE.rolledOut &&
  plate.rolled === 0 &&
  plate.rolling === 0;

/**
 * Each plate without a batch takes the one that is due first, or warms for the next.
 * @param run the shift
 */
export function choosePlates(run: LineRun): void {
  const { plates, batches, t } = run;
  for (let index = 0; index < plates.length; index += 1) {
    const plate = plates[index]!;
    if (isDone(run, plate)) plate.batch = -1;
    if (plate.batch >= 0) continue;
    let due = -1;
    let dueAt = Infinity;
    let next = -1;
    let nextAt = Infinity;
    for (let k = 0; k < batches.length; k += 1) {
      const batch = batches[k]!;
      if (batch.stage >= STAGE.rolledOut || onAPlate(run, k)) continue;
      const only = run.line.plateOf[batch.bread]!;
      if (only >= 0 && only !== index) continue;
      const key = batch.bakeAt > 0 ? batch.bakeAt : batch.at + UNTIMED;
      if (key < dueAt && mayBake(run, batch)) {
        dueAt = key;
        due = k;
      }
      if (batch.bakeAt > 0 && key < nextAt) {
        nextAt = key;
        next = k;
      }
    }
    if (due >= 0) {
      plate.batch = due;
      if (plate.litAt < 0) plate.litAt = t;
      setHeat(run, index, run.line.heatOf[batches[due]!.bread]!);
    } else heatAhead(run, index, next);
  }
}

/** A cold batch is taken out: it warms for so long, and then stands where one from flour stands after its earliest rest. */
function outOfTheCold({ line, counts }: LineRun, batch: BatchNow): void {
  const { as, warmS } = line.shift.cold![batch.cold]!;
  const { rest1, rest2 } = line.breads[batch.bread]!;
  if (as === 'dough') {
    batch.stage = STAGE.resting;
    batch.at = batch.start + warmS - rest1[0];
  } else {
    batch.stage = STAGE.balls;
    batch.at = batch.start + warmS - rest2[0];
    counts[batch.bread]!.divided += batch.n;
  }
}

/**
 * What the clock alone does: a mixer is done, dough or balls are past their latest and are thrown out.
 * @param run the shift
 */
export function passTime(run: LineRun): void {
  const { line, batches, counts, t, log } = run;
  for (let k = 0; k < batches.length; k += 1) {
    const batch = batches[k]!;
    const bread = line.breads[batch.bread]!;
    const count = counts[batch.bread]!;
    if (batch.stage === STAGE.planned && batch.cold >= 0 && batch.start <= t) outOfTheCold(run, batch);
    if (batch.stage === STAGE.mixing && batch.at <= t) {
      if (bread.kneadByHand) batch.stage = STAGE.mixed;
      else {
        run.mixers[batch.mixer] = 0;
        batch.stage = STAGE.resting;
      }
    } else if (batch.stage === STAGE.resting && t > batch.at + bread.rest1[1]) {
      batch.stage = STAGE.thrownOut;
      count.doughThrown += batch.n;
      batch.left = 0;
      log?.thrown.push({ batch: k, what: 'dough', n: batch.n, at: t });
    } else if (batch.stage === STAGE.balls && t > batch.at + bread.rest2[1]) {
      if (batch.left > 0) {
        count.ballsThrown += batch.left;
        log?.thrown.push({ batch: k, what: 'balls', n: batch.left, at: t });
        batch.left = 0;
      }
      batch.stage = STAGE.rolledOut;
    }
  }
}
