import { say, sayAll } from '../../reader/say';
import { compareFormulas } from '@kettle-scale/core/formula';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { ForLead } from '../../shared/ForLead';
import { Press } from '../../ui/input/Press';
import type { FormulaVersion } from '@kettle-scale/core/document';
import { useSaveFormula } from '../../api/changes';
import { useIngredients, useVersions } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Action } from '../../ui/input/actions';
import { DifferenceTable } from '../../shared/DifferenceTable';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { FieldError } from '../../ui/input/Field';
import { useColours } from '../../ui/theme';
import { Columns } from '../../ui/layout/Columns';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE, TOUCH } from '../../ui/tokens';
import { Figure, Heading, Label, Strong } from '../../ui/type';
import { useWide } from '../../ui/layout/useWide';

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.s,
    minHeight: TOUCH.other,
    borderBottomWidth: 1,
  },
  words: { flex: 1, minWidth: 0 },
  pick: {
    width: 92,
    minHeight: TOUCH.other - 4,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 2,
  },
});

interface PickProps {
  label: string;
  hint: string;
  chosen: boolean;
  onPress: () => void;
}

function Pick({ label, hint, chosen, onPress }: PickProps) {
  const colours = useColours();
  return (
    <Press
      role="radio"
      aria-checked={chosen}
      aria-label={sayAll([label, hint], ' ')}
      onPress={onPress}
      style={[
        styles.pick,
        { borderColor: colours.ink, backgroundColor: chosen ? colours.ink : 'transparent' },
      ]}
    >
      <Label style={{ color: chosen ? colours.ground : colours.ink }}>{label}</Label>
    </Press>
  );
}

interface TwoVersionsProps {
  versions: readonly FormulaVersion[];
  chosen: { before: number; after: number };
  setChosen: (chosen: TwoVersionsProps['chosen']) => void;
}

/** All versions, two of them picked. */
function TwoVersions({ versions, chosen, setChosen }: TwoVersionsProps) {
  const { write } = useDays();
  const when = (iso: string) => write(iso, 'stamp');
  const colours = useColours();
  return (
    <Ticket>
      <Heading>Choose two to compare</Heading>
      {versions.map(({ formula: { version }, reason, savedAt }) => (
        <View key={version} style={[styles.row, { borderColor: colours.rule }]}>
          <Figure value={String(version)} size={28} />
          <View style={styles.words}>
            <Strong>{reason}</Strong>
            <Label>{when(savedAt)}</Label>
          </View>
          <Pick
            label="before"
            hint={say('version {version, number}', { version })}
            chosen={chosen.before === version}
            onPress={() => setChosen({ ...chosen, before: version })}
          />
          <Pick
            label="after"
            hint={say('version {version, number}', { version })}
            chosen={chosen.after === version}
            onPress={() => setChosen({ ...chosen, after: version })}
          />
        </View>
      ))}
    </Ticket>
  );
}

function History({ versions }: { versions: readonly FormulaVersion[] }) {
  const router = useRouter();
  const wide = useWide();
  const foods = useIngredients();
  const save = useSaveFormula();
  const [newest] = versions;
  const [chosen, setChosen] = useState({
    before: versions[1]?.formula.version ?? 1,
    after: newest?.formula.version ?? 1,
  });
  const find = (version: number) => versions.find(({ formula }) => formula.version === version)?.formula;
  const [before, after] = [find(chosen.before), find(chosen.after)];
  const differences = useMemo(
    () => (before && after && foods.data ? compareFormulas(before, after, foods.data) : []),
    [before, after, foods.data],
  );
  if (!newest || !before || !after) return null;
  const latest = newest.formula;
  const restore = () =>
    save.mutate(
      {
        formula: before,
        reason: say('Restored version {version, number}', { version: before.version }),
        after: latest.version,
      },
      { onSuccess: () => router.replace(`/formulas/${latest.id}`) },
    );
  const list = <TwoVersions {...{ versions, chosen, setChosen }} />;
  const compared = (
    <Ticket>
      <DifferenceTable
        differences={differences}
        before={say('version {version, number}', { version: before.version })}
        after={say('version {version, number}', { version: after.version })}
      />
      {before.version === latest.version ? null : (
        <ForLead>
          <Action
            icon="history"
            label={say('Restore version {version, number}', { version: before.version })}
            onPress={restore}
            disabled={save.isPending}
          />
        </ForLead>
      )}
      {save.error ? <FieldError id="restore-error" message={save.error.message} /> : null}
      <Label>Restoring makes a new version; nothing is lost.</Label>
    </Ticket>
  );
  return wide ? (
    <Columns left={list} right={compared} />
  ) : (
    <>
      {list}
      {compared}
    </>
  );
}

/** Every version of a formula with its reason; any two side by side; back to any. */
export function VersionsScreen({ id }: { id: string }) {
  const versions = useVersions(id);
  const name = versions.data?.[0]?.formula.name;
  return (
    <Screen eyebrow={name ?? 'Formula'} title="Versions">
      {versions.data ? (
        <History versions={versions.data} />
      ) : (
        <Waiting what="versions" error={versions.error} onRetry={() => void versions.refetch()} />
      )}
    </Screen>
  );
}
