import {
  type DeviceKind,
  type Reading,
  sensedHumidity,
  sensedTemperature,
  weightMeasurement,
} from '@kettle-scale/core/device';
import type { Characteristic, WirelessDevice } from './ports';
import { watchSteady } from './steady';
import type { Connection, Told } from './store';

/** Names of the published services and characteristics (Bluetooth SIG, assigned numbers). */
export const SERVICE: Record<DeviceKind, string> = {
  scale: 'weight_scale',
  room: 'environmental_sensing',
  probe: 'environmental_sensing',
  thermometer: 'environmental_sensing',
};
/** An instrument that does not tell by itself is asked so often. */
const ASK_EVERY_MS = 1000;
const STILL = { scale: { within: 5, forMs: 1000 }, temperature: { within: 0.3, forMs: 3000 } } as const;

/** Hears every value of a characteristic: told by the instrument where it can, else asked for. */
async function follow(characteristic: Characteristic, hear: (value: DataView) => void): Promise<() => void> {
  const onValue = () => {
    if (characteristic.value) hear(characteristic.value);
  };
  characteristic.addEventListener('characteristicvaluechanged', onValue);
  const asksFor = await characteristic.startNotifications().then(
    () => null,
    () =>
      setInterval(() => {
        // A value that cannot be read now is asked for again; that the instrument is gone comes as an event of its own.
        characteristic.readValue().then(hear, () => undefined);
      }, ASK_EVERY_MS),
  );
  return () => {
    characteristic.removeEventListener('characteristicvaluechanged', onValue);
    if (asksFor !== null) clearInterval(asksFor);
  };
}

/** What a temperature is a reading of, with the humidity last heard. */
function temperatureReading(
  kind: DeviceKind,
  tempC: number,
  humidity: number | null,
  steady: boolean,
): Reading | null {
  const at = new Date().toISOString();
  if (kind === 'room') return humidity === null ? null : { kind, at, tempC, humidity };
  return kind === 'probe' || kind === 'thermometer' ? { kind, at, tempC, steady } : null;
}

/**
 * Follows an instrument by Bluetooth: a scale by the Weight Scale Service, a thermometer by the Environmental Sensing Service.
 * @param device as the browser gave it
 * @param kind what it is used as
 * @param told hears every reading
 * @param onLost it is off or out of reach
 */
export async function followWireless(
  device: WirelessDevice,
  kind: DeviceKind,
  told: Told,
  onLost: () => void,
): Promise<Connection> {
  const { gatt } = device;
  if (!gatt) throw new Error('it cannot be spoken to');
  const service = await (await gatt.connect()).getPrimaryService(SERVICE[kind]);
  const isSteady = watchSteady(kind === 'scale' ? STILL.scale : STILL.temperature);
  const stops: (() => void)[] = [];
  if (kind === 'scale') {
    const hear = (value: DataView) => {
      const massG = weightMeasurement(value);
      const nowMs = Date.now();
      if (massG === null) return;
      const steady = isSteady(massG, nowMs);
      told({ kind, at: new Date(nowMs).toISOString(), massG, steady, overload: false });
    };
    stops.push(await follow(await service.getCharacteristic('weight_measurement'), hear));
  } else {
    let humidity: number | null = null;
    if (kind === 'room') {
      const air = await service.getCharacteristic('humidity');
      humidity = sensedHumidity(await air.readValue());
      stops.push(await follow(air, (value) => (humidity = sensedHumidity(value))));
    }
    const hear = (value: DataView) => {
      const tempC = sensedTemperature(value);
      const reading =
        tempC === null ? null : temperatureReading(kind, tempC, humidity, isSteady(tempC, Date.now()));
      if (reading) told(reading);
    };
    stops.push(await follow(await service.getCharacteristic('temperature'), hear));
  }
  const end = () => {
    device.removeEventListener('gattserverdisconnected', lost);
    stops.forEach((stop) => stop());
  };
  const lost = () => {
    end();
    onLost();
  };
  device.addEventListener('gattserverdisconnected', lost);
  return {
    name: device.name ?? 'Bluetooth instrument',
    disconnect: async () => {
      end();
      gatt.disconnect();
      await Promise.resolve();
    },
  };
}
