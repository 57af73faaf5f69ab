import { formatMoney, formatPercent } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import {
  type Formula,
  type FormulaFacts,
  type SwapResult,
  formulaFacts,
  substitute,
  swapsFor,
} from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { InputError } from '@kettle-scale/core/message';

import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useBookAndKitchen } from '../../api/queries';
import { LeadsPage } from '../../shared/ForLead';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { FoodPicker } from '../../shared/FoodPicker';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Columns } from '../../ui/layout/Columns';
import { Screen } from '../../ui/layout/Screen';
import { Segments } from '../../ui/input/Segments';
import { FieldError } from '../../ui/input/Field';
import { Table } from '../../ui/layout/Table';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useWide } from '../../ui/layout/useWide';
import { SaveSheet } from './SaveSheet';

const SHARES = [
  ['0.25', '25 %'],
  ['0.5', '50 %'],
  ['0.75', '75 %'],
  ['1', 'all of it'],
] as const;
type Share = (typeof SHARES)[number][0];

const styles = StyleSheet.create({
  stack: { gap: SPACE.m },
});

/** Before and after side by side: every line, and what the dough comes to. */
function SideBySide({
  before,
  after,
  currency,
}: {
  before: FormulaFacts;
  after: FormulaFacts;
  currency: string | undefined;
}) {
  const format = useFormat();
  const names = [
    ...new Map([...before.lines, ...after.lines].map(({ ingredient, food }) => [ingredient, food.name])),
  ];
  const share = (facts: FormulaFacts, ingredient: string) => {
    const lines = facts.lines.filter((line) => line.ingredient === ingredient);
    return lines.length > 0
      ? formatPercent(
          lines.reduce((sum, { fraction }) => sum + fraction, 0),
          1,
        )
      : '–';
  };
  const row = (label: string, of: (facts: FormulaFacts) => string) => [label, of(before), of(after)];
  return (
    <Table
      label="Before and after"
      columns={['of flour', 'before', 'after']}
      rows={[
        ...names.map(([ingredient, name]) => row(name, (facts) => share(facts, ingredient))),
        row('Effective hydration', ({ totals }) => formatPercent(totals.hydration, 1)),
        row('Effective fat', ({ totals }) => formatPercent(totals.fat, 1)),
        row('Salt', ({ totals }) => formatPercent(totals.salt, 2)),
        row('Dough', ({ doughG }) => format.mass(doughG)),
        row('Disc', ({ relaxed }) => format.length(relaxed.diameterMm)),
        row('Cost of a piece', ({ cost }) => formatMoney(cost.perPiece, currency)),
      ]}
    />
  );
}

interface SwapperProps {
  formula: Formula;
  foods: readonly Ingredient[];
  kitchen: Kitchen;
  takenIds: ReadonlySet<string>;
}

/** What gives way to what, how much of it, and the formula that follows. */
function useSwap({ formula, foods, kitchen }: Omit<SwapperProps, 'takenIds'>) {
  const before = useMemo(() => formulaFacts(formula, foods, kitchen), [formula, foods, kitchen]);
  const lines = before.lines.filter(({ food }) => swapsFor(food, foods).length > 0);
  const [lineId, setLineId] = useState<string | null>(null);
  const [to, setTo] = useState<Ingredient | null>(null);
  const [share, setShare] = useState<Share>('1');
  const [way, setWay] = useState<'keep' | 'weight'>('keep');
  const line = lines.find(({ id }) => id === lineId);
  const result = useMemo((): SwapResult | string | null => {
    if (!lineId || !to) return null;
    try {
      return substitute(formula, { lineId, to: to.id, share: Number(share), keep: way === 'keep' }, foods);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return say(error.problems[0]?.message ?? '');
    }
  }, [formula, foods, lineId, to, share, way]);
  const done = typeof result === 'object' ? result : null;
  const after = useMemo(
    () => (done ? formulaFacts(done.formula, foods, kitchen) : null),
    [done, foods, kitchen],
  );
  const giveWay = (id: string) => {
    setLineId(id);
    setTo(null);
  };
  return {
    before,
    after,
    lines,
    line,
    lineId,
    giveWay,
    to,
    setTo,
    share,
    setShare,
    way,
    setWay,
    result,
    done,
  };
}

type Swap = ReturnType<typeof useSwap>;

/** What gives way, to what, and what stays as it is. */
function SwapQuestion({ swap, onPick }: { swap: Swap; onPick: () => void }) {
  const { lines, line, lineId, giveWay, to, share, setShare, way, setWay, result } = swap;
  return (
    <Ticket>
      <Heading>Replace an ingredient</Heading>
      <Choices
        quiet
        label="Ingredient to replace"
        value={lineId}
        options={lines.map(({ id, food, fraction }) => [
          id,
          sayAll([food.name, { share: fraction, decimals: 1 }], ' '),
        ])}
        onChange={giveWay}
      />
      {line ? (
        <Action
          icon="swap"
          label={to ? say('For it: {name}', { name: to.name }) : 'Choose a replacement'}
          onPress={onPick}
        />
      ) : null}
      {to ? (
        <>
          <Segments labelled label="How much of it" value={share} options={SHARES} onChange={setShare} />
          <Segments
            labelled
            label="What stays"
            value={way}
            options={[
              ['keep', 'Water and fat'],
              ['weight', 'The weight'],
            ]}
            onChange={setWay}
          />
        </>
      ) : null}
      {typeof result === 'string' ? <FieldError id="swap-error" message={result} /> : null}
    </Ticket>
  );
}

interface SwapAnswerProps {
  done: SwapResult;
  before: FormulaFacts;
  after: FormulaFacts;
  currency: string | undefined;
}

/** What follows from the swap, and both side by side. */
function SwapAnswer({ done, before, after, currency }: SwapAnswerProps) {
  return (
    <View style={styles.stack} role="region" aria-label={say('Before and after')}>
      <Ticket>
        <Heading>What follows</Heading>
        {done.consequences.length > 0 ? (
          done.consequences.map((words) => <Body key={say(words)}>{words}</Body>)
        ) : (
          <Body>Nothing you would notice.</Body>
        )}
        {after.warnings.map(({ measure, message }) => (
          <Body key={measure} tone="plum">
            {message}
          </Body>
        ))}
      </Ticket>
      <Ticket>
        <SideBySide before={before} after={after} currency={currency} />
      </Ticket>
    </View>
  );
}

function Swapper({ formula, foods, kitchen, takenIds }: SwapperProps) {
  const router = useRouter();
  const wide = useWide();
  const swap = useSwap({ formula, foods, kitchen });
  const { line, to, setTo, done, after, before } = swap;
  const [picking, setPicking] = useState(false);
  const [saving, setSaving] = useState(false);
  const back = () => router.replace(`/formulas/${formula.id}`);

  const question = <SwapQuestion swap={swap} onPick={() => setPicking(true)} />;
  const answer =
    done && after ? <SwapAnswer {...{ done, before, after }} currency={kitchen.currency} /> : null;
  return (
    <Screen
      eyebrow={say('{name} · version {version, number}', { name: formula.name, version: formula.version })}
      title="Swap an ingredient"
      foot={
        <PrimaryAction
          label={say('Save as version {version, number}', { version: formula.version + 1 })}
          disabled={!done}
          onPress={() => setSaving(true)}
        />
      }
    >
      {wide ? (
        <Columns left={question} right={answer} />
      ) : (
        <>
          {question}
          {answer}
        </>
      )}
      <FoodPicker
        open={picking}
        title={say('In place of {name}', { name: line?.food.name.toLowerCase() ?? '' })}
        foods={line ? swapsFor(line.food, foods) : []}
        onPick={(food) => {
          setTo(food);
          setPicking(false);
        }}
        onClose={() => setPicking(false)}
      />
      {done && to && line && saving ? (
        <SaveSheet
          open
          formula={done.formula}
          base={formula}
          reason={say('{name} for {name2}', { name: to.name, name2: { lower: line.food.name } })}
          foods={foods}
          takenIds={takenIds}
          onSaved={(id) => router.replace(`/formulas/${id}`)}
          onTakeTheirs={back}
          onClose={() => setSaving(false)}
        />
      ) : null}
    </Screen>
  );
}

/** One ingredient for another, with its consequences before and after, saved as a new version. */
export function SwapScreen({ id }: { id: string }) {
  const { ready, error, retry } = useBookAndKitchen();
  const formula = ready?.entries.find((entry) => entry.formula.id === id)?.formula;
  if (ready && formula) {
    const takenIds = new Set(ready.entries.map((entry) => entry.formula.id));
    return (
      <LeadsPage title="Swap an ingredient">
        <Swapper formula={formula} foods={ready.foods} kitchen={ready.kitchen} takenIds={takenIds} />
      </LeadsPage>
    );
  }
  return (
    <Screen title="Swap an ingredient">
      {ready ? (
        <Notice title="Formula not found" text="This formula is not in this kitchen." />
      ) : (
        <Waiting what="formula" error={error} onRetry={retry} />
      )}
    </Screen>
  );
}
