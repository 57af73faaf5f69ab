import { formatPercent } from '../../../reader/figures';
import { say, sayAll } from '../../../reader/say';
import {
  type EventBody,
  type RunningDough,
  type StepState,
  additionG,
  correctionLines,
  runningDough,
  skippedWords,
  wantedHydration,
} from '@kettle-scale/core/batch';
import type { Words } from '@kettle-scale/core/message';
import { formatClock } from '@kettle-scale/core/quantity';
import { type MixPart, type Plan, mixGuide } from '@kettle-scale/core/plan';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../../batch/useBatch';
import { Action, ActionRow } from '../../../ui/input/actions';
import { Caution } from '../../../ui/layout/Caution';
import { SPACE } from '../../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../../ui/type';
import { useAlarm } from '../../../ui/alarm/useAlarm';
import { useFormat } from '../../../ui/useFormat';
import { WaterGauge } from '../../../shared/WaterGauge';
import { ColdChainLine } from '../ColdChainLine';
import { DoughTicket } from '../DoughTicket';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';
import { StepCautions } from '../../../shared/StepCautions';
import { StepFrame } from '../StepFrame';
import { useStepClock } from '../useStepClock';

const styles = StyleSheet.create({
  stack: { gap: SPACE.m },
  clock: { flexDirection: 'row', alignItems: 'baseline', gap: SPACE.m },
  part: { fontSize: 40, lineHeight: 44 },
});

/** What a part waits for, by its id. */
const WAITED: Record<string, { done: string; alarm: string }> = {
  cool: { done: 'Cool enough', alarm: 'Cool enough for hands' },
  soak: { done: 'Set aside long enough', alarm: 'The wetted flour is ready' },
};

/** Additions are offered in halves, one and one and a half of what suits the dough. */
const SIZES = [0.5, 1, 1.5] as const;

interface PartProps {
  live: LiveBatch;
  now: StepState;
  part: MixPart;
}

/** Water or flour by feel: how far it is, and what to add. */
function ByFeel({ live, now, part }: PartProps) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const dough = runningDough(plan, state, now.step.bowl ?? 1);
  const lines = correctionLines(plan);
  const flourBack = part.id === 'flour-back';
  const line = flourBack ? lines.flour : lines.liquid;
  if (!dough || !line) return null;
  const liquid = plan.today?.liquid;
  const inG = dough.lines.find(({ line: row }) => row.lineId === line.lineId)?.inG ?? 0;
  const one = additionG(dough, line.stepG);
  const sizes = [
    ...new Set(
      SIZES.map((share) => Math.max(line.stepG, Math.round((one * share) / line.stepG) * line.stepG)),
    ),
  ];
  const add = (massG: number) =>
    act({
      ...{ type: 'added', stepId: now.step.id, lineId: line.lineId, massG },
      why: flourBack ? 'flour-back' : 'hold-back',
    });
  return (
    <>
      <View style={styles.clock}>
        <Figure value={formatPercent(dough.totals.hydration, 1)} size={64} tone="water" />
        <Label>
          {say('hydration, usually {wantedHydration}', {
            wantedHydration: { share: wantedHydration(plan), decimals: 1 },
          })}
        </Label>
      </View>
      <ActionRow
        actions={sizes.map((massG) => ({
          key: String(massG),
          label: `+${format.mass(massG, line.stepG)}`,
          hint: `+${format.mass(massG, line.stepG)} ${say(line.name).toLocaleLowerCase()}`,
          onPress: () => add(massG),
        }))}
      />
      {dough.heldLeftG >= line.stepG && !flourBack ? (
        <Action
          label={say('All {mass} at once', { mass: format.mass(dough.heldLeftG, line.stepG) })}
          onPress={() => add(dough.heldLeftG)}
        />
      ) : (
        <Strong>{say('{mass} held back', { mass: format.mass(dough.heldLeftG, line.stepG) })}</Strong>
      )}
      {!flourBack && liquid ? (
        <WaterGauge
          label={say('{mass} are in; usual for this lot from {mass2} to {mass3}', {
            mass: format.mass(inG, line.stepG),
            mass2: format.mass(liquid.lowG, line.stepG),
            mass3: format.mass(liquid.highG, line.stepG),
          })}
          nowG={inG}
          startG={liquid.startG}
          lowG={liquid.lowG}
          highG={liquid.highG}
          words={{
            low: format.mass(liquid.lowG, line.stepG),
            high: format.mass(liquid.highG, line.stepG),
            now: format.mass(inG, line.stepG),
          }}
        />
      ) : null}
    </>
  );
}

/** The liquid that is still held back, put in at once. */
function heldBackIn(plan: Plan, dough: RunningDough | null, stepId: string): EventBody[] {
  const line = correctionLines(plan).liquid;
  if (!dough || !line || plan.holdBack?.lineId !== line.lineId || dough.heldLeftG < line.stepG) return [];
  return [{ type: 'added', stepId, lineId: line.lineId, massG: dough.heldLeftG, why: 'hold-back' }];
}

/** How warm it is, while it waits or where the part begins with it. */
function PartTemp({ live, now, part }: PartProps) {
  const probe = part.probe ?? 'dough';
  return (
    <TakeTemp
      kind="probe"
      label={say('Temperature of the {probe}', { probe })}
      onTake={(taken) => live.act(measuredBody(now.step.id, probe, taken))}
    />
  );
}

interface PartWordsProps extends PartProps {
  /** Which part of how many. */
  place: string;
  /** Seconds that scalded dough still waits; null where nothing is waited for. */
  waitS: number | null;
  running: boolean;
}

/** One part: what to do, what to beware of, and what is added by feel. */
function PartWords({ live, now, part, place, waitS, running }: PartWordsProps) {
  return (
    <View style={styles.stack}>
      <Label>{place}</Label>
      <Heading style={styles.part}>{part.title}</Heading>
      {part.amounts ? <Heading>{part.amounts}</Heading> : null}
      {waitS !== null ? (
        <Figure
          value={waitS > 0 ? formatClock(Math.ceil(waitS)) : 'now'}
          size={96}
          tone={waitS > 0 ? 'ember' : 'sage'}
        />
      ) : null}
      {part.caution ? <Caution folded {...part.caution} /> : null}
      {running && part.kind === 'add' ? <ByFeel live={live} now={now} part={part} /> : null}
      {running && part.kind === 'wait' && part.id !== 'soak' ? (
        <PartTemp live={live} now={now} part={part} />
      ) : null}
    </View>
  );
}

interface MoreProps extends Omit<PartProps, 'part'> {
  part: MixPart | undefined;
  running: boolean;
  dough: RunningDough | null;
  /** What the dough comes to without what was held back. */
  skipped: Words | null;
}

/** The part in full, the dough as it is in the bowl, and what was measured. */
function MixMore({ live, now, part, running, dough, skipped }: MoreProps) {
  const { batch, act } = live;
  const stepId = now.step.id;
  const flourBack = batch.plan.formula.method.school === 'flour-back';
  const temps = now.seen.flatMap((event) => (event.type === 'measured' ? [event] : []));
  return (
    <>
      {part ? <Body style={{ fontSize: 20, lineHeight: 27 }}>{part.text}</Body> : null}
      {running && part?.probe && part.kind !== 'wait' ? <PartTemp {...{ live, now, part }} /> : null}
      {!part && skipped ? <Strong tone="water">{skipped}</Strong> : null}
      {dough && (!part || (running && flourBack)) ? (
        <DoughTicket
          dough={dough}
          {...(part
            ? {
                onTopUp: (lineId: string, massG: number) =>
                  act({ type: 'added', stepId, lineId, massG, why: 'top-up' }),
              }
            : {})}
        />
      ) : null}
      {temps.length > 0 ? (
        <Label>
          {say('Measured: {map}', {
            map: { list: temps.map(({ what, tempC }) => sayAll([what, { tempC }], ' ')) },
          })}
        </Label>
      ) : null}
    </>
  );
}

/** Mixing in the order of the formula's school, part by part. */
export function MixStep({ live, now }: { live: LiveBatch; now: StepState }) {
  const { batch, state, act } = live;
  const { plan } = batch;
  const format = useFormat();
  const { nowMs, window, running, alarm } = useStepClock(live, now);
  const guide = mixGuide(plan);
  const done = new Set(now.parts.map(({ part }) => part));
  const part = guide.find(({ id }) => !done.has(id));
  const index = part ? guide.indexOf(part) : guide.length;
  const stepId = now.step.id;
  const fromMs = now.parts.at(-1)?.atMs ?? now.startedMs ?? nowMs;
  const waited = part ? WAITED[part.id] : undefined;
  const waitS = part?.kind === 'wait' && part.waitS ? part.waitS - (nowMs - fromMs) / 1000 : null;
  const cooled = useAlarm(waitS !== null && waitS <= 0 ? `${batch.id}/${stepId}/${fromMs}/cool` : null);
  const dough = runningDough(plan, state, now.step.bowl ?? 1);
  const skipped = dough ? skippedWords(plan, dough) : null;

  const primary = !running
    ? { label: 'Start mixing', onPress: () => act({ type: 'started', stepId }) }
    : part
      ? {
          label: part.kind === 'add' ? 'It feels right' : (waited?.done ?? 'Done, next'),
          quiet: waitS !== null && waitS > 0,
          onPress: () => act({ type: 'part-done', stepId, part: part.id }),
        }
      : { label: 'Mixed', onPress: () => act({ type: 'done', stepId }) };
  const late = running?.phase === 'late' && !part;
  // With doughy hands: start, then all of it at once. A scalded dough is waited for; flour that goes back goes by feel.
  const atOnce = !guide.some(({ kind, id }) => (kind === 'wait' && !done.has(id)) || id === 'flour-back');
  const allMixed = () => act(...heldBackIn(plan, dough, stepId), { type: 'done', stepId });
  return (
    <StepFrame
      live={live}
      step={now.step}
      primary={primary}
      others={
        running && part && part.kind !== 'add' && atOnce
          ? [{ key: 'all', label: 'All mixed', onPress: allMixed }]
          : []
      }
      more={<MixMore {...{ live, now, part, dough, skipped }} running={running !== null} />}
      {...(cooled.ringing
        ? { alarm: { ...cooled, words: waited?.alarm ?? '' } }
        : late
          ? { alarm: { ...alarm, words: 'Long enough' } }
          : {})}
    >
      <View style={styles.clock} role="timer" aria-label={say('Mixing')}>
        <Figure value={formatClock(running ? Math.floor(running.elapsedS) : 0)} size={36} />
        <Label>
          {say('{earliest} to {latest}', {
            earliest: { clockS: window.earliestS },
            latest: { clockS: window.latestS },
          })}
        </Label>
      </View>
      {part ? (
        <PartWords
          {...{ live, now, part, waitS }}
          running={running !== null}
          place={say('{index, number} of {length, number}', { index: index + 1, length: guide.length })}
        />
      ) : (
        <View style={styles.stack}>
          <Heading style={styles.part}>No dry flour left?</Heading>
          {dough && skipped ? (
            <Strong tone="water">{say('{mass} held back', { mass: format.mass(dough.heldLeftG) })}</Strong>
          ) : null}
        </View>
      )}
      <ColdChainLine live={live} nowMs={nowMs} />
      <StepCautions plan={plan} kind="mix" />
    </StepFrame>
  );
}
