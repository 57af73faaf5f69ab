import { type BakeRequest, programWith } from './bakeRequest';
import {
  type DrawnPiece,
  PIECES,
  type RobustTimes,
  drawPieces,
  gridOf,
  mostCovered,
  sharesOf,
  withPiece,
} from './pieceSpread';
import { type Surface, readSurface, surface } from './responseSurface';
import { scaleRange, scaledSeconds } from './solveByScale';
import type { Spreads } from './spreads';

/** A stretch that stands for never. */
const NEVER = 50;

interface Stretches {
  least: Surface;
  most: Surface;
}

/** How far the sides of pieces across the spread may be stretched. */
function* stretchesOf(given: BakeRequest, spreads: Spreads): Generator<number, Stretches, void> {
  const { thicknesses, plates, points } = gridOf({ meanMm: given.setup.thicknessMm, spreads });
  const ranges = new Map<string, { least: number; most: number }>();
  for (const { mm, plateC } of points) {
    const piece = withPiece(given, mm, plateC);
    const { least, most } = scaleRange(piece, scaledSeconds(piece, null), 'coverLeast');
    ranges.set(`${mm}/${plateC}`, { least: least ?? NEVER, most });
    yield ranges.size / points.length;
  }
  return {
    least: surface(thicknesses, plates, (mm, plateC) => Math.log(ranges.get(`${mm}/${plateC}`)!.least)),
    most: surface(thicknesses, plates, (mm, plateC) => Math.log(ranges.get(`${mm}/${plateC}`)!.most)),
  };
}

/** The stretches that suit a piece; the wrong way round where none does. */
function suiting({ least, most }: Stretches, piece: DrawnPiece, totalS: number): [number, number] {
  const { mm, plateC, firstErrorS } = piece;
  const late = 1 + firstErrorS / totalS;
  return [Math.exp(readSurface(least, mm, plateC)) / late, Math.exp(readSurface(most, mm, plateC)) / late];
}

/** Other programs: one stretch of all sides; a response surface of the range of stretches over thickness and plate. */
export function* robustByScale(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
): Generator<number, RobustTimes, void> {
  const given: BakeRequest = { ...request, program: programWith(request.program, givenSeconds) };
  const stretches = yield* stretchesOf(given, spreads);
  const totalS = givenSeconds.reduce((sum, s) => sum + s, 0);
  const pieces = drawPieces({ meanMm: request.setup.thicknessMm, spreads }, PIECES);
  const suits = pieces.map((piece) => suiting(stretches, piece, totalS));
  const keeping = (scale: number) =>
    sharesOf(suits.map(([from, to]) => (scale > to ? 'over' : scale < from ? 'under' : 'good')));
  const best = mostCovered(suits.filter(([from, to]) => from <= to));
  const seconds = givenSeconds.map((s) => Math.round(best.count > 0 ? s * best.at : s));
  // Whole seconds of several sides are no one stretch: that of them all together stands for it.
  const scale = seconds.reduce((sum, s) => sum + s, 0) / totalS;
  return {
    seconds,
    ...keeping(scale),
    givenSeconds: [...givenSeconds],
    givenShare: keeping(1).share,
    pieces: PIECES,
  };
}
