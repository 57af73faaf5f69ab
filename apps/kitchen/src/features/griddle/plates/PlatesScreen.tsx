import { say, sayAll } from '../../../reader/say';
import type { Kitchen, Griddle } from '@kettle-scale/core/kitchen';
import { useCallback, useState } from 'react';
import { useChangeKitchen } from '../../../api/changes';
import { ForLead } from '../../../shared/ForLead';
import { Action } from '../../../ui/input/actions';
import { Caution } from '../../../ui/layout/Caution';
import { Choices } from '../../../ui/input/Choices';
import { Columns } from '../../../ui/layout/Columns';
import { Notice, Waiting } from '../../../ui/layout/Notice';
import { Screen } from '../../../ui/layout/Screen';
import { Sheet } from '../../../ui/layout/Sheet';
import { useWide } from '../../../ui/layout/useWide';
import { CalibrateTicket } from './CalibrateTicket';
import { CAUTIONS } from '../griddleText';
import { useGriddleChoice } from '../../../shared/griddleChoice';
import { PlateFacts } from './PlateFacts';
import { PlateForm } from './PlateForm';
import { KnobMarks, SpotReadings } from './PlateReadings';
import { type GriddleSubject, useGriddleSubject } from '../useGriddle';

const withGriddle = ({ griddles: others = [] }: Kitchen, griddle: Griddle): Griddle[] =>
  others.some(({ id }) => id === griddle.id)
    ? others.map((one) => (one.id === griddle.id ? griddle : one))
    : [...others, griddle];

interface ChooseProps {
  subject: GriddleSubject;
  setOpen: (open: 'new' | 'edit') => void;
}

/** Which plate and bread, and the way to change or add a plate. */
function Choose({ subject: { griddle, griddles, formula, formulas }, setOpen }: ChooseProps) {
  const set = useGriddleChoice((state) => state.set);
  return (
    <>
      {griddles.length > 0 ? (
        <Choices
          label="Plate"
          value={griddle?.id ?? null}
          options={griddles.map(({ id, name }) => [id, name] as const)}
          onChange={(griddleId) => set({ griddleId })}
        />
      ) : null}
      <Choices
        label="Bread"
        value={formula.id}
        options={formulas.map(({ id, name }) => [id, name] as const)}
        onChange={(formulaId) =>
          set({ formulaId, plateC: null, thicknessMm: null, griddleId: griddle?.id ?? null })
        }
      />
      <ForLead>
        {griddle ? (
          <Action
            label={say('Change {name}', { name: griddle.name })}
            icon="edit"
            onPress={() => setOpen('edit')}
          />
        ) : null}
        <Action label="Add a plate" icon="plus" onPress={() => setOpen('new')} />
      </ForLead>
    </>
  );
}

interface ReadingsProps {
  griddle: Griddle;
  subject: GriddleSubject;
  store: (griddle: Griddle) => void;
}

/** What was measured on a plate, and what its pieces teach. */
function Readings({ griddle, subject, store }: ReadingsProps) {
  const { formula } = subject;
  return (
    <>
      <ForLead instead="Only a lead changes what is kept of a plate.">
        <KnobMarks griddle={griddle} onChange={store} />
        <SpotReadings griddle={griddle} onChange={store} />
        <CalibrateTicket
          key={`${griddle.id}/${formula.id}`}
          griddle={griddle}
          subject={subject}
          onUse={store}
        />
      </ForLead>
      <Caution {...CAUTIONS.plate} />
      {griddle.nonStick ? <Caution {...CAUTIONS.nonStick} /> : null}
    </>
  );
}

/** The kitchen's plates: what fits on them, how fast, where they are hot, what the knob means, and what their pieces teach. */
export function PlatesScreen() {
  const { subject, error, retry } = useGriddleSubject();
  const set = useGriddleChoice((state) => state.set);
  const wide = useWide();
  const [open, setOpen] = useState<'new' | 'edit' | null>(null);
  /** The kitchen as it was when the sheet was opened: what others changed since is not undone by it. */
  const [begun, setBegun] = useState<Kitchen | undefined>();
  const save = useChangeKitchen(subject?.kitchen, begun);
  const close = useCallback(() => {
    setOpen(null);
    setBegun(undefined);
  }, []);
  if (!subject) {
    return (
      <Screen title="Plates">
        <Waiting what="the plates" error={error} onRetry={retry} />
      </Screen>
    );
  }
  const { griddle, griddles, kitchen } = subject;
  const store = (next: Griddle) =>
    save.mutate({ griddles: withGriddle(begun ?? kitchen, next) }, { onSuccess: close });
  const openSheet = (which: 'new' | 'edit') => {
    setBegun(kitchen);
    setOpen(which);
  };
  const choose = <Choose subject={subject} setOpen={openSheet} />;
  const facts = griddle ? (
    <PlateFacts griddle={griddle} subject={subject} />
  ) : (
    <Notice
      title="No plate yet"
      text="Add the plate you bake on: its size, thickness and power tell how many pieces fit and how fast."
    />
  );
  const readings = griddle ? <Readings {...{ griddle, subject, store }} /> : null;
  return (
    <Screen
      eyebrow={griddle ? sayAll([griddle.material, { mm: griddle.thicknessMm }]) : 'Griddle'}
      title={griddle?.name ?? 'Plates'}
    >
      {wide ? (
        <Columns
          left={<>{facts}</>}
          right={
            <>
              {choose}
              {readings}
            </>
          }
        />
      ) : (
        <>
          {facts}
          {choose}
          {readings}
        </>
      )}
      <Sheet open={open !== null} onClose={close} label="Plate">
        {open ? (
          <PlateForm
            griddle={open === 'edit' ? griddle : null}
            taken={new Set(griddles.map(({ id }) => id))}
            problem={save.error?.message}
            onSave={(next) => {
              set({ griddleId: next.id });
              store(next);
            }}
            onRemove={
              open === 'edit' && griddle
                ? () => {
                    set({ griddleId: null });
                    save.mutate(
                      { ...kitchen, griddles: griddles.filter(({ id }) => id !== griddle.id) },
                      { onSuccess: close },
                    );
                  }
                : null
            }
          />
        ) : null}
      </Sheet>
    </Screen>
  );
}
