import { DEVICE_KINDS, type DeviceKind, type Reading } from '@kettle-scale/core/device';
import { openStandIns } from '@kettle-scale/simulation';
import { batchStart, event, openTestKitchen, wrap } from '../test/kitchen';
import { type Devices, openDevices } from './devices';

const AT = '2026-03-04T10:00:00.000Z';

/** The reading as it is heard now. */
function reads(devices: Devices, kind: DeviceKind): Reading {
  const heard = devices.heard(kind);
  if (!heard) throw new Error(`no ${kind} is heard`);
  return heard.reading;
}

test('a script plays at its seconds, and the probe creeps towards what it is put into', () => {
  let nowMs = Date.parse(AT);
  const devices = openDevices({
    now: () => new Date(nowMs),
    standIns: openStandIns(DEVICE_KINDS, () => new Date(nowMs), 5),
    demo: true,
  });
  devices.play('scale', [
    { afterS: 1, what: { act: 'place', massG: 300 } },
    { afterS: 6, what: { act: 'clear' } },
  ]);
  const shows = (afterMs: number): Reading => {
    nowMs = Date.parse(AT) + afterMs;
    return reads(devices, 'scale');
  };
  const massOf = (reading: Reading) => (reading.kind === 'scale' ? reading.massG : NaN);
  expect(Math.abs(massOf(shows(500)))).toBeLessThanOrEqual(1);
  expect(massOf(shows(5500))).toBeCloseTo(300, -1);
  expect(Math.abs(massOf(shows(9500)))).toBeLessThanOrEqual(1);
  devices.act('probe', { act: 'dip', tempC: 31 });
  nowMs += 1000;
  expect(reads(devices, 'probe')).toMatchObject({ steady: false });
  nowMs += 9500;
  reads(devices, 'probe');
  nowMs += 9500;
  expect(reads(devices, 'probe')).toMatchObject({ steady: true, tempC: expect.closeTo(31, 0) });
});

test('the simulated plate warms to its knob, dips under a piece and comes back', () => {
  let nowMs = Date.parse(AT);
  const devices = openDevices({
    now: () => new Date(nowMs),
    standIns: openStandIns(DEVICE_KINDS, () => new Date(nowMs), 5),
    demo: true,
  });
  const after = (seconds: number): { tempC: number; steady: boolean } => {
    for (let s = 0; s < seconds; s += 5) {
      nowMs += 5000;
      reads(devices, 'thermometer');
    }
    return reads(devices, 'thermometer') as { tempC: number; steady: boolean } & Reading;
  };
  expect(reads(devices, 'thermometer')).toMatchObject({ kind: 'thermometer', steady: expect.any(Boolean) });
  expect(after(10).steady).toBe(false);
  expect(after(300)).toMatchObject({ tempC: expect.closeTo(230, -0.7), steady: true });
  devices.act('thermometer', { act: 'load', pieces: 8 });
  const loaded = after(30).tempC;
  expect(loaded).toBeLessThan(226);
  devices.act('thermometer', { act: 'load', pieces: 0 });
  expect(after(200).tempC).toBeGreaterThan(loaded);
  devices.act('thermometer', { act: 'heat', tempC: 200, atOnce: true });
  expect(after(5).tempC).toBeCloseTo(200, -1);
});

describe('an honest kitchen', () => {
  const readingAt = (at: string) => ({ kind: 'thermometer' as const, at, tempC: 231, steady: true });
  const real = () => openDevices({ now: () => new Date(AT), demo: false });

  test('nothing is heard of a device that nobody connected and nobody simulates', () => {
    expect(
      real()
        .list()
        .map(({ heard }) => heard),
    ).toEqual([null, null, null, null]);
    expect(() => real().act('scale', { act: 'place', massG: 10 })).toThrow(
      /No bench scale is simulated here/,
    );
    expect(real().act('scale', { act: 'tare' })).toBeNull();
  });

  test('a stand-in that was switched on by name says so, and no record takes it', () => {
    const devices = openDevices({
      now: () => new Date(AT),
      standIns: openStandIns(['probe'], () => new Date(AT)),
      demo: false,
    });
    expect(devices.heard('probe')).toMatchObject({ source: 'simulated', usable: false });
    expect(devices.heard('scale')).toBeNull();
  });

  test('a reading carries its age: one of years ago is not of now', () => {
    const devices = real();
    devices.post(readingAt('2024-03-04T10:00:00.000Z'));
    expect(devices.heard('thermometer')).toMatchObject({ source: 'device', usable: true });
    expect(devices.heard('thermometer')?.ageS).toBeGreaterThan(365 * 24 * 3600);
    devices.post(readingAt(AT));
    expect(devices.heard('thermometer')?.ageS).toBe(0);
    expect(() => devices.post(readingAt('2026-03-04T09:59:00.000Z'))).toThrow(/newer reading/);
    expect(() => devices.post(readingAt('2026-03-04T12:00:00.000Z'))).toThrow(/dated 2 h ahead/);
  });

  test('no figure that a stand-in made up enters a record of a real kitchen', async () => {
    const kitchen = await openTestKitchen({ simulate: true });
    await kitchen.stores.formulas.create(wrap(), 'new', AT);
    const { api } = kitchen;
    const day = { airC: 24, humidity: 0.6, flourC: 22, liquidC: 16 };
    const refused = async (path: string, body: object, field: string, method: 'post' | 'put' = 'post') => {
      const { body: problem } = await api[method](path).send(body).expect(422);
      expect(problem).toMatchObject({
        errors: [{ path: field, message: expect.stringMatching(/simulated/) }],
      });
    };
    const start = batchStart({ conditions: { ...day, airFrom: 'simulated' } });
    await refused('/api/v1/batches', start, 'conditions.airFrom');
    const { body: batch } = await api.post('/api/v1/batches').send(batchStart()).expect(201);
    const on = { type: 'piece-on', piece: 1, place: 1, plateC: 230 } as const;
    const events = `/api/v1/batches/${(batch as { id: string }).id}/events`;
    await refused(events, event({ ...on, source: 'simulated' }), 'source');
    await api
      .post(events)
      .send(event({ ...on, source: 'typed' }))
      .expect(201);
    const { body: settings } = await api.get('/api/v1/kitchen');
    const plate = {
      ...{ id: 'p', name: 'Plate', material: 'steel', thicknessMm: 10, shape: 'rectangle' },
      ...{ widthMm: 600, depthMm: 400, heat: 'burner', powerW: 5000 },
      marks: [{ mark: 3, tempC: 200, source: 'simulated' }],
    };
    await refused('/api/v1/kitchen', { ...settings, griddles: [plate] }, 'griddles[0]', 'put');
    await kitchen.close();
  });
});

describe('over HTTP', () => {
  test('lists the devices, and a bridge’s reading takes the place of the simulated one', async () => {
    const { api, close } = await openTestKitchen({ simulate: true });
    const list = await api.get('/api/v1/devices').expect(200);
    const simulated = { source: 'simulated', usable: false };
    expect(list.body).toMatchObject([
      { kind: 'scale', heard: simulated, unit: 'g' },
      { kind: 'room', heard: simulated },
      { kind: 'probe', heard: simulated },
      { kind: 'thermometer', heard: simulated, unit: '°C' },
    ]);
    const reading = { kind: 'scale', at: AT, massG: 1234, steady: true, overload: false };
    await api.post('/api/v1/devices/scale/readings').send(reading).expect(201);
    expect((await api.get('/api/v1/devices')).body).toMatchObject([
      { heard: { source: 'device', usable: true, ageS: 0, reading } },
      {},
      {},
      {},
    ]);
    await close();
  });

  test.each([
    [
      '/api/v1/devices/toaster/acts',
      { act: 'tare' },
      'The device is one of: scale, room, probe, thermometer.',
    ],
    ['/api/v1/devices/scale/acts', { act: 'kick' }, 'This act is not known.'],
    [
      '/api/v1/devices/scale/acts',
      { act: 'pour', massG: -1, seconds: 2 },
      'Pour must be between 0.01 and 100,000 g.',
    ],
    [
      '/api/v1/devices/scale/readings',
      { kind: 'room', at: AT, tempC: 20, humidity: 0.5 },
      'This is a reading of a room, sent to the scale.',
    ],
  ])('%s refuses %j in words', async (path, body, sentence) => {
    const { api, close } = await openTestKitchen();
    const refused = await api.post(path).send(body).expect(422);
    expect((refused.body as { detail: string }).detail).toContain(sentence);
    await close();
  });
});
