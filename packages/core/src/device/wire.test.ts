import fc from 'fast-check';
import { scaleLine, sensedHumidity, sensedTemperature, weightMeasurement } from './wire';

const bytes = (...values: number[]) => new DataView(Uint8Array.from(values).buffer);

test('a weight by Bluetooth: kilograms in steps of 5 g, or pounds in hundredths, as the flags say', () => {
  // 250 steps of 0.005 kg; the flags may also announce a time, which follows.
  expect(weightMeasurement(bytes(0b00, 250, 0))).toBe(1250);
  expect(weightMeasurement(bytes(0b10, 250, 0, 0xea, 0x07, 3, 4, 10, 0, 0))).toBe(1250);
  expect(weightMeasurement(bytes(0b01, 0x64, 0))).toBeCloseTo(453.59237, 9);
  expect(weightMeasurement(bytes(0b00, 0xff, 0xff))).toBeNull();
  expect(weightMeasurement(bytes(0b00, 250))).toBeNull();
});

test('temperature and humidity by Bluetooth, in hundredths, with the number that stands for not known', () => {
  expect(sensedTemperature(bytes(0xe2, 0x5a))).toBe(232.66);
  expect(sensedTemperature(bytes(0x18, 0xfc))).toBe(-10);
  expect(sensedTemperature(bytes(0x00, 0x80))).toBeNull();
  expect(sensedTemperature(bytes(0x00))).toBeNull();
  expect(sensedHumidity(bytes(0x88, 0x13))).toBe(0.5);
  expect(sensedHumidity(bytes(0xff, 0xff))).toBeNull();
});

test.each([
  ['ST,GS,+  1.250 kg', { massG: 1250, steady: true, overload: false }],
  ['US,GS,+ 12.5 g', { massG: 12.5, steady: false, overload: false }],
  ['S S     -3.4 g', { massG: -3.4, steady: true, overload: false }],
  ['S D      7,5 g', { massG: 7.5, steady: false, overload: false }],
  ['  1060 g', { massG: 1060, steady: null, overload: false }],
  ['2 lb', { massG: 907.185, steady: null, overload: false }],
  ['OL', { massG: 0, steady: false, overload: true }],
  ['ready', null],
  ['1060', null],
  ['12 min', null],
])('a line of a scale on a cable: %s', (line, read) => {
  expect(scaleLine(line)).toEqual(read);
});

test('whatever comes down the cable is read or passed over', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (line) => {
      const read = scaleLine(line);
      expect(read === null || Number.isFinite(read.massG)).toBe(true);
    }),
  );
});
