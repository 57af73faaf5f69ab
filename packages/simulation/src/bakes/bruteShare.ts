import {
  type BakeRequest,
  bakeWith,
  THINNEST_MM,
  withPiece,
  type PieceDraw,
  type Spreads,
  thicknessSdMm,
  isGood,
  judge,
} from '@kettle-scale/core/bake';

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
