import { escapeUTF8 } from 'entities';
import { careWords, kneadWords, mixWords } from '../formula/workWords';
import { bakePhases, beforePlate } from '../formula/bakePhases';
import { packWords } from '../formula/allergens';
import { formulaFacts } from '../formula/formulaFacts';
import type { Formula } from '../formula/formulaSchema';
import type { Ingredient } from '../ingredient/ingredientSchema';
import {
  type UnitSystem,
  formatLength,
  formatMass,
  formatPercent,
  formatSpan,
  formatTemp,
} from '../quantity/formatQuantity';

const STYLE = `
@page { size: A5; margin: 10mm }
* { box-sizing: border-box }
body { margin: 0; padding: 16px; color: #24211D; background: #fff; font: 12pt/1.35 Barlow_400Regular, "Barlow", sans-serif }
h1 { font: 600 26pt/1.05 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif; margin: 0 0 2mm }
h2 { font: 600 13pt/1.2 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif; margin: 5mm 0 1mm; border-bottom: 1px solid #24211D }
p { margin: 0 0 1mm }
table { width: 100%; border-collapse: collapse; font-variant-numeric: tabular-nums }
td, th { text-align: left; padding: 1mm 0; border-bottom: 1px dotted #5B534A; font-weight: 400 }
td:not(:first-child), th:not(:first-child) { text-align: right; white-space: nowrap }
thead th { color: #5B534A; font-size: 10pt }
tfoot td { border-bottom: 0; font-weight: 600 }
.facts { display: flex; gap: 6mm; flex-wrap: wrap }
.facts b { display: block; font: 600 16pt/1.1 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif }
.small { color: #5B534A; font-size: 10pt }
ol { margin: 1mm 0; padding-left: 5mm }
`;

export interface CardOptions {
  units?: UnitSystem;
  /** Rules for the fonts that the program ships. */
  fontCss?: string;
  title?: string;
  /** The range of each side, where the model was asked. */
  ranges?: readonly string[];
}

const escape = escapeUTF8;
const cells = (tag: 'td' | 'th', texts: readonly string[]) =>
  texts.map((text) => `<${tag}>${escape(text)}</${tag}>`).join('');

/**
 * A formula as one printable page: a whole HTML document that needs nothing from outside.
 * @param formula the formula
 * @param foods ingredients of the kitchen
 * @param options measures, fonts and the ranges of the seconds
 */
export function cardHtml(
  formula: Formula,
  foods: readonly Ingredient[],
  { units = 'metric', fontCss = '', ranges = [] }: CardOptions = {},
): string {
  const facts = formulaFacts(formula, foods);
  const { method, bake, product } = formula;
  const span = (minS: number, maxS: number) => `${formatSpan(minS)} to ${formatSpan(maxS)}`;
  const rests = (of: 'dough' | 'balls') =>
    method.rests
      .filter((rest) => rest.of === of)
      .map(
        (rest) =>
          `Rest the ${of} ${span(rest.earliestS, rest.latestS)}, ${rest.where === 'room' ? 'room' : 'fridge'}, ${rest.cover}`,
      );
  const nameOf = (id: string) => facts.lines.find(({ food }) => food.id === id)?.food.name ?? id;
  const hasFat = facts.lines.some(({ food, late }) => food.kind === 'fat' && !late);
  const steps = [
    `Mix: ${mixWords(method, hasFat)} Liquid ${formatTemp(method.liquidTempC, units)}, salt in the ${method.saltIn}, ${span(method.mix.minS, method.mix.maxS)}`,
    ...kneadWords(formula, nameOf).map((words, round) => (round === 0 ? `Knead ${words}` : words)),
    ...rests('dough'),
    `Balls of ${formatMass(product.ballG, 1, units)} ± ${formatMass(product.ballToleranceG, 1, units)}`,
    ...rests('balls'),
    `Flatten to ${formatLength(facts.rolled.diameterMm, units)}, ${formatLength(facts.rolled.thicknessMm, units)} thick${[
      method.shaping.note,
      ...beforePlate(bake),
    ]
      .filter(Boolean)
      .map((note) => `. ${note.charAt(0).toUpperCase()}${note.slice(1)}`)
      .join('')}`,
    `Plate ${formatTemp(bake.plateC, units)}: ${bakePhases(bake)
      .map(
        ({ name, seconds }, side) =>
          `${name.toLowerCase()} ${seconds} s${ranges[side] ? ` (${ranges[side]})` : ''}`,
      )
      .join(', ')}`,
    ...(bake.care ?? []).map((care) => `Plate: ${careWords(care)}`),
    ...(method.hold ? [method.hold] : []),
  ];
  const lines = facts.lines.map(({ food, fraction, note }) => [
    note ? `${food.name}, ${note}` : food.name,
    formatPercent(fraction, 1),
    formatMass(fraction * facts.flourG, fraction * facts.flourG < 100 ? 0.1 : 1, units),
  ]);
  const onBread = facts.onBread.map(({ food, gPerPiece, when, note, assumed }) => [
    `${note ? `${food.name}, ${note}` : food.name}, ${when}${assumed ? ' (usual amount)' : ''}`,
    `${formatMass(gPerPiece, 0.1, units)} a piece`,
    formatMass(gPerPiece * facts.cost.pieces, 1, units),
  ]);
  const fact = (label: string, value: string) =>
    `<div><span class="small">${escape(label)}</span><b>${escape(value)}</b></div>`;
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${escape(formula.name)}</title><style>${fontCss}${STYLE}</style></head>
<body>
<h1>${escape(formula.name)}</h1>
<p>${escape(formula.summary)}</p>
<div class="facts">${fact('Hydration', formatPercent(facts.totals.hydration, 1))}${fact('Ball', formatMass(product.ballG, 1, units))}${fact('Disc', formatLength(facts.relaxed.diameterMm, units))}${fact('Plate', formatTemp(bake.plateC, units))}</div>
<h2>Weigh</h2>
<table><thead><tr>${cells('th', ['Ingredient', 'of flour', 'weight'])}</tr></thead>
<tbody>${lines.map((line) => `<tr>${cells('td', line)}</tr>`).join('')}</tbody>
<tfoot><tr>${cells('td', ['Dough', formatPercent(facts.totals.doughPerFlour, 1), formatMass(facts.doughG, 1, units)])}</tr></tfoot></table>
${
  onBread.length === 0
    ? ''
    : `<h2>On the bread</h2>
<table><thead><tr>${cells('th', ['Ingredient', 'a piece', `for ${facts.cost.pieces}`])}</tr></thead>
<tbody>${onBread.map((line) => `<tr>${cells('td', line)}</tr>`).join('')}</tbody></table>
`
}<h2>Work</h2>
<ol>${steps.map((step) => `<li>${escape(step)}</li>`).join('')}</ol>
${product.look ? `<p>${escape(product.look)}</p>` : ''}
<h2>Contains</h2>
<p>${escape(facts.allergens.join(', ') || 'none of the listed allergens by its ingredients')}.${escape(facts.checkPacks.length > 0 ? ` Read the packs of ${packWords(facts.checkPacks)}.` : '')} Other dough is made on this bench: traces of other allergens are possible. Follow your local food code.</p>
<p class="small">Version ${formula.version}</p>
</body></html>
`;
}
