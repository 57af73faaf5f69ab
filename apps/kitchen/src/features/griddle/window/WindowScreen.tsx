import { say } from '../../../reader/say';
import { type BakeWindow, CODES, EDGE_WORDS, reachWords, thicknessSdMm } from '@kettle-scale/core/bake';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { WorkProgress } from '../../../shared/WorkProgress';
import { useWork } from '../../../workers/useWork';
import { Action } from '../../../ui/input/actions';
import { WindowPicture } from '../../../shared/chart';
import { Choices } from '../../../ui/input/Choices';
import { Waiting } from '../../../ui/layout/Notice';
import { Screen } from '../../../ui/layout/Screen';
import { Table } from '../../../ui/layout/Table';
import { Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { Body, Heading, Label } from '../../../ui/type';
import { useGriddleChoice } from '../../../shared/griddleChoice';
import { useGriddleSubject } from '../useGriddle';
import { useFormat } from '../../../ui/useFormat';

const KINDS = CODES.map((name) => ({ name, words: name === 'good' ? 'good bread' : EDGE_WORDS[name] }));
/** Every so many rows and columns stand in the table. */
const TABLE_ROWS = 4;
const TABLE_COLUMNS = 8;

const styles = StyleSheet.create({ stack: { gap: SPACE.m } });

type Format = ReturnType<typeof useFormat>;

function tableOf({ heatsC, thicknessesMm, codes, firstS, lastS }: BakeWindow, format: Format) {
  const columns = heatsC.flatMap((_, c) => (c % TABLE_COLUMNS === TABLE_COLUMNS / 2 ? [c] : []));
  const cell = (i: number) => {
    const name = CODES[codes[i] ?? 0] ?? 'good';
    return name === 'good'
      ? `${Math.round(firstS[i] ?? 0)} + ${Math.round(lastS[i] ?? 0)}`
      : EDGE_WORDS[name];
  };
  return {
    columns: [format.unitOf('mm'), ...columns.map((c) => format.temp(heatsC[c] ?? 0))],
    rows: thicknessesMm.flatMap((mm, r) =>
      r % TABLE_ROWS === 0
        ? [[format.thicknessFigure(mm).value, ...columns.map((c) => cell(r * heatsC.length + c))]]
        : [],
    ),
  };
}

/** Heat × thickness: where good bread is, computed in the background, with the table behind it. */
export function WindowScreen() {
  const { subject, error, retry } = useGriddleSubject();
  const set = useGriddleChoice((state) => state.set);
  const [wanted, setWanted] = useState(true);
  const [asTable, setAsTable] = useState(false);
  const format = useFormat();
  const work = useWork('window', subject && wanted ? { request: subject.request } : null);
  const reach = useWork(
    'reach',
    subject
      ? { request: subject.request, seconds: subject.formula.bake.sides.map(({ seconds }) => seconds) }
      : null,
  );
  if (!subject) {
    return (
      <Screen title="Heat and thickness">
        <Waiting what="the griddle" error={error} onRetry={retry} />
      </Screen>
    );
  }
  const { formula, formulas, plateC, thicknessMm, spreads } = subject;
  const busy = work.isFetching;
  const window = work.data;
  return (
    <Screen eyebrow={formula.name} title="Heat and thickness">
      <Ticket>
        {window && !work.isPlaceholderData ? (
          asTable ? (
            <Table
              label="Seconds of the first and the last side, or what goes wrong"
              {...tableOf(window, format)}
            />
          ) : (
            <WindowPicture
              window={window}
              kinds={KINDS}
              here={{ plateC, thicknessMm, sdC: spreads.plateC, sdMm: thicknessSdMm(spreads, thicknessMm) }}
            />
          )
        ) : work.error ? (
          <Waiting what="the picture" error={work.error} onRetry={() => void work.refetch()} />
        ) : (
          <View role="status" style={styles.stack}>
            <Heading>{busy ? 'Baking some 450 breads to find the edges …' : 'Stopped'}</Heading>
            <WorkProgress of="window" label="Breads baked for the picture" size={64} />
            <Action label={busy ? 'Stop' : 'Go on'} onPress={() => setWanted((was) => !was)} />
          </View>
        )}
        {window && !busy ? (
          <Action label={asTable ? 'As a picture' : 'As a table'} onPress={() => setAsTable((was) => !was)} />
        ) : null}
        <Label>
          Lines: earliest seconds of the first side. The cross is your plate and thickness, the ring holds 19
          of 20 pieces.
        </Label>
      </Ticket>
      {reach.data ? (
        <Ticket>
          <Heading>
            {say('With {map}', {
              map: { list: formula.bake.sides.map(({ seconds }) => `${seconds} s`), glue: ' + ' },
            })}
          </Heading>
          <Body>{reachWords(reach.data.heat, 'heat')}</Body>
          <Body>{reachWords(reach.data.thickness, 'thickness')}</Body>
        </Ticket>
      ) : null}
      <Choices
        label="Bread"
        value={formula.id}
        options={formulas.map(({ id, name }) => [id, name] as const)}
        onChange={(formulaId) => set({ formulaId, plateC: null, thicknessMm: null })}
      />
    </Screen>
  );
}
