import { say } from '../../reader/say';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { useCallback, useState } from 'react';
import { useSaveIngredient } from '../../api/changes';
import { useBookAndKitchen } from '../../api/queries';
import { useWriting } from '../../drafts/writing';
import { useToday } from '../../shared/useDays';
import { LeadsPage } from '../../shared/ForLead';
import { Action, PrimaryAction } from '../../ui/input/actions';
import { FoodPicker } from '../../shared/FoodPicker';
import { Waiting } from '../../ui/layout/Notice';
import { Columns } from '../../ui/layout/Columns';
import { Screen } from '../../ui/layout/Screen';
import { FieldError } from '../../ui/input/Field';
import { useWide } from '../../ui/layout/useWide';
import { type CupAsked, WeighOnceSheet } from '../../shared/WeighOnceSheet';
import { questionId } from './WrittenLine';
import { type Reading, useReading } from './useReading';

import { ListSource } from './ListSource';
import { Understood } from './Understood';
import { useKeepList } from './useKeepList';

/** The first open question comes to the middle, ready for the thumb. */
function toFirstQuestion(list: Reading['list']): void {
  const keys = [
    ...list.lines.flatMap(({ index, questions }) => questions.map(({ key }) => ({ index, key }))),
    ...list.unknown,
  ];
  const [first] = keys.sort((a, b) => a.index - b.index);
  if (first) document.getElementById(questionId(first.key))?.scrollIntoView({ block: 'center' });
}

interface LoadedProps {
  foods: Ingredient[];
  kitchen: Kitchen;
  taken: ReadonlySet<string>;
}

function Writer({ foods, kitchen, taken }: LoadedProps) {
  const wide = useWide();
  const { text, answer } = useWriting();
  const { list, spread, open } = useReading(foods, kitchen.measures ?? 'us');
  const [asking, setAsking] = useState<string | null>(null);
  const [cup, setCup] = useState<CupAsked | null>(null);
  const closePicker = useCallback(() => setAsking(null), []);
  const closeCup = useCallback(() => setCup(null), []);
  const { keep, work, problem, setProblem, error, isPending } = useKeepList({ list, kitchen, taken });
  const ready = open === 0 && list.lines.length > 0;
  const source = <ListSource title={list.title} makes={list.pieces} onProblem={setProblem} />;
  const reading = <Understood {...{ list, spread }} onOther={setAsking} onWeigh={setCup} />;
  return (
    <Screen
      eyebrow="New formula"
      title="Write a formula"
      foot={
        text ? (
          <>
            {problem ? <FieldError id="write-error" message={problem} /> : null}
            {error ? <FieldError id="save-error" message={error.message} /> : null}
            {ready ? <Action label="Edit first" icon="edit" onPress={work} /> : null}
            {open > 0 ? (
              <PrimaryAction
                label={
                  open === 1 ? 'To the last question' : say('Next of {open, number} questions', { open })
                }
                onPress={() => toFirstQuestion(list)}
              />
            ) : (
              <PrimaryAction label="Save the formula" onPress={keep} disabled={!ready || isPending} />
            )}
          </>
        ) : null
      }
    >
      {wide ? (
        <Columns left={source} right={reading} />
      ) : (
        <>
          {source}
          {reading}
        </>
      )}
      <WriterSheets
        {...{ foods, kitchen, asking, cup }}
        onPick={(id) => {
          if (asking) answer({ [asking]: id });
        }}
        {...{ closePicker, closeCup }}
      />
    </Screen>
  );
}

interface WriterSheetsProps {
  foods: Ingredient[];
  kitchen: Kitchen;
  asking: string | null;
  cup: CupAsked | null;
  onPick: (id: string) => void;
  closePicker: () => void;
  closeCup: () => void;
}

/** An ingredient chosen from all of them, and a cup weighed once. */
function WriterSheets(props: WriterSheetsProps) {
  const { foods, kitchen, asking, cup, onPick, closePicker, closeCup } = props;
  const today = useToday();
  const saveFood = useSaveIngredient();
  return (
    <>
      <FoodPicker
        open={asking !== null}
        title="Which ingredient?"
        foods={foods}
        onPick={({ id }) => {
          onPick(id);
          closePicker();
        }}
        onClose={closePicker}
      />
      <WeighOnceSheet
        asked={cup}
        measures={kitchen.measures ?? 'us'}
        today={today}
        onSave={(food) => saveFood.mutate(food, { onSuccess: closeCup })}
        onClose={closeCup}
      />
    </>
  );
}

/** A whole list pasted or typed, as people write it; lines, grams, and the questions that it leaves open. */
export function WriteScreen() {
  const { ready, error, retry } = useBookAndKitchen();
  if (ready) {
    const taken = new Set(ready.entries.map(({ formula }) => formula.id));
    return (
      <LeadsPage title="Write a formula">
        <Writer foods={ready.foods} kitchen={ready.kitchen} taken={taken} />
      </LeadsPage>
    );
  }
  return (
    <Screen title="Write a formula">
      <Waiting what="ingredients" error={error} onRetry={retry} />
    </Screen>
  );
}
