import { say } from '../../reader/say';
import { type FormulaFigure, explainFormula } from '@kettle-scale/core/explain';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { useRouter } from 'expo-router';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { BookEntry } from '@kettle-scale/core/document';
import { draftStore, dropDraft, openDraft, useDraft, useUndo } from '../../drafts/drafts';
import { useBookAndKitchen } from '../../api/queries';
import { LeadsPage } from '../../shared/ForLead';
import { DeleteAction } from '../../ui/input/DeleteAction';
import { PrimaryAction } from '../../ui/input/actions';
import { Columns } from '../../ui/layout/Columns';
import { CostTicket } from '../../shared/CostTicket';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Segments } from '../../ui/input/Segments';
import { FieldError } from '../../ui/input/Field';
import { useColours } from '../../ui/theme';
import { CORNER, SPACE, TOUCH } from '../../ui/tokens';
import { Ticket } from '../../ui/layout/Ticket';
import { useKeys } from '../../ui/input/useKeys';
import { useWide } from '../../ui/layout/useWide';
import { WhySheet } from '../../ui/layout/Why';
import { BreadTab } from './BreadTab';
import { EditingScope, useEditing } from './editing';
import { FactsStrip } from './FactsStrip';
import { GriddleTab } from './GriddleTab';
import { MethodTab } from './MethodTab';
import { SaveSheet } from './SaveSheet';
import { SharesTab } from './SharesTab';

const styles = StyleSheet.create({
  foot: { flexDirection: 'row', gap: SPACE.s },
  button: { width: 60, height: TOUCH.primary, margin: 0, borderRadius: CORNER, borderWidth: 2 },
  save: { flex: 1 },
});

const TABS = [
  ['shares', 'Shares'],
  ['method', 'Method'],
  ['griddle', 'Griddle'],
  ['bread', 'Bread'],
] as const;
type Tab = (typeof TABS)[number][0];
const PARTS: Record<Tab, () => React.ReactNode> = {
  shares: SharesTab,
  method: MethodTab,
  griddle: GriddleTab,
  bread: BreadTab,
};

interface EditorProps {
  entries: readonly BookEntry[];
  foods: readonly Ingredient[];
  id: string;
}

/** Ctrl+Z and Ctrl+Shift+Z, wherever the focus is. */
function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (event.target instanceof HTMLElement) event.target.blur();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
}

function UndoButtons({
  undo,
  redo,
  canUndo,
  canRedo,
}: Pick<ReturnType<typeof useUndo>, 'undo' | 'redo' | 'canUndo' | 'canRedo'>) {
  const colours = useColours();
  return (
    <>
      {(
        [
          ['undo', 'Undo', undo, canUndo],
          ['redo', 'Redo', redo, canRedo],
        ] as const
      ).map(([icon, label, onPress, can]) => (
        <IconButton
          key={icon}
          icon={icon}
          size={26}
          iconColor={colours.ink}
          accessibilityLabel={say(label)}
          onPress={onPress}
          disabled={!can}
          style={[styles.button, { borderColor: can ? colours.ink : colours.rule }]}
        />
      ))}
    </>
  );
}

interface FootProps {
  store: ReturnType<typeof draftStore>;
  onSave: () => void;
}

/** The first problem, undo and redo, save. */
function Foot({ store, onSave }: FootProps) {
  const { after } = useDraft(store);
  const { formula, problems } = useEditing();
  const { canUndo, canRedo, undo, redo } = useUndo(store);
  const [firstProblem] = problems;
  useUndoKeys(undo, redo);
  useKeys({ undo });
  return (
    <>
      {firstProblem ? <FieldError id="draft-error" message={firstProblem[1]} /> : null}
      <View style={styles.foot}>
        <UndoButtons {...{ undo, redo, canUndo, canRedo }} />
        <PrimaryAction
          label={after > 0 ? say('Save version {after, number}', { after: after + 1 }) : 'Save the formula'}
          onPress={onSave}
          disabled={!formula}
          style={styles.save}
        />
      </View>
    </>
  );
}

/** The figure that is explained. */
function useFigure() {
  const [figure, setFigure] = useState<FormulaFigure | null>(null);
  const closeWhy = useCallback(() => setFigure(null), []);
  return { figure, setFigure, closeWhy };
}

function Editor({ entries, foods, id }: EditorProps) {
  const router = useRouter();
  const wide = useWide();
  const store = draftStore(id);
  const { after, reason } = useDraft(store);
  const { draft, formula, facts, kitchen } = useEditing();
  const [tab, setTab] = useState<Tab>('shares');
  const [saving, setSaving] = useState(false);
  const { figure, setFigure, closeWhy } = useFigure();
  const entry = entries.find((candidate) => candidate.formula.id === id);
  const base = entry && after > 0 ? { ...entry.formula, version: after } : null;
  const taken = useMemo(() => new Set(entries.map((candidate) => candidate.formula.id)), [entries]);
  const leave = (to: string) => {
    dropDraft(id);
    router.replace(`/formulas/${to}`);
  };
  const giveUp = () => {
    dropDraft(id);
    router.replace(entry ? `/formulas/${id}` : '/formulas');
  };
  const Part = PARTS[tab];
  const part = <Part />;
  const discard = <DeleteAction label="Discard changes" means="discard the changes" onPress={giveUp} />;
  return (
    <Screen
      eyebrow={
        after > 0 ? say('Working on version {after, number}, not saved', { after }) : 'New formula, not saved'
      }
      title={draft.name}
      foot={<Foot onSave={() => setSaving(true)} {...{ store }} />}
    >
      {wide ? (
        <Columns
          left={
            <>
              <Segments label="Part" value={tab} options={TABS} onChange={setTab} />
              {part}
            </>
          }
          right={
            <>
              <Ticket>
                <FactsStrip large onWhy={setFigure} />
              </Ticket>
              {facts ? (
                <CostTicket facts={facts} currency={kitchen.currency} onWhy={() => setFigure('cost')} />
              ) : null}
              {discard}
            </>
          }
        />
      ) : (
        <>
          <FactsStrip onWhy={setFigure} />
          <Segments label="Part" value={tab} options={TABS} onChange={setTab} />
          {part}
          {discard}
        </>
      )}
      <WhySheet
        why={formula && facts && figure ? explainFormula(formula, facts, figure, kitchen.currency) : null}
        onClose={closeWhy}
      />
      {formula && saving ? (
        <SaveSheet
          open
          formula={formula}
          base={base}
          reason={reason}
          foods={foods}
          takenIds={taken}
          onSaved={leave}
          onTakeTheirs={giveUp}
          onClose={() => setSaving(false)}
        />
      ) : null}
    </Screen>
  );
}

function Opened({ entries, foods, kitchen, id }: EditorProps & { kitchen: Kitchen }) {
  const entry = entries.find((candidate) => candidate.formula.id === id);
  // Opened once: when the work is saved or given up, the page is left and must not be opened again.
  const [store] = useState(() => (entry ? openDraft(entry.formula, entry.formula.version) : draftStore(id)));
  const { draft } = useDraft(store);
  if (!draft) {
    return (
      <Screen title="Formula">
        {entry ? null : <Notice title="Formula not found" text="This formula is not in this kitchen." />}
      </Screen>
    );
  }
  return (
    <EditingScope store={store} draft={draft} foods={foods} kitchen={kitchen}>
      <Editor entries={entries} foods={foods} id={id} />
    </EditingScope>
  );
}

/** Works on a formula: shares, method, griddle, the bread. Kept on this device until it is saved as a version. */
export function EditScreen({ id }: { id: string }) {
  const { ready, error, retry } = useBookAndKitchen();
  if (ready)
    return (
      <LeadsPage title="Formula">
        <Opened {...ready} id={id} />
      </LeadsPage>
    );
  return (
    <Screen title="Formula">
      <Waiting what="formula" error={error} onRetry={retry} />
    </Screen>
  );
}
