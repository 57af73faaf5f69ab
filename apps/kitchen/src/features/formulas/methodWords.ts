import { type Formula, beforePlate, kneadTestWords } from '@kettle-scale/core/formula';
import { formatSpan } from '@kettle-scale/core/quantity';

export interface MethodStep {
  name: string;
  text: string;
}

const SCHOOL: Record<Formula['method']['school'], string> = {
  'hold-back': 'Dry first, then most of the liquid; the rest by feel.',
  'flour-back': 'Start wet, add flour by the handful until it is right.',
  'rubbed-in': 'Rub the fat into the flour to crumbs, then the liquid.',
  creamed: 'Work the fat soft and smooth, the dry into it, then the liquid.',
  oil: 'Whisk the fat into the liquid, then onto the flour.',
  'boiling-water': 'Boiling liquid onto the flour with a spoon; wait before hands go in.',
  milk: 'Fat through the flour, then warm milk; the rest by feel.',
  'yogurt-leavener': 'Leavener into the flour, then yogurt and liquid.',
};

const SHAPING: Record<Formula['method']['shaping']['how'], string> = {
  pin: 'Roll with a pin',
  'hot-press': 'Flatten in the hot press',
  'hand-stretch': 'Stretch by hand',
  'sheet-thin': 'Roll sheet-thin over the long pin',
};

const by = (who: 'hand' | 'machine') => (who === 'hand' ? 'by hand' : 'in the mixer');

const between = (minS: number, maxS: number) => `${formatSpan(minS)} to ${formatSpan(maxS)}`;

/** The method in a cook's words, in the order of work. */
export function methodWords(formula: Formula, temp: (tempC: number) => string): MethodStep[] {
  const { method, product } = formula;
  const restStep = (of: 'dough' | 'balls') =>
    method.rests
      .filter((rest) => rest.of === of)
      .map((rest) => ({
        name: `Rest the ${of}`,
        text: `${between(rest.earliestS, rest.latestS)}, ${rest.where === 'room' ? 'at room temperature' : 'in the fridge'}, ${rest.cover}.`,
      }));
  return [
    {
      name: 'Mix',
      text: `${SCHOOL[method.school]} Liquid at ${temp(method.liquidTempC)}, salt in the ${method.saltIn}. ${between(method.mix.minS, method.mix.maxS)} ${by(method.mix.by)}.`,
    },
    {
      name: 'Knead',
      text: `${between(method.knead.minS, method.knead.maxS)} ${by(method.knead.by)}, until ${kneadTestWords({ formula })}.`,
    },
    ...restStep('dough'),
    { name: 'Divide', text: 'Weigh the dough as it is; round tight balls, seam under.' },
    ...restStep('balls'),
    {
      name: 'Flatten',
      text: [SHAPING[method.shaping.how], ...beforePlate(formula.bake), method.shaping.note]
        .filter(Boolean)
        .map((words) => `${words.charAt(0).toUpperCase()}${words.slice(1)}`)
        .join('. '),
    },
    { name: 'Good bread', text: product.look },
    { name: 'Hold', text: method.hold },
  ];
}
