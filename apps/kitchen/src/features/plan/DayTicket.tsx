import { figure } from '../../reader/figures';
import { say } from '../../reader/say';
import type { LotState } from '@kettle-scale/core/flourLot';
import { type Kitchen, conditionsSchema } from '@kettle-scale/core/kitchen';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useReading } from '../../live/useReading';
import { sourceWords } from '../../shared/readingWords';
import { Action } from '../../ui/input/actions';
import { Check, Choices } from '../../ui/input/Choices';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { useWide } from '../../ui/layout/useWide';
import { type Day, useDay } from './day';

type Field = Exclude<keyof Day, 'airFrom'>;

interface FieldSpec {
  field: Field;
  label: string;
  kind: 'temp' | 'percent';
  /** May be left empty. */
  optional?: boolean;
}

const FIELDS: readonly FieldSpec[] = [
  { field: 'airC', label: 'Air', kind: 'temp' },
  { field: 'humidity', label: 'Humidity', kind: 'percent' },
  { field: 'flourC', label: 'Flour', kind: 'temp' },
  { field: 'liquidC', label: 'Liquid as it comes', kind: 'temp' },
  { field: 'doughC', label: 'Dough wanted', kind: 'temp', optional: true },
  { field: 'flourMoisture', label: 'Flour moisture', kind: 'percent', optional: true },
];
const PERCENT = 100;

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s },
  cell: { flexGrow: 1, flexBasis: 150 },
});

function DayField({ field, label, kind, optional = false }: FieldSpec) {
  const { day, said, change, clear } = useDay();
  const [error, setError] = useState<string>();
  const stored = day[field];
  const isAir = field === 'airC' || field === 'humidity';
  const isAssumed = !optional && (isAir ? day.airFrom === 'assumed' : !said[field]);
  const shown = stored === undefined ? '' : kind === 'percent' ? stored * PERCENT : stored;
  const typed = (text: string) => {
    if (optional && text.trim() === '') {
      setError(undefined);
      if (field === 'doughC' || field === 'flourMoisture') clear(field);
      return;
    }
    const number = numberTyped(text);
    const value = kind === 'percent' ? number / PERCENT : number;
    const checked = conditionsSchema.shape[field].safeParse(value);
    setError(checked.success ? undefined : checked.error.issues[0]?.message);
    if (checked.success && checked.data !== undefined) {
      change({
        [field]: checked.data,
        ...(isAir ? { airFrom: 'hand' } : {}),
      });
    }
  };
  return (
    <FigureField
      labelled
      name={`day-${field}`}
      label={
        optional
          ? say('{label}, if known', { label })
          : isAssumed
            ? say('{label}, assumed', { label })
            : label
      }
      unit={kind === 'percent' ? '%' : '°C'}
      value={shown === '' ? '' : String(Number(shown.toFixed(1)))}
      onText={typed}
      error={error}
      style={styles.cell}
    />
  );
}

interface DayTicketProps {
  kitchen: Kitchen;
  lots: readonly LotState[];
  lotId: string | undefined;
  onLot: (id: string) => void;
}

/** What nobody has said is a guess, and called one. */
const ASSUMED = ' (assumed)';
const unless = (said: boolean | undefined): string => (said ? '' : ASSUMED);
const AIR_FROM: Record<Day['airFrom'], string> = {
  sensor: ' from the sensor',
  simulated: ' (simulated)',
  hand: '',
  assumed: ASSUMED,
};

/** The day in one line, for a screen without room. */
function DayLine({ lot, mixer }: { lot: LotState | undefined; mixer: string }) {
  const format = useFormat();
  const { on, day, said } = useDay();
  if (!on) return <Body>As the formula is written, whatever the day.</Body>;
  const wanted =
    day.doughC === undefined ? '' : say(', dough wanted at {temp}', { temp: format.temp(day.doughC) });
  return (
    <Body>
      {say(
        'Air {temp} and {humidity} %{airFrom}, flour {temp2}{unless}, liquid {temp3}{unless2}{wanted}. {lot}{mixer}.',
        {
          temp: format.temp(day.airC),
          humidity: figure(day.humidity * PERCENT),
          airFrom: AIR_FROM[day.airFrom],
          temp2: format.temp(day.flourC),
          unless: unless(said.flourC),
          temp3: format.temp(day.liquidC),
          unless2: unless(said.liquidC),
          wanted,
          lot: lot ? `${lot.name}. ` : '',
          mixer,
        },
      )}
    </Body>
  );
}

/** The day as the cook finds it: air from the sensor or by hand, flour and its lot, water, bowl. */
export function DayTicket({ kitchen, lots, lotId, onLot }: DayTicketProps) {
  const format = useFormat();
  const wide = useWide();
  const [asked, setAsked] = useState(false);
  const open = wide || asked;
  const { on, set, change, mixer } = useDay();
  const room = useReading('room', on && open);
  const mixers = kitchen.mixers ?? [];
  const mixerName = mixers.find(({ id }) => id === mixer)?.name ?? 'Usual bowl';
  const takeRoom = () => {
    if (!room) return;
    const { tempC: airC, humidity } = room.reading;
    change({ airC, humidity, airFrom: room.source === 'device' ? 'sensor' : 'simulated' });
  };
  return (
    <Ticket>
      <Heading>The day</Heading>
      {open ? null : (
        <>
          <DayLine lot={lots.find(({ id }) => id === lotId)} mixer={mixerName} />
          <Action label="Change air, flour, water, bowl" onPress={() => setAsked(true)} />
        </>
      )}
      {open ? (
        <Check
          label="Plan for today’s flour, air and water"
          value={on}
          onChange={(value) => set({ on: value })}
        />
      ) : null}
      {open && on ? (
        <View style={styles.grid}>
          {FIELDS.map((spec) => (
            <DayField key={spec.field} {...spec} />
          ))}
        </View>
      ) : null}
      {open && !on ? <Label>The formula’s own water and temperatures hold.</Label> : null}
      {on && room ? (
        <>
          <Action
            label={say('Room sensor: {temp}, {humidity} %', {
              temp: format.temp(room.reading.tempC),
              humidity: figure(room.reading.humidity * PERCENT),
            })}
            disabled={!room.takeable}
            onPress={takeRoom}
          />
          <Label>{say('Room sensor: {sourceWords}', { sourceWords: sourceWords(room) })}</Label>
        </>
      ) : null}
      {open && lots.length > 0 ? (
        <Choices
          label="Flour lot"
          value={lotId ?? null}
          onChange={onLot}
          options={lots.map(
            ({ id, name, leftG }) =>
              [id, say('{name} · {left} kg left', { name, left: figure(leftG / 1000, 1) })] as const,
          )}
        />
      ) : null}
      {open && mixers.length > 0 ? (
        <Choices
          label="Mixed in"
          value={mixer ?? ''}
          onChange={(id) => set({ mixer: id === '' ? null : id })}
          options={[
            ...mixers.map(
              ({ id, name, maxG }) =>
                [id, say('{name}, to {bulk}', { name, bulk: format.bulk(maxG) })] as const,
            ),
            ['', say('Usual bowl, to {bulk}', { bulk: format.bulk(kitchen.bowlCapacityG) })] as const,
          ]}
        />
      ) : null}
    </Ticket>
  );
}
