import { say } from '../../../reader/say';
import type { BakeSeries } from '@kettle-scale/core/bake';
import type { BatchSummary } from '@kettle-scale/core/batch';
import { kindOfBread, resolveLines } from '@kettle-scale/core/formula';
import { SMOKE, smokesAt } from '@kettle-scale/core/plan';
import { Link } from 'expo-router';
import { memo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWork } from '../../../workers/useWork';
import type { Work } from '../../../workers/work';
import { useRunning } from '../../../api/queries';
import { Caution } from '../../../ui/layout/Caution';
import { CrossSection } from '../../../shared/chart';
import { Choices } from '../../../ui/input/Choices';
import { Columns } from '../../../ui/layout/Columns';
import { Notice, Waiting } from '../../../ui/layout/Notice';
import { Screen } from '../../../ui/layout/Screen';
import { Ticket } from '../../../ui/layout/Ticket';
import { SPACE, TOUCH } from '../../../ui/tokens';
import { Heading, Label, Strong } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { useWide } from '../../../ui/layout/useWide';
import { CAUTIONS } from '../griddleText';
import { PanTicket } from './PanTicket';
import { TimesTicket } from './TimesTicket';
import { WaysTicket } from './WaysTicket';
import { WhatIf } from './WhatIf';
import { useGriddleChoice } from '../../../shared/griddleChoice';
import { type GriddleSubject, useGriddleSubject } from '../useGriddle';

const styles = StyleSheet.create({
  stack: { gap: SPACE.m },
  links: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.l },
  link: { minHeight: TOUCH.other, display: 'flex', alignItems: 'center', textDecorationLine: 'underline' },
});

/** The way from a running batch to its plate. */
function LiveLink({ batch: { id, formulaName, record } }: { batch: BatchSummary }) {
  return (
    <Link href={`/griddle/live/${id}`} style={{ display: 'flex', flexDirection: 'column' }}>
      <Ticket>
        <Label>
          {say('Running, {piecesPlanned, number} pieces', { piecesPlanned: record.piecesPlanned })}
        </Label>
        <Heading>{say('{formulaName}: live griddle', { formulaName })}</Heading>
        <Strong tone="ember">{say('Now: {step}', { step: { lower: record.nowTitle ?? '' } })}</Strong>
      </Ticket>
    </Link>
  );
}

/** Ways to the plates of running batches: those that bake, and those that do not yet. */
function useLiveLinks() {
  const running = useRunning();
  const isBaking = ({ record: { now } }: BatchSummary) => now?.kind === 'griddle';
  const batches = running.data ?? [];
  const live = (of: readonly BatchSummary[]) => of.map((batch) => <LiveLink key={batch.id} batch={batch} />);
  return {
    baking: live(batches.filter(isBaking)),
    others: live(batches.filter((batch) => !isBaking(batch))),
  };
}

/** Before there is a bread to work out. */
function NoSubject({
  empty,
  error,
  retry,
}: Pick<ReturnType<typeof useGriddleSubject>, 'empty' | 'error' | 'retry'>) {
  return (
    <Screen title="Griddle">
      {empty ? (
        <Notice title="No formula yet" text="Times are worked out for a formula’s bread: write one first." />
      ) : (
        <Waiting what="the griddle" error={error} onRetry={retry} />
      )}
    </Screen>
  );
}

/** Which bread, and on which plate. */
const Choose = memo(function Choose({
  formulaId,
  formulas,
  griddleId,
  griddles,
}: Pick<GriddleSubject, 'formulas' | 'griddles'> & { formulaId: string; griddleId: string | null }) {
  const set = useGriddleChoice((state) => state.set);
  return (
    <View style={styles.stack}>
      <Choices
        label="Bread"
        value={formulaId}
        options={formulas.map(({ id, name }) => [id, name] as const)}
        onChange={(chosen) => set({ formulaId: chosen, plateC: null, thicknessMm: null, griddleId: null })}
      />
      {griddles.length > 1 ? (
        <Choices
          label="Plate"
          value={griddleId}
          options={griddles.map(({ id, name }) => [id, name] as const)}
          onChange={(chosen) => set({ griddleId: chosen })}
        />
      ) : null}
    </View>
  );
});

const Cautions = memo(function Cautions({
  subject: { formula, foods, griddle, plateC },
}: {
  subject: GriddleSubject;
}) {
  const kind = kindOfBread(formula, resolveLines(formula, foods));
  return (
    <>
      <Caution {...CAUTIONS.plate} />
      {formula.bake.finish ? <Caution {...CAUTIONS.flame} /> : null}
      {smokesAt(formula, plateC, kind) ? <Caution lead={SMOKE.lead} text={SMOKE.text} /> : null}
      {griddle?.nonStick ? <Caution {...CAUTIONS.nonStick} /> : null}
    </>
  );
});

const Links = memo(function Links() {
  return (
    <View style={styles.links}>
      <Link href="/griddle/window" style={styles.link}>
        <Strong>Heat and thickness picture</Strong>
      </Link>
      <Link href="/griddle/plates" style={styles.link}>
        <Strong>Plates</Strong>
      </Link>
    </View>
  );
});

const Section = memo(function Section({ series }: { series: BakeSeries }) {
  return (
    <Ticket>
      <Heading>Inside the bread</Heading>
      <CrossSection series={series} />
    </Ticket>
  );
});

interface Answered {
  subject: GriddleSubject;
  work: Work['solve']['gives'];
}

/**
 * The last question that was answered, with its answer: what stands on the page belongs together, and while a slider moves
 * only the slider is drawn.
 */
function useAnswered(subject: GriddleSubject | null) {
  const work = useWork('solve', subject ? { request: subject.request } : null);
  const [answered, setAnswered] = useState<Answered | null>(null);
  const isNew = answered?.subject !== subject || answered?.work !== work.data;
  if (subject && work.data && !work.isPlaceholderData && isNew) setAnswered({ subject, work: work.data });
  // An answer to an earlier question is none to one that has none.
  return {
    answered: work.error ? null : answered,
    unsolved: work.error,
    solveAgain: () => void work.refetch(),
  };
}

/** How long on each side, how sure that is, and what would change it; with the way to plates, window and live plate. */
export function GriddleScreen() {
  const { subject, empty, error, retry } = useGriddleSubject();
  const format = useFormat();
  const { baking, others } = useLiveLinks();
  const wide = useWide();
  const { answered, unsolved, solveAgain } = useAnswered(subject?.times ? subject : null);
  if (!subject) {
    return <NoSubject {...{ empty, error, retry }} />;
  }
  const { formula, griddle } = subject;
  const solved = answered?.work.solved;
  const choose = (
    <Choose
      {...{ formulaId: formula.id, formulas: subject.formulas }}
      {...{ griddleId: griddle?.id ?? null, griddles: subject.griddles }}
    />
  );
  const times = answered ? (
    <TimesTicket subject={answered.subject} solved={answered.work.solved} />
  ) : (
    <Waiting what="the times" error={unsolved} onRetry={solveAgain} />
  );
  const plate = answered?.subject.griddle;
  const pan =
    answered && plate?.heat === 'burner' && plate.flame ? (
      <PanTicket subject={answered.subject} flame={plate.flame} />
    ) : null;
  const ways = answered && solved?.good ? <WaysTicket subject={answered.subject} /> : null;
  const section = answered ? <Section series={answered.work.series} /> : null;
  const more = <Cautions subject={answered?.subject ?? subject} />;
  // Above what grows when an answer comes, so that it does not move under a finger.
  const links = <Links />;
  return (
    <Screen
      eyebrow={griddle ? griddle.name : say('{length} of steel, assumed', { length: format.length(10) })}
      title={say('Griddle: {name}', { name: formula.name })}
    >
      {wide ? (
        <Columns
          left={
            <>
              {times}
              {pan}
              {ways}
              {section}
              {more}
            </>
          }
          right={
            <>
              {baking}
              {links}
              {choose}
              {others}
              <WhatIf subject={subject} />
            </>
          }
        />
      ) : (
        <>
          {baking}
          {links}
          {times}
          {others}
          <WhatIf subject={subject} />
          {pan}
          {ways}
          {section}
          {choose}
          {more}
        </>
      )}
    </Screen>
  );
}
