import type { ProductStandard } from '../../formula/methodSchema';

/** Colour of a side, from raw to burnt; the middle ones are what formulas ask for. */
export const SIDE_COLOURS = ['raw', 'pale', 'light freckles', 'freckles', 'deep freckles', 'burnt'] as const;
export type SideColour = (typeof SIDE_COLOURS)[number];

/**
 * The colour that a product asks of a side, as it is judged.
 * @param product the product's words
 * @param side 0 for the first side, 1 for the second
 */
export function colourAsked({ spots, secondSpots }: ProductStandard, side: 0 | 1): SideColour {
  const asked = (side === 1 ? secondSpots : undefined) ?? spots ?? 'freckles';
  return asked === 'pale and soft' ? 'pale' : asked;
}

/** What the cook says of a piece, a tap each. */
export const COLOURS = ['pale', 'right', 'dark'] as const;
export type Colour = (typeof COLOURS)[number];
export const BITES = ['soft', 'right', 'stiff'] as const;
export type Bite = (typeof BITES)[number];

/** What was said of one piece. */
export interface PieceSeen {
  firstSide?: Colour | undefined;
  secondSide?: Colour | undefined;
  bite?: Bite | undefined;
  puffed?: boolean | undefined;
}

/**
 * What was said of each piece in the end, in the order they were first spoken of: a second tap replaces the first.
 * @param judged judgements with the number of their piece
 * @returns one a piece
 */
export function seenPieces(judged: readonly (PieceSeen & { piece: number })[]): PieceSeen[] {
  const seen = new Map<number, PieceSeen>();
  for (const { piece, firstSide, secondSide, bite, puffed } of judged) {
    const said = Object.fromEntries(
      Object.entries({ firstSide, secondSide, bite, puffed }).filter(([, value]) => value !== undefined),
    );
    seen.set(piece, { ...seen.get(piece), ...said });
  }
  return [...seen.values()];
}
