import { bake } from './bake';
import { type BakeRequest, LONGEST_S, bakeWith, stagesWith } from './bakeRequest';
import { crossing } from './crossing';
import { pastChar, pastCover } from './films';
import { moistureOf } from './outcome';
import { scaleRange, scaledSeconds } from './solveByScale';
import { type Surface, readSurface, surface } from './responseSurface';
import { type PieceDraw, type Spreads, evenDraws, thicknessSdMm } from './spreads';
import { isGood, judge } from './standard';

/** Times and the share of pieces that come out in standard with them. */
export interface RobustTimes {
  seconds: number[];
  share: number;
  /** With the times asked about. */
  givenSeconds: number[];
  givenShare: number;
  pieces: number;
}

/** Nodes in standard deviations; pieces beyond the last are read on from it. */
const NODES = [-2.6, -1.3, 0, 1.3, 2.6] as const;
const FIRST_FACTORS = [0.65, 0.8, 1, 1.25, 1.6] as const;
const FIRST_CANDIDATES = 41;
const LATE_S = LONGEST_S;
const THINNEST_MM = 0.3;
/** A stretch that stands for never. */
const NEVER = 50;
/** A surface of times is stored as logarithms: times fall off exponentially with heat. */
const EARLIEST_S = 0.5;
const stored = (seconds: number): number => Math.log(Math.max(EARLIEST_S, seconds));

interface Moments {
  /** Of the first side: coloured enough; charred. */
  coloured: Surface;
  charred: Surface;
  /** For each first time: last side done; last side spoilt, in seconds after the flip. */
  done: Surface[];
  spoilt: Surface[];
}

/** What one second side needs and stands, s after the flip. */
function lastSide(request: BakeRequest, firstS: number): { doneS: number; spoiltS: number } {
  const { setup, program, standard } = request;
  const coloured = crossing();
  const gelatinised = crossing();
  const spoilt = crossing();
  let cookedS: number | null = null;
  let puffS: number | null = standard.puffLeast > 0 ? null : 0;
  bake(
    { ...setup, stages: stagesWith(program, [firstS, LATE_S]) },
    {
      watch: (baking) => {
        const { timeS, stage, column } = baking;
        gelatinised.look(timeS, baking.gelatinised - standard.gelatinised);
        cookedS = baking.cookedS;
        if (puffS === null && baking.puffIndex >= standard.puffLeast) puffS = timeS;
        const dry = standard.moistureLeast - moistureOf(column);
        spoilt.look(timeS, Math.max(dry, stage > 0 ? pastChar(baking.filmsB, standard.charMost) : -1));
        if (stage === 0) return 'on';
        coloured.look(timeS, pastCover(baking.filmsB, standard.coverLeast));
        return spoilt.at !== null && spoilt.at < timeS ? 'end' : 'on';
      },
    },
  );
  const done = [coloured.at, gelatinised.at, cookedS, puffS].map((at) => at ?? firstS + LATE_S);
  return { doneS: Math.max(...done) - firstS, spoiltS: (spoilt.at ?? firstS + LATE_S) - firstS };
}

/** What one first side needs and stands. */
function firstMoments({ setup, program, standard }: BakeRequest): { colouredS: number; charredS: number } {
  const coloured = crossing();
  const charred = crossing();
  bake(
    { ...setup, stages: stagesWith(program, [LATE_S]).slice(0, 1) },
    {
      watch: ({ timeS, filmsA }) => {
        coloured.look(timeS, pastCover(filmsA, standard.coverLeast));
        charred.look(timeS, pastChar(filmsA, standard.charMost));
        return charred.at === null ? 'on' : 'end';
      },
    },
  );
  return { colouredS: coloured.at ?? LATE_S, charredS: charred.at ?? LATE_S };
}

/** The request for one piece of another thickness on another plate. */
export function withPiece(request: BakeRequest, thicknessMm: number, plateOffC: number): BakeRequest {
  const { setup } = request;
  const start = setup.startC ?? { under: setup.plateC, rest: setup.plateC };
  return {
    ...request,
    setup: {
      ...setup,
      thicknessMm,
      plateC: setup.plateC + plateOffC,
      startC: { under: start.under + plateOffC, rest: start.rest + plateOffC },
    },
  };
}

function* momentsOf(
  request: BakeRequest,
  thicknesses: readonly number[],
  plates: readonly number[],
  firsts: readonly number[],
): Generator<number, Moments, void> {
  const firstOf = new Map<string, ReturnType<typeof firstMoments>>();
  const lastOf = new Map<string, ReturnType<typeof lastSide>>();
  const total = thicknesses.length * plates.length;
  for (const [at, mm] of thicknesses.entries()) {
    for (const [along, plateC] of plates.entries()) {
      const piece = withPiece(request, mm, plateC);
      firstOf.set(`${mm}/${plateC}`, firstMoments(piece));
      for (const firstS of firsts) lastOf.set(`${mm}/${plateC}/${firstS}`, lastSide(piece, firstS));
      yield (at * plates.length + along + 1) / total;
    }
  }
  const first = (pick: (m: ReturnType<typeof firstMoments>) => number) =>
    surface(thicknesses, plates, (x, y) => stored(pick(firstOf.get(`${x}/${y}`)!)));
  const last = (pick: (m: ReturnType<typeof lastSide>) => number) =>
    firsts.map((firstS) =>
      surface(thicknesses, plates, (x, y) => stored(pick(lastOf.get(`${x}/${y}/${firstS}`)!))),
    );
  return {
    coloured: first(({ colouredS }) => colouredS),
    charred: first(({ charredS }) => charredS),
    done: last(({ doneS }) => doneS),
    spoilt: last(({ spoiltS }) => spoiltS),
  };
}

interface Piece {
  mm: number;
  plateC: number;
  firstErrorS: number;
  lastErrorS: number;
  colouredS: number;
  charredS: number;
}

/** For each piece the interval of last times that suit it, given the first time; null where the first is wrong. */
function intervals(
  moments: Moments,
  firsts: readonly number[],
  pieces: readonly Piece[],
  firstS: number,
): [number, number][] {
  const suits: [number, number][] = [];
  for (const piece of pieces) {
    const reallyS = firstS + piece.firstErrorS;
    if (reallyS < piece.colouredS || reallyS > piece.charredS) continue;
    let k = 0;
    while (k < firsts.length - 2 && reallyS > firsts[k + 1]!) k += 1;
    const w = (reallyS - firsts[k]!) / (firsts[k + 1]! - firsts[k]!);
    const between = (of: readonly Surface[]) =>
      Math.exp(
        (1 - w) * readSurface(of[k]!, piece.mm, piece.plateC) +
          w * readSurface(of[k + 1]!, piece.mm, piece.plateC),
      );
    const from = between(moments.done) - piece.lastErrorS;
    const to = between(moments.spoilt) - piece.lastErrorS;
    if (from <= to) suits.push([from, to]);
  }
  return suits;
}

/** The last time that most intervals hold, in the middle of where they do, and how many hold it. */
function mostCovered(suits: readonly [number, number][]): { at: number; count: number } {
  const ends = suits.flatMap(([from, to]): [number, number][] => [
    [from, 1],
    [to, -1],
  ]);
  ends.sort((a, b) => a[0] - b[0] || b[1] - a[1]);
  let open = 0;
  let best = { at: 0, count: 0 };
  ends.forEach(([at, change], index) => {
    open += change;
    if (open > best.count) best = { at: (at + (ends[index + 1]?.[0] ?? at)) / 2, count: open };
  });
  return best;
}

/** One flip: both times are free; a response surface over thickness, plate and first time stands for the bakes. */
function* robustOneFlip(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
  count: number,
): Generator<number, RobustTimes, void> {
  const meanMm = request.setup.thicknessMm;
  const sdMm = Math.max(1e-3, thicknessSdMm(spreads, meanMm));
  const sdC = Math.max(1e-2, spreads.plateC);
  const givenFirst = givenSeconds[0] ?? 0;
  const firsts = FIRST_FACTORS.map((factor) => factor * givenFirst);
  const moments = yield* momentsOf(
    request,
    NODES.map((z) => Math.max(THINNEST_MM, meanMm + z * sdMm)),
    NODES.map((z) => z * sdC),
    firsts,
  );
  const pieces = evenDraws(count).map((draw): Piece => {
    const mm = Math.max(THINNEST_MM, meanMm + draw.thickness * sdMm);
    const plateC = draw.plate * sdC;
    return {
      ...{ mm, plateC, firstErrorS: draw.first * spreads.timingS, lastErrorS: draw.last * spreads.timingS },
      colouredS: Math.exp(readSurface(moments.coloured, mm, plateC)),
      charredS: Math.exp(readSurface(moments.charred, mm, plateC)),
    };
  });
  const shareAt = (firstS: number, lastS: number) =>
    intervals(moments, firsts, pieces, firstS).filter(([from, to]) => lastS >= from && lastS <= to).length /
    count;
  let best = { firstS: givenFirst, at: givenSeconds[1] ?? 0, count: -1 };
  const [shortest, longest] = [firsts[0]!, firsts.at(-1)!];
  for (let i = 0; i < FIRST_CANDIDATES; i += 1) {
    const firstS = shortest + ((longest - shortest) * i) / (FIRST_CANDIDATES - 1);
    const covered = mostCovered(intervals(moments, firsts, pieces, firstS));
    if (covered.count > best.count) best = { firstS, ...covered };
  }
  return {
    seconds: [best.firstS, best.at],
    share: best.count / count,
    givenSeconds: [...givenSeconds],
    givenShare: shareAt(givenFirst, givenSeconds[1] ?? 0),
    pieces: count,
  };
}

/** Other programs: one stretch of all sides; a response surface of the range of stretches over thickness and plate. */
function* robustByScale(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
  count: number,
): Generator<number, RobustTimes, void> {
  const meanMm = request.setup.thicknessMm;
  const sdMm = Math.max(1e-3, thicknessSdMm(spreads, meanMm));
  const sdC = Math.max(1e-2, spreads.plateC);
  const thicknesses = NODES.map((z) => Math.max(THINNEST_MM, meanMm + z * sdMm));
  const plates = NODES.map((z) => z * sdC);
  const given: BakeRequest = {
    ...request,
    program: {
      ...request.program,
      sides: request.program.sides.map((side, i) => ({ ...side, seconds: givenSeconds[i] ?? side.seconds })),
    },
  };
  const ranges: { least: number; most: number }[] = [];
  for (const plateC of plates) {
    for (const mm of thicknesses) {
      const piece = withPiece(given, mm, plateC);
      const range = scaleRange(piece, scaledSeconds(piece, null), request.standard.coverLeast);
      ranges.push({ least: range.least ?? NEVER, most: range.most });
      yield ranges.length / (NODES.length * NODES.length);
    }
  }
  const of = (pick: (range: (typeof ranges)[number]) => number): Surface => ({
    xs: thicknesses,
    ys: plates,
    values: Float64Array.from(ranges, (range) => Math.log(pick(range))),
  });
  const [least, most] = [of((range) => range.least), of((range) => range.most)];
  const totalS = givenSeconds.reduce((sum, s) => sum + s, 0);
  const suits = evenDraws(count).flatMap((draw): [number, number][] => {
    const mm = Math.max(THINNEST_MM, meanMm + draw.thickness * sdMm);
    const late = 1 + (draw.first * spreads.timingS) / totalS;
    const from = Math.exp(readSurface(least, mm, draw.plate * sdC)) / late;
    const to = Math.exp(readSurface(most, mm, draw.plate * sdC)) / late;
    return from <= to ? [[from, to]] : [];
  });
  const best = mostCovered(suits);
  return {
    seconds: givenSeconds.map((s) => s * (best.count > 0 ? best.at : 1)),
    share: best.count / count,
    givenSeconds: [...givenSeconds],
    givenShare: suits.filter(([from, to]) => from <= 1 && to >= 1).length / count,
    pieces: count,
  };
}

/**
 * The times that keep most pieces in standard, given how pieces and plate spread, and the share that given times keep.
 * Yields the share of the work done.
 */
export function robustTimes(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
  count = 2000,
): Generator<number, RobustTimes, void> {
  const oneFlip = request.program.sides.length === 2 && !request.program.finish;
  return (oneFlip ? robustOneFlip : robustByScale)(request, spreads, givenSeconds, count);
}

/** The same share by baking every piece: slow, for checking and for programs that are not one flip. */
export function bruteShare(
  request: BakeRequest,
  spreads: Spreads,
  seconds: readonly number[],
  draws: readonly PieceDraw[],
): number {
  const meanMm = request.setup.thicknessMm;
  const sdMm = thicknessSdMm(spreads, meanMm);
  const last = seconds.length - 1;
  const good = draws.filter((draw) => {
    const piece = withPiece(
      request,
      Math.max(THINNEST_MM, meanMm + draw.thickness * sdMm),
      draw.plate * spreads.plateC,
    );
    const really = seconds.map((s, side) =>
      Math.max(1, s + spreads.timingS * (side === 0 ? draw.first : side === last ? draw.last : 0)),
    );
    return isGood(judge(bakeWith(piece, really), request.standard));
  });
  return good.length / draws.length;
}
