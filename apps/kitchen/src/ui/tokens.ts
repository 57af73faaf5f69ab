import type { ThemeName } from '../reader/preferences';
/** Colours, sizes and type of the product: paper for the bench, iron for the hot line. */

export interface Colours {
  /** Behind everything. */
  ground: string;
  /** Tickets. */
  surface: string;
  ink: string;
  soot: string;
  rule: string;
  /** Heat and the primary action; `onEmber` is written on it. */
  ember: string;
  onEmber: string;
  /** Resting; always a fill with ink on it. */
  maize: string;
  onMaize: string;
  /** In tolerance. */
  sage: string;
  /** Liquids. */
  water: string;
  /** Danger, lateness, allergens. */
  plum: string;
  /** Raw and baked dough in pictures. */
  dough: string;
  crust: string;
  /** A primary action that cannot be taken yet. */
  idle: string;
  onIdle: string;
}

export const PAPER: Colours = {
  ground: '#FAF5EA',
  surface: '#FFFDF8',
  ink: '#24211D',
  soot: '#5B534A',
  rule: '#DDD2BF',
  ember: '#B93A0E',
  onEmber: '#FFFDF8',
  maize: '#D99A1C',
  onMaize: '#24211D',
  sage: '#3F6F45',
  water: '#27637F',
  plum: '#8A2148',
  dough: '#F3E2BC',
  crust: '#B9782F',
  idle: '#E4D9C5',
  onIdle: '#5B534A',
};

const IRON: Colours = {
  ground: '#1D1B18',
  surface: '#2A2723',
  ink: '#F6EEDF',
  soot: '#BDB3A4',
  rule: '#4A443C',
  ember: '#EA6B37',
  onEmber: '#1D1B18',
  maize: '#E2AB3A',
  onMaize: '#1D1B18',
  sage: '#8FC297',
  water: '#82BEDB',
  plum: '#EE8FB0',
  dough: '#F3E2BC',
  crust: '#C98A42',
  idle: '#3A362F',
  onIdle: '#BDB3A4',
};

export const COLOURS: Record<ThemeName, Colours> = { paper: PAPER, iron: IRON };

/** Spacing in px, one scale for the whole app. */
export const SPACE = { xs: 4, s: 8, m: 16, l: 24, xl: 32 } as const;

/** Corners are cut square; this takes only the needle point off. */
export const CORNER = 3;

/** Least heights in px for wet hands: the one action, and everything else. */
export const TOUCH = { primary: 72, other: 52 } as const;

export const FONT = {
  text: 'Barlow_400Regular',
  strong: 'Barlow_600SemiBold',
  figure: 'BarlowCondensed_600SemiBold',
} as const;

/** From this width on there is a rail and panes instead of a bottom bar. */
export const WIDE_FROM = 900;
/** A phone on its side: lower than this and at least so wide, px; its rail and its column of acts. */
export const SIDEWAYS = { below: 480, from: 560, railPx: 76, actsPx: 240 } as const;
