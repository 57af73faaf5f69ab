import { say } from '../../reader/say';
import {
  type Choice,
  type ExtraWorth,
  compileShift,
  inOrder,
  lineBatches,
  refusalOf,
} from '@kettle-scale/core/shift';
import { useState } from 'react';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { FieldError } from '../../ui/input/Field';
import { Table } from '../../ui/layout/Table';
import { Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label } from '../../ui/type';
import { WorkProgress } from '../../shared/WorkProgress';
import { useWork } from '../../workers/useWork';
import type { ServiceNow } from './useServiceDay';
import { type PlanActs, plannedFrom } from './usePlanActs';

const AIM_WORDS: Record<Choice['aim'], string> = {
  balanced: 'Balanced',
  safest: 'Safest',
  'least waste': 'Least waste',
  'one cook': 'One cook only',
};

const round = (figure: number): string => String(Math.round(figure));
/** A mean with the range that its standard error leaves. */
const ranged = ({ mean, standardError }: { mean: number; standardError: number }): string =>
  standardError < 0.5 ? round(mean) : `${round(mean)} ± ${round(Math.max(1, standardError))}`;

/** Plans to choose from, worked out in the background. */
export function ChoicesTicket({ now, acts }: { now: ServiceNow; acts: PlanActs }) {
  const [asked, setAsked] = useState(false);
  const [aim, setAim] = useState<Choice['aim']>('balanced');
  const { shift, line } = now;
  const work = useWork('choices', asked && shift ? { shift } : null);
  const choices = asked ? work.data : undefined;
  const refusal = shift ? refusalOf(shift) : null;
  const choose = () => {
    const plan = choices?.find((one) => one.aim === aim)?.plan;
    if (!plan || !line) return;
    acts.keepRest(plannedFrom(inOrder(plan.batches), line));
    setAsked(false);
  };
  return (
    <Ticket>
      <Heading>Plan the day</Heading>
      {refusal ? <FieldError id="refusal-error" message={say(refusal)} /> : null}
      {!asked && !refusal ? (
        <Action
          label={now.record?.service.plan ? 'Plan again' : 'Make a plan'}
          onPress={() => setAsked(true)}
        />
      ) : null}
      {asked && !choices && !work.error ? (
        <>
          <WorkProgress of="choices" label="Planning" />
          <Action label="Stop" hint="Stop planning" onPress={() => setAsked(false)} />
        </>
      ) : null}
      {work.error && asked ? <FieldError id="choices-error" message={work.error.message} /> : null}
      {choices ? (
        <>
          <Table
            label="Plans to choose from, a day"
            columns={['Plan', 'Batches', 'Go without', 'Thrown away']}
            rows={choices.map(({ aim: one, plan, worth }) => [
              AIM_WORDS[one],
              String(plan.batches.length),
              ranged(worth.lost),
              ranged(worth.wasted),
            ])}
          />
          <Choices
            label="Take"
            value={aim}
            options={choices.map(({ aim: one }) => [one, AIM_WORDS[one]] as const)}
            onChange={setAim}
          />
          <PrimaryAction label="Use this plan" onPress={choose} />
          <Action label="Keep the current plan" onPress={() => setAsked(false)} />
        </>
      ) : null}
    </Ticket>
  );
}

const EXTRA_WORDS: Record<ExtraWorth['extra'], string> = {
  'one more cook': 'One more cook',
  'a second plate': 'A second plate',
  'an hour earlier': 'An hour earlier',
};

const extraWords = ({ extra, lost, wasted, score }: ExtraWorth): string =>
  score.mean === 0
    ? say('{extraWords}: makes no difference.', { extraWords: EXTRA_WORDS[extra] })
    : say('{extraWords}: {signed} short, {signed2} thrown away, per day.', {
        extraWords: EXTRA_WORDS[extra],
        signed: signed(lost),
        signed2: signed(wasted),
      });

const signed = (figure: number): string => {
  const whole = Math.round(figure);
  return whole === 0
    ? 'as many'
    : whole < 0
      ? say('{whole, number} fewer', { whole: -whole })
      : say('{whole, number} more', { whole });
};

interface BindsProps {
  now: ServiceNow;
  binds: readonly { of: string; words: string }[];
}

/** What holds the shift back, and what more hands, iron or time would bring. */
export function BindsTicket({ now, binds }: BindsProps) {
  const [asked, setAsked] = useState(false);
  const { shift, record } = now;
  const plan =
    shift && record?.service.plan
      ? { batches: lineBatches(compileShift(shift), record.service.plan.batches) }
      : null;
  const work = useWork('extras', asked && shift && plan ? { shift, plan } : null);
  return (
    <Ticket>
      <Heading>What limits it</Heading>
      {binds.length === 0 ? <Body>Nothing is busy all the time.</Body> : null}
      {binds.map(({ words }) => (
        <Body key={words}>{words}</Body>
      ))}
      {!asked ? <Action label="What would help" onPress={() => setAsked(true)} /> : null}
      {asked && !work.data && !work.error ? <WorkProgress of="extras" label="Trying" /> : null}
      {work.error && asked ? <FieldError id="extras-error" message={work.error.message} /> : null}
      {asked && work.data ? (
        <>
          {work.data.map((one) => (
            <Body key={one.extra}>{extraWords(one)}</Body>
          ))}
          <Label>On the same 120 days as the plan; what makes no difference can stay idle.</Label>
        </>
      ) : null}
    </Ticket>
  );
}
