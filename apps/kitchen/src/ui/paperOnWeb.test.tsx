import { cleanup, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import {
  BottomNavigation,
  Checkbox,
  Chip,
  DataTable,
  RadioButton,
  SegmentedButtons,
} from 'react-native-paper';
import { draw } from '../test/liveBatch';
import { Check, Choices } from './input/Choices';
import { Segments } from './input/Segments';
import { Table } from './layout/Table';

const none = () => undefined;
const OPTIONS = [
  ['a', 'First'],
  ['b', 'Second'],
] as const;
const [routes, renderScene] = [[{ key: 'a', title: 'First' }], () => null];

/** Whether a screen reader hears that the drawn part is chosen, ticked or where one is. */
const tells = (part: ReactElement): boolean => {
  draw(part);
  const heard = document.querySelector(
    '[aria-checked="true"], [aria-selected="true"], [aria-pressed="true"], [aria-current], :checked',
  );
  cleanup();
  return heard !== null;
};

// While these hold, the product draws its own on Paper's ripple; when one fails after an upgrade, Paper's may be taken.
test.each([
  ['radio button', <RadioButton.Android key="1" value="a" status="checked" onPress={none} />],
  ['check box', <Checkbox.Android key="2" status="checked" onPress={none} />],
  ['chip', <Chip key="3" selected children="First" onPress={none} />],
  [
    'segmented buttons',
    <SegmentedButtons key="4" value="a" onValueChange={none} buttons={[{ value: 'a', label: 'First' }]} />,
  ],
  [
    'navigation bar',
    <BottomNavigation
      key="5"
      navigationState={{ index: 0, routes }}
      onIndexChange={none}
      {...{ renderScene }}
    />,
  ],
])('Paper’s %s does not tell the web what is chosen', (_, part) => {
  expect(tells(part)).toBe(false);
});

test.each([
  ['choice', <Choices key="1" label="Which" value="a" options={OPTIONS} onChange={none} />],
  ['segment', <Segments key="2" label="Which" value="a" options={OPTIONS} onChange={none} />],
  ['check', <Check key="3" label="So" value onChange={none} />],
])('ours does: %s', (_, part) => {
  expect(tells(part)).toBe(true);
});

test('a row of Paper’s table is no row to a screen reader; ours are, with their cells', () => {
  draw(
    <DataTable.Row>
      <DataTable.Cell>12 g</DataTable.Cell>
    </DataTable.Row>,
  );
  expect(screen.queryByRole('row')).toBeNull();
  expect(screen.queryByRole('cell')).toBeNull();
  cleanup();
  draw(<Table label="Weights" columns={['Line', 'Grams']} rows={[['Flour', '500 g']]} />);
  expect(screen.getByRole('table', { name: 'Weights' })).toBeTruthy();
  expect(screen.getByRole('row', { name: 'Flour 500 g' })).toBeTruthy();
  expect(screen.getByRole('cell', { name: '500 g' })).toBeTruthy();
});
