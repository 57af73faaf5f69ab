import { type StyleProp, StyleSheet, type TextStyle } from 'react-native';

/** Size of ordinary text in a browser that nobody has changed, px. */
const USUAL_PX = 16;
/** Text is never smaller than drawn, and no more than twice as large. */
const MOST = 2;
/** From this size on text can be read as it is, px; what is smaller grows the more. */
const LARGE_PX = 48;

/** How much larger than usual this person has set the browser's text. */
function wantedSize(): number {
  if (typeof document === 'undefined') return 1;
  const px = Number.parseFloat(getComputedStyle(document.documentElement).fontSize);
  return Math.min(MOST, Math.max(1, px / USUAL_PX || 1));
}
const WANTED = wantedSize();
/** From here on what stands side by side is put below each other. */
const ROOMY = 1.5;
export const LARGE_TEXT = WANTED >= ROOMY;

/** A length of text at the size that the reader has set, px. */
function readersPx(px: number, of = px): number {
  const share = Math.min(1, Math.max(0, (LARGE_PX - of) / (LARGE_PX - USUAL_PX)));
  return px * (1 + (WANTED - 1) * share);
}

/** A style of text at the size that the reader has set. */
export function atReadersSize(style: StyleProp<TextStyle>): StyleProp<TextStyle> {
  if (WANTED === 1) return style;
  const flat = StyleSheet.flatten(style);
  const { fontSize, lineHeight } = flat ?? {};
  if (fontSize === undefined) return style;
  return {
    ...flat,
    fontSize: readersPx(fontSize),
    ...(lineHeight === undefined ? {} : { lineHeight: readersPx(lineHeight, fontSize) }),
  };
}
