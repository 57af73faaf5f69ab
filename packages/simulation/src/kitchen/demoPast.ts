import type { Need } from '@kettle-scale/core/plan';
import type { Cook } from '../cook/simulateBatch';

const STEADY: Cook = { weighingSdSteps: 0.5, overPour: 0, rejects: 0.02 };
const HURRIED: Cook = { weighingSdSteps: 0.9, overPour: 1, rejects: 0.05 };
const BAD_SALT: Cook = { ...STEADY, rejects: 0.3, rejectedFor: ['other'], saltFactor: 1.4 };

/** The second lot came this long ago. */
const NEW_LOT_DAYS_AGO = 2;

/** A batch of the past two weeks. */
export interface Past {
  formula: string;
  daysAgo: number;
  /** Start, hours after midnight UTC. */
  hour: number;
  need: Need;
  cook: Cook;
  flourLotId?: string;
  note: string;
}

const wraps = (daysAgo: number, hour: number, pieces: number, cook: Cook, note = ''): Past => ({
  ...{ formula: 'deckhand-wrap', daysAgo, hour, cook, note },
  need: { by: 'pieces', pieces, ballG: 105 },
  flourLotId: daysAgo > NEW_LOT_DAYS_AGO ? 'quay-12' : 'quay-13',
});
const presses = (daysAgo: number, hour: number, cook: Cook, note = ''): Past => ({
  ...{ formula: 'pilot-press', daysAgo, hour, cook, note },
  need: { by: 'pieces', pieces: 60, ballG: 36 },
  flourLotId: daysAgo > NEW_LOT_DAYS_AGO ? 'quay-12' : 'quay-13',
});
const other = (
  formula: string,
  daysAgo: number,
  hour: number,
  need: Need,
  note = '',
  cook = STEADY,
): Past => ({
  ...{ formula, daysAgo, hour, need, note, cook },
});

const DRY = 'Dry week: the dough wanted more water.';

/** What was made lately, before the sailings. */
export const DEMO_PAST: readonly Past[] = [
  wraps(13, 9, 52, STEADY, DRY),
  other('lantern-round', 13, 14, { by: 'pieces', pieces: 36, ballG: 58 }),
  wraps(12, 9, 56, STEADY, DRY),
  presses(12, 14, STEADY),
  wraps(10, 9, 56, STEADY, DRY),
  other('sailcloth-sheet', 10, 15, { by: 'pieces', pieces: 20, ballG: 72 }),
  presses(9, 13.5, STEADY),
  wraps(8, 9, 56, STEADY, DRY),
  other('breakwater-thick', 8, 14, { by: 'pieces', pieces: 30, ballG: 95 }),
  wraps(
    7,
    9,
    60,
    { ...STEADY, ballSdG: 3.4, rejects: 0.1, rejectedFor: ['wrong size', 'misshapen'] },
    'Cut by eye, the scale was wanted elsewhere.',
  ),
  presses(6, 13.5, BAD_SALT, 'Tasted salty: coarse salt was measured with the spoon for fine.'),
  wraps(5, 9.25, 48, STEADY),
  other(
    'lantern-round',
    4,
    9.5,
    { by: 'pieces', pieces: 42, ballG: 58 },
    'Puffed nearly all; the two flat ones had a crease.',
  ),
  wraps(
    4,
    13,
    48,
    { ...STEADY, rejects: 0.14, rejectedFor: ['burnt'] },
    'Black spots: the plate had crept up.',
  ),
  presses(3, 14, HURRIED, 'Poured too much water, batch followed it. Extra went to the crew.'),
  wraps(3, 9, 56, { ...STEADY, lightG: 3 }),
  other('breakwater-thick', 2, 10, { by: 'flour', flourG: 2500, ballG: 95 }),
  wraps(2, 15, 40, STEADY, 'First batch of the new flour: a little stiff.'),
  presses(2, 13, STEADY),
  wraps(1, 9, 64, STEADY, 'New flour again: took more water than the plan.'),
  other('sailcloth-sheet', 1, 15.5, { by: 'pieces', pieces: 24, ballG: 72 }),
];
