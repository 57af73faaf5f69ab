import { StyleSheet, View } from 'react-native';
import { useFormulas, useIngredients } from '../../data/queries';
import { Notice, Waiting } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { SPACE } from '../../ui/tokens';
import { useWide } from '../../ui/useWide';
import { FormulaPage } from './FormulaPage';
import { FormulaTicket } from './FormulaTicket';
import { ImportFormula } from './ImportFormula';

const LIST_WIDTH = 440;

const styles = StyleSheet.create({
  panes: { flex: 1, flexDirection: 'row' },
  list: { width: LIST_WIDTH },
  page: { flex: 1, minWidth: 0 },
  tickets: { gap: SPACE.m },
});

/** The formula book: tickets, and the page of one. Side by side where there is room. */
export function FormulasScreen({ id }: { id?: string | undefined }) {
  const wide = useWide();
  const formulas = useFormulas();
  const ingredients = useIngredients();
  const list = formulas.data;
  const foods = ingredients.data;

  if (!list || !foods) {
    const error = formulas.error ?? ingredients.error;
    const retry = () => void Promise.all([formulas.refetch(), ingredients.refetch()]);
    return (
      <Screen title="Formulas">
        <Waiting what="formulas" error={error} onRetry={retry} />
      </Screen>
    );
  }
  const chosen = list.find((formula) => formula.id === (id ?? (wide ? list[0]?.id : undefined)));
  const book = (
    <Screen title="Formulas">
      {list.length === 0 ? (
        <Notice title="The book is empty" text="Bring in a formula from a file to begin." />
      ) : (
        <View style={styles.tickets}>
          {list.map((formula) => (
            <FormulaTicket key={formula.id} formula={formula} ingredients={foods} here={formula === chosen} />
          ))}
        </View>
      )}
      <ImportFormula />
    </Screen>
  );
  const missing = (
    <Screen title="Formulas">
      <Notice title="Not in the book" text="This formula is not in this kitchen." />
    </Screen>
  );
  if (!wide) {
    if (!id) return book;
    return chosen ? <FormulaPage formula={chosen} ingredients={foods} /> : missing;
  }
  return (
    <View style={styles.panes}>
      <View style={styles.list}>{book}</View>
      <View style={styles.page}>
        {chosen ? <FormulaPage formula={chosen} ingredients={foods} /> : id ? missing : null}
      </View>
    </View>
  );
}
