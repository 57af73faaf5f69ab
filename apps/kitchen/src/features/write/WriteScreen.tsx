import { explainSpread } from '@kettle-scale/core/explain';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { InputError } from '@kettle-scale/core/message';
import { listFormula } from '@kettle-scale/core/writing';
import { useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { StyleSheet, View, useWindowDimensions } from 'react-native';
import { replaceDraft } from '../../drafts/drafts';
import { useBookAndKitchen, useSaveFormula, useSaveIngredient } from '../../api/queries';
import { useWriting } from '../../drafts/writing';
import { useToday } from '../../shared/useDays';
import { Action, ActionRow, PrimaryAction } from '../../ui/input/actions';
import { FoodPicker } from '../../shared/FoodPicker';
import { HydrationChart } from '../../shared/chart';
import { spreadText } from '../../shared/spreadText';
import { Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../ui/type';
import { useWide } from '../../ui/layout/useWide';
import { type CupAsked, WeighOnceSheet } from '../../shared/WeighOnceSheet';
import { Ask, WhySheet } from '../../ui/layout/Why';
import { WordField } from '../../ui/input/WordField';
import { UnknownLine, WrittenLine, questionId } from './WrittenLine';
import { useReading } from './useReading';

const REASON = 'Written down';
const EXAMPLE = `2 3/4 cups flour, scooped
½ stick butter
1 to 1¼ cups warm water
pinch of salt`;
const COLUMN_PX = 520;
const TICKET_PADDING = 2 * SPACE.m;

const styles = StyleSheet.create({
  columns: { flexDirection: 'row', gap: SPACE.l, alignItems: 'flex-start' },
  column: { flex: 1, minWidth: 0, gap: SPACE.m },
  stack: { gap: SPACE.m },
});

interface LoadedProps {
  foods: Ingredient[];
  kitchen: Kitchen;
  taken: ReadonlySet<string>;
}

function Writer({ foods, kitchen, taken }: LoadedProps) {
  const today = useToday();
  const router = useRouter();
  const wide = useWide();
  const { width } = useWindowDimensions();
  const { text, name, set, answer: addAnswers, begin } = useWriting();
  const { list, spread, open } = useReading(foods, kitchen.measures ?? 'us');
  const [asking, setAsking] = useState<string | null>(null);
  const [cup, setCup] = useState<CupAsked | null>(null);
  const [why, setWhy] = useState(false);
  const closeWhy = useCallback(() => setWhy(false), []);
  const [problem, setProblem] = useState<string>();
  const save = useSaveFormula();
  const saveFood = useSaveIngredient();
  const closePicker = useCallback(() => setAsking(null), []);
  const closeCup = useCallback(() => setCup(null), []);

  const answer = (key: string, id: string) => addAnswers({ [key]: id });
  const takeUsual = () =>
    addAnswers(Object.fromEntries(list.questions.map(({ key, answers: [first] }) => [key, first?.id ?? ''])));
  const called = name.trim() || list.title || '';
  const make = (): Formula | null => {
    try {
      setProblem(undefined);
      return listFormula(list, { name: called || 'New formula', taken, text, kitchen });
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setProblem(error.problems[0]?.message);
      return null;
    }
  };
  const keep = () => {
    const formula = make();
    if (!formula || save.isPending) return;
    save.mutate(
      { formula, reason: REASON, after: 0 },
      {
        onSuccess: () => {
          begin('', '');
          router.replace(`/formulas/${formula.id}`);
        },
      },
    );
  };
  const work = () => {
    const formula = make();
    if (!formula) return;
    replaceDraft(formula, 0, REASON);
    begin('', '');
    router.replace(`/formulas/${formula.id}/edit`);
  };
  /** The first open question comes to the middle, ready for the thumb. */
  const toNext = () => {
    const keys = [
      ...list.lines.flatMap(({ index, questions }) => questions.map(({ key }) => ({ index, key }))),
      ...list.unknown,
    ];
    const [first] = keys.sort((a, b) => a.index - b.index);
    if (first) document.getElementById(questionId(first.key))?.scrollIntoView({ block: 'center' });
  };
  const paste = () => {
    void navigator.clipboard.readText().then(
      (pasted) => set({ text: text.trim() ? `${text.trimEnd()}\n${pasted}` : pasted }),
      () => setProblem('This browser does not let the app paste by itself: press and hold in the field.'),
    );
  };

  const pictureWidth =
    Math.min(wide ? COLUMN_PX : width, width) - TICKET_PADDING - (wide ? 0 : TICKET_PADDING);
  const ready = open === 0 && list.lines.length > 0;
  const source = (
    <View style={styles.stack}>
      <WordField
        name="list"
        label="One ingredient a line, the way you say it"
        value={text}
        onText={(next) => set({ text: next })}
        rows={wide ? 16 : 7}
        placeholder={EXAMPLE}
      />
      <ActionRow
        actions={[
          { key: 'paste', label: 'Paste', icon: 'paste', onPress: paste },
          {
            key: 'clear',
            label: 'Clear',
            icon: 'close',
            onPress: () => begin('', ''),
            disabled: text === '',
          },
        ]}
      />
      {text ? (
        <WordField
          name="name"
          label="What it is called"
          value={name}
          onText={(next) => set({ name: next })}
          placeholder={list.title ?? 'New formula'}
        />
      ) : null}
    </View>
  );
  const reading = (
    <View style={styles.stack} role="region" aria-label="As understood">
      {spread ? (
        <Ticket>
          <Heading>Hydration, as measured</Heading>
          <Ask onPress={() => setWhy(true)}>
            <Figure value={spreadText(spread)} size={32} tone="water" />
          </Ask>
          <HydrationChart spread={spread} width={pictureWidth} />
        </Ticket>
      ) : null}
      {list.questions.length > 1 ? (
        <Action label="Take the first answer to each question" onPress={takeUsual} />
      ) : null}
      {list.lines.map((line) => (
        <WrittenLine
          key={line.index}
          line={line}
          flourG={list.flourG}
          onAnswer={answer}
          onOther={setAsking}
          onWeigh={setCup}
        />
      ))}
      {list.unknown.map(({ index, text: words, key, ask }) => (
        <UnknownLine
          key={index}
          id={questionId(key)}
          text={words}
          ask={ask}
          onOther={() => setAsking(key)}
          onLeave={() => answer(key, 'leave-out')}
        />
      ))}
      {list.remarks.length > 0 ? (
        <View>
          <Label>Kept as words, not weighed</Label>
          {list.remarks.map(({ index, text: words }) => (
            <Body key={index} tone="soot">
              {words}
            </Body>
          ))}
        </View>
      ) : null}
    </View>
  );
  return (
    <Screen
      eyebrow="New formula"
      title="Write it as you say it"
      foot={
        text ? (
          <>
            {problem ? <FieldError id="write-error" message={problem} /> : null}
            {save.error ? <FieldError id="save-error" message={save.error.message} /> : null}
            {ready ? <Action label="Work on it first" icon="edit" onPress={work} /> : null}
            {open > 0 ? (
              <PrimaryAction
                label={open === 1 ? 'To the last question' : `Next of ${open} questions`}
                onPress={toNext}
              />
            ) : (
              <PrimaryAction label="Put it in the book" onPress={keep} disabled={!ready || save.isPending} />
            )}
          </>
        ) : null
      }
    >
      {wide ? (
        <View style={styles.columns}>
          <View style={styles.column}>{source}</View>
          <View style={styles.column}>{reading}</View>
        </View>
      ) : (
        <>
          {source}
          {reading}
        </>
      )}
      <FoodPicker
        open={asking !== null}
        title="Which ingredient?"
        foods={foods}
        onPick={({ id }) => {
          if (asking) answer(asking, id);
          setAsking(null);
        }}
        onClose={closePicker}
      />
      <WhySheet why={why && spread ? explainSpread(spread) : null} onClose={closeWhy} />
      <WeighOnceSheet
        asked={cup}
        measures={kitchen.measures ?? 'us'}
        today={today}
        onSave={(food) => saveFood.mutate(food, { onSuccess: closeCup })}
        onClose={closeCup}
      />
    </Screen>
  );
}

/** A whole list pasted or typed, as people write it; lines, grams, and the questions that it leaves open. */
export function WriteScreen() {
  const { ready, error, retry } = useBookAndKitchen();
  if (ready) {
    const taken = new Set(ready.entries.map(({ formula }) => formula.id));
    return <Writer foods={ready.foods} kitchen={ready.kitchen} taken={taken} />;
  }
  return (
    <Screen title="Write it as you say it">
      <Waiting what="ingredients" error={error} onRetry={retry} />
    </Screen>
  );
}
