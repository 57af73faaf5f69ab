import { type PlateProperties, plateAt, plateStep } from '../model/plate';

/** A plate this near to where it is going is ready, °C, when it also moves no faster than this, °C a minute. */
const READY_WITHIN_C = 5;
export const STEADY_C_PER_MIN = 2;
const STEP_S = 1;
const LONGEST_S = 2 * 3600;
const S_PER_MIN = 60;

export interface PlateMoment {
  timeS: number;
  tempC: number;
}

/**
 * A bare plate from one temperature towards a set point, every so many seconds.
 * @param plate the plate
 * @param fromC from, °C
 * @param setC set point, °C
 * @param airC air, °C
 * @param everyS between two points, s
 * @param forS for how long, s
 * @returns temperatures by second
 */
export function warmUp(
  plate: PlateProperties,
  fromC: number,
  setC: number,
  airC: number,
  everyS: number,
  forS: number,
): PlateMoment[] {
  const state = plateAt(plate, fromC);
  const course: PlateMoment[] = [{ timeS: 0, tempC: fromC }];
  for (let timeS = STEP_S; timeS <= forS; timeS += STEP_S) {
    plateStep(plate, state, setC, airC, 0, STEP_S, false);
    if (timeS % everyS === 0) course.push({ timeS, tempC: state.underC[0]! });
  }
  return course;
}

/**
 * Seconds until a bare plate is ready: within 5 °C of its set point and moving less than 2 °C a minute.
 * Null when its power never gets it there.
 * @param plate the plate
 * @param fromC from, °C
 * @param setC set point, °C
 * @param airC air, °C
 * @returns s
 */
export function readySeconds(plate: PlateProperties, fromC: number, setC: number, airC = 25): number | null {
  const state = plateAt(plate, fromC);
  let before = fromC;
  for (let timeS = 0; timeS <= LONGEST_S; timeS += STEP_S) {
    const tempC = state.underC[0]!;
    const rate = (Math.abs(tempC - before) / STEP_S) * S_PER_MIN;
    const there = Math.abs(tempC - setC) <= READY_WITHIN_C;
    // A burner that nobody touches does not stop there: it is ready as it passes.
    if (there && (plate.fixedWM2 !== undefined || rate <= STEADY_C_PER_MIN)) return timeS;
    before = tempC;
    plateStep(plate, state, setC, airC, 0, STEP_S, false);
  }
  return null;
}
