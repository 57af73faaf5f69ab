import { formatMoney } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import { coldStore } from '@kettle-scale/core/batch';

import { useFlourLots, useKitchen } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { PrimaryAction } from '../../ui/input/actions';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { type ServiceNow, useServiceDay } from './useServiceDay';

/** Flour for fewer days than this is low. */
const LOW_DAYS = 3;
const DAY_MS = 24 * 3600 * 1000;
const MS_PER_S = 1000;

const nameOf = ({ line }: ServiceNow, id: string): string =>
  line?.breads.find((bread) => bread.id === id)?.name ?? id;

function Running({ now, nowMs }: { now: ServiceNow; nowMs: number }) {
  const { clock } = useDays();
  const running = now.batches.filter(({ state }) => state.status === 'running');
  return (
    <Ticket>
      <Heading>Running</Heading>
      {running.length === 0 ? <Body tone="soot">No batch is running.</Body> : null}
      {running.map(({ batch, state }) => (
        <Leader
          key={batch.id}
          name={say('{pieces, number} {name}, begun {clock}', {
            pieces: batch.plan.pieces,
            name: batch.plan.formula.name,
            clock: clock(Date.parse(batch.startedAt)),
          })}
          value={state.now ? state.now.step.kind : 'done'}
          aside={
            state.now?.startedMs
              ? say('for {now}', { now: { s: (nowMs - state.now.startedMs) / MS_PER_S } })
              : 'not begun'
          }
        />
      ))}
      {now.rest.map(({ id, formulaId, n, start }) => (
        <Leader
          key={id}
          name={say('{n, number} {nameOf}, planned', { n, nameOf: nameOf(now, formulaId) })}
          value={clock(now.toMs(start))}
        />
      ))}
    </Ticket>
  );
}

function Ready({ now }: { now: ServiceNow }) {
  const { clock } = useDays();
  const lying = now.stock.filter(({ ready }) => ready.length > 0);
  const thrown = now.stock.filter(({ thrownOut }) => thrownOut > 0);
  const currency = useKitchen().data?.currency;
  return (
    <>
      <Ticket>
        <Heading>Ready</Heading>
        {lying.length === 0 ? <Body tone="soot">Nothing lies ready.</Body> : null}
        {lying.map(({ formulaId, ready, tooOld }) => (
          <Leader
            key={formulaId}
            name={nameOf(now, formulaId)}
            value={String(ready.length)}
            unit="pieces"
            {...(tooOld > 0
              ? { aside: say('{tooOld, number} held too long', { tooOld }), tone: 'plum' as const }
              : { aside: say('since {clock}', { clock: clock(now.toMs(ready[0] ?? now.nowS)) }) })}
          />
        ))}
      </Ticket>
      {thrown.length > 0 ? (
        <Ticket>
          <Heading>Thrown out today</Heading>
          {thrown.map(({ formulaId, thrownOut }) => (
            <Leader
              key={formulaId}
              name={nameOf(now, formulaId)}
              value={String(thrownOut)}
              unit="pieces"
              aside={formatMoney(
                thrownOut * (now.line?.breads.find(({ id }) => id === formulaId)?.co ?? 0),
                currency,
              )}
            />
          ))}
        </Ticket>
      ) : null}
    </>
  );
}

/** Balls in the fridge, and flour that runs out. */
function ColdAndLow({ now, nowMs }: { now: ServiceNow; nowMs: number }) {
  const format = useFormat();
  const { when } = useDays();
  const lots = useFlourLots();
  const cold = now.batches.flatMap(({ batch, state }) => {
    const { balls, dough } = coldStore(batch.plan, state);
    const name = batch.plan.formula.name;
    const by = (ms: number) => say('by {when}', { when: when(ms, nowMs) });
    return [
      ...(balls ? [{ name, value: String(balls.pieces), unit: 'balls', aside: by(balls.bestByMs) }] : []),
      ...(dough ? [{ name, ...format.massFigure(dough.massG), aside: by(dough.bestByMs) }] : []),
    ];
  });
  const low = (lots.data ?? []).filter(
    ({ closed, runsOutOn }) =>
      !closed && runsOutOn !== null && Date.parse(runsOutOn) - nowMs < LOW_DAYS * DAY_MS,
  );
  return (
    <>
      <Ticket>
        <Heading>Cold</Heading>
        {cold.length === 0 ? <Body tone="soot">Nothing is in the fridge.</Body> : null}
        {cold.map((one, index) => (
          <Leader key={index} {...one} />
        ))}
      </Ticket>
      <Ticket>
        <Heading>Low</Heading>
        {low.length === 0 ? <Body tone="soot">Flour lasts three days or more.</Body> : null}
        {low.map((lot) => (
          <Leader key={lot.id} name={lot.name} {...format.bulkFigure(lot.leftG)} tone="plum" />
        ))}
      </Ticket>
    </>
  );
}

/** One page for whoever comes next: what runs, lies ready, is cold and is low, and what was thrown away. */
export function HandOverScreen() {
  const now = useServiceDay();
  const { clock, write } = useDays();
  if (now.loading || now.error) {
    return (
      <Screen title="Hand over">
        <Waiting what="the service" error={now.error} onRetry={now.retry} />
      </Screen>
    );
  }
  const nowMs = now.toMs(now.nowS);
  return (
    <Screen
      eyebrow={sayAll([now.record?.service.name ?? 'Kitchen', write(nowMs, 'heading'), clock(nowMs)])}
      title="Hand over"
      foot={<PrimaryAction icon="print" label="Print it" onPress={() => window.print()} />}
    >
      <Running now={now} nowMs={nowMs} />
      <Ready now={now} />
      <ColdAndLow now={now} nowMs={nowMs} />
      <Label>Food safety: local codes and the person in charge decide what may still be served.</Label>
    </Screen>
  );
}
