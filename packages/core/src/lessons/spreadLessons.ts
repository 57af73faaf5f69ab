import { message } from '../message/message';
import type { BatchFacts } from '../log/factsSchema';
import { learnSpread } from '../quality/learn';
import { type LessonDraft, byFormula, groupBy, nameOf, seenOf } from './lessonDraft';

/** Fewer than these say nothing of a trend, or of a spread. */
const ENOUGH = { trend: 4, spread: 5 } as const;

export function ballSpread(facts: readonly BatchFacts[]): LessonDraft[] {
  return byFormula(facts).flatMap(([formulaId, of]) => {
    const groups = of.map(({ balls }) => balls.massesG);
    const found = learnSpread(groups);
    if (!found || found.n < ENOUGH.spread) return [];
    const tolerance = of.at(-1)?.balls.toleranceG ?? 0;
    return [
      {
        ...{
          id: `ball-spread/${formulaId}`,
          kind: 'ball-spread',
          title: message('Balls of {formula}', { formula: nameOf(of) }),
          unit: 'g',
        },
        ...{ value: found.value, low: found.low, high: found.high, before: null, formulaId },
        words: message('Balls of one batch spread by {value}; {tolerance} either way is allowed.', {
          value: { g: found.value, stepG: 0.1 },
          tolerance: { g: tolerance, stepG: 0.1 },
        }),
        seen: seenOf(of, ({ balls }) => learnSpread([balls.massesG])?.value ?? null),
        adjustment: null,
      },
    ];
  });
}

const SHAPING_WORDS = {
  pin: 'rolled with a pin',
  'hot-press': 'pressed hot',
  'sheet-press': 'pressed between sheets',
  'hand-stretch': 'stretched by hand',
  'sheet-thin': 'rolled sheet-thin',
} as const;

export function discSpread(facts: readonly BatchFacts[]): LessonDraft[] {
  return groupBy(facts, ({ shaping }) => shaping).flatMap(([shaping, of]) => {
    const relative = ({ discs }: BatchFacts) => discs.diametersMm.map((mm) => mm / discs.targetMm);
    const found = learnSpread(of.map(relative));
    if (!found || found.n < ENOUGH.spread) return [];
    const how = SHAPING_WORDS[of[0]?.shaping ?? 'pin'];
    return [
      {
        ...{
          id: `disc-spread/${shaping}`,
          kind: 'disc-spread',
          title: message('Discs {how}', { how }),
          unit: 'share',
        },
        ...{ value: found.value, low: found.low, high: found.high, before: null },
        words: message('Diameters of one batch, {how}, spread by {value}.', {
          how,
          value: { share: found.value, decimals: 1 },
        }),
        seen: seenOf(of, (one) => learnSpread([relative(one)])?.value ?? null),
        adjustment: null,
      },
    ];
  });
}
