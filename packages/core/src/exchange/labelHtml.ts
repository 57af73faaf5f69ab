import { escapeUTF8 } from 'entities';
import { packWords } from '../formula/allergens';
import { type Words, message } from '../message/message';
import { ENGLISH, type Reader } from '../message/reader';
import { writeWords } from '../message/writeWords';
import type { Zone } from '../quantity/days';
import type { BreadLabel } from '../log/breadLabel';

const S_PER_H = 3600;

const STYLE = `
@page { size: 100mm 62mm; margin: 3mm }
* { box-sizing: border-box }
body { margin: 0; padding: 10px; color: #24211D; background: #fff; font: 10pt/1.25 Barlow_400Regular, "Barlow", sans-serif }
h1 { font: 600 20pt/1 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif; margin: 0 0 1mm }
main { display: flex; gap: 4mm; width: 94mm; max-width: 100%; border: 1px solid #24211D; padding: 3mm }
section { flex: 1; min-width: 0 }
b { font: 600 15pt/1.1 BarlowCondensed_600SemiBold, "Barlow Condensed", sans-serif; font-variant-numeric: tabular-nums }
p { margin: 0 0 1mm }
aside { width: 26mm; text-align: center }
aside svg { width: 26mm; height: 26mm; display: block }
.contains { border-top: 1px solid #24211D; padding-top: 1mm; margin-top: 1mm }
small { font-size: 8pt }
`;

/**
 * A label as one printable page: a whole HTML document that needs nothing from outside.
 * @param zone the kitchen's time zone: a label is read by its clock
 * @param qrSvg the address of the record as a drawing; made by the caller, trusted as it is
 */
export function labelHtml(
  label: BreadLabel,
  {
    qrSvg,
    zone,
    fontCss = '',
    reader = ENGLISH,
  }: { qrSvg: string; zone: Zone; fontCss?: string; reader?: Reader },
): string {
  const { product, pieces, how, madeMs, useByMs, allergens, checkPacks, batch } = label;
  const said = (words: Words): string => escapeUTF8(writeWords(words, reader));
  const moment = (ms: number) => said({ ms, zone, style: 'label' });
  const span = { s: label.limitH * S_PER_H };
  const limit = label.limitIsOwn
    ? message('{span} is the kitchen’s limit', { span })
    : message('{span} is a default value: the kitchen has set no limit', { span });
  const packs: Words[] =
    checkPacks.length > 0 ? [message('Packs decide for {packs}.', { packs: packWords(checkPacks) })] : [];
  const contains =
    allergens.length > 0 ? { list: allergens } : 'none of the listed allergens by its ingredients';
  return `<!doctype html>
<html lang="${reader.locale}"><head><meta charset="utf-8"><title>${escapeUTF8(product)}</title><style>${fontCss}${STYLE}</style></head>
<body><main><section>
<h1>${escapeUTF8(product)}</h1>
<p>${said(message('{pieces, plural, one {# piece} other {# pieces}}, {how}', { pieces, how }))}</p>
<p>${said('Made')}<br><b>${moment(madeMs)}</b></p>
<p>${said('Use by')}<br><b>${moment(useByMs)}</b><br><small>${said(limit)}</small></p>
<p class="contains">${said('Contains:')} <strong>${said(message('{contains}', { contains }))}</strong>. ${[...packs, 'Traces of others are possible.'].map(said).join(' ')}</p>
<small>${said('Follow your local food code; the person in charge decides.')}</small>
</section><aside>${qrSvg}<p>${said('Batch')} <strong>${escapeUTF8(batch)}</strong></p></aside></main></body></html>
`;
}
