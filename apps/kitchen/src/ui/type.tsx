import type { Words } from '@kettle-scale/core/message';
import { StyleSheet, type TextStyle } from 'react-native';
import { Text } from './Text';
import type { Said } from '../reader/say';
import { useColours } from './theme';
import { FONT, type Colours } from './tokens';
import { say } from '../reader/say';

type Tone = keyof Pick<
  Colours,
  'ink' | 'soot' | 'ember' | 'sage' | 'water' | 'plum' | 'onEmber' | 'onMaize' | 'onIdle'
>;

interface WordProps {
  children: Said;
  tone?: Tone;
  style?: TextStyle;
  /** Lines before the text is cut; never cut when not given. */
  lines?: number;
}

const styles = StyleSheet.create({
  title: { fontFamily: FONT.figure, fontSize: 32, lineHeight: 36 },
  heading: { fontFamily: FONT.figure, fontSize: 22, lineHeight: 26 },
  body: { fontFamily: FONT.text, fontSize: 16, lineHeight: 22 },
  strong: { fontFamily: FONT.strong, fontSize: 16, lineHeight: 22 },
  label: { fontFamily: FONT.text, fontSize: 14, lineHeight: 18 },
  figure: { fontFamily: FONT.figure, fontVariant: ['tabular-nums'] },
});

/** The name of a screen; the one level-one heading on it. */
export function Title({ children, tone = 'ink', style }: WordProps) {
  const colours = useColours();
  return (
    <Text role="heading" aria-level={1} style={[styles.title, { color: colours[tone] }, style]}>
      {children}
    </Text>
  );
}

export function Heading({ children, tone = 'ink', style }: WordProps) {
  const colours = useColours();
  return (
    <Text role="heading" aria-level={2} style={[styles.heading, { color: colours[tone] }, style]}>
      {children}
    </Text>
  );
}

const word = (base: TextStyle, fallback: Tone) =>
  function Word({ children, tone = fallback, style, lines }: WordProps) {
    const colours = useColours();
    return (
      <Text style={[base, { color: colours[tone] }, style]} {...(lines ? { numberOfLines: lines } : {})}>
        {children}
      </Text>
    );
  };

export const Body = word(styles.body, 'ink');
export const Strong = word(styles.strong, 'ink');
export const Label = word(styles.label, 'soot');

interface FigureProps {
  value: Words;
  unit?: string;
  size?: number;
  tone?: Tone;
  /** What a screen reader says instead of the bare figure. */
  label?: string;
}

/** The unit is set this much smaller than its figure. */
const UNIT_SHARE = 0.45;
const SMALLEST_UNIT_PX = 14;
/** Figures have no descenders, so their lines may stand close. */
const LINE = 1;

/** A number with its unit, in tabular numerals. Figures are the picture: give them a size. */
export function Figure({ value, unit, size = 24, tone = 'ink', label }: FigureProps) {
  const colours = useColours();
  const unitSize = size <= 32 ? size : Math.max(SMALLEST_UNIT_PX, size * UNIT_SHARE);
  return (
    <Text
      style={[styles.figure, { fontSize: size, lineHeight: Math.round(size * LINE), color: colours[tone] }]}
      {...(label ? { 'aria-label': label } : {})}
    >
      {say(value)}
      {unit ? (
        <Text
          style={[styles.figure, { fontSize: unitSize, color: colours[tone] }]}
        >{`\u00a0${say(unit)}`}</Text>
      ) : null}
    </Text>
  );
}

/** Mean width of a condensed figure, as a share of its height. */
const FIGURE_WIDTH = 0.46;
const LARGEST_PX = 130;
const LEAST_PX = 64;

/** The one figure of a working screen, as large as its width allows, readable from a metre. */
export function BigFigure({
  value,
  unit,
  tone = 'ink',
  width,
  label,
}: Omit<FigureProps, 'size'> & { width: number }) {
  const units = say(value).length + (unit ? (unit.length + 1) * UNIT_SHARE : 0);
  const size = Math.max(LEAST_PX, Math.min(LARGEST_PX, width / (units * FIGURE_WIDTH)));
  return (
    <Figure
      value={value}
      tone={tone}
      size={Math.floor(size)}
      {...(unit ? { unit } : {})}
      {...(label ? { label } : {})}
    />
  );
}
