import {
  type Formula,
  type FormulaFacts,
  beforePlate,
  careWords,
  kneadWords,
  mixWords,
} from '@kettle-scale/core/formula';
import { formatSpan } from '@kettle-scale/core/quantity';

export interface MethodStep {
  name: string;
  text: string;
}

const SHAPING: Record<Formula['method']['shaping']['how'], string> = {
  pin: 'Roll with a pin',
  'hot-press': 'Flatten in the hot press',
  'hand-stretch': 'Stretch by hand',
  'sheet-thin': 'Roll sheet-thin over the long pin',
};

const sentence = (words: string) => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;

const by = (who: 'hand' | 'machine') => (who === 'hand' ? 'by hand' : 'in the mixer');

const between = (minS: number, maxS: number) => `${formatSpan(minS)} to ${formatSpan(maxS)}`;

/** The method in a cook's words, in the order of work. */
export function methodWords(
  { formula, lines }: Pick<FormulaFacts, 'lines'> & { formula: Formula },
  temp: (tempC: number) => string,
): MethodStep[] {
  const { method, product, bake } = formula;
  const nameOf = (id: string) => lines.find(({ food }) => food.id === id)?.food.name ?? id;
  const hasFat = lines.some(({ food, late }) => food.kind === 'fat' && !late);
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
      text: `${mixWords(method, hasFat)} Liquid at ${temp(method.liquidTempC)}, salt in the ${method.saltIn}. ${between(method.mix.minS, method.mix.maxS)} ${by(method.mix.by)}.`,
    },
    ...kneadWords(formula, nameOf).map((text, round) => ({ name: round === 0 ? 'Knead' : 'Then', text })),
    ...restStep('dough'),
    { name: 'Divide', text: 'Weigh the dough as it is; round tight balls, seam under.' },
    ...restStep('balls'),
    {
      name: 'Flatten',
      text: [SHAPING[method.shaping.how], ...beforePlate(formula.bake), method.shaping.note]
        .filter(Boolean)
        .map(sentence)
        .join('. '),
    },
    ...(bake.care?.length
      ? [{ name: 'The plate', text: `${sentence(bake.care.map(careWords).join(', '))}.` }]
      : []),
    { name: 'Good bread', text: product.look },
    { name: 'Hold', text: method.hold },
  ];
}
