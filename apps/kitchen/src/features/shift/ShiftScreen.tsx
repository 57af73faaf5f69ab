import { formatSpan } from '../../reader/figures';
import { say } from '../../reader/say';
import type { BatchSummary } from '@kettle-scale/core/batch';
import type { LotState } from '@kettle-scale/core/flourLot';
import type { SavedPlan } from '@kettle-scale/core/plan';
import { daysBetween, formatClock } from '@kettle-scale/core/quantity';
import { Link, useRouter } from 'expo-router';
import type { ComponentType, ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useFlourLots, useFormulas, useRunning, useSavedPlans } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Action } from '../../ui/input/actions';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { useFormat } from '../../ui/useFormat';
import { FirstSteps } from './FirstSteps';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useNow } from '../../ui/useNow';
import { useWide } from '../../ui/layout/useWide';
import { Timeline } from './Timeline';
import { type BoardRow, boardOf } from '../../batch/board';
import { AllowAlarms } from './AllowAlarms';
import { ServiceTicket } from './ServiceTicket';
import { type HeldSheetProps, HeldTicket } from './HeldTicket';

const styles = StyleSheet.create({
  link: { display: 'flex', flexDirection: 'column' },
  stack: { gap: SPACE.m },
  panes: { flexDirection: 'row', gap: SPACE.xl, alignItems: 'flex-start' },
  main: { flex: 1.7, minWidth: 0, gap: SPACE.m },
  side: { flex: 1, minWidth: 0, gap: SPACE.m },
  row: { flexDirection: 'row', alignItems: 'center', gap: SPACE.m },
  words: { flex: 1, minWidth: 0 },
});

const STATE_WORDS = { late: 'late by', due: 'ready', running: 'in' } as const;
const TONE = { late: 'plum', due: 'sage', running: 'ink' } as const;
/** Lots with less than this many days of flour are named. */
const SOON_DAYS = 3;
/** Seconds beyond this are said in hours, not counted down. */
const LONG_S = 10 * 3600;

/** A batch whose balls lie in the fridge has nothing on the clock. */
const goesOn = ({ record: { ahead = [] } }: BatchSummary): boolean => ahead.length > 0;

function BoardTicket({ row: { batch, state, seconds } }: { row: BoardRow }) {
  const days = useDays();
  const { record } = batch;
  const tone = TONE[state];
  const clock =
    seconds === null ? null : seconds < LONG_S ? formatClock(Math.floor(seconds)) : formatSpan(seconds);
  return (
    <Link href={`/bench/${batch.id}`} style={styles.link}>
      <Ticket>
        <View style={styles.row}>
          <View style={styles.words}>
            <Label>
              {say('{piecesPlanned, number} pieces, begun {clock}', {
                piecesPlanned: record.piecesPlanned,
                clock: days.clock(Date.parse(batch.startedAt)),
              })}
            </Label>
            <Heading>{batch.formulaName}</Heading>
            <Strong tone={tone}>{record.nowTitle ?? ''}</Strong>
          </View>
          <View style={{ alignItems: 'flex-end' }}>
            <Label tone={state === 'late' ? 'plum' : 'soot'}>
              {clock === null ? 'waits for a hand' : STATE_WORDS[state]}
            </Label>
            {clock === null ? null : <Figure value={clock} size={48} tone={tone} />}
          </View>
        </View>
      </Ticket>
    </Link>
  );
}

/** Flour that runs out soon. */
function StockTicket({ lots, nowMs }: { lots: readonly LotState[]; nowMs: number }) {
  const days = useDays();
  const format = useFormat();
  const open = lots.filter(({ closed }) => !closed);
  const soon = (lot: LotState) =>
    lot.runsOutOn !== null && daysBetween(days.dayOf(nowMs), lot.runsOutOn) < SOON_DAYS;
  return (
    <Link href="/stock" style={styles.link}>
      <Ticket>
        <Heading>Flour left</Heading>
        <View>
          {open.map((lot) => (
            <Leader
              key={lot.id}
              name={lot.name}
              {...format.bulkFigure(lot.leftG)}
              tone={soon(lot) ? 'plum' : 'ink'}
              {...(soon(lot) && lot.runsOutOn
                ? { aside: say('to {runsOutOn}', { runsOutOn: lot.runsOutOn.slice(5) }) }
                : {})}
            />
          ))}
        </View>
        {open.length === 0 ? <Body tone="soot">No lot is received yet.</Body> : null}
      </Ticket>
    </Link>
  );
}

function KeptTicket({ plans }: { plans: readonly SavedPlan[] }) {
  if (plans.length === 0) return null;
  return (
    <Link href="/plans" style={styles.link}>
      <Ticket>
        <Heading>Saved plans</Heading>
        {plans.map(({ id, name }) => (
          <Body key={id}>{name}</Body>
        ))}
      </Ticket>
    </Link>
  );
}

interface ShiftProps {
  /** Parts that come with the rest of the app: batches against a time, what becomes of held bread. */
  readyBoard?: ReactNode;
  HeldSheet: ComponentType<HeldSheetProps>;
}

/** What can be begun, and what lies ready: formulas, flour, bread that is held, kept plans. */
function Beside({ nowMs, HeldSheet }: Pick<ShiftProps, 'HeldSheet'> & { nowMs: number }) {
  const router = useRouter();
  const formulas = useFormulas();
  const lots = useFlourLots();
  const plans = useSavedPlans();
  return (
    <>
      {formulas.data?.length === 0 ? (
        <FirstSteps />
      ) : (
        <Ticket>
          <Heading>Plan a batch of</Heading>
          {formulas.data?.map(({ id, name }) => (
            <Action key={id} label={name} onPress={() => router.push(`/plan/${id}`)} />
          ))}
        </Ticket>
      )}
      {lots.data ? <StockTicket lots={lots.data} nowMs={nowMs} /> : null}
      <HeldTicket nowMs={nowMs} Sheet={HeldSheet} />
      <KeptTicket plans={plans.data ?? []} />
    </>
  );
}

/** What is running and due next, over all batches; and what to make next. */
export function ShiftScreen({ readyBoard, HeldSheet }: ShiftProps) {
  const days = useDays();
  const wide = useWide();
  const nowMs = useNow(500);
  const running = useRunning();
  const formulas = useFormulas();
  const board = boardOf(running.data ?? [], nowMs);
  const late = board.filter(({ state }) => state === 'late').length;
  const pieces = board.reduce((sum, { batch }) => sum + batch.record.piecesPlanned, 0);
  const headline =
    board.length === 0
      ? 'Shift'
      : say('{length, number} {length, plural, one {batch} other {batches}}, {pieces, number} pieces{late}', {
          length: board.length,
          pieces,
          late: late > 0 ? say(', {late, number} late', { late }) : '',
        });

  const goingOn = board.map(({ batch }) => batch).filter(goesOn);
  const main = running.data ? (
    <>
      {board.length === 0 ? (
        <Notice
          title="Nothing is running"
          text={
            formulas.data?.length === 0
              ? 'The kitchen is empty: begin with a formula.'
              : 'Choose what to make; the plan comes first.'
          }
        />
      ) : null}
      {formulas.data && formulas.data.length > 0 ? <ServiceTicket nowMs={nowMs} /> : null}
      {board.map((row) => (
        <BoardTicket key={row.batch.id} row={row} />
      ))}
      {goingOn.length > 0 ? (
        <Ticket>
          <Heading>What happens next</Heading>
          <Timeline batches={goingOn} nowMs={nowMs} />
        </Ticket>
      ) : null}
      {readyBoard}
      {board.length > 0 ? <AllowAlarms /> : null}
    </>
  ) : (
    <Waiting what="the batches" error={running.error} onRetry={() => void running.refetch()} />
  );
  const side = <Beside nowMs={nowMs} HeldSheet={HeldSheet} />;
  return (
    <Screen
      eyebrow={days.write(nowMs, 'heading')}
      title={headline}
      aside={
        <Figure
          value={days.clock(nowMs)}
          size={36}
          label={say('It is {clock}', { clock: days.clock(nowMs) })}
        />
      }
    >
      {wide ? (
        <View style={styles.panes}>
          <View style={styles.main}>{main}</View>
          <View style={styles.side}>{side}</View>
        </View>
      ) : (
        <View style={styles.stack}>
          {main}
          {side}
        </View>
      )}
    </Screen>
  );
}
