import { escapeUTF8 } from 'entities';
import { packWords } from '../formula/allergens';
import { type Zone, formatMoment } from '../quantity/days';
import { formatSpan } from '../quantity/formatQuantity';
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
  { qrSvg, zone, fontCss = '' }: { qrSvg: string; zone: Zone; fontCss?: string },
): string {
  const { product, pieces, how, madeMs, useByMs, allergens, checkPacks, batch } = label;
  const limit = `${formatSpan(label.limitH * S_PER_H)} ${label.limitIsOwn ? 'is the kitchen’s limit' : 'is a starting figure: the kitchen has set no limit'}`;
  const text = escapeUTF8;
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>${text(product)}</title><style>${fontCss}${STYLE}</style></head>
<body><main><section>
<h1>${text(product)}</h1>
<p>${pieces} pieces, ${text(how)}</p>
<p>Made<br><b>${text(formatMoment(madeMs, zone, 'label'))}</b></p>
<p>Use by<br><b>${text(formatMoment(useByMs, zone, 'label'))}</b><br><small>${text(limit)}</small></p>
<p class="contains">Contains: <strong>${text(allergens.join(', ') || 'none of the listed allergens by its ingredients')}</strong>.${text(checkPacks.length > 0 ? ` Packs decide for ${packWords(checkPacks)}.` : '')} Traces of others are possible.</p>
<small>Follow your local food code; the person in charge decides.</small>
</section><aside>${qrSvg}<p>Batch <strong>${text(batch)}</strong></p></aside></main></body></html>
`;
}
