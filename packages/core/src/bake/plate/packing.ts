/** Middle of a piece on a plate, mm from its back left corner. */
export interface Place {
  xMm: number;
  yMm: number;
}

export interface PlateSize {
  shape: 'rectangle' | 'round';
  widthMm: number;
  depthMm: number;
}

const ROW_OF_HEXAGON = Math.sqrt(3) / 2;
/** Offsets of a lattice that are tried on a round plate, as shares of its spacing. */
const OFFSETS = [0, 0.25, 0.5, 0.75];
const SLACK_MM = 1e-6;

/** Rows straight above each other. */
function squareGrid(widthMm: number, depthMm: number, pitchMm: number, sizeMm: number): Place[] {
  const fits = (lengthMm: number) =>
    lengthMm + SLACK_MM < sizeMm ? 0 : Math.floor((lengthMm - sizeMm + SLACK_MM) / pitchMm) + 1;
  const [columns, rows] = [fits(widthMm), fits(depthMm)];
  const startX = (widthMm - (columns - 1) * pitchMm) / 2;
  const startY = (depthMm - (rows - 1) * pitchMm) / 2;
  return Array.from({ length: columns * rows }, (_, i) => ({
    xMm: startX + (i % columns) * pitchMm,
    yMm: startY + Math.floor(i / columns) * pitchMm,
  }));
}

/** Rows that lie in the gaps of the one before. */
function hexagonalRows(widthMm: number, depthMm: number, pitchMm: number, sizeMm: number): Place[] {
  if (widthMm + SLACK_MM < sizeMm || depthMm + SLACK_MM < sizeMm) return [];
  const rowPitch = pitchMm * ROW_OF_HEXAGON;
  const rows = Math.floor((depthMm - sizeMm + SLACK_MM) / rowPitch) + 1;
  const inLong = Math.floor((widthMm - sizeMm + SLACK_MM) / pitchMm) + 1;
  const shiftFits = widthMm + SLACK_MM >= sizeMm + (inLong - 1) * pitchMm + pitchMm / 2;
  const startY = (depthMm - (rows - 1) * rowPitch) / 2;
  const span = (inLong - 1) * pitchMm + (shiftFits ? pitchMm / 2 : 0);
  const startX = (widthMm - span) / 2;
  return Array.from({ length: rows }, (_, row) => {
    const shifted = row % 2 === 1;
    const count = shifted && !shiftFits ? inLong - 1 : inLong;
    return Array.from({ length: count }, (_, column) => ({
      xMm: startX + (shifted ? pitchMm / 2 : 0) + column * pitchMm,
      yMm: startY + row * rowPitch,
    }));
  }).flat();
}

const turned = (places: Place[]): Place[] => places.map(({ xMm, yMm }) => ({ xMm: yMm, yMm: xMm }));

/** Pieces in a ring at the rim of a round plate, and again rings in what is left inside it. */
function rings(radiusMm: number, pitchMm: number, sizeMm: number): Place[] {
  const reach = radiusMm - sizeMm / 2;
  if (reach < -SLACK_MM) return [];
  const fits = (count: number) => 2 * reach * Math.sin(Math.PI / count) + SLACK_MM >= pitchMm;
  let count = 1;
  while (fits(count + 1)) count += 1;
  if (count === 1) return [{ xMm: radiusMm, yMm: radiusMm }];
  const ring = Array.from({ length: count }, (_, i) => ({
    xMm: radiusMm + reach * Math.cos((2 * Math.PI * i) / count),
    yMm: radiusMm + reach * Math.sin((2 * Math.PI * i) / count),
  }));
  const innerMm = reach - pitchMm + sizeMm / 2;
  const inner = rings(innerMm, pitchMm, sizeMm).map(({ xMm, yMm }) => ({
    xMm: xMm + radiusMm - innerMm,
    yMm: yMm + radiusMm - innerMm,
  }));
  return [...ring, ...inner];
}

function roundLattices(radiusMm: number, pitchMm: number, sizeMm: number): Place[][] {
  const reach = radiusMm - sizeMm / 2 + SLACK_MM;
  const rowPitch = pitchMm * ROW_OF_HEXAGON;
  const rows = Math.ceil(radiusMm / rowPitch) + 1;
  return OFFSETS.flatMap((ox) =>
    OFFSETS.map((oy) => {
      const places: Place[] = [];
      for (let row = -rows; row <= rows; row += 1) {
        for (let column = -rows; column <= rows; column += 1) {
          const x = (column + ox + (row % 2 === 0 ? 0 : 0.5)) * pitchMm;
          const y = (row + oy) * rowPitch;
          if (Math.hypot(x, y) <= reach) places.push({ xMm: radiusMm + x, yMm: radiusMm + y });
        }
      }
      return places;
    }),
  );
}

const most = (ways: Place[][]): Place[] =>
  ways.reduce((best, way) => (way.length > best.length ? way : best), [] as Place[]);

/**
 * How many pieces of a size fit on a plate with a gap between them, and where: the best of a square grid and hexagonal
 * rows either way on a rectangle, of rings and hexagonal lattices on a round plate. Back row first, from the left.
 * @param plate its shape and size, mm
 * @param sizeMm piece, mm
 * @param gapMm between two pieces, mm
 * @returns centres, mm
 */
export function packPieces({ shape, widthMm, depthMm }: PlateSize, sizeMm: number, gapMm: number): Place[] {
  const pitchMm = sizeMm + gapMm;
  const places =
    shape === 'round'
      ? most([rings(widthMm / 2, pitchMm, sizeMm), ...roundLattices(widthMm / 2, pitchMm, sizeMm)])
      : most([
          squareGrid(widthMm, depthMm, pitchMm, sizeMm),
          hexagonalRows(widthMm, depthMm, pitchMm, sizeMm),
          turned(hexagonalRows(depthMm, widthMm, pitchMm, sizeMm)),
        ]);
  const row = (yMm: number) => Math.round(yMm / (pitchMm / 3));
  return [...places].sort((a, b) => row(a.yMm) - row(b.yMm) || a.xMm - b.xMm);
}
