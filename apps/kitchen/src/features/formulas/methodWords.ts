import {
  type Formula,
  type FormulaFacts,
  beforePlate,
  careWords,
  kneadWords,
  mixWords,
} from '@kettle-scale/core/formula';
import { type Words, message } from '@kettle-scale/core/message';

export interface MethodStep {
  name: Words;
  text: Words;
}

const SHAPING: Record<Formula['method']['shaping']['how'], string> = {
  pin: 'Roll with a pin',
  'hot-press': 'Flatten in the hot press',
  'hand-stretch': 'Stretch by hand',
  'sheet-thin': 'Roll sheet-thin over the long pin',
};

const by = (who: 'hand' | 'machine') => (who === 'hand' ? 'by hand' : 'in the mixer');

const between = (minS: number, maxS: number): Words =>
  message('{from} to {to}', { from: { s: minS }, to: { s: maxS } });

const sentences = (words: readonly Words[]): Words =>
  message('{sentences}', { sentences: { list: words.map((one) => ({ capital: one })), glue: '. ' } });

/** The method in a cook's words, in the order of work. */
export function methodWords({
  formula,
  lines,
}: Pick<FormulaFacts, 'lines'> & { formula: Formula }): MethodStep[] {
  const { method, product, bake } = formula;
  const nameOf = (id: string) => lines.find(({ food }) => food.id === id)?.food.name ?? id;
  const hasFat = lines.some(({ food, late }) => food.kind === 'fat' && !late);
  const restStep = (of: 'dough' | 'balls') =>
    method.rests
      .filter((rest) => rest.of === of)
      .map((rest) => ({
        name: message('Rest the {of}', { of }),
        text: message('{between}, {where}, {cover}.', {
          between: between(rest.earliestS, rest.latestS),
          where: rest.where === 'room' ? 'at room temperature' : 'in the fridge',
          cover: rest.cover,
        }),
      }));
  return [
    {
      name: 'Mix',
      text: message('{mix} Liquid at {liquid}, salt in the {saltIn}. {between} {by}.', {
        mix: mixWords(method, hasFat),
        liquid: { tempC: method.liquidTempC },
        saltIn: method.saltIn,
        between: between(method.mix.minS, method.mix.maxS),
        by: by(method.mix.by),
      }),
    },
    ...kneadWords(formula, nameOf).map((text, round) => ({ name: round === 0 ? 'Knead' : 'Then', text })),
    ...restStep('dough'),
    { name: 'Divide', text: 'Weigh the dough as it is; round tight balls, seam under.' },
    ...restStep('balls'),
    {
      name: 'Flatten',
      text: sentences([
        SHAPING[method.shaping.how],
        ...beforePlate(formula.bake),
        ...(method.shaping.note ? [method.shaping.note] : []),
      ]),
    },
    ...(bake.care?.length
      ? [
          {
            name: 'The plate',
            text: message('{care}.', { care: { capital: { list: bake.care.map(careWords) } } }),
          },
        ]
      : []),
    { name: 'Good bread', text: product.look },
    { name: 'Hold', text: method.hold },
  ];
}
