import { type BakeRequest, turnsOnce } from './bakeRequest';
import { type Moments, momentsOf } from './moments';
import {
  AS_GOOD,
  type DrawnPiece,
  type Fate,
  type Lost,
  PIECES,
  type RobustTimes,
  type Spreading,
  drawPieces,
  sharesOf,
} from './pieceSpread';
import { type Surface, readSurface } from './responseSurface';
import { robustByScale } from './robustByScale';
import type { Spreads } from './spreads';

/** First and last times that are tried, each so many, evenly. */
const TRIED = 61;
/** Pieces that are looked at for where the best times are. */
const SEARCHED = 500;

/** A piece, with what its first side needs and when it must be turned. */
interface Piece extends DrawnPiece {
  colouredS: number;
  firstMostS: number;
}

/** What counts as lost: what is no longer sold; or what is darker than asked as well. */
interface Limits {
  first: Surface;
  last: readonly Surface[];
}
const LIMITS: Record<'sold' | 'asked', (moments: Moments) => Limits> = {
  sold: ({ charred, spoilt }) => ({ first: charred, last: spoilt }),
  asked: ({ darkened, dark }) => ({ first: darkened, last: dark }),
};

/** Pieces as they spread. */
const piecesOf = ({ coloured }: Moments, { first }: Limits, spreading: Spreading, count: number): Piece[] =>
  drawPieces(spreading, count).map((piece) => ({
    ...piece,
    colouredS: Math.exp(readSurface(coloured, piece.mm, piece.plateC)),
    firstMostS: Math.exp(readSurface(first, piece.mm, piece.plateC)),
  }));

/** The interval of last times that suit a piece, given the first time; where the first is wrong, how. */
function lastsOf(
  { firstsS, done }: Moments,
  { last }: Limits,
  piece: Piece,
  firstS: number,
): [from: number, to: number] | Lost {
  const reallyS = firstS + piece.firstErrorS;
  if (reallyS < piece.colouredS) return 'under';
  if (reallyS > piece.firstMostS) return 'over';
  let k = 0;
  while (k < firstsS.length - 2 && reallyS > firstsS[k + 1]!) k += 1;
  const w = (reallyS - firstsS[k]!) / (firstsS[k + 1]! - firstsS[k]!);
  const between = (of: readonly Surface[]) =>
    Math.exp(
      (1 - w) * readSurface(of[k]!, piece.mm, piece.plateC) +
        w * readSurface(of[k + 1]!, piece.mm, piece.plateC),
    );
  return [between(done) - piece.lastErrorS, between(last) - piece.lastErrorS];
}

/** What becomes of a piece with given times. */
function fateOf(moments: Moments, piece: Piece, [firstS = 0, lastS = 0]: readonly number[]): Fate {
  const lasts = lastsOf(moments, LIMITS.sold(moments), piece, firstS);
  if (typeof lasts === 'string') return lasts;
  return lastS > lasts[1] ? 'over' : lastS < lasts[0] ? 'under' : 'good';
}

/** Evenly spaced times. */
interface Axis {
  from: number;
  step: number;
}
const axis = (from: number, to: number): Axis => ({ from, step: (to - from) / (TRIED - 1) });
const timeAt = ({ from, step }: Axis, index: number): number => from + index * step;

/** How many of these intervals hold each time of an axis. */
function holding(suits: readonly [number, number][], lasts: Axis): number[] {
  const changes = new Array<number>(TRIED + 1).fill(0);
  for (const [from, to] of suits) {
    const first = Math.max(0, Math.ceil((from - lasts.from) / lasts.step));
    const after = Math.min(TRIED, Math.floor((to - lasts.from) / lasts.step) + 1);
    if (after <= first) continue;
    changes[first]! += 1;
    changes[after]! -= 1;
  }
  let open = 0;
  return changes.slice(0, TRIED).map((change) => (open += change));
}

/**
 * Where most pieces are still sold; of the times that keep as many, where most are as they were asked for, in the middle of
 * those. Null where no piece bears anything.
 */
function steadiest(moments: Moments, pieces: Record<'sold' | 'asked', Piece[]>): number[] | null {
  const firsts = axis(moments.firstsS[0]!, moments.firstsS.at(-1)!);
  const suiting = (by: 'sold' | 'asked') =>
    Array.from({ length: TRIED }, (_, i) =>
      pieces[by].flatMap((piece) => {
        const lasts = lastsOf(moments, LIMITS[by](moments), piece, timeAt(firsts, i));
        return typeof lasts !== 'string' && lasts[0] <= lasts[1] ? [lasts] : [];
      }),
    );
  const sold = suiting('sold');
  const ends = sold.flat();
  if (ends.length === 0) return null;
  const lasts = axis(
    ends.reduce((least, [from]) => Math.min(least, from), Infinity),
    ends.reduce((most, [, to]) => Math.max(most, to), 0),
  );
  const askedHeld = suiting('asked').map((suits) => holding(suits, lasts));
  const tried = sold.flatMap((suits, i) =>
    holding(suits, lasts).map((kept, j) => ({ i, j, kept, asked: askedHeld[i]![j]! })),
  );
  const best = (of: typeof tried, pick: (one: (typeof tried)[number]) => number) => {
    const most = of.reduce((top, one) => Math.max(top, pick(one)), 0);
    return of.filter((one) => pick(one) >= AS_GOOD * most);
  };
  const sellable = best(tried, ({ kept }) => kept);
  const near = best(sellable, ({ asked }) => asked);
  const mean = (pick: (one: (typeof tried)[number]) => number) =>
    near.reduce((sum, one) => sum + pick(one), 0) / near.length;
  const [i, j] = [mean((one) => one.i), mean((one) => one.j)];
  return [timeAt(firsts, i), timeAt(lasts, j)];
}

/** One flip: both times are free; a response surface over thickness, plate and first time stands for the bakes. */
function* robustOneFlip(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
  aroundS: number,
): Generator<number, RobustTimes, void> {
  const spreading = { meanMm: request.setup.thicknessMm, spreads };
  const moments = yield* momentsOf(request, spreads, aroundS);
  const limits = LIMITS.sold(moments);
  const steady = steadiest(moments, {
    sold: piecesOf(moments, limits, spreading, SEARCHED),
    asked: piecesOf(moments, LIMITS.asked(moments), spreading, SEARCHED),
  });
  const seconds = (steady ?? givenSeconds).map(Math.round);
  const pieces = piecesOf(moments, limits, spreading, PIECES);
  const keeping = (times: readonly number[]) =>
    sharesOf(pieces.map((piece) => fateOf(moments, piece, times)));
  return {
    seconds,
    ...keeping(seconds),
    givenSeconds: [...givenSeconds],
    givenShare: keeping(givenSeconds).share,
    pieces: PIECES,
  };
}

/**
 * The times, in whole seconds, that keep most pieces in standard, given how pieces and plate spread, and the share that given
 * times keep. Of times that keep as many, those with which fewest are darker than asked. Yields the share of the work done.
 * @param request the bread on its plate
 * @param spreads how pieces and plate spread
 * @param givenSeconds s by side to be compared
 * @param aroundS the first side is looked for around this, s
 */
export function robustTimes(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
  aroundS = givenSeconds[0] ?? 0,
): Generator<number, RobustTimes, void> {
  return turnsOnce(request.program)
    ? robustOneFlip(request, spreads, givenSeconds, aroundS)
    : robustByScale(request, spreads, givenSeconds);
}
