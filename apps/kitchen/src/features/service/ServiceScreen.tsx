import { say, sayAll } from '../../reader/say';
import { type DayPicture, inOrder, lineBatches } from '@kettle-scale/core/shift';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useDays } from '../../shared/useDays';
import { Action, ActionRow, PrimaryAction } from '../../ui/input/actions';
import { Columns } from '../../ui/layout/Columns';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Ticket } from '../../ui/layout/Ticket';
import { useWide } from '../../ui/layout/useWide';
import { SPACE } from '../../ui/tokens';
import { Figure, Heading, Label, Strong } from '../../ui/type';
import { useNow } from '../../ui/useNow';
import { useWork } from '../../workers/useWork';
import { BindsTicket, ChoicesTicket } from './ChoicesTicket';
import { ColdTicket } from './ColdTicket';
import { DayTimeline } from './DayTimeline';
import { LearnedTicket } from './LearnedTicket';
import { NextActs } from './NextActs';
import { ProposalTicket } from './ProposalTicket';
import { StockCurves } from './StockCurves';
import { TrayTicket } from './TrayTicket';
import { type PlanActs, usePlanActs } from './usePlanActs';
import { type ServiceNow, useServiceDay } from './useServiceDay';

const TICK_MS = 15_000;
const STEP_MIN = 5;
const CALENDAR = '/api/v1/services/calendar.ics';

const styles = StyleSheet.create({
  stack: { gap: SPACE.m },
  row: { flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: SPACE.s },
  words: { flexGrow: 1, flexBasis: 140, minWidth: 0 },
});

/** Batches of the picture are those that are begun, then those of the plan's rest in their order. */
function useBatchMap({ line, rest, moment }: ServiceNow) {
  return useMemo(() => {
    // What is in no fridge any more is not in the picture either.
    const made = rest.filter((one) => line !== null && lineBatches(line, [one]).length > 0);
    const ordered = made.sort((a, b) => a.start - b.start || a.bakeAt - b.bakeAt);
    const begun = (moment?.batches.length ?? 0) - ordered.length;
    return {
      ordered,
      /** The planned batch of a batch of the picture; null for one that is begun. */
      plannedOf: (batch: number) => ordered[batch - Math.max(0, begun)] ?? null,
    };
  }, [line, rest, moment]);
}

interface BatchesProps {
  now: ServiceNow;
  picture: DayPicture;
  acts: PlanActs;
  plannedOf: (batch: number) => { id: string } | null;
}

/** The table behind the picture: each batch with its moments; the one that is tapped has buttons that move it. */
function BatchTable({ now, picture, acts, plannedOf }: BatchesProps) {
  const { clock } = useDays();
  const [open, setOpen] = useState<string | null>(null);
  const at = (s: number | null) => (s === null ? '–' : clock(now.toMs(s)));
  return (
    <Ticket>
      <Heading>Batches</Heading>
      {picture.batches.map(({ bread, n, start, cold, divided, bakes, done }, batch) => {
        const name = now.line?.breads[bread]?.name ?? '';
        const planned = plannedOf(batch);
        const id = planned?.id ?? null;
        const words = `${n} ${name}`;
        return (
          <View key={id ?? `begun${batch}`} style={{ gap: SPACE.xs }}>
            <View style={styles.row}>
              <View style={styles.words}>
                <Strong>{words}</Strong>
                <Label>
                  {say('{cold}, on the plate {at} to {at2}', {
                    cold: cold === null ? say('divided {at}', { at: at(divided) }) : 'out of the fridge',
                    at: at(bakes),
                    at2: at(done),
                  })}
                </Label>
              </View>
              <Figure value={at(start)} size={32} />
              {id ? (
                <Action
                  label={open === id ? 'Close' : 'Move'}
                  hint={sayAll([open === id ? 'Close' : 'Move', words], ' ')}
                  onPress={() => setOpen(open === id ? null : id)}
                />
              ) : (
                <Label>begun</Label>
              )}
            </View>
            {id && open === id ? (
              <ActionRow
                actions={[
                  {
                    key: 'earlier',
                    label: '−5 min',
                    hint: say('{words} 5 min earlier', { words }),
                    onPress: () => acts.move(id, -STEP_MIN),
                  },
                  {
                    key: 'later',
                    label: '+5 min',
                    hint: say('{words} 5 min later', { words }),
                    onPress: () => acts.move(id, STEP_MIN),
                  },
                  {
                    key: 'drop',
                    label: 'Remove',
                    hint: say('Remove {words} from the plan', { words }),
                    onPress: () => acts.drop(id),
                  },
                ]}
              />
            ) : null}
          </View>
        );
      })}
    </Ticket>
  );
}

/** What holds the shift back, in words. */
const bindsWords = (now: ServiceNow, picture: DayPicture, clock: (ms: number) => string) =>
  picture.binds.slice(0, 3).map(({ of, id, from, to }) => {
    const who =
      of === 'cook'
        ? (now.record?.service.cooks.find((cook) => cook.id === id)?.name ?? id)
        : of === 'plate'
          ? 'The plate'
          : 'The mixer';
    return {
      of,
      words: say('{who} has no minute free from {clock} to {clock2}.', {
        who,
        clock: clock(now.toMs(from)),
        clock2: clock(now.toMs(to)),
      }),
    };
  });

function Planned({ now, acts, picture }: { now: ServiceNow; acts: PlanActs; picture: DayPicture }) {
  const wide = useWide();
  const { clock } = useDays();
  const tick = useNow(TICK_MS);
  const nowS = now.nowS + Math.max(0, (tick - now.toMs(now.nowS)) / 1000);
  const { plannedOf } = useBatchMap(now);
  const moving = (
    <>
      <NextActs now={now} picture={picture} />
      <ProposalTicket now={now} acts={acts} />
      <TrayTicket now={now} acts={acts} />
      <ColdTicket now={now} acts={acts} />
    </>
  );
  const day = (
    <Ticket>
      <Heading>The day</Heading>
      <Label>Drag a batch to move it, or use the buttons below.</Label>
      <DayTimeline
        {...{ now, picture, nowS }}
        movable={(batch) => plannedOf(batch) !== null}
        onMove={(batch, minutes) => {
          const planned = plannedOf(batch);
          if (planned) acts.move(planned.id, minutes);
        }}
      />
    </Ticket>
  );
  const table = <BatchTable {...{ now, picture, acts, plannedOf }} />;
  const beside = (
    <>
      <StockCurves now={now} picture={picture} />
      <BindsTicket now={now} binds={bindsWords(now, picture, clock)} />
      <LearnedTicket now={now} />
    </>
  );
  return wide ? (
    <>
      {day}
      <Columns
        left={
          <>
            {moving}
            {table}
          </>
        }
        right={beside}
      />
    </>
  ) : (
    <View style={styles.stack}>
      {moving}
      {day}
      {table}
      {beside}
    </View>
  );
}

function Service({ now }: { now: ServiceNow }) {
  const router = useRouter();
  const { clock } = useDays();
  const acts = usePlanActs(now);
  const { record, line, shift, rest, moment } = now;
  const service = record?.service;
  const plan = useMemo(() => (line ? { batches: inOrder(lineBatches(line, rest)) } : null), [line, rest]);
  const work = useWork('picture', shift && plan && moment ? { shift, plan, from: moment } : null);
  if (!service) return null;
  const undo = acts.last;
  return (
    <Screen
      eyebrow={say('Service {clock} to {clock2}', {
        clock: clock(now.toMs(service.serviceFrom)),
        clock2: clock(now.toMs(service.serviceTo)),
      })}
      title={service.name}
      foot={
        undo ? (
          <Action
            icon="undo"
            label="Undo"
            hint={say('Undo: {type} {pieces, number}', { type: undo.type, pieces: undo.pieces })}
            onPress={() => acts.act({ type: 'void', target: undo.id })}
          />
        ) : null
      }
    >
      {work.data && service.plan ? <Planned now={now} acts={acts} picture={work.data} /> : null}
      {service.plan ? null : <TrayTicket now={now} acts={acts} />}
      {!work.data && service.plan ? (
        <Waiting what="the day" error={work.error} onRetry={() => void work.refetch()} />
      ) : null}
      <ChoicesTicket now={now} acts={acts} />
      <Action label="Change the service" icon="edit" onPress={() => router.push('/service/edit')} />
      <Action label="Hand over" icon="log" onPress={() => router.push('/service/handover')} />
      <Action
        label="Calendar"
        icon="calendar"
        hint="Calendar file of the plan"
        onPress={() => window.location.assign(CALENDAR)}
      />
    </Screen>
  );
}

/** Today's service: what to make and when, what lies ready, and how the day goes on from here. */
export function ServiceScreen() {
  const router = useRouter();
  const now = useServiceDay();
  if (now.loading || now.error) {
    return (
      <Screen title="Service">
        <Waiting what="the service" error={now.error} onRetry={now.retry} />
      </Screen>
    );
  }
  if (now.record && now.line) return <Service now={now} />;
  return (
    <Screen
      title="Service"
      foot={<PrimaryAction label="Plan a service" onPress={() => router.push('/service/edit')} />}
    >
      <Notice
        title={now.record ? 'Its breads no longer exist' : 'No service today'}
        text={
          now.record
            ? 'None of the breads of this service is in the book any more: change the service.'
            : 'Enter when guests come and how much of which bread; the plan counts back from there.'
        }
      />
    </Screen>
  );
}
