import { message } from '../message/message';
import { kitchenMean, learnLotOffset, offsetReach } from '../flourLot/lotOffset';
import type { BatchFacts } from '../log/factsSchema';
import { dayOf } from '../quantity/days';
import { SEASONS, seasonOf } from '../log/seasons';
import { type LessonDraft, type LessonContext, adjust, groupBy, seenOf, signedPoints } from './lessonDraft';
import { learnEffects } from './learnEffects';

export function waterOfLots(facts: readonly BatchFacts[], { lots }: LessonContext): LessonDraft[] {
  const judged = facts.filter(({ waterPoints }) => waterPoints !== null);
  const groups = groupBy(judged, ({ lotId }) => lotId);
  const meanOf = (of: readonly BatchFacts[]) => kitchenMean(of.map(({ waterPoints }) => waterPoints ?? 0));
  return groups.map(([lotId, of]) => {
    const others = groups.filter(([id]) => id !== lotId).map(([, group]) => meanOf(group));
    const seen = seenOf(of, (one) => one.waterPoints);
    const offset = learnLotOffset(
      seen.map(({ value }) => value),
      kitchenMean(others),
    );
    const reach = offsetReach(offset);
    const name = lots.find(({ id }) => id === lotId)?.name ?? lotId;
    return {
      ...{
        id: `water/${lotId}`,
        kind: 'water',
        title: message('Water of {name}', { name: { name } }),
        unit: 'points',
        lotId,
        seen,
      },
      words: message('Water learned for this flour: {points}.', {
        points: signedPoints(offset.meanPoints),
      }),
      value: offset.meanPoints,
      low: offset.meanPoints - reach,
      high: offset.meanPoints + reach,
      before: kitchenMean(others),
      adjustment: null,
    };
  });
}

/** Doughs that are compared with each other: of one lot, or of one formula where no lot is known. */
export const groupOf = ({ lotId, formulaId }: BatchFacts): string => lotId ?? `no lot, ${formulaId}`;

/** How much seasons are thought to differ, points (assumption). */
const SEASON_SD = 1;

export function waterOfSeasons(facts: readonly BatchFacts[], { zone }: LessonContext): LessonDraft[] {
  const seen = seenOf(facts, ({ waterPoints }) => waterPoints);
  const learned = learnEffects(
    seen.map(({ facts: one, value }) => ({
      lot: groupOf(one),
      effect: seasonOf(dayOf(Date.parse(one.startedAt), zone)),
      points: value,
    })),
    SEASON_SD,
  );
  return SEASONS.flatMap((season) => {
    const found = learned.get(season);
    if (!found) return [];
    const id = `season/${SEASONS.indexOf(season) + 1}`;
    return [
      {
        ...{
          id,
          kind: 'season' as const,
          title: message('Water, {season}', { season }),
          unit: 'points',
          before: 0,
        },
        ...{ value: found.value, low: found.low, high: found.high },
        words: message(
          'Doughs made in these months take {points} of water, whatever the lot. It is used for a lot that has no batch yet.',
          { points: signedPoints(found.value) },
        ),
        seen: seen.filter(({ facts: one }) => seasonOf(dayOf(Date.parse(one.startedAt), zone)) === season),
        adjustment: adjust(id, 'water', found.value, message('doughs made {season}', { season })),
      },
    ];
  });
}
