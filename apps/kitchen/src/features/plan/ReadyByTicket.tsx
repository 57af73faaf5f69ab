import { say } from '../../reader/say';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import type { Plan } from '@kettle-scale/core/plan';
import { dayClock, readClock } from '@kettle-scale/core/quantity';
import { type WayInTime, readyBy, waysInTime } from '@kettle-scale/core/shift';
import { useMemo, useState } from 'react';
import { useFormulas } from '../../api/queries';
import { ReadyByTime } from '../../shared/ReadyByTime';
import { useDays } from '../../shared/useDays';
import { Check, Choices } from '../../ui/input/Choices';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label, Strong } from '../../ui/type';
import { useLineOf } from '../../shared/useLineOf';

const DAY_S = 86_400;

/** A way to be in time after all, in words. */
function wayWords(way: WayInTime, clock: (s: number) => string): string {
  switch (way.way) {
    case 'shorter rest':
      return say('Rest {by} shorter in all; that is still within the windows.', { by: { s: way.byS } });
    case 'fewer pieces':
      return say('{pieces, number} pieces are on time.', { pieces: way.pieces });
    case 'another bread':
      return say('{pieces, number} {bread} are on time.', { pieces: way.pieces, bread: way.bread });
    case 'later':
      return say('Ready by {clock} instead.', { clock: clock(way.readyBy) });
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
  const formulas = useFormulas();
  const breads = useMemo(
    () =>
      wanted === null || !formulas.data
        ? null
        : formulas.data.map((one) => (one.id === plan.formula.id ? plan.formula : one)),
    [wanted, formulas.data, plan.formula],
  );
  const shift = useLineOf(breads, kitchen, ingredients, day);
  const { toS, toMs } = dayClock(day, zone);
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
      <ReadyByTime typed={typed} onText={setTyped} />
      {wanted === null ? null : (
        <>
          <Choices
            label="Ready by then"
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
          <Leader name="Latest start" value={at(counted.start)} />
          <Leader name="Start with unhurried rests" value={at(counted.unhurried)} />
          <Leader name="Safe start" value={at(counted.safest)} aside="nine in ten" />
          <Leader name="Light the plate, at the latest" value={at(counted.light)} />
          <Label>
            {say('First piece {at}, last {at2}; rests at their earliest.', {
              at: at(counted.bakeAt + counted.firstOffS),
              at2: at(counted.bakeAt + counted.lastOffS),
            })}
          </Label>
          {counted.mostBalls < plan.pieces ? (
            <Body tone="plum">
              {say(
                'More than {mostBalls, number} balls would wait past their latest time: make two batches.',
                { mostBalls: counted.mostBalls },
              )}
            </Body>
          ) : null}
        </>
      ) : null}
      {late ? (
        <>
          <Strong tone="plum">
            {late.ways[0]?.way === 'shorter rest'
              ? say('Unhurried it is late by {late}. Ways out:', { late: { s: late.lateS } })
              : say('Too late by {late}. Ways out:', { late: { s: late.lateS } })}
          </Strong>
          {late.ways.map((way) => (
            <Body key={way.way}>{wayWords(way, at)}</Body>
          ))}
        </>
      ) : null}
    </Ticket>
  );
}
