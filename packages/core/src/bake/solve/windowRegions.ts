import { blur2 } from 'd3-array';
import { contours } from 'd3-contour';
import { type BakeWindow, CODES, type WindowCode } from './window';

/** A point of the picture: heat in °C, thickness in mm. */
export type WindowPoint = [plateC: number, thicknessMm: number];
export type Ring = WindowPoint[];

export interface WindowRegions {
  /** Edges of the good bread, where it just meets its nearest limit. */
  good: Ring[];
  /** What goes wrong elsewhere: the first covers everything, the others lie on it, the good bread on top of all. */
  troubles: { code: WindowCode; rings: Ring[] }[];
  /** The place of each region that is farthest from its edges, for its word; none where a region is a sliver. */
  words: { code: WindowCode; at: WindowPoint }[];
}

const GOOD = 0;
/** One odd place between others is chance of the solver; so far is looked around, in places. */
const BLUR = { edge: 0.75, kind: 1 } as const;
const HALF = 0.5;
/** A region that is nowhere wider than this has no room for a word, in places. */
const LEAST_ROOM = 2;

interface Grid {
  columns: number;
  rows: number;
}

const neighbours = (i: number, { columns, rows }: Grid): number[] => {
  const [c, r] = [i % columns, Math.floor(i / columns)];
  return [
    ...(c > 0 ? [i - 1] : []),
    ...(c < columns - 1 ? [i + 1] : []),
    ...(r > 0 ? [i - columns] : []),
    ...(r < rows - 1 ? [i + columns] : []),
  ];
};

/** Steps from each place to the nearest of `sources`, and which source that is. */
function nearestOf(sources: readonly number[], grid: Grid): { steps: number[]; source: number[] } {
  const count = grid.columns * grid.rows;
  const steps = new Array<number>(count).fill(Infinity);
  const source = new Array<number>(count).fill(-1);
  for (const i of sources) {
    steps[i] = 0;
    source[i] = i;
  }
  const queue = [...sources];
  for (let head = 0; head < queue.length; head += 1) {
    const i = queue[head]!;
    for (const next of neighbours(i, grid)) {
      if (steps[next] !== Infinity) continue;
      steps[next] = steps[i]! + 1;
      source[next] = source[i]!;
      queue.push(next);
    }
  }
  return { steps, source };
}

const placesWhere = (count: number, is: (i: number) => boolean): number[] =>
  Array.from({ length: count }, (_, i) => i).filter(is);

/** A field goes on as it ends for so many places beyond the picture, so that outlines do not cut its corners. */
const BEYOND = 2;

/** Contours of a field in the picture's own units; they end at its border. */
function contourOf(
  field: Float64Array,
  level: number,
  blur: number,
  { heatsC, thicknessesMm }: BakeWindow,
): Ring[] {
  const [columns, rows] = [heatsC.length, thicknessesMm.length];
  const [width, height] = [columns + 2 * BEYOND, rows + 2 * BEYOND];
  const within = (at: number, count: number) => Math.min(count - 1, Math.max(0, at - BEYOND));
  const wide = Float64Array.from({ length: width * height }, (_, i) => {
    const [c, r] = [within(i % width, columns), within(Math.floor(i / width), rows)];
    return field[r * columns + c]!;
  });
  const { data } = blur2({ data: wide, width, height }, blur);
  const along = (values: readonly number[], at: number): number => {
    const place = Math.min(values.length - HALF, Math.max(-HALF, at - BEYOND - HALF));
    return values[0]! + place * step(values);
  };
  const { coordinates } = contours().size([width, height]).smooth(true).contour(Array.from(data), level);
  return coordinates
    .flat()
    .map((ring) => ring.map(([x = 0, y = 0]): WindowPoint => [along(heatsC, x), along(thicknessesMm, y)]));
}

/**
 * The regions of a heat × thickness window as smooth outlines. The edge of the good bread runs where the room that is left
 * to its nearest limit is nothing, found between the places that were solved; the others run half way between theirs.
 * @param window a computed window
 * @returns outlines in °C and mm
 */
export function windowRegions(window: BakeWindow): WindowRegions {
  const { codes, rooms, heatsC, thicknessesMm } = window;
  const grid = { columns: heatsC.length, rows: thicknessesMm.length };
  const count = codes.length;
  const good = contourOf(Float64Array.from(rooms), 0, BLUR.edge, window);
  const bad = placesWhere(count, (i) => codes[i] !== GOOD);
  // Below the good bread what goes wrong goes on as it does beside it, so that no gap is left along its edge.
  const { source } = nearestOf(bad, grid);
  const owner = source.map((i) => codes[i] ?? GOOD);
  const sizes = CODES.map((_, code) => owner.filter((one) => one === code).length);
  const kinds = CODES.map((_, code) => code)
    .filter((code) => code !== GOOD && sizes[code]! > 0)
    .sort((a, b) => sizes[b]! - sizes[a]!);
  const whole: Ring = [
    [heatsC[0]! - HALF * step(heatsC), thicknessesMm[0]! - HALF * step(thicknessesMm)],
    [heatsC.at(-1)! + HALF * step(heatsC), thicknessesMm[0]! - HALF * step(thicknessesMm)],
    [heatsC.at(-1)! + HALF * step(heatsC), thicknessesMm.at(-1)! + HALF * step(thicknessesMm)],
    [heatsC[0]! - HALF * step(heatsC), thicknessesMm.at(-1)! + HALF * step(thicknessesMm)],
  ];
  const troubles = kinds.map((code, index) => ({
    code: CODES[code]!,
    rings:
      index === 0
        ? [whole]
        : contourOf(
            Float64Array.from(owner, (one) => (one === code ? 1 : 0)),
            HALF,
            BLUR.kind,
            window,
          ),
  }));
  const words = [GOOD, ...kinds].flatMap((code) => {
    const others = placesWhere(count, (i) => codes[i] !== code || isBorder(i, grid));
    const { steps } = nearestOf(others, grid);
    const widest = steps.reduce(
      (best, one, i) => (one !== Infinity && one > (steps[best] ?? 0) ? i : best),
      0,
    );
    if ((steps[widest] ?? 0) < LEAST_ROOM) return [];
    const at: WindowPoint = [
      heatsC[widest % grid.columns]!,
      thicknessesMm[Math.floor(widest / grid.columns)]!,
    ];
    return [{ code: CODES[code]!, at }];
  });
  return { good, troubles, words };
}

const step = (values: readonly number[]): number => (values[1] ?? 1) - (values[0] ?? 0);

const isBorder = (i: number, { columns, rows }: Grid): boolean => {
  const [c, r] = [i % columns, Math.floor(i / columns)];
  return c === 0 || r === 0 || c === columns - 1 || r === rows - 1;
};

/**
 * Lines along which the first side takes so many seconds, over the whole picture; only what lies on good bread means
 * anything. Open at the picture's borders.
 * @param window a computed window
 * @param seconds first side, s
 * @returns points in °C and mm
 */
export function firstSideLines(window: BakeWindow, seconds: number): WindowPoint[][] {
  const { codes, firstS, heatsC, thicknessesMm } = window;
  const good = placesWhere(codes.length, (i) => codes[i] === GOOD);
  if (good.length === 0) return [];
  const { source } = nearestOf(good, { columns: heatsC.length, rows: thicknessesMm.length });
  const everywhere = Float64Array.from(source, (i) => firstS[i] ?? 0);
  const [lowC, highC] = [heatsC[0]!, heatsC.at(-1)!];
  const [lowMm, highMm] = [thicknessesMm[0]!, thicknessesMm.at(-1)!];
  const inside = ([plateC, mm]: WindowPoint) => plateC > lowC && plateC < highC && mm > lowMm && mm < highMm;
  return contourOf(everywhere, seconds, BLUR.edge, window).flatMap((ring) => openParts(ring, inside));
}

/** The stretches of a ring that lie inside. */
function openParts(ring: Ring, inside: (point: WindowPoint) => boolean): WindowPoint[][] {
  const parts: WindowPoint[][] = [[]];
  for (const point of ring) {
    if (inside(point)) parts.at(-1)!.push(point);
    else if (parts.at(-1)!.length > 0) parts.push([]);
  }
  // A ring that begins inside ends where it began.
  const [first, last] = [parts[0]!, parts.at(-1)!];
  if (parts.length > 1 && ring.length > 0 && inside(ring[0]!) && inside(ring.at(-1)!)) {
    parts[0] = [...last, ...first];
    parts.pop();
  }
  return parts.filter((part) => part.length > 1);
}
