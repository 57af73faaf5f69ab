import { say } from '../reader/say';
import type { Batch } from '@kettle-scale/core/batch';
import { dayClock, readClock } from '@kettle-scale/core/quantity';
import { type ReadyFrom, compileShift, foldAll, readyFrom } from '@kettle-scale/core/shift';
import { useMemo, useState } from 'react';
import { useIngredients, useKitchen } from '../api/queries';
import { Ticket } from '../ui/layout/Ticket';
import { Body, Heading, Label, Strong } from '../ui/type';
import { ReadyByTime } from './ReadyByTime';
import { useDays, useToday } from './useDays';
import { useLineOf } from './useLineOf';
import { useNow } from '../ui/useNow';

const LOOK_MS = 15_000;
const DAY_S = 86_400;

interface Told extends ReadyFrom {
  id: string;
  name: string;
}

/** When the pieces of running batches can be there at the earliest. */
function useReadyFrom(batches: readonly Batch[]) {
  const day = useToday();
  const { zone } = useDays();
  const nowMs = useNow(LOOK_MS);
  const [kitchen, foods] = [useKitchen().data, useIngredients().data];
  const formulas = useMemo(() => {
    const byId = new Map(batches.map(({ plan }) => [plan.formula.id, plan.formula]));
    return [...byId.values()];
  }, [batches]);
  const shift = useLineOf(formulas, kitchen, foods, day);
  const line = useMemo(() => (shift && shift.breads.length > 0 ? compileShift(shift) : null), [shift]);
  const clock = useMemo(() => dayClock(day, zone), [day, zone]);
  const nowS = clock.toS(nowMs);
  const told = useMemo(
    () =>
      line
        ? foldAll(batches).flatMap((folded): Told[] => {
            const ready = readyFrom(line, folded, clock, nowS);
            const { id, plan } = folded.batch;
            return ready ? [{ ...ready, id, name: plan.formula.name }] : [];
          })
        : null,
    [line, batches, clock, nowS],
  );
  return { told, clock, nowS };
}

/** Whether pieces are there by a time, in one sentence. */
function inTimeWords({ at }: ReadyFrom, by: number, clock: (s: number) => string): string {
  const last = at.at(-1) ?? by;
  const inTime = at.filter((one) => one <= by).length;
  if (inTime === at.length) return say('All ready, {by} to spare.', { by: { s: by - last } });
  const rest = say('all at {clock}, {last} late', { clock: clock(last), last: { s: last - by } });
  return inTime === 0
    ? say('None by then; {rest}.', { rest })
    : say('{inTime, number} of {length, number} by then; {rest}.', { inTime, length: at.length, rest });
}

/** Running batches against a time at which their pieces must be there. */
export function ReadyFromTicket({ batches }: { batches: readonly Batch[] }) {
  const { clock: write } = useDays();
  const { told, clock, nowS } = useReadyFrom(batches);
  const [typed, setTyped] = useState('');
  const wanted = readClock(typed);
  const by = wanted === null ? null : wanted < nowS ? wanted + DAY_S : wanted;
  const at = (s: number) => write(clock.toMs(s));
  return (
    <Ticket>
      <Heading>Ready by</Heading>
      <ReadyByTime typed={typed} onText={setTyped} />
      {told?.length === 0 ? <Body tone="soot">No pieces left to bake.</Body> : null}
      {(told ?? []).map((one) => {
        const late = by !== null && (one.at.at(-1) ?? by) > by;
        return (
          <Body key={one.id} tone={late ? 'plum' : 'ink'}>
            <Strong tone={late ? 'plum' : 'ink'}>{`${one.at.length} ${one.name}: `}</Strong>
            {by === null
              ? say('first at {at}, all at {at2}.', {
                  at: at(one.at[0] ?? nowS),
                  at2: at(one.at.at(-1) ?? nowS),
                })
              : inTimeWords(one, by, at)}
          </Body>
        );
      })}
      <Label>With rests at their earliest, one pair of hands, and the plate hot and free.</Label>
    </Ticket>
  );
}
