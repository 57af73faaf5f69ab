import { message } from '../message/message';
import { griddleFor } from '../bake/plate/kitchenRequest';
import { formulaWarnings } from '../formula/formulaWarnings';
import { kindOfBread } from '../formula/kindOfBread';
import type { ResolvedLine } from '../formula/formulaSchema';
import type { Kitchen } from '../kitchen/kitchenSchema';
import { laidOut } from './laidOut';
import type { Plan, Step } from './planSchema';
import { type RestOfDay, restConflict } from './restConflict';
import type { PlanSoFar } from './today/today';

/** Rounding a line by more than this share is worth a word to the cook. */
const ROUNDING_WORTH_SAYING = 0.02;

interface Planned {
  plan: PlanSoFar;
  lines: readonly ResolvedLine[];
  steps: readonly Step[];
  kitchen: Kitchen;
  /** As they are today. */
  rests: readonly RestOfDay[];
}

type Warnings = Plan['warnings'];

function ofWeighing({ plan: { sheet, bowlG }, kitchen }: Planned): Warnings {
  const rounded = sheet
    .filter(({ relativeError }) => Math.abs(relativeError) > ROUNDING_WORTH_SAYING)
    .map(({ name, scale, exactG, stepG, relativeError }) => ({
      path: scale === 'fine' ? 'kitchen.fineStepG' : 'kitchen.benchStepG',
      message: message(
        '{name} should be {exact}, but the scale shows steps of {step}: it will be {relativeError} {relativeError2}.',
        {
          name,
          exact: { g: exactG, stepG: 0.01 },
          step: { g: stepG, stepG },
          relativeError: { share: Math.abs(relativeError) },
          relativeError2: relativeError < 0 ? 'short' : 'over',
        },
      ),
    }));
  if (bowlG >= kitchen.bowlMinimumG) return rounded;
  return [
    ...rounded,
    {
      path: 'kitchen.bowlMinimumG',
      message: message(
        'A load of {bowl} is under the {bowlMinimum} that this bowl mixes well; mix by hand or make more.',
        { bowl: { g: bowlG }, bowlMinimum: { g: kitchen.bowlMinimumG } },
      ),
    },
  ];
}

/** A disc that does not lie on the bench it is rolled on. */
function ofBench({ plan: { rolled }, kitchen: { benchMm = Infinity } }: Planned): Warnings {
  if (rolled.diameterMm <= benchMm) return [];
  return [
    {
      path: 'formula.product.ballG',
      message: message(
        'A disc rolled to {diameter} is wider than the bench ({bench}): make smaller balls or thicker discs.',
        { diameter: { mm: rolled.diameterMm }, bench: { mm: benchMm } },
      ),
    },
  ];
}

/** A disc that does not lie on its plate. */
function ofPlate({ plan: { formula, relaxed }, kitchen }: Planned): Warnings {
  const griddle = griddleFor(formula, kitchen.griddles ?? []);
  const acrossMm = griddle ? Math.min(griddle.widthMm, griddle.depthMm) : Infinity;
  if (!griddle || relaxed.diameterMm <= acrossMm) return [];
  return [
    {
      path: 'formula.product.ballG',
      message: message(
        'A disc of {diameter} is wider than the {name} ({across}): make smaller balls or thicker discs.',
        { diameter: { mm: relaxed.diameterMm }, name: griddle.name, across: { mm: acrossMm } },
      ),
    },
  ];
}

/** The last balls wait as long as all others bake: past their latest they are slack and tear. */
function ofWaiting({ plan: { pieces }, steps, rests }: Planned): Warnings {
  const last = rests.filter(({ of }) => of === 'balls').at(-1);
  const griddleS = steps.find(({ kind }) => kind === 'griddle')?.expectedS ?? 0;
  const roomS = last ? last.latestS - last.earliestS : Infinity;
  if (griddleS <= roomS) return [];
  const atOnce = Math.floor((pieces * roomS) / griddleS);
  const split =
    atOnce >= 1
      ? message(
          '{pieces, number} batches of {atOnce, number} pieces or less hold it, begun one after the other',
          { pieces: Math.ceil(pieces / atOnce), atOnce },
        )
      : 'bake on more plates, or with more hands';
  return [
    {
      path: 'need',
      message: message(
        'Baking takes {griddle}, but the balls keep for only {room} past their earliest time: {split}.',
        { griddle: { s: griddleS }, room: { s: roomS }, split },
      ),
    },
  ];
}

/** Discs that are all made first dry while they wait. */
function ofLaidOut({ plan: { formula, pieces } }: Planned): Warnings {
  const laid = laidOut(formula, pieces);
  if (!laid || laid.atOnce >= pieces) return [];
  return [
    {
      path: 'formula.method.shaping.laidOut',
      message: message('Discs keep for {keeps} so: make {atOnce, number} at a time, then bake them.', {
        keeps: { s: laid.keepsS },
        atOnce: laid.atOnce,
      }),
    },
  ];
}

/** A dough that today needs longer than the formula lets it rest. */
const ofResting = ({ rests, plan: { formula } }: Planned): Warnings =>
  rests.flatMap((rest, index) => {
    const words = restConflict(rest, formula.product.springBack);
    return words ? [{ path: `formula.method.rests.${index}`, message: words }] : [];
  });

/** What of a plan lies outside what the trade, the scale, the bowl, the plate and the dough's rest allow, a sentence each. */
export function planWarnings(planned: Planned): Warnings {
  const { formula } = planned.plan;
  return [
    ...formulaWarnings(planned.lines, kindOfBread(formula, planned.lines)).map(({ short }) => ({
      path: 'formula.lines',
      message: short,
    })),
    ...ofWeighing(planned),
    ...ofBench(planned),
    ...ofPlate(planned),
    ...ofLaidOut(planned),
    ...ofResting(planned),
    ...ofWaiting(planned),
  ];
}
