import { say } from '../../reader/say';
import { type FormulaFigure, explainFormula } from '@kettle-scale/core/explain';
import { formulaFacts, kindOfBread } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { BookEntry } from '@kettle-scale/core/document';
import { hasWork } from '../../drafts/drafts';
import { useKitchen } from '../../api/queries';
import { useIsCook } from '../../shared/ForLead';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Screen } from '../../ui/layout/Screen';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading } from '../../ui/type';
import { WhySheet } from '../../ui/layout/Why';
import { CostTicket } from '../../shared/CostTicket';
import { SpreadTicket } from './SpreadTicket';
import { More } from './TakeOut';
import { BreadPicture, GriddleTicket, MethodTicket, SharesTicket } from './FormulaTickets';

const ACTS = { edit: 'Edit', swap: 'Swap', versions: 'Versions' } as const;

/** A cook reads every version; a lead makes them. */
const FOR_COOKS = ['versions'] as const;
const FOR_LEADS = ['edit', 'swap', 'versions'] as const;

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m, alignItems: 'flex-start' },
  column: { flexGrow: 1, flexBasis: 320, flexShrink: 1, minWidth: 0, gap: SPACE.m },
  acts: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  act: { flexGrow: 1 },
});

interface FormulaPageProps {
  entry: BookEntry;
  entries: readonly BookEntry[];
  ingredients: Ingredient[];
}

/** A formula: its disc to scale, its shares, its method, its time on the griddle. */
export function FormulaPage({ entry, entries, ingredients }: FormulaPageProps) {
  const router = useRouter();
  const kitchen = useKitchen();
  const { formula, archived, reason } = entry;
  const facts = useMemo(
    () => formulaFacts(formula, ingredients, kitchen.data),
    [formula, ingredients, kitchen.data],
  );
  const takenIds = useMemo(() => new Set(entries.map(({ formula: { id } }) => id)), [entries]);
  const [figure, setFigure] = useState<FormulaFigure | null>(null);
  const closeWhy = useCallback(() => setFigure(null), []);
  const isCook = useIsCook();
  return (
    <Screen
      eyebrow={say(
        archived
          ? 'Version {version, number} · {reason} · {kind} · archived'
          : 'Version {version, number} · {reason} · {kind}',
        {
          kind: kindOfBread(formula, facts.lines),
          version: formula.version,
          reason,
        },
      )}
      title={formula.name}
      foot={<PrimaryAction label="Plan a batch" onPress={() => router.push(`/plan/${formula.id}`)} />}
    >
      {formula.summary ? <Body tone="soot">{formula.summary}</Body> : null}
      <View style={styles.acts}>
        {(isCook ? FOR_COOKS : FOR_LEADS).map((act) => (
          <Action
            key={act}
            label={act === 'edit' && hasWork(formula.id) ? 'Keep editing' : ACTS[act]}
            onPress={() => router.push(`/formulas/${formula.id}/${act}`)}
            style={styles.act}
          />
        ))}
        <More formula={formula} archived={archived} foods={ingredients} takenIds={takenIds} />
      </View>
      <BreadPicture formula={formula} facts={facts} onWhy={setFigure} />
      <View style={styles.columns}>
        <View style={styles.column}>
          <SharesTicket facts={facts} onWhy={setFigure} />
          <SpreadTicket formula={formula} facts={facts} />
          <CostTicket facts={facts} currency={kitchen.data?.currency} onWhy={() => setFigure('cost')} />
          <GriddleTicket formula={formula} foods={ingredients} />
        </View>
        <View style={styles.column}>
          <MethodTicket formula={formula} facts={facts} />
          {formula.notes ? (
            <Ticket>
              <Heading>As it was written</Heading>
              <Body>{formula.notes}</Body>
            </Ticket>
          ) : null}
        </View>
      </View>
      <WhySheet
        why={figure ? explainFormula(formula, facts, figure, kitchen.data?.currency) : null}
        onClose={closeWhy}
      />
    </Screen>
  );
}
