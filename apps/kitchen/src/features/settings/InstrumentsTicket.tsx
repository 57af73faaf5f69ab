import { formatPercent } from '../../reader/figures';
import { say, sayAll } from '../../reader/say';
import type { DeviceKind, Reading } from '@kettle-scale/core/device';

import { useState } from 'react';
import { View } from 'react-native';
import { followCable } from '../../live/instruments/cable';
import { browserPorts, wasNotChosen } from '../../live/instruments/ports';
import { type Connection, connectAs, disconnect, useInstruments } from '../../live/instruments/store';
import { SERVICE, followWireless } from '../../live/instruments/wireless';
import { useReading } from '../../live/useReading';
import { sourceWords } from '../../shared/readingWords';
import { FieldError } from '../../ui/input/Field';
import { Segments } from '../../ui/input/Segments';
import { Action } from '../../ui/input/actions';
import { Ticket, TicketRule } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';

const BAUD = ['2400', '4800', '9600', '19200'] as const;
type Baud = (typeof BAUD)[number];
const THERMOMETERS = [
  ['probe', 'Dough'],
  ['thermometer', 'Plate'],
  ['room', 'Room air'],
] as const;
type Thermometer = (typeof THERMOMETERS)[number][0];
const USED_AS: Record<DeviceKind, string> = {
  scale: 'bench scale',
  probe: 'probe in the dough',
  thermometer: 'plate thermometer',
  room: 'room sensor',
};

function readingText(reading: Reading, format: ReturnType<typeof useFormat>): string {
  if (reading.kind === 'scale') return reading.overload ? 'overloaded' : format.mass(reading.massG, 0.1);
  const temp = format.temp(reading.tempC);
  return reading.kind === 'room' ? `${temp}, ${formatPercent(reading.humidity)}` : temp;
}

/** One that is connected: what it says now, and the way to let it go. */
function Connected({ kind, connection }: { kind: DeviceKind; connection: Connection }) {
  const format = useFormat();
  const heard = useReading(kind);
  return (
    <View style={{ gap: SPACE.xs }} role="group" aria-label={say(connection.name)}>
      <TicketRule />
      <Strong>{sayAll([connection.name, USED_AS[kind]], ': ')}</Strong>
      {heard ? (
        <>
          <Figure value={readingText(heard.reading, format)} size={30} tone={heard.fresh ? 'ink' : 'soot'} />
          <Label>{sourceWords(heard)}</Label>
        </>
      ) : (
        <Label>No reading yet.</Label>
      )}
      <Action label="Disconnect" onPress={() => void disconnect(kind)} />
    </View>
  );
}

/** Scales and thermometers that this phone speaks to itself, without a bridge: their readings are used on it alone. */
export function InstrumentsTicket() {
  const connected = useInstruments((state) => state.connected);
  const [baud, setBaud] = useState<Baud>('9600');
  const [use, setUse] = useState<Thermometer>('probe');
  const [problem, setProblem] = useState<string | null>(null);
  const { serial, bluetooth } = browserPorts();
  const trying = (what: string, connect: () => Promise<void>) => () => {
    setProblem(null);
    connect().catch((error: unknown) => {
      if (wasNotChosen(error)) return;
      const why = error instanceof Error ? error.message : String(error);
      setProblem(
        say('{what} could not be connected ({why}). Check that it is on, near, and not in use elsewhere.', {
          what,
          why,
        }),
      );
    });
  };
  const wireless = (kind: DeviceKind) => async () => {
    if (!bluetooth) return;
    const device = await bluetooth.requestDevice({ filters: [{ services: [SERVICE[kind]] }] });
    await connectAs(kind, (told, onLost) => followWireless(device, kind, told, onLost));
  };
  const cable = async () => {
    if (!serial) return;
    const port = await serial.requestPort();
    await connectAs('scale', (told, onLost) => followCable(port, Number(baud), told, onLost));
  };
  const all = Object.entries(connected) as [DeviceKind, Connection][];
  return (
    <Ticket>
      <Heading>Instruments on this phone</Heading>
      {!serial && !bluetooth ? (
        <Body>
          This browser connects no instruments. Type what you measure, or let a bridge send readings to the
          kitchen.
        </Body>
      ) : null}
      {all.map(([kind, connection]) => (
        <Connected key={kind} {...{ kind, connection }} />
      ))}
      {serial ? (
        <>
          <Segments
            labelled
            label="Speed of the scale’s cable, baud"
            value={baud}
            options={BAUD.map((speed) => [speed, speed] as const)}
            onChange={setBaud}
          />
          <Action label="Connect a scale by cable" onPress={trying('The scale', cable)} />
        </>
      ) : null}
      {bluetooth ? (
        <>
          <Action label="Connect a scale by Bluetooth" onPress={trying('The scale', wireless('scale'))} />
          <Segments labelled label="A thermometer for" value={use} options={THERMOMETERS} onChange={setUse} />
          <Action
            label="Connect a thermometer by Bluetooth"
            onPress={trying('The thermometer', wireless(use))}
          />
        </>
      ) : null}
      {problem ? <FieldError id="instrument-error" message={problem} /> : null}
    </Ticket>
  );
}
