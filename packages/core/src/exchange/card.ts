import { escapeUTF8 } from 'entities';
import { packWords } from '../formula/allergens';
import { formulaFacts } from '../formula/formulaFacts';
import type { Formula } from '../formula/formulaSchema';
import { methodWords } from '../formula/methodWords';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { type Words, message } from '../message/message';
import { ENGLISH, type Reader } from '../message/reader';
import { writeWords } from '../message/writeWords';

const STYLE = `
@page { size: A5; margin: 10mm }
* { box-sizing: border-box }
body { margin: 0; padding: 16px; color: #24211D; background: #fff; font: 12pt/1.35 Barlow_400Regular, "Barlow", sans-serif }
h1 { font: 600 26pt/1.05 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif; margin: 0 0 2mm }
h2 { font: 600 13pt/1.2 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif; margin: 5mm 0 1mm; border-bottom: 1px solid #24211D }
p { margin: 0 0 1mm }
table { width: 100%; border-collapse: collapse; font-variant-numeric: tabular-nums }
td, th { text-align: left; padding: 1mm 0; border-bottom: 1px dotted #5B534A; font-weight: 400 }
td:not(:first-child), th:not(:first-child) { text-align: right; white-space: nowrap; padding-left: 3mm }
thead th { color: #5B534A; font-size: 10pt }
tfoot td { border-bottom: 0; font-weight: 600 }
.facts { display: flex; gap: 6mm; flex-wrap: wrap }
.facts b { display: block; font: 600 16pt/1.1 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif }
.small { color: #5B534A; font-size: 10pt }
ol { margin: 1mm 0; padding-left: 5mm }
`;

export interface CardOptions {
  reader?: Reader;
  /** Rules for the fonts that the program ships. */
  fontCss?: string;
  title?: string;
  /** The range of each side, where the model was asked. */
  ranges?: readonly string[];
  /** That the model would have other seconds, where it would. */
  opinions?: Words | null;
}

/**
 * A formula as one printable page: a whole HTML document that needs nothing from outside.
 * @param formula the formula
 * @param foods ingredients of the kitchen
 * @param options who reads it, fonts, and what the model says of the seconds
 */
export function cardHtml(
  formula: Formula,
  foods: readonly Ingredient[],
  { reader = ENGLISH, fontCss = '', ranges = [], opinions = null }: CardOptions = {},
): string {
  const facts = formulaFacts(formula, foods);
  const { bake, product } = formula;
  const said = (words: Words): string => escapeUTF8(writeWords(words, reader));
  const cells = (tag: 'td' | 'th', texts: readonly Words[]) =>
    texts.map((text) => `<${tag}>${said(text)}</${tag}>`).join('');
  const noted = (name: string, note: string | undefined): Words =>
    note ? message('{name}, {note}', { name, note: { name: note } }) : name;
  const lines = facts.lines.map(({ food, fraction, note }): Words[] => [
    noted(food.name, note),
    { share: fraction, decimals: 1 },
    { g: fraction * facts.flourG, stepG: fraction * facts.flourG < 100 ? 0.1 : 1 },
  ]);
  const onBread = facts.onBread.map(({ food, gPerPiece, when, note, assumed, share = 1 }): Words[] => [
    message(assumed ? '{food}, {when} (usual amount)' : '{food}, {when}', {
      food: noted(food.name, note),
      when,
    }),
    share < 1
      ? message('{each} a piece, {share} of them', { each: { g: gPerPiece, stepG: 0.1 }, share: { share } })
      : message('{each} a piece', { each: { g: gPerPiece, stepG: 0.1 } }),
    { g: gPerPiece * share * facts.cost.pieces },
  ]);
  const fact = (label: string, value: Words) =>
    `<div><span class="small">${said(label)}</span><b>${said(value)}</b></div>`;
  const contains: Words =
    facts.allergens.length > 0
      ? message('{allergens}.', { allergens: { list: facts.allergens } })
      : 'None of the listed allergens by its ingredients.';
  const packs: Words[] =
    facts.checkPacks.length > 0
      ? [message('Read the packs of {packs}.', { packs: packWords(facts.checkPacks) })]
      : [];
  const allergens = [
    contains,
    ...packs,
    'Other dough is made on this bench: traces of other allergens are possible. Follow your local food code.',
  ];
  return `<!doctype html>
<html lang="${reader.locale}"><head><meta charset="utf-8"><title>${escapeUTF8(formula.name)}</title><style>${fontCss}${STYLE}</style></head>
<body>
<h1>${escapeUTF8(formula.name)}</h1>
<p>${escapeUTF8(formula.summary)}</p>
<div class="facts">${fact('Hydration', { share: facts.totals.hydration, decimals: 1 })}${fact('Ball', { g: product.ballG })}${fact('Disc', { mm: facts.relaxed.diameterMm })}${fact('Plate', { tempC: bake.plateC })}</div>
<h2>${said('Weigh')}</h2>
<table><thead><tr>${cells('th', ['Ingredient', 'of flour', 'weight'])}</tr></thead>
<tbody>${lines.map((line) => `<tr>${cells('td', line)}</tr>`).join('')}</tbody>
<tfoot><tr>${cells('td', ['Dough', { share: facts.totals.doughPerFlour, decimals: 1 }, { g: facts.doughG }])}</tr></tfoot></table>
${
  onBread.length === 0
    ? ''
    : `<h2>${said('On the bread')}</h2>
<table><thead><tr>${cells('th', ['Ingredient', 'a piece', message('for {pieces, number}', { pieces: facts.cost.pieces })])}</tr></thead>
<tbody>${onBread.map((line) => `<tr>${cells('td', line)}</tr>`).join('')}</tbody></table>
`
}<h2>${said('Work')}</h2>
<ol>${methodWords(formula, facts, ranges)
    .map(({ name, text }) => `<li><b>${said(name)}:</b> ${said(text)}</li>`)
    .join('')}</ol>
${opinions ? `<p>${said(opinions)}</p>` : ''}
<h2>${said('Contains')}</h2>
<p>${allergens.map(said).join(' ')}</p>
<p class="small">${said(message('Version {version, number}', { version: formula.version }))}</p>
</body></html>
`;
}
