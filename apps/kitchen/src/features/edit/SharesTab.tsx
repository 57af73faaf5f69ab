import { say } from '../../reader/say';
import { type DraftLine, addLine, draftDoughG, moveLine, setTotal } from '@kettle-scale/core/formula';
import { InputError } from '@kettle-scale/core/message';
import { parseQuantity } from '@kettle-scale/core/quantity';
import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { useState } from 'react';
import { View } from 'react-native';
import { endGroup } from '../../drafts/drafts';
import { ActionRow } from '../../ui/input/actions';
import { FigureField } from '../../ui/input/FigureField';
import { FoodPicker } from '../../shared/FoodPicker';
import { FieldError } from '../../ui/input/Field';
import { Ticket } from '../../ui/layout/Ticket';
import { Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { BlendSheet } from './BlendSheet';
import { LineEditor, handleId } from './LineEditor';
import { LineSheet } from './LineSheet';
import { useEditing } from './editing';

/** A finger that moves less than this scrolls or taps; one that moves more drags. */
const DRAG_FROM_PX = 6;

interface SortableLinesProps {
  onMore: (line: DraftLine) => void;
  /** Where a line stands now, said aloud. */
  onMoved: (words: string) => void;
}

/** The lines, moved by dragging or by the keyboard. */
function SortableLines({ onMore, onMoved }: SortableLinesProps) {
  const { draft, foodOf, replace } = useEditing();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }));
  const { lines } = draft;
  const nameOf = (id: string | number) => {
    const line = lines.find((entry) => entry.id === id);
    return (line && foodOf(line.ingredient)?.name) ?? String(id);
  };
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const to = lines.findIndex(({ id }) => id === over.id);
    replace((now) => ({ ...now, lines: moveLine(now.lines, String(active.id), to) }));
  };
  /** With the keyboard a line moves a place at a time; the handle keeps the focus on the way. */
  const step = (line: DraftLine, by: 1 | -1) => {
    const to = lines.indexOf(line) + by;
    if (to < 0 || to >= lines.length) return;
    replace((now) => ({ ...now, lines: moveLine(now.lines, line.id, to) }));
    onMoved(
      say('{nameOf}: place {to, number} of {length, number}', {
        nameOf: nameOf(line.id),
        to: to + 1,
        length: lines.length,
      }),
    );
    requestAnimationFrame(() => document.getElementById(handleId(line.id))?.focus());
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => say('{nameOf} picked up.', { nameOf: nameOf(active.id) }),
          onDragOver: ({ active, over }) =>
            over
              ? say('{nameOf} is over {nameOf2}.', { nameOf: nameOf(active.id), nameOf2: nameOf(over.id) })
              : undefined,
          onDragEnd: ({ active, over }) =>
            over
              ? say('{nameOf} put at {nameOf2}.', { nameOf: nameOf(active.id), nameOf2: nameOf(over.id) })
              : say('{nameOf} put back.', { nameOf: nameOf(active.id) }),
          onDragCancel: ({ active }) => say('{nameOf} put back.', { nameOf: nameOf(active.id) }),
        },
        screenReaderInstructions: { draggable: say('Arrow up and down move the line.') },
      }}
    >
      <SortableContext items={lines.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        {lines.map((line, index) => (
          <LineEditor
            key={line.id}
            line={line}
            index={index}
            onMore={onMore}
            onStep={(by) => step(line, by)}
          />
        ))}
      </SortableContext>
    </DndContext>
  );
}

/** The whole dough, typed: every line that is not locked goes with it. */
function TotalField() {
  const { draft, replace } = useEditing();
  const format = useFormat();
  const [totalProblem, setTotalProblem] = useState<string>();
  const typeTotal = (text: string) => {
    try {
      const read = parseQuantity(text, { defaultUnit: format.units === 'us' ? 'oz' : 'g' });
      if (!read.ok || read.quantity.kind !== 'mass')
        throw InputError.at('total', read.ok ? 'Give the dough as a weight.' : read.message);
      const { amount } = read.quantity;
      replace((now) => ({ ...now, lines: setTotal(now.lines, amount) }), 'total');
      setTotalProblem(undefined);
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      setTotalProblem(say(error.problems[0]?.message ?? ''));
    }
  };
  const total = format.massFigure(draftDoughG(draft.lines));
  return (
    <FigureField
      labelled
      name="total"
      label="Total dough"
      unit={total.unit}
      value={total.value}
      onText={typeTotal}
      onDone={endGroup}
      error={totalProblem}
    />
  );
}

/** The ingredients: percent, grams or the whole dough, each changes the rest. */
export function SharesTab() {
  const { draft, foods, foodOf, replace, problems } = useEditing();
  const [more, setMore] = useState<DraftLine | null>(null);
  const [adding, setAdding] = useState(false);
  const [blending, setBlending] = useState(false);
  const [moved, setMoved] = useState('');
  const { lines } = draft;
  const floursCount = lines.filter(({ ingredient }) => foodOf(ingredient)?.kind === 'flour').length;
  const noFlour = problems.get('lines');
  return (
    <Ticket>
      <Heading>Shares of flour</Heading>
      <SortableLines onMore={setMore} onMoved={setMoved} />
      <View role="status">{moved ? <Label>{moved}</Label> : null}</View>
      {noFlour ? <FieldError id="lines-error" message={noFlour} /> : null}
      <TotalField />
      <Label>A lock keeps a line’s weight whatever else changes.</Label>
      <ActionRow
        actions={[
          { key: 'add', label: 'Add a line', icon: 'plus', onPress: () => setAdding(true) },
          {
            key: 'blend',
            label: 'Blend flours',
            onPress: () => setBlending(true),
            disabled: floursCount < 2,
          },
        ]}
      />
      <LineSheet line={more} onClose={() => setMore(null)} />
      <BlendSheet open={blending} onClose={() => setBlending(false)} />
      <FoodPicker
        open={adding}
        title="Add a line"
        foods={foods}
        onPick={({ id }) => {
          replace((now) => ({ ...now, lines: addLine(now.lines, id, 0) }));
          setAdding(false);
        }}
        onClose={() => setAdding(false)}
      />
    </Ticket>
  );
}
