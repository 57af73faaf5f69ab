import { say } from '../../reader/say';
import type { PlannedBatch } from '@kettle-scale/core/shift';
import { useMemo, useState } from 'react';
import { useKitchen } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { ActionRow } from '../../ui/input/actions';
import { Ticket } from '../../ui/layout/Ticket';
import { Body, Heading } from '../../ui/type';
import { useWork } from '../../workers/useWork';
import { type PlanActs, plannedFrom } from './usePlanActs';
import type { ServiceNow } from './useServiceDay';

const S_PER_MIN = 60;
/** A saving is told to the cent: two decimals. */
const CENTS = 2;

/** What a proposal changes, in one sentence. */
function changeWords(
  before: readonly PlannedBatch[],
  after: readonly PlannedBatch[],
  nameOf: (formulaId: string) => string,
  clock: (s: number) => string,
): string {
  const words: string[] = [];
  const formulas = [...new Set([...before, ...after].map(({ formulaId }) => formulaId))];
  for (const formulaId of formulas) {
    const had = before.filter((one) => one.formulaId === formulaId);
    const has = after.filter((one) => one.formulaId === formulaId);
    const [hadN, hasN] = [had, has].map((list) => list.reduce((sum, { n }) => sum + n, 0)) as [
      number,
      number,
    ];
    const name = nameOf(formulaId);
    const [first] = [...has].sort((a, b) => a.start - b.start);
    const [firstBefore] = [...had].sort((a, b) => a.start - b.start);
    const by = first && firstBefore ? Math.round((first.start - firstBefore.start) / S_PER_MIN) : 0;
    if (!first && hadN > 0) words.push(say('no more {name}', { name }));
    else if (first && hasN !== hadN) {
      words.push(
        say('{hasN, number} {name} instead of {hadN, number}, the next at {clock}', {
          hasN,
          name,
          hadN,
          clock: clock(first.start),
        }),
      );
    } else if (first && by !== 0) {
      words.push(
        say('{name} at {clock}, {by, number} min {by2}', {
          name,
          clock: clock(first.start),
          by: Math.abs(by),
          by2: by < 0 ? 'earlier' : 'later',
        }),
      );
    }
  }
  return words.length === 0 ? '' : `${words.join('; ')}.`.replace(/^./, (letter) => letter.toUpperCase());
}

const savingWords = (saving: number, currency: string | undefined): string =>
  say('Expected to cost {saving} less in missing, waiting and wasted pieces.', {
    saving: { money: saving, currency, decimals: CENTS },
  });

/** A proposal stands this long before another takes its place, so that it can be read; one that was left is not made again for as long, ms. */
const STANDS_MS = 10 * 60_000;
/** Unless it saves so many times as much. */
const MUCH_MORE = 2;

interface Told {
  words: string;
  saving: number;
  atMs: number;
  planned: PlannedBatch[];
  /** The batches that it replaces: when these change it is over. */
  rest: string;
}

const idsOf = (rest: readonly PlannedBatch[]): string => rest.map(({ id }) => id).join();
/** Whether something else may be said after what was said before. */
const mayFollow = (before: Told | null, next: Told): boolean =>
  before === null ||
  before.rest !== next.rest ||
  next.atMs - before.atMs >= STANDS_MS ||
  next.saving >= MUCH_MORE * before.saving;

/** The proposal that stands now: the newest, but not another every minute. */
function useProposal(now: ServiceNow): { told: Told | null; leave: () => void } {
  const { clock } = useDays();
  const [shown, setShown] = useState<Told | null>(null);
  const [left, setLeft] = useState<Told | null>(null);
  const { moment, shift, line, rest, nowS, toMs } = now;
  const work = useWork(
    'replan',
    shift && moment && now.record?.service.plan && moment.t < shift.serviceTo ? { shift, now: moment } : null,
  );
  const next = useMemo((): Told | null => {
    if (!work.data?.worthIt || !line || work.isPlaceholderData) return null;
    const { plan, before, after } = work.data;
    const planned = plannedFrom(plan.batches, line);
    const nameOf = (id: string) => line.breads.find((bread) => bread.id === id)?.name ?? id;
    const words = changeWords(rest, planned, nameOf, (s) => clock(toMs(s)));
    return words === ''
      ? null
      : { words, planned, saving: before - after, atMs: toMs(nowS), rest: idsOf(rest) };
  }, [work.data, work.isPlaceholderData, line, rest, clock, nowS, toMs]);
  if (next && next.words !== shown?.words && mayFollow(left, next) && mayFollow(shown, next)) setShown(next);
  const standing = shown?.rest === idsOf(rest) && shown !== left ? shown : null;
  return { told: standing, leave: () => setLeft(shown) };
}

/** A better rest of the day, when there is one: said in a sentence, taken or left. */
export function ProposalTicket({ now, acts }: { now: ServiceNow; acts: PlanActs }) {
  const currency = useKitchen().data?.currency;
  const { told, leave } = useProposal(now);
  if (!told) return null;
  return (
    <Ticket>
      <Heading>A change is worth it</Heading>
      <Body>{told.words}</Body>
      <Body tone="soot">{savingWords(told.saving, currency)}</Body>
      <ActionRow
        actions={[
          { key: 'take', label: 'Change the plan', onPress: () => acts.keepRest(told.planned) },
          { key: 'leave', label: 'Leave it', onPress: leave },
        ]}
      />
    </Ticket>
  );
}
