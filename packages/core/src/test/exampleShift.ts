import type { LineBread, Shift, Wave } from '../shift/shiftSchema';

/** Seconds from midnight. */
export const clockS = (hours: number, minutes = 0): number => hours * 3600 + minutes * 60;

/** A wave told in hours and minutes. */
const wave = (
  opens: [number, number],
  peak: [number, number],
  closes: [number, number],
  pieces: number,
): Wave => ({
  opens: clockS(...opens),
  peak: clockS(...peak),
  closes: clockS(...closes),
  pieces,
});

const OTHER = { loss: 0.015, loadS: 60, mixS: 240, waitPerMin: 0.1 };

const BREADS: LineBread[] = [
  {
    ...{ ...OTHER, id: 'wrap', ballG: 105, rejectShare: 0.03, weighS: 150, kneadS: 360, divideS: 8 },
    ...{ rest1: [1200, 3600], rest2: [1200, 5400], rollS: 24, sidesS: [20, 15], heatS: 11, heat: 'hot' },
    ...{ ahead: 4, holdS: 7200, cu: 3.2, co: 0.55 },
    waves: [
      wave([11, 0], [11, 30], [11, 45], 60),
      wave([11, 50], [12, 35], [12, 50], 75),
      wave([13, 0], [13, 40], [14, 0], 45),
    ],
  },
  {
    ...{ ...OTHER, id: 'round', ballG: 60, rejectShare: 0.05, weighS: 110, kneadS: 300, divideS: 7 },
    ...{ rest1: [1500, 5400], rest2: [900, 5400], rollS: 20, sidesS: [31, 26], heatS: 8, heat: 'hot' },
    ...{ ahead: 5, holdS: 7200, cu: 2, co: 0.3 },
    waves: [
      wave([11, 0], [11, 25], [11, 45], 40),
      wave([11, 50], [12, 30], [12, 50], 50),
      wave([13, 0], [13, 35], [14, 0], 40),
    ],
  },
  {
    ...{ ...OTHER, id: 'thick', ballG: 95, rejectShare: 0.04, weighS: 170, kneadS: 180, divideS: 9 },
    ...{ rest1: [1800, 5400], rest2: [900, 3600], rollS: 18, sidesS: [59, 45], heatS: 14, heat: 'mild' },
    ...{ ahead: 4, holdS: 5400, cu: 2.6, co: 0.5 },
    waves: [
      wave([11, 0], [11, 30], [11, 45], 20),
      wave([11, 50], [12, 35], [12, 50], 30),
      wave([13, 0], [13, 40], [14, 0], 25),
    ],
  },
];

/** A lunch of three breads in three waves, with a cook, a helper, a mixer and a plate. */
export const LUNCH: Shift = {
  ...{ opens: clockS(8), serviceFrom: clockS(11), serviceTo: clockS(14), ends: clockS(14, 30) },
  ...{ dayK: 40, changeCost: 0.2, leftAtClose: 'thrown out' },
  people: [
    { id: 'cook', can: ['weigh', 'load', 'knead', 'divide', 'roll', 'bake'] },
    { id: 'helper', can: ['weigh', 'load', 'divide', 'roll', 'bake'] },
  ],
  mixers: [{ id: 'mixer', minG: 1500, maxG: 12_000 }],
  plates: [{ id: 'plate', places: 9, preheatS: 1080, changeS: { 'hot>mild': 420, 'mild>hot': 300 } }],
  breads: BREADS,
};
