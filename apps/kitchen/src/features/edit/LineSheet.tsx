import { say } from '../../reader/say';
import {
  type DraftLine,
  moveLine,
  removeLine,
  setIngredient,
  setLate,
  setNote,
} from '@kettle-scale/core/formula';
import { useState } from 'react';
import { endGroup } from '../../drafts/drafts';
import { Action, ActionRow } from '../../ui/input/actions';
import { FoodPicker } from '../../shared/FoodPicker';
import { Check } from '../../ui/input/Choices';
import { Sheet } from '../../ui/layout/Sheet';
import { Body, Heading } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';
import { useEditing } from './editing';

interface LineSheetProps {
  line: DraftLine | null;
  onClose: () => void;
}

/** What can be done with one line besides its figures. */
export function LineSheet({ line, onClose }: LineSheetProps) {
  const { draft, foods, foodOf, replace } = useEditing();
  const [picking, setPicking] = useState(false);
  const at = draft.lines.findIndex(({ id }) => id === line?.id);
  const now = draft.lines[at];
  const food = now && foodOf(now.ingredient);
  const move = (to: number) => {
    if (now) replace((before) => ({ ...before, lines: moveLine(before.lines, now.id, to) }));
  };
  return (
    <>
      <Sheet open={now !== undefined && !picking} onClose={onClose} label={food?.name ?? 'Line'}>
        {now ? (
          <>
            <Heading>{food?.name ?? now.ingredient}</Heading>
            {food?.note ? <Body>{food.note}</Body> : null}
            <WordField
              name="line-note"
              label="Note on the line"
              value={now.note ?? ''}
              onText={(text) =>
                replace(
                  (before) => ({ ...before, lines: setNote(before.lines, now.id, text) }),
                  say('note {id}', { id: now.id }),
                )
              }
              onDone={endGroup}
            />
            {food?.kind === 'leavener' ? null : (
              <Check
                label="goes in late: worked in when the dough is kneaded again"
                value={now.late ?? false}
                onChange={(late) => replace((before) => setLate(before, now.id, late))}
              />
            )}
            <ActionRow
              actions={[
                { key: 'up', label: 'Up', icon: 'up', onPress: () => move(at - 1), disabled: at <= 0 },
                {
                  key: 'down',
                  label: 'Down',
                  icon: 'down',
                  onPress: () => move(at + 1),
                  disabled: at >= draft.lines.length - 1,
                },
              ]}
            />
            <Action label="Another ingredient, same weight" icon="swap" onPress={() => setPicking(true)} />
            <Action
              label="Remove"
              icon="trash"
              onPress={() => {
                replace((before) => ({ ...before, lines: removeLine(before.lines, now.id) }));
                onClose();
              }}
            />
          </>
        ) : null}
      </Sheet>
      <FoodPicker
        open={picking}
        title="Which ingredient instead?"
        foods={foods}
        onPick={({ id }) => {
          if (now) replace((before) => ({ ...before, lines: setIngredient(before.lines, now.id, id) }));
          setPicking(false);
          onClose();
        }}
        onClose={() => setPicking(false)}
      />
    </>
  );
}
