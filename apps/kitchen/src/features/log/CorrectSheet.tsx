import {
  type BatchEvent,
  CORRECTABLE,
  isSimulated,
  liveEvents,
  refuseEvent,
  rightedSchema,
} from '@kettle-scale/core/batch';
import { asText } from '@kettle-scale/core/message';
import { type Plan, stepTitle } from '@kettle-scale/core/plan';
import { readText } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { useDays } from '../../shared/useDays';
import { PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { typedOrNone } from '../../ui/input/FigureField';
import { useTextForm } from '../../ui/input/useTextForm';
import { Sheet } from '../../ui/layout/Sheet';
import { FieldError } from '../../ui/input/Field';
import { SPACE } from '../../ui/tokens';
import { useFormat } from '../../ui/useFormat';
import { Body, Heading } from '../../ui/type';
import { WordField } from '../../ui/input/WordField';
import { say } from '../../reader/say';

type Field = (typeof CORRECTABLE)[number];

const UNITS: Record<Field, string> = {
  massG: 'g',
  doughG: 'g',
  ballG: 'g',
  pieces: 'pieces',
  good: 'pieces',
  tempC: '°C',
  diameterMm: 'mm',
  thicknessMm: 'mm',
  rolledMm: 'mm',
  relaxedMm: 'mm',
  bakedG: 'g',
};
const NAMES: Record<Field, string> = {
  massG: 'weight',
  doughG: 'dough',
  ballG: 'ball',
  pieces: 'pieces',
  good: 'good pieces',
  tempC: 'temperature',
  diameterMm: 'diameter',
  thicknessMm: 'thickness',
  rolledMm: 'rolled to',
  relaxedMm: 'relaxed to',
  bakedG: 'baked weight',
};

interface Correctable {
  key: string;
  event: BatchEvent;
  field: Field;
  value: number;
  words: string;
}

/** Acts that say little by themselves are not offered: a hundred pieces on and off would bury the rest. */
const SKIPPED: ReadonlySet<BatchEvent['type']> = new Set(['piece-on', 'piece-off', 'flipped', 'corrected']);

function correctables(
  plan: Plan,
  events: readonly BatchEvent[],
  clock: (ms: number) => string,
  figure: (value: number, unit: string) => string,
): Correctable[] {
  return liveEvents(events)
    .filter(({ type }) => !SKIPPED.has(type))
    .flatMap((event) =>
      CORRECTABLE.flatMap((field): Correctable[] => {
        const value = (event as unknown as Partial<Record<Field, number>>)[field];
        if (typeof value !== 'number') return [];
        const step = 'stepId' in event ? plan.steps.find(({ id }) => id === event.stepId) : undefined;
        const what = step ? stepTitle(plan, step) : event.type.replace('-', ' ');
        return [
          {
            key: `${event.id}/${field}`,
            ...{ event, field, value },
            words: say(
              isSimulated(event)
                ? '{clock} {what}, {field} {figure} (simulated)'
                : '{clock} {what}, {field} {figure}',
              {
                clock: clock(Date.parse(event.at)),
                what,
                field: NAMES[field],
                figure: figure(value, UNITS[field]),
              },
            ),
          },
        ];
      }),
    );
}

interface RightValueProps {
  live: LiveBatch;
  chosen: Correctable;
  onDone: () => void;
}

/** The right figure of one act, and why. */
function RightValue({ live, chosen, onDone }: RightValueProps) {
  const { plan, events } = live.batch;
  const { event, field } = chosen;
  const { text, set, problem, figure, submit } = useTextForm({
    first: { value: String(chosen.value), reason: '' },
    read: ({ value, reason }) => ({ value: typedOrNone(value), reason }),
    schema: rightedSchema.superRefine((righted, ctx) => {
      const body = { type: 'corrected' as const, eventId: event.id, field, ...righted };
      const refusal = refuseEvent(plan, events, { ...body, id: event.id, at: event.at });
      if (refusal) ctx.addIssue({ code: 'custom', path: ['value'], message: asText(refusal.message) });
    }),
  });
  const keep = submit((righted) => {
    live.act({ type: 'corrected', eventId: event.id, field, ...righted });
    onDone();
  });
  return (
    <View style={{ gap: SPACE.m }}>
      <Body>{chosen.words}</Body>
      {figure('value', 'Right value', UNITS[field])}
      <WordField
        name="reason"
        label="Reason"
        value={text.reason}
        onText={(reason) => set({ reason })}
        error={problem('reason')}
      />
      <PrimaryAction label="Save" onPress={keep} />
    </View>
  );
}

interface CorrectSheetProps {
  live: LiveBatch;
  open: boolean;
  onClose: () => void;
}

/** Puts a past figure right by an act of its own, with the reason; what was told at first stays in the record. */
export function CorrectSheet({ live, open, onClose }: CorrectSheetProps) {
  const { plan, events } = live.batch;
  const [key, setKey] = useState<string | null>(null);
  const { clock } = useDays();
  const { units, unitOf } = useFormat();
  const figure = (value: number, unit: string) => `${readText(String(value), unit, units)} ${unitOf(unit)}`;
  const all = open ? correctables(plan, events, clock, figure) : [];
  const chosen = all.find((one) => one.key === key);
  const done = () => {
    setKey(null);
    onClose();
  };
  return (
    <Sheet open={open} onClose={onClose} label="Correct a value">
      <Heading>Correct a value</Heading>
      <Body tone="soot">The first figure stays in the record; the new one counts from now on.</Body>
      {chosen ? (
        <RightValue {...{ live, chosen }} onDone={done} />
      ) : all.length > 0 ? (
        <Choices
          label="Which figure"
          value={null}
          options={all.map((one) => [one.key, one.words] as const)}
          onChange={setKey}
        />
      ) : (
        <FieldError id="nothing" message="Nothing in this batch has a figure yet." />
      )}
    </Sheet>
  );
}
