import { figure } from '../../reader/figures';
import { say, reader } from '../../reader/say';
import type { Explanation } from '@kettle-scale/core/message';
import { type SolvedBake, limitWords, troubleWords } from '@kettle-scale/core/bake';
import {
  type UnitSystem,
  formatTemp,
  readText,
  readerUnit,
  thicknessFigure,
} from '@kettle-scale/core/quantity';
import type { GriddleSubject } from './useGriddle';

/** Safety where the danger is: short, with what to do. */
export const CAUTIONS = {
  plate: {
    lead: 'Hot plate.',
    text: 'A puffed bread lets out steam when it is pressed or torn: lift it away from you, sleeves back.',
  },
  flame: {
    lead: 'Open flame.',
    text: 'Long tongs, hood on, nothing loose near it. Local codes and the maker’s instructions come first.',
  },
  nonStick: {
    lead: 'Coated pan.',
    text: 'Never empty at this heat and never over a bare flame: the coating gives off fumes. The maker’s instructions come first.',
  },
} as const;

const RESTS_ON =
  'An engineering estimate fitted to trade practice, and to your own pieces once you have calibrated. No bread was measured for it.';

/** Why these seconds: what went in, what ends each side, and what would change them. */
export function explainSeconds(
  subject: GriddleSubject,
  solved: SolvedBake,
  side: number,
  shown: number,
  units: UnitSystem,
): Explanation {
  const { plateC, thicknessMm, doughC, altitudeM, request, griddle } = subject;
  const { outcome } = solved;
  const thickness = thicknessFigure(thicknessMm, reader());
  return {
    title:
      side < subject.formula.bake.sides.length ? say('Side {side, number}', { side: side + 1 }) : 'Flame',
    value: `${Math.round(shown)} s`,
    equation: solved.trouble ? troubleWords(solved.trouble) : limitWords(solved),
    inputs: [
      { label: 'Plate', value: formatTemp(plateC, reader()) },
      { label: 'Thickness', value: `${thickness.value} ${thickness.unit}` },
      {
        label: 'Dough',
        value: say('{dough}, {moisture} % water', {
          dough: { tempC: doughC },
          moisture: figure(100 * request.setup.dough.moisture, 1),
        }),
      },
      {
        label: 'Water boils at',
        value: `${formatTemp(outcome.boilingC, reader())} (${readText(String(altitudeM), 'm', units)} ${readerUnit('m', units).unit})`,
      },
      {
        label: 'Bubbles show after',
        value: solved.bubblesS === null ? 'not seen' : `${figure(solved.bubblesS)} s`,
      },
      {
        label: say('Middle at {formatTemp} after', { formatTemp: { tempC: 95 } }),
        value: outcome.cookedS === null ? 'never' : `${figure(outcome.cookedS)} s`,
      },
      { label: 'Freckles, each side', value: outcome.cover.map((c) => `${figure(c)} %`).join(' / ') },
      { label: 'Water left', value: `${figure(outcome.moisture, 1)} %` },
      {
        label: 'Plate',
        value: griddle
          ? griddle.name
          : say('{formatLength} of steel (assumed)', { formatLength: { mm: 10 } }),
      },
    ],
    changes: [RESTS_ON],
  };
}
