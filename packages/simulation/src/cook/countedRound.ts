import {
  type CountedBy,
  NOTHING_PUT_OFF,
  type PlateAct,
  type PlateWork,
  afterAct,
  handsFreeMs,
  isJustTold,
  nextPlateAct,
  putActOff,
  putAllOff,
} from '@kettle-scale/core/bake';
import type { Random } from '../random';

const MS_PER_S = 1000;
const TICK_MS = 250;
/** Longer than any round: what never ends is a fault. */
const LONGEST_MS = 3_600_000;

/** A round that counts by itself, and the cook before it. */
export interface CountedRound {
  pieces: number;
  places: number;
  /** Seconds of each side. */
  sidesS: readonly number[];
  /** Seconds from a word to the hand on the bread: mean and spread. */
  reaction: { meanS: number; sdS: number };
  /** Acts, by their number, at which the cook is busy with something else for so long, and then says that all is late. */
  lateAt: ReadonlyMap<number, number>;
  /** Pieces that nobody has rolled when they are called for. */
  notRolled: ReadonlySet<number>;
  /** Pieces that tear as they go on. */
  torn: ReadonlySet<number>;
  random: Random;
}

/** What came of it. */
export interface CountedOutcome {
  /** Taps of the cook: to switch it on, the first piece, each exception, the end. */
  touches: number;
  off: number;
  torn: number;
  /** Seconds that each side really lay, less what was asked for. */
  offS: number[];
  tookS: number;
}

/**
 * A cook who follows a plate that counts by itself: does what is told a moment after, is sometimes late and says so, misses a
 * disc, tears one. Touches for nothing else.
 */
export function countedRound(round: CountedRound): CountedOutcome {
  const { sidesS, reaction, random } = round;
  const by: CountedBy = {
    phases: sidesS.map((seconds, side) => ({ name: `Side ${side + 1}`, seconds, flame: false, act: '' })),
    table: [],
    coverAim: 15,
    placeC: () => 220,
    readC: () => null,
    secondsFor: () => sidesS,
    secondsOfNext: () => sidesS,
    placeCount: round.places,
    others: [],
  };
  let work: PlateWork = { onPlate: [], left: round.pieces, used: [], begun: 0 };
  let before: PlateWork = work;
  let off = NOTHING_PUT_OFF;
  let lastAct: PlateAct | null = null;
  let [nowMs, freeMs, busyUntilMs] = [0, 0, 0];
  // On, the first piece, and the end.
  let touches = 3;
  const out: CountedOutcome = { touches: 0, off: 0, torn: 0, offS: [], tookS: 0 };
  /** Since when each piece has really lain on its side, ms. */
  const real = new Map<number, number>();
  let told = 0;
  const missed = new Set<number>();

  /** The cook takes the last act back where it was told just now, and puts off what comes. */
  const press = (what: 'late' | 'skip', act: PlateAct): void => {
    touches += 1;
    if (isJustTold(lastAct, nowMs)) work = before;
    off = what === 'late' ? putAllOff(off, nowMs) : putActOff(off, act, nowMs);
    lastAct = null;
  };
  /** Hands do what was told. */
  const does = (act: PlateAct): void => {
    const reactsS = Math.max(0.3, random.normal(reaction.meanS, reaction.sdS));
    const atMs = Math.max(act.atMs, busyUntilMs) + reactsS * MS_PER_S;
    const was = real.get(act.piece);
    if (was !== undefined) out.offS.push((atMs - was) / MS_PER_S - (sidesS[act.side - 2] ?? 0));
    real.set(act.piece, atMs);
    if (act.kind === 'off') out.off += 1;
  };

  while (nowMs < LONGEST_MS) {
    const act = nextPlateAct(work, by, off, freeMs);
    if (!act) break;
    if (act.atMs > nowMs) {
      nowMs += TICK_MS;
      continue;
    }
    before = work;
    work = afterAct(work, act, by);
    lastAct = act;
    freeMs = handsFreeMs(act.atMs);
    told += 1;
    const awayS = round.lateAt.get(told);
    if (awayS !== undefined) {
      // Busy elsewhere, and back: one press, and the act is told again.
      nowMs += awayS * MS_PER_S;
      busyUntilMs = nowMs;
      press('late', act);
    } else if (act.kind === 'put' && round.notRolled.has(act.piece) && !missed.has(act.piece)) {
      missed.add(act.piece);
      press('skip', act);
    } else if (act.kind === 'put' && round.torn.has(act.piece)) {
      touches += 1;
      out.torn += 1;
      work = { ...work, onPlate: work.onPlate.filter(({ piece }) => piece !== act.piece) };
    } else does(act);
  }
  return { ...out, touches, tookS: nowMs / MS_PER_S };
}
