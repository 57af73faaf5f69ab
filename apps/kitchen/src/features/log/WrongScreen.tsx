import { formatPercent } from '../../reader/figures';
import { say } from '../../reader/say';
import type { Batch } from '@kettle-scale/core/batch';
import {
  type Cause,
  SYMPTOMS,
  type Suspect,
  type Symptom,
  diagnose,
  symptomsOf,
} from '@kettle-scale/core/diagnosis';

import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Press } from '../../ui/input/Press';
import { useCarried, useCarry, useDropCarried } from '../../api/logQueries';
import { useBatchQuery } from '../../api/queries';
import { Action, ActionRow, PrimaryAction } from '../../ui/input/actions';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { useColours } from '../../ui/theme';
import { CORNER, SPACE, TOUCH } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';

/** Causes less likely than this are left out; some always stand. */
const SHOWN = { least: 0.03, most: 6 } as const;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  symptom: {
    minHeight: TOUCH.other,
    borderWidth: 2,
    borderRadius: CORNER,
    paddingHorizontal: SPACE.m - 2,
    justifyContent: 'center',
  },
  head: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline', gap: SPACE.s },
  bar: { height: 8 },
});

interface SymptomsProps {
  /** What a bread of this kind can show. */
  offered: readonly Symptom[];
  seen: readonly Symptom[];
  onChange: (seen: Symptom[]) => void;
}

function Symptoms({ offered, seen, onChange }: SymptomsProps) {
  const colours = useColours();
  return (
    <View role="group" aria-label={say('What you see')} style={styles.row}>
      {offered.map((id) => {
        const on = seen.includes(id);
        return (
          <Press
            key={id}
            role="checkbox"
            aria-checked={on}
            onPress={() => onChange(on ? seen.filter((other) => other !== id) : [...seen, id])}
            style={[
              styles.symptom,
              { borderColor: colours.ink, backgroundColor: on ? colours.ink : 'transparent' },
            ]}
          >
            <Strong style={{ color: on ? colours.ground : colours.ink }}>{SYMPTOMS[id]}</Strong>
          </Press>
        );
      })}
    </View>
  );
}

const SAYS = { yes: 'This batch supports it', no: 'This batch contradicts it', unknown: '' } as const;

function SuspectTicket({ suspect, batch }: { suspect: Suspect; batch: Batch }) {
  const colours = useColours();
  const carried = useCarried();
  const carry = useCarry();
  const drop = useDropCarried();
  const { adjustment, evidence } = suspect;
  const isCarried = adjustment !== null && (carried.data ?? []).some(({ id }) => id === adjustment.id);
  const take = () =>
    adjustment &&
    carry.mutate({
      id: adjustment.id,
      formulaId: batch.plan.formula.id,
      batchId: batch.id,
      at: new Date().toISOString(),
      adjustment,
    });
  return (
    <Ticket>
      <View style={styles.head}>
        <Heading>{suspect.name}</Heading>
        <Figure value={formatPercent(suspect.probability)} size={26} />
      </View>
      <View
        style={[
          styles.bar,
          { width: `${Math.max(2, suspect.probability * 100)}%`, backgroundColor: colours.ember },
        ]}
      />
      {evidence.says === 'unknown' ? null : (
        <Strong tone={evidence.says === 'yes' ? 'plum' : 'sage'}>
          {say('{says}: {evidence}.', { says: SAYS[evidence.says], evidence: evidence.words })}
        </Strong>
      )}
      <Body>{suspect.change.words}</Body>
      {adjustment ? (
        <Action
          label={isCarried ? 'Carried over: remove' : 'Carry into the next plan'}
          onPress={isCarried ? () => drop.mutate(adjustment.id) : take}
          disabled={carry.isPending || drop.isPending}
        />
      ) : null}
      {carry.error ? <FieldError id={`carry-${suspect.cause}`} message={carry.error.message} /> : null}
    </Ticket>
  );
}

function Diagnose({ batch }: { batch: Batch }) {
  const router = useRouter();
  const [seen, setSeen] = useState<Symptom[]>([]);
  const [answers, setAnswers] = useState<Partial<Record<Cause, boolean>>>({});
  const found = useMemo(
    () => (seen.length > 0 ? diagnose(batch, seen, answers) : null),
    [batch, seen, answers],
  );
  const suspects = found?.suspects.filter(
    ({ probability }, index) => index < 2 || probability >= SHOWN.least,
  );
  const ask = found?.ask[0];
  const answer = (yes: boolean) => ask && setAnswers((was) => ({ ...was, [ask.cause]: yes }));
  return (
    <Screen
      eyebrow={batch.plan.formula.name}
      title="What went wrong?"
      foot={
        <PrimaryAction
          label="Plan it again"
          quiet={!found}
          onPress={() => router.push(`/plan/${batch.plan.formula.id}`)}
        />
      }
    >
      <Label>What do you see? Take all that fit.</Label>
      <Symptoms
        offered={symptomsOf(batch.plan)}
        seen={seen}
        onChange={(next) => {
          setSeen(next);
          setAnswers({});
        }}
      />
      {ask ? (
        <Ticket>
          <Label>
            {say('Cheapest test, {minutes}', {
              minutes:
                ask.minutes < 1
                  ? `${Math.round(ask.minutes * 60)} s`
                  : say('{minutes, number} min', { minutes: ask.minutes }),
            })}
          </Label>
          <Heading>{ask.question}</Heading>
          <ActionRow
            actions={[
              { key: 'yes', label: 'Yes', onPress: () => answer(true) },
              { key: 'no', label: 'No', onPress: () => answer(false) },
            ]}
          />
        </Ticket>
      ) : null}
      {suspects ? (
        suspects
          .slice(0, SHOWN.most)
          .map((suspect) => <SuspectTicket key={suspect.cause} suspect={suspect} batch={batch} />)
      ) : (
        <Body tone="soot">
          Causes are ranked by how often they look like this and by what this batch recorded.
        </Body>
      )}
    </Screen>
  );
}

/** From what is seen on a piece to what to change, by a table of likelihoods and the batch's own record. */
export function WrongScreen({ id }: { id: string }) {
  const batch = useBatchQuery(id);
  if (batch.data) return <Diagnose batch={batch.data} />;
  return (
    <Screen title="What went wrong?">
      <Waiting what="the batch" error={batch.error} onRetry={() => void batch.refetch()} />
    </Screen>
  );
}
