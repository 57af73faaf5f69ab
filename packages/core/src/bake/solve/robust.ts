import { type BakeRequest, turnsOnce } from './bakeRequest';
import { type Moments, momentsOf } from './moments';
import { AS_GOOD, type Lost, PIECES, type RobustTimes, THINNEST_MM, shares } from './pieceSpread';
import { type Surface, readSurface } from './responseSurface';
import { robustByScale } from './robustByScale';
import { type Spreads, evenDraws, thicknessSdMm } from './spreads';

/** First and last times that are tried, each so many, evenly. */
const TRIED = 61;
/** Pieces that are looked at for where the best times are. */
const SEARCHED = 500;

/** One piece of many: how far it is off, what its first side needs and when it must be turned. */
interface Piece {
  mm: number;
  plateC: number;
  firstErrorS: number;
  lastErrorS: number;
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
function piecesOf(
  { coloured }: Moments,
  { first }: Limits,
  meanMm: number,
  spreads: Spreads,
  count: number,
): Piece[] {
  const sdMm = thicknessSdMm(spreads, meanMm);
  return evenDraws(count).map((draw): Piece => {
    const mm = Math.max(THINNEST_MM, meanMm + draw.thickness * sdMm);
    const plateC = draw.plate * spreads.plateC;
    return {
      mm,
      plateC,
      firstErrorS: draw.first * spreads.timingS,
      lastErrorS: draw.last * spreads.timingS,
      colouredS: Math.exp(readSurface(coloured, mm, plateC)),
      firstMostS: Math.exp(readSurface(first, mm, plateC)),
    };
  });
}

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

/** What becomes of the pieces with given times, as shares of all. */
function fatesOf(moments: Moments, pieces: readonly Piece[], [firstS = 0, lastS = 0]: readonly number[]) {
  const count = { good: 0, under: 0, over: 0 };
  for (const piece of pieces) {
    const lasts = lastsOf(moments, LIMITS.sold(moments), piece, firstS);
    if (typeof lasts === 'string') count[lasts] += 1;
    else count[lastS > lasts[1] ? 'over' : lastS < lasts[0] ? 'under' : 'good'] += 1;
  }
  return shares(count, pieces.length);
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
  const near = best(
    best(tried, ({ kept }) => kept),
    ({ asked }) => asked,
  );
  const mean = (pick: (one: (typeof tried)[number]) => number) =>
    near.reduce((sum, one) => sum + pick(one), 0) / near.length;
  return [
    timeAt(
      firsts,
      mean(({ i }) => i),
    ),
    timeAt(
      lasts,
      mean(({ j }) => j),
    ),
  ];
}

/** One flip: both times are free; a response surface over thickness, plate and first time stands for the bakes. */
function* robustOneFlip(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
  aroundS: number,
): Generator<number, RobustTimes, void> {
  const meanMm = request.setup.thicknessMm;
  const moments = yield* momentsOf(request, spreads, aroundS);
  const limits = LIMITS.sold(moments);
  const steady = steadiest(moments, {
    sold: piecesOf(moments, limits, meanMm, spreads, SEARCHED),
    asked: piecesOf(moments, LIMITS.asked(moments), meanMm, spreads, SEARCHED),
  });
  const seconds = (steady ?? givenSeconds).map(Math.round);
  const pieces = piecesOf(moments, limits, meanMm, spreads, PIECES);
  const { good: share, ...lost } = fatesOf(moments, pieces, seconds);
  return {
    seconds,
    share,
    lost,
    givenSeconds: [...givenSeconds],
    givenShare: fatesOf(moments, pieces, givenSeconds).good,
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
