import { say } from '../../reader/say';
import { useRouter } from 'expo-router';
import { type ComponentType, type ComponentProps, useDeferredValue, useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { useBook, useIngredients } from '../../api/queries';
import { ForLead } from '../../shared/ForLead';
import { Action } from '../../ui/input/actions';
import { Check, Choices } from '../../ui/input/Choices';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Panes } from '../../ui/layout/Panes';
import { Screen } from '../../ui/layout/Screen';
import { SPACE } from '../../ui/tokens';
import { Label } from '../../ui/type';
import { useFindKey } from '../../ui/input/useFindKey';
import { useWide } from '../../ui/layout/useWide';
import { VirtualList } from '../../ui/layout/VirtualList';
import { WordField } from '../../ui/input/WordField';
import type { BringIn } from './BringIn';
import type { FormulaPage } from './FormulaPage';
import { FormulaTicket } from './FormulaTicket';
import type { TakeBook } from './TakeOut';
import { SORTS, indexBook, useBookView, orderBook, viewBook } from './bookView';

const TICKET_PX = 176;
/** A shorter book is seen at a glance and needs no finding. */
const FIND_FROM = 4;

const styles = StyleSheet.create({ tools: { gap: SPACE.s } });

/** What the book shows beside its tickets; it comes after them. */
interface Parts {
  FormulaPage: ComponentType<ComponentProps<typeof FormulaPage>>;
  BringIn: ComponentType<ComponentProps<typeof BringIn>>;
  TakeBook: ComponentType<ComponentProps<typeof TakeBook>>;
}

/** Find, order, and the formulas that were put away. */
function BookTools({ putAway }: { putAway: number }) {
  const { find, sort, archived } = useBookView();
  return (
    <View style={styles.tools}>
      <WordField
        name="find"
        label="Find by name or ingredient"
        value={find}
        onText={(text) => useBookView.setState({ find: text })}
      />
      <Choices
        quiet
        label="Order"
        value={sort}
        options={SORTS}
        onChange={(next) => useBookView.setState({ sort: next })}
      />
      {putAway > 0 || archived ? (
        <Check
          label={say('Archived ({putAway, number})', { putAway })}
          value={archived}
          onChange={(next) => useBookView.setState({ archived: next })}
        />
      ) : null}
    </View>
  );
}

/** The formula book: write, find, and open; tickets, and the page of one beside them where there is room. */
export function FormulasScreen({ id, parts }: { id?: string | undefined; parts: Parts }) {
  const wide = useWide();
  const router = useRouter();
  const book = useBook();
  const ingredients = useIngredients();
  const view = useBookView();
  useFindKey('find');
  const foods = ingredients.data;
  const index = useMemo(() => (book.data && foods ? indexBook(book.data, foods) : []), [book.data, foods]);
  const find = useDeferredValue(view.find);
  const { sort, archived } = view;
  const ordered = useMemo(() => orderBook(index, sort), [index, sort]);
  const shown = useMemo(() => viewBook(ordered, { find, archived }), [ordered, find, archived]);

  if (!book.data || !foods) {
    const retry = () => void Promise.all([book.refetch(), ingredients.refetch()]);
    return (
      <Screen title="Formulas">
        <Waiting what="formulas" error={book.error ?? ingredients.error} onRetry={retry} />
      </Screen>
    );
  }
  const entries = book.data;
  const putAway = entries.filter((entry) => entry.archived).length;
  const chosen = entries.find(
    ({ formula }) => formula.id === (id ?? (wide ? shown[0]?.formula.id : undefined)),
  );
  const list = (
    <Screen title="Formulas">
      <ForLead>
        <Action icon="write" label="Write a formula" onPress={() => router.push('/write')} />
      </ForLead>
      {entries.length >= FIND_FROM ? <BookTools putAway={putAway} /> : null}
      {entries.length === 0 ? (
        <Notice title="The book is empty" text="Write a formula down, or import a file, to begin." />
      ) : (
        <>
          {view.find ? (
            <Label>
              {say('{length, number} of {length2, number}', {
                length: shown.length,
                length2: entries.length,
              })}
            </Label>
          ) : null}
          <VirtualList
            label="Formulas"
            items={shown}
            keyOf={({ formula }) => formula.id}
            rowPx={TICKET_PX}
            gap={SPACE.m}
            row={({ formula }) => (
              <FormulaTicket formula={formula} ingredients={foods} here={formula === chosen?.formula} />
            )}
          />
        </>
      )}
      <ForLead>
        <parts.BringIn entries={entries} foods={foods} />
      </ForLead>
      <parts.TakeBook entries={entries} foods={foods} />
      <Action icon="bench" label="Ingredients and prices" onPress={() => router.push('/ingredients')} />
    </Screen>
  );
  const page = chosen ? (
    <parts.FormulaPage key={chosen.formula.id} entry={chosen} entries={entries} ingredients={foods} />
  ) : id ? (
    <Screen title="Formulas">
      <Notice title="Formula not found" text="This formula is not in this kitchen." />
    </Screen>
  ) : null;
  return <Panes list={list} page={page} asked={id !== undefined} />;
}
