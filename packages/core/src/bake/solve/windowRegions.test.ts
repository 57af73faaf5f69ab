import { type BakeWindow, CODES, DEFAULT_AXES } from './window';
import { firstSideLines, windowRegions } from './windowRegions';

const COLUMNS = 48;
const ROWS = 32;
const heatsC = Array.from({ length: COLUMNS }, (_, i) => 160 + (130 * i) / (COLUMNS - 1));
const thicknessesMm = Array.from({ length: ROWS }, (_, i) => 0.8 + (4.2 * i) / (ROWS - 1));
const STEP_C = 130 / (COLUMNS - 1);
const STEP_MM = 4.2 / (ROWS - 1);

/** A made-up window: good bread in an ellipse, dry to its left, burnt to its right; `odd` places say the wrong thing. */
function ellipse(odd: readonly number[] = []): BakeWindow {
  const rooms = thicknessesMm.flatMap((mm) =>
    heatsC.map((heat) => Math.max(-1, Math.min(1, 1 - ((heat - 220) / 40) ** 2 - ((mm - 2.5) / 1.2) ** 2))),
  );
  const codeOf = (room: number, i: number) =>
    CODES.indexOf(room > 0 ? 'good' : heatsC[i % COLUMNS]! < 220 ? 'dries first' : 'burns first');
  const codes = rooms.map(codeOf);
  for (const i of odd) {
    codes[i] = codes[i] === 0 ? CODES.indexOf('burns first') : 0;
    rooms[i] = -rooms[i]!;
  }
  const firstS = codes.map((code, i) => (code === 0 ? 100 - heatsC[i % COLUMNS]! / 4 : 0));
  return {
    ...{ axes: DEFAULT_AXES, heatsC, thicknessesMm, codes, rooms, firstS },
    ...{ lastS: firstS, solved: codes.length },
  };
}

test('the edge runs where there is no room left, without stairs', () => {
  const { good } = windowRegions(ellipse());
  expect(good).toHaveLength(1);
  const ring = good[0] ?? [];
  expect(ring.length).toBeGreaterThan(40);
  for (const [heat, mm] of ring) {
    const off = Math.hypot((heat - 220) / 40, (mm - 2.5) / 1.2) - 1;
    expect(Math.abs(off)).toBeLessThan(0.06);
  }
  // Stairs turn by right angles; this outline never turns by more than a third of one between two steps.
  const turns = ring.slice(2).map((point, i) => {
    const [a, b] = [ring[i]!, ring[i + 1]!];
    const angle = (p: readonly number[], q: readonly number[]) =>
      Math.atan2((q[1]! - p[1]!) / STEP_MM, (q[0]! - p[0]!) / STEP_C);
    const turn = Math.abs(angle(b, point) - angle(a, b));
    const length = Math.hypot((b[0] - a[0]) / STEP_C, (b[1] - a[1]) / STEP_MM);
    return length < 0.2 ? 0 : Math.min(turn, 2 * Math.PI - turn);
  });
  expect(Math.max(...turns)).toBeLessThan(Math.PI / 3);
});

test('one odd place among others is no region', () => {
  const inside = 13 * COLUMNS + 22;
  const outside = 28 * COLUMNS + 5;
  const { good, troubles } = windowRegions(ellipse([inside, outside]));
  expect(good).toHaveLength(1);
  expect(troubles.map(({ code }) => code).sort()).toEqual(['burns first', 'dries first']);
  expect(troubles.every(({ rings }) => rings.length === 1)).toBe(true);
});

test('what goes wrong covers the whole picture, and every region has its word inside it', () => {
  const { troubles, words } = windowRegions(ellipse());
  const [base] = troubles[0]?.rings ?? [];
  expect(Math.min(...(base ?? []).map(([heat]) => heat))).toBeCloseTo(160 - STEP_C / 2);
  expect(Math.max(...(base ?? []).map(([, mm]) => mm))).toBeCloseTo(5 + STEP_MM / 2);
  const at = Object.fromEntries(words.map(({ code, at: place }) => [code, place]));
  expect(Math.abs((at.good?.[0] ?? 0) - 220)).toBeLessThan(20);
  expect(at['dries first']?.[0]).toBeLessThan(200);
  expect(at['burns first']?.[0]).toBeGreaterThan(240);
});

test('lines of the first side run where it takes so long, and stop at the picture’s border', () => {
  // 100 − heat / 4 = 45 s at 220 °C.
  const lines = firstSideLines(ellipse(), 45);
  expect(lines.length).toBeGreaterThan(0);
  const onBread = lines.flat().filter(([, mm]) => Math.abs(mm - 2.5) < 1);
  expect(onBread.length).toBeGreaterThan(5);
  for (const [heat] of onBread) expect(Math.abs(heat - 220)).toBeLessThan(STEP_C);
  expect(lines.flat().every(([, mm]) => mm > 0.8 && mm < 5)).toBe(true);
  expect(firstSideLines({ ...ellipse(), codes: ellipse().codes.map(() => 1) }, 45)).toEqual([]);
});
