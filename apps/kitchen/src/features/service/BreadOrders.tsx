import { say } from '../../reader/say';
import { StyleSheet, View } from 'react-native';
import { ActionRow } from '../../ui/input/actions';
import { SPACE } from '../../ui/tokens';
import { TextCell } from './TextCell';
import { type OrderText, type ServiceForm, clockProblem } from './serviceForm';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
});

/** Pieces of a new order, until somebody says how many. */
const FIRST_PIECES = '10';

interface OrdersProps {
  form: ServiceForm;
  /** Of the bread in the form. */
  index: number;
  name: string;
  orders: readonly OrderText[];
  onChange: (orders: OrderText[]) => void;
}

/** Pieces that somebody asked for at a time. */
export function BreadOrders({ form: { text, problem }, index, name, orders, onChange }: OrdersProps) {
  const change = (at: number, changes: Partial<OrderText>) =>
    onChange(orders.map((one, other) => (other === at ? { ...one, ...changes } : one)));
  return (
    <>
      {orders.map((one, at) => {
        const path = `breads.${index}.orders.${at}`;
        const which = orders.length > 1 ? ` ${at + 1}` : '';
        return (
          <View key={at} style={styles.row}>
            <TextCell
              name={`${path}.at`}
              label={say('Order{which}, at', { which })}
              value={one.at}
              onText={(typed) => change(at, { at: typed })}
              error={clockProblem(one.at, problem(`${path}.at`))}
            />
            <TextCell
              name={`${path}.pieces`}
              label={say('Order{which}, pieces', { which })}
              value={one.pieces}
              onText={(typed) => change(at, { pieces: typed })}
              error={problem(`${path}.pieces`)}
            />
          </View>
        );
      })}
      <ActionRow
        actions={[
          {
            key: 'order',
            label: 'Add an order',
            hint: say('Add an order of {name}', { name }),
            onPress: () => onChange([...orders, { at: text.serviceFrom, pieces: FIRST_PIECES }]),
          },
          {
            key: 'no-order',
            label: 'Remove an order',
            hint: say('Remove an order of {name}', { name }),
            disabled: orders.length === 0,
            onPress: () => onChange(orders.slice(0, -1)),
          },
        ]}
      />
    </>
  );
}
