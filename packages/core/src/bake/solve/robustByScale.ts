import { type BakeRequest, programWith } from './bakeRequest';
import { NODES, PIECES, type RobustTimes, THINNEST_MM, mostCovered, shares, withPiece } from './pieceSpread';
import { type Surface, readSurface, surface } from './responseSurface';
import { scaleRange, scaledSeconds } from './solveByScale';
import { type Spreads, evenDraws, thicknessSdMm } from './spreads';

/** A stretch that stands for never. */
const NEVER = 50;

interface Stretches {
  least: Surface;
  most: Surface;
}

/** How far the sides of pieces across the spread may be stretched. */
function* stretchesOf(given: BakeRequest, spreads: Spreads): Generator<number, Stretches, void> {
  const meanMm = given.setup.thicknessMm;
  const thicknesses = NODES.map((z) => Math.max(THINNEST_MM, meanMm + z * thicknessSdMm(spreads, meanMm)));
  const plates = NODES.map((z) => z * spreads.plateC);
  const ranges = new Map<string, { least: number; most: number }>();
  const points = plates.flatMap((plateC) => thicknesses.map((mm): [number, number] => [mm, plateC]));
  for (const [mm, plateC] of points) {
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

/** For each piece the stretches that suit it; the wrong way round where none does. */
function suiting(
  { least, most }: Stretches,
  meanMm: number,
  spreads: Spreads,
  totalS: number,
): [number, number][] {
  const sdMm = thicknessSdMm(spreads, meanMm);
  return evenDraws(PIECES).map((draw): [number, number] => {
    const mm = Math.max(THINNEST_MM, meanMm + draw.thickness * sdMm);
    const late = 1 + (draw.first * spreads.timingS) / totalS;
    const from = Math.exp(readSurface(least, mm, draw.plate * spreads.plateC)) / late;
    const to = Math.exp(readSurface(most, mm, draw.plate * spreads.plateC)) / late;
    return [from, to];
  });
}

/** Other programs: one stretch of all sides; a response surface of the range of stretches over thickness and plate. */
export function* robustByScale(
  request: BakeRequest,
  spreads: Spreads,
  givenSeconds: readonly number[],
): Generator<number, RobustTimes, void> {
  const meanMm = request.setup.thicknessMm;
  const given: BakeRequest = { ...request, program: programWith(request.program, givenSeconds) };
  const stretches = yield* stretchesOf(given, spreads);
  const totalS = givenSeconds.reduce((sum, s) => sum + s, 0);
  const suits = suiting(stretches, meanMm, spreads, totalS);
  const fatesAt = (scale: number) => {
    const fates = { good: 0, under: 0, over: 0 };
    for (const [from, to] of suits) fates[scale > to ? 'over' : scale < from ? 'under' : 'good'] += 1;
    return shares(fates, PIECES);
  };
  const best = mostCovered(suits.filter(([from, to]) => from <= to));
  const seconds = givenSeconds.map((s) => Math.round(best.count > 0 ? s * best.at : s));
  // Whole seconds of several sides are no one stretch: that of them all together stands for it.
  const { good: share, ...lost } = fatesAt(seconds.reduce((sum, s) => sum + s, 0) / totalS);
  return {
    seconds,
    share,
    lost,
    givenSeconds: [...givenSeconds],
    givenShare: fatesAt(1).good,
    pieces: PIECES,
  };
}
