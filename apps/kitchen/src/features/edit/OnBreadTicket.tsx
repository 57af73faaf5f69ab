import { say } from '../../reader/say';
import {
  type Formula,
  ON_BREAD_WHEN,
  type OnBreadWhen,
  freeId,
  resolveOnBread,
} from '@kettle-scale/core/formula';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Action } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { FoodPicker } from '../../shared/FoodPicker';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { DraftFigure } from './fields';
import { useEditing } from './editing';

const MOST_ON_BREAD = 12;
const USUAL_G = 2;
const PERCENT = 100;
const WHENS = ON_BREAD_WHEN.map((when) => [when, when] as const);

const styles = StyleSheet.create({ line: { gap: SPACE.s } });

/** One of them: how much, and when. */
function OnBreadFields({ line, index }: { line: NonNullable<Formula['onBread']>[number]; index: number }) {
  const { edit, foodOf } = useEditing();
  const name = foodOf(line.ingredient)?.name ?? line.ingredient;
  return (
    <View style={styles.line}>
      <Strong>{name}</Strong>
      <DraftFigure
        label={say('{name}, a piece', { name })}
        path={`onBread[${index}].gPerPiece`}
        unit="g"
        decimals={2}
        value={line.gPerPiece}
        set={(d, value) => {
          const found = d.onBread?.[index];
          if (found) found.gPerPiece = value;
        }}
      />
      <Choices<OnBreadWhen>
        label={say('When the {name} goes on', { name: { lower: name } })}
        value={line.when}
        options={WHENS}
        onChange={(when) =>
          edit((d) => {
            const found = d.onBread?.[index];
            if (found) found.when = when;
          })
        }
      />
      <DraftFigure
        label={say('{name}, on how many of the pieces', { name })}
        path={`onBread[${index}].share`}
        unit="%"
        shown={PERCENT}
        decimals={0}
        value={line.share ?? 1}
        set={(d, value) => {
          const found = d.onBread?.[index];
          if (found) found.share = value < 1 ? value : undefined;
        }}
      />
      <Action
        label={say('Remove {name}', { name: { lower: name } })}
        icon="trash"
        onPress={() => edit((d) => void d.onBread?.splice(index, 1))}
      />
    </View>
  );
}

/** What goes on the bread and not into the dough: by the piece, at its moment. It counts in cost and allergens. */
export function OnBreadTicket() {
  const { draft, edit, foods, formula } = useEditing();
  const format = useFormat();
  const [adding, setAdding] = useState(false);
  const lines = draft.onBread ?? [];
  const implied = formula ? resolveOnBread(formula, foods).filter(({ assumed }) => assumed) : [];
  return (
    <Ticket>
      <Heading>On the bread</Heading>
      <Body tone="soot">
        Butter, oil, a topping, flour on the bench, salt water on the pan: grams a piece. It counts in cost
        and allergens, not in the dough.
      </Body>
      {lines.map((line, index) => (
        <OnBreadFields key={line.id} {...{ line, index }} />
      ))}
      {implied.map(({ id, food, gPerPiece, when }) => (
        <Body key={id} tone="plum">
          {say(
            '{name}, {when}: the method says so and no amount is named. {mass} a piece is assumed until you add it.',
            { name: food.name, when, mass: format.mass(gPerPiece, 0.1) },
          )}
        </Body>
      ))}
      <Action
        label="Add to the bread"
        icon="plus"
        disabled={lines.length >= MOST_ON_BREAD}
        onPress={() => setAdding(true)}
      />
      <FoodPicker
        open={adding}
        title="On the bread"
        foods={foods}
        onClose={() => setAdding(false)}
        onPick={(food) => {
          setAdding(false);
          edit((d) => {
            const taken = new Set([...d.lines, ...(d.onBread ?? [])].map(({ id }) => id));
            const when: OnBreadWhen = food.kind === 'flour' ? 'on the bench' : 'after the turn';
            d.onBread = [
              ...(d.onBread ?? []),
              {
                id: freeId(`on-${food.id}`.slice(0, 50), taken),
                ingredient: food.id,
                gPerPiece: USUAL_G,
                when,
              },
            ];
          });
        }}
      />
    </Ticket>
  );
}
