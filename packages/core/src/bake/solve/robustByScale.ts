import { type BakeRequest, programWith } from './bakeRequest';
import { NODES, type RobustTimes, THINNEST_MM, mostCovered, withPiece } from './pieceSpread';
import { type Surface, readSurface } from './responseSurface';
import { scaleRange, scaledSeconds } from './solveByScale';
import { type Spreads, evenDraws, thicknessSdMm } from './spreads';

/** A stretch that stands for never. */
const NEVER = 50;

/** Other programs: one stretch of all sides; a response surface of the range of stretches over thickness and plate. */
export function* robustByScale(
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
  const given: BakeRequest = { ...request, program: programWith(request.program, givenSeconds) };
  const ranges: { least: number; most: number }[] = [];
  for (const plateC of plates) {
    for (const mm of thicknesses) {
      const piece = withPiece(given, mm, plateC);
      const range = scaleRange(piece, scaledSeconds(piece, null), 'coverLeast');
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
