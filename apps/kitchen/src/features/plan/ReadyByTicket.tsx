import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import type { Plan } from '@kettle-scale/core/plan';
import { formatSpan } from '@kettle-scale/core/quantity';
import { type WayInTime, clockOf, readClock, readyBy, waysInTime } from '@kettle-scale/core/shift';
import { useMemo, useState } from 'react';
import { useFormulas } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Check, Choices } from '../../ui/input/Choices';
import { WordField } from '../../ui/input/WordField';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label, Strong } from '../../ui/type';
import { useWork } from '../../workers/useWork';

const DAY_S = 86_400;
const SURENESS = 0.85;

/** The breads of the book as the line makes them, asked for once a time is given. */
function useLineBreads(asked: boolean, plan: Plan, kitchen: Kitchen, foods: Ingredient[], day: string) {
  const formulas = useFormulas();
  const asks = useMemo(() => {
    if (!asked || !formulas.data) return null;
    const own = formulas.data.map((one) => (one.id === plan.formula.id ? plan.formula : one));
    return {
      service: {
        ...({ format: 'kettle-scale/service-day', formatVersion: 1, day, name: 'One batch' } as const),
        ...{ opens: 0, serviceFrom: 0, serviceTo: DAY_S, ends: DAY_S, sureness: SURENESS },
        ...{ cooks: [], leftAtClose: 'kept' as const },
        breads: own.map(({ id }) => ({ formulaId: id, waves: [] })),
      },
      breads: own.map((formula) => ({ formula, foods, kitchen, facts: [] })),
      kitchen,
    };
  }, [asked, formulas.data, plan.formula, kitchen, foods, day]);
  return useWork('line', asks).data ?? null;
}

/** A way to be in time after all, in words. */
function wayWords(way: WayInTime, clock: (s: number) => string): string {
  switch (way.way) {
    case 'fewer pieces':
      return `${way.pieces} pieces are in time.`;
    case 'another bread':
      return `${way.pieces} ${way.bread} are in time.`;
    case 'later':
      return `Ready by ${clock(way.readyBy)} instead.`;
  }
}

interface ReadyByProps {
  plan: Plan;
  kitchen: Kitchen;
  ingredients: Ingredient[];
  nowMs: number;
}

/** A time at which pieces must be there, and when the batch and the plate must be begun for it. */
export function ReadyByTicket({ plan, kitchen, ingredients, nowMs }: ReadyByProps) {
  const { clock, dayOf, zone } = useDays();
  const [typed, setTyped] = useState('');
  const [ready, setReady] = useState<'first' | 'all'>('all');
  const [helperRolls, setHelper] = useState(false);
  const day = dayOf(nowMs);
  const wanted = readClock(typed);
  const shift = useLineBreads(wanted !== null, plan, kitchen, ingredients, day);
  const { toS, toMs } = clockOf(day, zone);
  const nowS = toS(nowMs);
  const at = (s: number) => clock(toMs(s));
  const bread = shift?.breads.find(({ id }) => id === plan.formula.id);
  const plate = shift?.plates.find(({ id }) => id === bread?.plate) ?? shift?.plates[0];
  // A time that is past is meant for tomorrow.
  const by = wanted === null ? null : wanted < nowS ? wanted + DAY_S : wanted;
  const ask = by === null ? null : { pieces: plan.pieces, readyBy: by, ready, helperRolls };
  const counted = bread && plate && ask ? readyBy(bread, plate, ask) : null;
  const late = bread && plate && ask && shift ? waysInTime(bread, plate, ask, nowS, shift.breads) : null;
  return (
    <Ticket>
      <Heading>Ready by</Heading>
      <WordField
        name="ready-by"
        label="Time"
        value={typed}
        onText={setTyped}
        placeholder="11:45"
        error={typed !== '' && wanted === null ? 'A time is written like 11:45.' : undefined}
      />
      {wanted === null ? null : (
        <>
          <Choices
            label="There by then"
            value={ready}
            options={[
              ['first', 'The first piece'],
              ['all', 'All pieces'],
            ]}
            onChange={setReady}
          />
          <Check label="Somebody else rolls" value={helperRolls} onChange={setHelper} />
        </>
      )}
      {counted ? (
        <>
          <Leader name="Begin, at the latest" value={at(counted.start)} />
          <Leader name="Begin, to be safe" value={at(counted.safest)} aside="nine in ten" />
          <Leader name="Light the plate, at the latest" value={at(counted.light)} />
          <Label>{`First piece ${at(counted.bakeAt + counted.firstOffS)}, last ${at(counted.bakeAt + counted.lastOffS)}; rests at their earliest.`}</Label>
          {counted.mostBalls < plan.pieces ? (
            <Body tone="plum">{`More than ${counted.mostBalls} balls would lie past their latest: make two batches.`}</Body>
          ) : null}
        </>
      ) : null}
      {late ? (
        <>
          <Strong tone="plum">{`Too late by ${formatSpan(late.lateS)}. Ways out:`}</Strong>
          {late.ways.map((way) => (
            <Body key={way.way}>{wayWords(way, at)}</Body>
          ))}
        </>
      ) : null}
    </Ticket>
  );
}
