import { figure, formatDay } from '../../reader/figures';
import { say } from '../../reader/say';

import type { FlourLot, LotState } from '@kettle-scale/core/flourLot';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { useCallback, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSaveFlourLot } from '../../api/changes';
import { useFlourLots, useIngredients, useKitchen } from '../../api/queries';
import { ForLead } from '../../shared/ForLead';
import { useDays } from '../../shared/useDays';
import { Action, ActionRow } from '../../ui/input/actions';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { Screen } from '../../ui/layout/Screen';
import { Sheet } from '../../ui/layout/Sheet';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { Heading, Label } from '../../ui/type';
import { CountForm, LotForm } from './LotForm';
import { OffsetPicture } from './OffsetPicture';

const styles = StyleSheet.create({
  lots: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m },
  lot: { flexGrow: 1, flexBasis: 340, flexShrink: 1, minWidth: 0 },
});

/** Batches shown under a lot; the log has them all. */
const SHOWN_USES = 5;

interface LotTicketProps {
  lot: LotState;
  flour: string;
  onEdit: () => void;
  onCount: () => void;
}

function LotTicket({ lot, flour, onEdit, onCount }: LotTicketProps) {
  const save = useSaveFlourLot(asLot(lot, {}));
  const { uses, perDayG, runsOutOn } = lot;
  const { write } = useDays();
  const format = useFormat();
  const left = format.bulkFigure(lot.leftG);
  return (
    <Ticket>
      <View>
        <Label>
          {say('{flour}, came {receivedOn}, {storage}', {
            flour,
            receivedOn: { day: lot.receivedOn, style: 'weekday' },
            storage: lot.storage === 'open' ? 'open bin' : 'closed bags',
          })}
        </Label>
        <Heading>{lot.name}</Heading>
      </View>
      <View>
        <Leader name="Left" {...left} aside={say('of {bulk}', { bulk: format.bulk(lot.boughtG) })} />
        <Leader name="Runs out" value={runsOutOn ? formatDay(runsOutOn, 'weekday') : '–'} />
        {perDayG === null ? null : (
          <Label>{say('At {bulk} a day, as in the last week.', { bulk: format.bulk(perDayG) })}</Label>
        )}
      </View>
      <OffsetPicture offset={lot.offset} uses={uses} />
      <View>
        {uses.slice(0, SHOWN_USES).map((use) => (
          <Leader
            key={use.batchId}
            name={`${write(use.startedAt, 'weekday')}, ${use.formulaName}`}
            {...format.bulkFigure(use.flourG)}
            aside={
              use.points === null
                ? 'not judged'
                : say('{points}{points2} pt', {
                    points: use.points >= 0 ? '+' : '−',
                    points2: figure(Math.abs(use.points), 1),
                  })
            }
          />
        ))}
      </View>
      <ForLead instead="Only a lead counts and corrects a lot.">
        <ActionRow
          actions={[
            { key: 'count', label: 'Count it', onPress: onCount },
            { key: 'edit', label: 'Correct', onPress: onEdit },
            {
              key: 'close',
              label: lot.closed ? 'Back in use' : 'Used up',
              onPress: () => save.mutate(asLot(lot, { closed: !lot.closed })),
            },
          ]}
        />
      </ForLead>
    </Ticket>
  );
}

/** The lot as it is stored, without what is worked out of it. */
function asLot(state: LotState, changes: Partial<FlourLot>): FlourLot {
  const {
    boughtG: _b,
    usedG: _u,
    leftG: _l,
    perDayG: _p,
    runsOutOn: _r,
    offset: _o,
    uses: _s,
    ...lot
  } = state;
  return { ...lot, ...changes };
}

type Open = { kind: 'new' } | { kind: 'edit' | 'count'; lot: LotState } | null;

/** Flour lots: receive, what is left, when it runs out, and what each has taught. */
export function StockScreen() {
  const lots = useFlourLots();
  const foods = useIngredients();
  const kitchen = useKitchen();
  const [open, setOpen] = useState<Open>(null);
  const close = useCallback(() => setOpen(null), []);
  const data =
    lots.data && foods.data && kitchen.data
      ? { lots: lots.data, foods: foods.data, kitchen: kitchen.data }
      : null;
  if (!data) {
    const error = lots.error ?? foods.error ?? kitchen.error;
    return (
      <Screen title="Flour">
        <Waiting
          what="the stock"
          error={error}
          onRetry={() => void Promise.all([lots, foods, kitchen].map((query) => query.refetch()))}
        />
      </Screen>
    );
  }
  const flours: Ingredient[] = data.foods.filter(({ kind, hidden }) => kind === 'flour' && !hidden);
  const nameOf = (id: string) => data.foods.find((food) => food.id === id)?.name ?? id;
  const ordered = [...data.lots].sort((a, b) => Number(a.closed ?? false) - Number(b.closed ?? false));
  return (
    <Screen title="Flour" aside={<Action label="Receive a lot" onPress={() => setOpen({ kind: 'new' })} />}>
      {ordered.length === 0 ? (
        <Notice
          title="No lot yet"
          text="Receive a delivery: each batch then takes its flour from a lot, and the lot learns how much water it needs."
        />
      ) : null}
      <View style={styles.lots}>
        {ordered.map((lot) => (
          <View key={lot.id} role="group" aria-label={lot.name} style={styles.lot}>
            <LotTicket
              lot={lot}
              flour={nameOf(lot.ingredient)}
              onEdit={() => setOpen({ kind: 'edit', lot })}
              onCount={() => setOpen({ kind: 'count', lot })}
            />
          </View>
        ))}
      </View>
      <Sheet
        open={open !== null}
        onClose={close}
        label={open?.kind === 'count' ? 'Count the lot' : 'Flour lot'}
      >
        {open?.kind === 'count' ? (
          <CountForm
            lot={open.lot}
            before={asLot(open.lot, {})}
            // The moment of the press: what batches took a minute before it is in the count already.
            onSave={(leftG) => asLot(open.lot, { counted: { at: new Date().toISOString(), leftG } })}
            onDone={close}
          />
        ) : open ? (
          <LotForm
            lot={open.kind === 'edit' ? asLot(open.lot, {}) : null}
            taken={data.lots.map(({ id }) => id)}
            flours={flours}
            currency={data.kitchen.currency ?? 'EUR'}
            onDone={close}
          />
        ) : null}
      </Sheet>
    </Screen>
  );
}
