import { type BakeRequest, LONGEST_S, firstStages, stagesWith, turnsOnce } from './bakeRequest';
import { crossing } from '../model/crossing';
import { pastChar, pastCover } from '../model/films';
import { fatFreeMoistureOf } from '../model/outcome';
import { type Track, followFirst } from '../model/track';
import { NODES, type RobustTimes, THINNEST_MM, mostCovered, withPiece } from './pieceSpread';
import { type Surface, readSurface, surface } from './responseSurface';
import { robustByScale } from './robustByScale';
import { type Spreads, evenDraws, thicknessSdMm } from './spreads';
import { pliableFrom } from './standard';

const FIRST_FACTORS = [0.65, 0.8, 1, 1.25, 1.6] as const;
const FIRST_CANDIDATES = 41;
const LATE_S = LONGEST_S;
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

/** What is kept of a first side. */
interface FirstStep {
  timeS: number;
  gelatinised: number;
  /** How far it is past dry, past the least colour, past its char. */
  dry: number;
  puffIndex: number;
  coloured: number;
  charred: number;
}

const followPiece = ({ setup, program, standard }: BakeRequest): Track<FirstStep> => {
  const driest = pliableFrom(standard, setup.thicknessMm);
  return followFirst({ ...setup, stages: firstStages(program, LATE_S) }, (baking) => ({
    timeS: baking.timeS,
    gelatinised: baking.gelatinised,
    puffIndex: baking.puffIndex,
    dry: driest - fatFreeMoistureOf(baking.column),
    coloured: pastCover(baking.filmsA, standard.coverLeast[0]),
    charred: pastChar(baking.filmsA, standard.charMost),
  }));
};

/** What one second side needs and stands, s after the flip. */
function lastSide(
  { setup, program, standard }: BakeRequest,
  track: Track<FirstStep>,
  firstS: number,
): { doneS: number; spoiltS: number } {
  const coloured = crossing();
  const gelatinised = crossing();
  const spoilt = crossing();
  const driest = pliableFrom(standard, setup.thicknessMm);
  let puffS: number | null = standard.puffLeast > 0 ? null : 0;
  const look = (timeS: number, cooked: number, puffIndex: number, past: number) => {
    gelatinised.look(timeS, cooked - standard.gelatinised);
    if (puffS === null && puffIndex >= standard.puffLeast) puffS = timeS;
    spoilt.look(timeS, past);
  };
  track.turn(
    firstS,
    { stages: stagesWith(program, [firstS, LATE_S]) },
    {
      replay: (seen) => look(seen.timeS, seen.gelatinised, seen.puffIndex, seen.dry),
      watch: ({ timeS, stage, column, filmsB, gelatinised: cooked, puffIndex }) => {
        const dry = driest - fatFreeMoistureOf(column);
        const turned = stage > 0;
        look(timeS, cooked, puffIndex, Math.max(dry, turned ? pastChar(filmsB, standard.charMost) : -1));
        if (!turned) return 'on';
        coloured.look(timeS, pastCover(filmsB, standard.coverLeast[1]));
        return spoilt.at !== null && spoilt.at < timeS ? 'end' : 'on';
      },
    },
  );
  const done = [coloured.at, gelatinised.at, puffS].map((at) => at ?? firstS + LATE_S);
  return { doneS: Math.max(...done) - firstS, spoiltS: (spoilt.at ?? firstS + LATE_S) - firstS };
}

/** What one first side needs and stands. */
function firstMoments(track: Track<FirstStep>): { colouredS: number; charredS: number } {
  const coloured = crossing();
  const charred = crossing();
  for (const seen of track.steps(LATE_S)) {
    coloured.look(seen.timeS, seen.coloured);
    charred.look(seen.timeS, seen.charred);
    if (charred.at !== null) break;
  }
  return { colouredS: coloured.at ?? LATE_S, charredS: charred.at ?? LATE_S };
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
      const track = followPiece(piece);
      firstOf.set(`${mm}/${plateC}`, firstMoments(track));
      for (const [turned, firstS] of firsts.entries()) {
        lastOf.set(`${mm}/${plateC}/${firstS}`, lastSide(piece, track, firstS));
        yield (at * plates.length + along + (turned + 1) / firsts.length) / total;
      }
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

/**
 * The times that keep most pieces in standard, given how pieces and plate spread, and the share that given times keep.
 * Yields the share of the work done.
 * @param request the bread on its plate
 * @param spreads how pieces and plate spread
 * @param givenSeconds s by side to be compared
 * @param count pieces that are drawn
 */
export function robustTimes(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
  count = 2000,
): Generator<number, RobustTimes, void> {
  return (turnsOnce(request.program) ? robustOneFlip : robustByScale)(request, spreads, givenSeconds, count);
}
