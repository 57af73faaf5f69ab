import { StyleSheet, View } from 'react-native';
import { useWhose } from '../api/whose';
import { Action, PrimaryAction } from '../ui/input/actions';
import { Sheet } from '../ui/layout/Sheet';
import { Table } from '../ui/layout/Table';
import { SPACE } from '../ui/tokens';
import { Body, Heading } from '../ui/type';
import { fieldWords, valueWords } from './fieldWords';

const COLUMNS = ['Field', 'Before', 'Yours', 'Theirs'] as const;

const styles = StyleSheet.create({ parts: { gap: SPACE.m } });

/**
 * What two people changed to different values at the same time, side by side: whoever saves last says whose stays. What they
 * changed elsewhere is saved both ways. Closed without an answer, nothing is saved, and the form keeps what was typed.
 */
export function WhoseSheet() {
  const { asked } = useWhose();
  if (!asked) return null;
  const { differences, answer } = asked;
  return (
    <Sheet open onClose={() => answer(null)} label="Somebody saved meanwhile">
      <View style={styles.parts}>
        <Heading>Somebody saved meanwhile</Heading>
        <Body>Both of you changed this. Everything else of both is saved.</Body>
        <Table
          label="Where the two differ"
          columns={COLUMNS}
          rows={differences.map(({ path, before, mine, theirs }) => [
            fieldWords(path),
            ...[before, mine, theirs].map((value) => valueWords(path, value)),
          ])}
        />
        <PrimaryAction label="Save yours" onPress={() => answer('mine')} />
        <Action label="Take theirs" onPress={() => answer('theirs')} />
      </View>
    </Sheet>
  );
}
