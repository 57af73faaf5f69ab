import { say } from '../../reader/say';
import type { Formula } from '@kettle-scale/core/formula';
import { useState } from 'react';
import { View } from 'react-native';
import { create } from 'zustand';
import { type FindWords, ROOT, findAddress } from '../../api/api';
import { useFlourLots, useKitchen } from '../../api/queries';
import { ActionRow } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { SPACE } from '../../ui/tokens';
import { Label } from '../../ui/type';
import { SearchField } from '../../ui/input/SearchField';
import { DayField, isDay } from '../../ui/input/DayField';

interface FindState {
  find: FindWords;
  change: (changes: FindWords) => void;
  clear: () => void;
}

/** What the log is searched by, kept while the app is open: from a batch one comes back to the same list. */
export const useFind = create<FindState>()((set) => ({
  find: {},
  change: (changes) => set(({ find }) => ({ find: { ...find, ...changes } })),
  clear: () => set({ find: {} }),
}));

const RESULTS = ['good', 'some rejects', 'many rejects', 'abandoned', 'running'] as const;
/** A day of the search; only a whole one is asked for. */
function FindDay({ name, label, onDay }: { name: string; label: string; onDay: (day: string) => void }) {
  const [text, setText] = useState('');
  const put = (typed: string) => {
    setText(typed);
    if (typed === '' || isDay(typed)) onDay(typed);
  };
  return <DayField {...{ name, label }} value={text} onText={put} style={{ flex: 1 }} />;
}

/** Finds batches by words, formula, lot, cook, day and result; and takes what was found away as a file. */
export function FindLog({ formulas }: { formulas: readonly Formula[] }) {
  const { find, change, clear } = useFind();
  const lots = useFlourLots();
  const { cooks = [] } = useKitchen().data ?? {};
  const [more, setMore] = useState(false);
  const { formula = '', lot = '', cook = '', result = '' } = find;
  const used = Object.values(find).filter(Boolean).length;
  const { text: _text, ...rest } = find;
  const narrowed = Object.values(rest).filter(Boolean).length;
  const file = (kind: 'csv' | 'json') => {
    window.location.assign(`${ROOT}/log.${kind}?${findAddress(find)}`);
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <SearchField
        name="find-log"
        label="Find in notes, names and reasons"
        example="Find: salty, torn, quay …"
        value={find.text ?? ''}
        onText={(text) => change({ text })}
      />
      <ActionRow
        actions={[
          {
            key: 'more',
            label: more
              ? 'Fewer filters'
              : narrowed > 0
                ? say('Filters: {narrowed, number}', { narrowed })
                : 'Filters',
            onPress: () => setMore(!more),
          },
          { key: 'clear', label: 'Show all', onPress: clear, disabled: used === 0 },
        ]}
      />
      {more ? (
        <View style={{ gap: SPACE.m }}>
          <Choices
            label="Formula"
            value={formula}
            options={[['', 'any'], ...formulas.map(({ id, name }) => [id, name] as const)]}
            onChange={(value) => change({ formula: value })}
          />
          <Choices
            label="Flour lot"
            value={lot}
            options={[['', 'any'], ...(lots.data ?? []).map(({ id, name }) => [id, name] as const)]}
            onChange={(value) => change({ lot: value })}
          />
          {cooks.length > 0 ? (
            <Choices
              label="Cook"
              value={cook}
              options={[['', 'any'], ...cooks.map(({ id, name }) => [id, name] as const)]}
              onChange={(value) => change({ cook: value })}
            />
          ) : null}
          <Choices
            label="Result"
            value={result}
            options={[['', 'any'], ...RESULTS.map((name) => [name, name] as const)]}
            onChange={(value) => change({ result: value })}
          />
          <View style={{ flexDirection: 'row', gap: SPACE.s }}>
            <FindDay name="find-from" label="From the day" onDay={(from) => change({ from })} />
            <FindDay name="find-to" label="To the day" onDay={(to) => change({ to })} />
          </View>
          <Label>What is found, as a file:</Label>
          <ActionRow
            actions={[
              { key: 'csv', label: 'CSV table', icon: 'download', onPress: () => file('csv') },
              { key: 'json', label: 'JSON', icon: 'download', onPress: () => file('json') },
            ]}
          />
        </View>
      ) : null}
    </View>
  );
}
