import { act, fireEvent, screen } from '@testing-library/react';
import { tareOwn, useInstruments } from '../../live/instruments/store';
import { fakeCable, fakeWireless } from '../../test/instruments';
import { draw, press } from '../../test/liveBatch';
import { InstrumentsTicket } from './InstrumentsTicket';

/** What the browser offers, and what is chosen in its list. */
const offer = (what: { serial?: unknown; bluetooth?: unknown }) =>
  Object.assign(navigator, { serial: undefined, bluetooth: undefined, ...what });
const settle = () => act(() => new Promise<void>((resolve) => setTimeout(resolve, 0)));
const pressAndWait = async (name: string) => {
  press(name);
  await settle();
};
const group = (name: string) => screen.getByRole('group', { name });

beforeEach(() => useInstruments.setState({ connected: {}, readings: {}, tareG: 0 }));
afterEach(() => offer({}));

test('a scale on a cable shows its weight, is set to zero here, and is lost when the cable is pulled', async () => {
  const cable = fakeCable();
  offer({ serial: { requestPort: () => Promise.resolve(cable.port) } });
  draw(<InstrumentsTicket />);
  fireEvent.click(screen.getByRole('radio', { name: '4800' }));
  await pressAndWait('Connect a scale by cable');
  expect(cable.port.open).toHaveBeenCalledWith({ baudRate: 4800 });
  expect(group('Scale on a cable').textContent).toContain('No reading yet.');
  // A line may come in pieces, and between lines that are none.
  cable.writes('ready\r\nST,GS,+  1.2');
  cable.writes('50 kg\r\n');
  await settle();
  expect(group('Scale on a cable').textContent).toContain('1,250.0\u00a0g');
  expect(group('Scale on a cable').textContent).toContain('live');
  act(() => void tareOwn());
  cable.writes('ST,GS,+  1.260 kg\n');
  await settle();
  expect(group('Scale on a cable').textContent).toContain('10.0\u00a0g');
  cable.pull();
  await settle();
  expect(screen.queryByRole('group')).toBeNull();
  expect(tareOwn()).toBe(false);
  // It can be plugged in again.
  expect(cable.port.close).toHaveBeenCalledTimes(1);
});

test('a thermometer by Bluetooth is used as what it was connected for, also one that must be asked', async () => {
  const probe = fakeWireless('Stick', { temperature: [0x28, 0x0a] });
  const requestDevice = jest.fn().mockResolvedValue(probe.device);
  offer({ bluetooth: { requestDevice } });
  draw(<InstrumentsTicket />);
  await pressAndWait('Connect a thermometer by Bluetooth');
  expect(requestDevice).toHaveBeenCalledWith({ filters: [{ services: ['environmental_sensing'] }] });
  await act(async () => probe.says('temperature', [0x28, 0x0a]));
  expect(group('Stick').textContent).toContain('Stick: probe in the dough');
  expect(group('Stick').textContent).toContain('26\u00a0°C');
  const air = fakeWireless('Wall', { temperature: [0x60, 0x09], humidity: [0x88, 0x13] });
  requestDevice.mockResolvedValue(air.device);
  fireEvent.click(screen.getByRole('radio', { name: 'Room air' }));
  await pressAndWait('Connect a thermometer by Bluetooth');
  await act(async () => air.says('temperature', [0x60, 0x09]));
  expect(group('Wall').textContent).toContain('24\u00a0°C, 50\u00a0%');
  await act(async () => void probe.goes());
  expect(screen.getAllByRole('group')).toHaveLength(1);
  await pressAndWait('Disconnect');
  expect(air.gatt.disconnect).toHaveBeenCalled();
});

test('a scale by Bluetooth tells its weight by the published profile', async () => {
  const scale = fakeWireless('Pan', { weight_measurement: [0, 250, 0] });
  offer({ bluetooth: { requestDevice: () => Promise.resolve(scale.device) } });
  draw(<InstrumentsTicket />);
  await pressAndWait('Connect a scale by Bluetooth');
  await act(async () => scale.says('weight_measurement', [0, 250, 0]));
  expect(group('Pan').textContent).toContain('1,250.0\u00a0g');
});

test('what cannot be connected is said in a sentence; a list that was closed says nothing', async () => {
  const requestPort = jest.fn().mockRejectedValue(new DOMException('none', 'NotFoundError'));
  offer({ serial: { requestPort } });
  draw(<InstrumentsTicket />);
  await pressAndWait('Connect a scale by cable');
  expect(screen.queryByRole('alert')).toBeNull();
  const cable = fakeCable();
  cable.port.open.mockRejectedValue(new Error('the port is in use'));
  requestPort.mockResolvedValue(cable.port);
  await pressAndWait('Connect a scale by cable');
  expect(screen.getByRole('alert').textContent).toMatch(
    /^The scale could not be connected \(the port is in use\)/,
  );
});

test('a browser that connects nothing says what to do instead', () => {
  offer({});
  draw(<InstrumentsTicket />);
  expect(screen.getByText(/^This browser connects no instruments\. Type what you measure/)).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
});
