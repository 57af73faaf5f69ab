import type { BakeRequest, Solution, Trouble } from './bakeRequest';
import { solveTimes } from './solve';

export const CODES = [
  'good',
  'middle stays raw',
  'never browns',
  'dries first',
  'burns first',
  'never puffs',
] as const satisfies readonly ('good' | Trouble)[];
export type WindowCode = (typeof CODES)[number];

export interface WindowAxes {
  fromC: number;
  toC: number;
  heats: number;
  fromMm: number;
  toMm: number;
  thicknesses: number;
}

export const DEFAULT_AXES: WindowAxes = {
  ...{ fromC: 160, toC: 290, heats: 48 },
  ...{ fromMm: 0.8, toMm: 5, thicknesses: 32 },
};

/** The heat × thickness picture, row by row of thickness, from thin to thick. */
export interface BakeWindow {
  axes: WindowAxes;
  heatsC: number[];
  thicknessesMm: number[];
  /** Index into CODES. */
  codes: number[];
  /** Seconds of the first side, and the least of the last; 0 where no good bread is. */
  firstS: number[];
  lastS: number[];
  /** How far from its nearest limit the bread is when it is done, −1 to 1; above 0 it is good. */
  rooms: number[];
  /** How many places were solved; the rest lies between places of one kind. */
  solved: number;
}

const GOOD = 0;
/** A solved place is at least this far from the edge. */
const LEAST_ROOM = 0.02;
const BLOCK = 4;
const BLOCKS = [4, 2, 1] as const;

const spaced = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

/** The room of a place on the side that it lies on: a place on an edge is not drawn on the other side of it. */
function roomOf({ good, room }: Solution): number {
  const far = good ? 1 : -1;
  const within = Math.min(1, Math.max(-1, room ?? far));
  return good ? Math.max(LEAST_ROOM, within) : Math.min(-LEAST_ROOM, within);
}

/** Corners of blocks of a size; the last index is always one. */
function corners(count: number, block: number): number[] {
  const at = [];
  for (let i = 0; i < count - 1; i += block) at.push(i);
  return [...at, count - 1];
}

interface Sheet extends BakeWindow {
  known: boolean[];
}

const EARLIEST_S = 0.5;
const stored = (seconds: number): number => Math.log(Math.max(EARLIEST_S, seconds));

/** Fills a block from its corners: times between them; of several kinds of no good bread the nearest. */
function fill(
  { codes, firstS, lastS, rooms, known, heatsC }: Sheet,
  c0: number,
  c1: number,
  r0: number,
  r1: number,
): void {
  const width = heatsC.length;
  const corner = (near: number, from: number, to: number) => (2 * near < from + to ? from : to);
  for (let r = r0; r <= r1; r += 1) {
    for (let c = c0; c <= c1; c += 1) {
      const i = r * width + c;
      if (known[i]) continue;
      const [u, v] = [(c - c0) / (c1 - c0), r1 === r0 ? 0 : (r - r0) / (r1 - r0)];
      const between = (of: number[], as: (value: number) => number = (value) => value) =>
        (1 - v) * ((1 - u) * as(of[r0 * width + c0]!) + u * as(of[r0 * width + c1]!)) +
        v * ((1 - u) * as(of[r1 * width + c0]!) + u * as(of[r1 * width + c1]!));
      codes[i] = codes[corner(r, r0, r1) * width + corner(c, c0, c1)]!;
      // Times fall off exponentially with heat.
      firstS[i] = Math.exp(between(firstS, stored));
      lastS[i] = Math.exp(between(lastS, stored));
      rooms[i] = between(rooms);
    }
  }
}

/**
 * Computes the window. It solves the corners of blocks of 4 × 4 places, then halves every block that an edge of the
 * good bread runs through, and fills the others between their corners. Yields the share done, 0 to 1, so that a worker can tell and stop.
 * @param request the bread on its plate
 * @param axes heats, °C, and thicknesses, mm
 */
export function* computeWindow(
  request: BakeRequest,
  axes: WindowAxes = DEFAULT_AXES,
): Generator<number, BakeWindow, void> {
  const heatsC = spaced(axes.fromC, axes.toC, axes.heats);
  const thicknessesMm = spaced(axes.fromMm, axes.toMm, axes.thicknesses);
  const places = axes.heats * axes.thicknesses;
  const sheet: Sheet = {
    axes,
    heatsC,
    thicknessesMm,
    codes: new Array<number>(places).fill(0),
    firstS: new Array<number>(places).fill(0),
    lastS: new Array<number>(places).fill(0),
    rooms: new Array<number>(places).fill(0),
    known: new Array<boolean>(places).fill(false),
    solved: 0,
  };
  const solveAt = (c: number, r: number) => {
    const i = r * axes.heats + c;
    if (sheet.known[i]) return false;
    const plateC = heatsC[c]!;
    const solution = solveTimes(
      { ...request, setup: { ...request.setup, plateC, startC: undefined, thicknessMm: thicknessesMm[r]! } },
      true,
    );
    sheet.known[i] = true;
    sheet.solved += 1;
    sheet.codes[i] = CODES.indexOf(solution.trouble ?? 'good');
    sheet.rooms[i] = roomOf(solution);
    if (solution.good) {
      sheet.firstS[i] = solution.least[0] ?? 0;
      sheet.lastS[i] = solution.least.at(-1) ?? 0;
    }
    return true;
  };
  let open: [number, number, number, number][] = [];
  const columns = corners(axes.heats, BLOCK);
  const rows = corners(axes.thicknesses, BLOCK);
  for (let r = 1; r < rows.length; r += 1) {
    for (let c = 1; c < columns.length; c += 1)
      open.push([columns[c - 1]!, columns[c]!, rows[r - 1]!, rows[r]!]);
  }
  for (const [level] of BLOCKS.entries()) {
    const next: typeof open = [];
    for (const [at, [c0, c1, r0, r1]] of open.entries()) {
      const ends: [number, number][] = [
        ...([
          [c0, r0],
          [c1, r0],
          [c0, r1],
          [c1, r1],
        ] as [number, number][]),
      ];
      for (const [c, r] of ends) if (solveAt(c, r)) yield (level + at / open.length) / BLOCKS.length;
      const good = ends.filter(([c, r]) => sheet.codes[r * axes.heats + c] === GOOD).length;
      if (good === 0 || good === ends.length) fill(sheet, c0, c1, r0, r1);
      else if (c1 - c0 > 1 || r1 - r0 > 1) next.push(...quarters(c0, c1, r0, r1));
    }
    open = next;
  }
  // Blocks of the finest size have been solved corner by corner.
  for (const [c0, c1, r0, r1] of open) {
    for (const c of [c0, c1]) for (const r of [r0, r1]) solveAt(c, r);
  }
  const { known: _known, ...window } = sheet;
  return window;
}

function quarters(c0: number, c1: number, r0: number, r1: number): [number, number, number, number][] {
  const middle = (from: number, to: number) => (to - from > 1 ? (from + to) >> 1 : to);
  const cm = middle(c0, c1);
  const rm = middle(r0, r1);
  const across: [number, number][] =
    cm < c1
      ? [
          [c0, cm],
          [cm, c1],
        ]
      : [[c0, c1]];
  const down: [number, number][] =
    rm < r1
      ? [
          [r0, rm],
          [rm, r1],
        ]
      : [[r0, r1]];
  return across.flatMap(([ca, cb]) =>
    down.map(([ra, rb]): [number, number, number, number] => [ca, cb, ra, rb]),
  );
}

/**
 * Runs a generator of progress to its end.
 * @param steps the work
 * @returns its result
 */
export function finish<R>(steps: Generator<unknown, R, void>): R {
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}
