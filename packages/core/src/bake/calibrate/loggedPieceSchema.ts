import { z } from 'zod';
import { SIDE_COLOURS } from '../live/judging';

/** A piece as it was baked and what was seen of it. */
export const loggedPieceSchema = z.strictObject({
  thicknessMm: z.number(),
  doughC: z.number(),
  /** Plate before it went on. */
  plateC: z.number(),
  seconds: z.array(z.number()).min(1),
  bubblesS: z.number().optional(),
  /** Percent of the dough. */
  weightLoss: z.number().optional(),
  firstSide: z.enum(SIDE_COLOURS).optional(),
  secondSide: z.enum(SIDE_COLOURS).optional(),
  /** L* of the spots, where someone has an instrument. */
  firstLightness: z.number().optional(),
  secondLightness: z.number().optional(),
  puffed: z.boolean().optional(),
});

export type LoggedPiece = z.infer<typeof loggedPieceSchema>;
