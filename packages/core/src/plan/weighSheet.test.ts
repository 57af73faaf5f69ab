import fc from 'fast-check';
import { resolveLines } from '../formula/resolveLines';
import { CATALOGUE } from '../ingredient/catalogue';
import { sumG } from '../quantity/roundToStep';
import { formula, kitchen } from '../test/examples';
import { type Ceiling, scaleFor, weighSheet } from './weighSheet';

const lines = resolveLines(formula, CATALOGUE);
const total = (sheet: ReturnType<typeof weighSheet>) => sumG(sheet.map(({ massG }) => massG));
const line = (id: string) => {
  const found = lines.find((l) => l.id === id);
  if (!found) throw new Error(id);
  return found;
};

describe('which scale', () => {
  test('salt and leaveners go on the fine scale, the rest on the bench scale where that reads them well enough', () => {
    expect(scaleFor(line('salt'), 60, kitchen)).toEqual({ scale: 'fine', stepG: 0.1 });
    expect(scaleFor(line('water'), 600, kitchen)).toEqual({ scale: 'bench', stepG: 5 });
    // Half a step of 5 g is 4 % of 60 g.
    expect(scaleFor(line('water'), 60, kitchen)).toEqual({ scale: 'fine', stepG: 0.1 });
  });

  test('salt that the fine scale cannot carry goes on the bench scale', () => {
    expect(scaleFor(line('salt'), 500, kitchen).scale).toBe('fine');
    expect(scaleFor(line('salt'), 500.1, kitchen).scale).toBe('bench');
  });
});

describe('ceilings', () => {
  const everything = (maxG: number): Ceiling => ({ covers: () => true, maxG });
  const flours = (maxG: number): Ceiling => ({ covers: ({ food }) => food.kind === 'flour', maxG });

  test('the line that gained most from rounding gives the step back', () => {
    // Exact: 702.1 and 300.9 of flour; both round up to 705 and 300, and only the first gained.
    const free = weighSheet(lines, 1003, kitchen);
    expect(free.slice(0, 2).map(({ massG }) => massG)).toEqual([700, 300]);
    const up = weighSheet(lines, 1004, kitchen);
    expect(up.slice(0, 2).map(({ massG }) => massG)).toEqual([705, 300]);
    const held = weighSheet(lines, 1004, kitchen, [flours(1004)]);
    expect(held.slice(0, 2).map(({ massG }) => massG)).toEqual([700, 300]);
  });

  test('never broken, and never undercut by more than a step of each line', () => {
    fc.assert(
      fc.property(fc.double({ min: 300, max: 20_000, noNaN: true }), (flourG) => {
        const exactG = flourG * lines.reduce((sum, { fraction }) => sum + fraction, 0);
        const sheet = weighSheet(lines, flourG, kitchen, [flours(flourG), everything(exactG)]);
        expect(total(sheet)).toBeLessThanOrEqual(exactG + 1e-6);
        expect(total(sheet)).toBeGreaterThan(exactG - sheet.reduce((sum, { stepG }) => sum + stepG, 0));
        for (const { massG, exactG: lineG, stepG } of sheet)
          expect(Math.abs(massG - lineG)).toBeLessThan(2 * stepG);
      }),
    );
  });

  test('a ceiling below one step empties the line rather than looping', () => {
    expect(total(weighSheet(lines, 1000, kitchen, [everything(0)]))).toBe(0);
  });
});

test('masses are multiples of the step their scale shows', () => {
  fc.assert(
    fc.property(fc.double({ min: 10, max: 50_000, noNaN: true }), (flourG) => {
      for (const { massG, stepG } of weighSheet(lines, flourG, kitchen)) {
        expect(Math.abs(massG / stepG - Math.round(massG / stepG))).toBeLessThan(1e-6);
      }
    }),
  );
});

test('the percentages on the sheet are those of the masses on the sheet', () => {
  const sheet = weighSheet(lines, 777, kitchen);
  const flourG = sumG(sheet.filter(({ kind }) => kind === 'flour').map(({ massG }) => massG));
  for (const { massG, weighedFraction } of sheet) expect(weighedFraction).toBeCloseTo(massG / flourG, 12);
});
