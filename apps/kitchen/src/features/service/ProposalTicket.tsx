import type { PlannedBatch, Proposal } from '@kettle-scale/core/shift';
import { formatMoney } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { useKitchen } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { ActionRow } from '../../ui/input/actions';
import { Ticket } from '../../ui/layout/Ticket';
import { Body, Heading } from '../../ui/type';
import { useWork } from '../../workers/useWork';
import { type PlanActs, plannedFrom } from './usePlanActs';
import type { ServiceNow } from './useServiceDay';

const S_PER_MIN = 60;

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
    if (!first && hadN > 0) words.push(`no more ${name}`);
    else if (first && hasN !== hadN) {
      words.push(`${hasN} ${name} instead of ${hadN}, the next at ${clock(first.start)}`);
    } else if (first && by !== 0) {
      words.push(`${name} at ${clock(first.start)}, ${Math.abs(by)} min ${by < 0 ? 'earlier' : 'later'}`);
    }
  }
  return words.length === 0 ? '' : `${words.join('; ')}.`.replace(/^./, (letter) => letter.toUpperCase());
}

const savingWords = ({ before, after }: Proposal, currency: string | undefined): string =>
  `Expected to cost ${formatMoney(before - after, currency)} less in missing, waiting and wasted pieces.`;

/** A better rest of the day, when there is one: said in a sentence, taken or left. */
export function ProposalTicket({ now, acts }: { now: ServiceNow; acts: PlanActs }) {
  const { clock } = useDays();
  const [left, setLeft] = useState('');
  const currency = useKitchen().data?.currency;
  const { moment, shift, line, rest } = now;
  const work = useWork(
    'replan',
    shift && moment && now.record?.service.plan && moment.t < shift.serviceTo ? { shift, now: moment } : null,
  );
  const proposal = work.data;
  if (!proposal?.worthIt || !line || work.isPlaceholderData) return null;
  const planned = plannedFrom(
    proposal.plan.batches,
    line.breads.map(({ id }) => id),
  );
  const nameOf = (id: string) => line.breads.find((bread) => bread.id === id)?.name ?? id;
  const words = changeWords(rest, planned, nameOf, (s) => clock(now.toMs(s)));
  if (words === '' || words === left) return null;
  return (
    <Ticket>
      <Heading>A change is worth it</Heading>
      <Body>{words}</Body>
      <Body tone="soot">{savingWords(proposal, currency)}</Body>
      <ActionRow
        actions={[
          { key: 'take', label: 'Change the plan', onPress: () => acts.keepRest(planned) },
          { key: 'leave', label: 'Leave it', onPress: () => setLeft(words) },
        ]}
      />
    </Ticket>
  );
}
