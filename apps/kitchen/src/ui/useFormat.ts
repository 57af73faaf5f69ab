import {
  type Figure,
  ballFigure,
  bulkFigure,
  figureText,
  formatBulk,
  formatLength,
  formatMass,
  formatTemp,
  formatTempDifference,
  lengthFigure,
  massFigure,
  readerUnit,
  tempFigure,
  thicknessFigure,
} from '@kettle-scale/core/quantity';
import { useMemo } from 'react';
import { useUnits } from '../reader/preferences';
import { reader } from '../reader/say';

/** Writes measures the way this person reads them. */
export function useFormat() {
  const units = useUnits();
  return useMemo(() => {
    const reads = reader();
    return {
      units,
      mass: (massG: number, stepG = 1): string => formatMass(massG, stepG, reads),
      massFigure: (massG: number, stepG = 1): Figure => massFigure(massG, stepG, reads),
      /** A ball, as a bench scale of that step shows it. */
      ball: (massG: number, benchStepG: number): string => figureText(ballFigure(massG, benchStepG, reads)),
      ballFigure: (massG: number, benchStepG: number): Figure => ballFigure(massG, benchStepG, reads),
      /** Flour by the sack, dough by the bowl. */
      bulk: (massG: number): string => formatBulk(massG, reads),
      bulkFigure: (massG: number): Figure => bulkFigure(massG, reads),
      length: (mm: number): string => formatLength(mm, reads),
      lengthFigure: (mm: number): Figure => lengthFigure(mm, reads),
      thicknessFigure: (mm: number): Figure => thicknessFigure(mm, reads),
      thickness: (mm: number): string => figureText(thicknessFigure(mm, reads)),
      temp: (tempC: number): string => formatTemp(tempC, reads),
      tempDifference: (kelvin: number): string => formatTempDifference(kelvin, reads),
      /** For axes and keypads: the reader's unit of a stored one, and a stored figure in it. */
      unitOf: (stored: string): string => readerUnit(stored, units).unit,
      read: (value: number, stored: string): number => {
        const { times, plus } = readerUnit(stored, units);
        return value * times + plus;
      },
      tempFigure: (tempC: number): Figure => tempFigure(tempC, reads),
    };
  }, [units]);
}
