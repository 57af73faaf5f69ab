import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runKettle } from './cli';

const from = mkdtempSync(join(tmpdir(), 'kettle-griddle-'));

async function kettle(args: string, document?: unknown) {
  let out = '';
  let err = '';
  if (document !== undefined) writeFileSync(join(from, 'in.json'), JSON.stringify(document));
  const code = await runKettle(args.split(' '), {
    languages: [],
    out: (text) => (out += text),
    err: (text) => (err += text),
    from,
  });
  return { code, out, err, json: <T>() => JSON.parse(out) as T };
}

interface Outcome {
  weightLoss: number;
  moisture: number;
  cookedS: number;
  heatKJM2: number;
}

describe('bake', () => {
  test('with the reference constants it is the base case of the model, with its series', async () => {
    const { json } = await kettle('bake --constants reference --cells 96 --step 0.02');
    const { outcome, series } = json<{ outcome: Outcome; series: { timeS: number; profileC: number[] }[] }>();
    expect(outcome).toMatchObject({
      weightLoss: expect.closeTo(12.39, 1),
      cookedS: expect.closeTo(20.3, 0),
      heatKJM2: expect.closeTo(1141, -1),
    });
    expect(series.at(-1)).toMatchObject({ timeS: 50 });
    expect(series[0]?.profileC).toHaveLength(96);
  });

  test('options and documents say the same', async () => {
    const document = {
      constants: 'reference',
      dough: { water: 60, fat: 0, salt: 1 },
      disc: { thicknessMm: 4.5 },
      plate: { tempC: 190 },
      program: { sides: [60, 60, 60, 60].map((seconds) => ({ seconds })) },
    };
    const whole = await kettle('bake in.json', document);
    const { dough } = document;
    const split = await kettle(
      'bake in.json --constants reference --thickness 4.5 --plate 190 --seconds 60,60,60,60',
      { dough },
    );
    expect(split.out).toBe(whole.out);
    expect(whole.json<{ outcome: Outcome }>().outcome.weightLoss).toBeCloseTo(14.53, 0);
  });

  test('the series is a table', async () => {
    const { out } = await kettle('bake --seconds 10,5 --every 5 --csv');
    const [head, ...rows] = out.trim().split('\n');
    expect(head).toMatch(/^time_s,down,plate_C,face_A_C,.*puff_index$/);
    expect(rows.map((row) => row.split(',').slice(0, 2).join(' '))).toEqual(
      expect.arrayContaining(['10 A', '15 B']),
    );
  });
});

test('solve gives seconds, limits and sensitivities; and the heat or thickness for given seconds', async () => {
  const times = (await kettle('solve --plate 230')).json<{
    least: number[];
    most: number[];
    words: string;
  }>();
  expect(times).toMatchObject({
    good: true,
    least: [expect.closeTo(23, -0.5), expect.closeTo(17, -0.5)],
    seconds: [expect.closeTo(27, -0.5), expect.closeTo(19, -0.5)],
    most: [expect.closeTo(36, -1), expect.closeTo(33, -0.5)],
    steady: { share: expect.closeTo(1, 1) },
    given: { seconds: [25, 25] },
  });
  expect(times.words).toContain('it chars');
  expect((await kettle('solve --plate 180 --thickness 1')).json()).toMatchObject({
    good: false,
    trouble: 'dries first',
    waysOut: expect.arrayContaining([expect.objectContaining({ what: 'thickness' })]),
  });
  expect((await kettle('solve --for heat --seconds 25,25')).json()).toMatchObject({ good: true, unit: '°C' });
  expect((await kettle('solve --for thickness --seconds 25,25')).json()).toMatchObject({ unit: 'mm' });
});

test('window is a picture in words', async () => {
  const { out } = await kettle('window --csv');
  const rows = out.trim().split('\n');
  expect(rows).toHaveLength(48 * 32 + 1);
  for (const word of ['good', 'dry', 'burnt', 'raw']) expect(out).toContain(`,${word},`);
});

test('plate says how long to wait, how many fit, at what pace, and where the knob goes', async () => {
  const griddle = {
    ...{ id: 'long-plate', name: 'Long plate', material: 'steel', thicknessMm: 12, shape: 'rectangle' },
    ...{ widthMm: 900, depthMm: 600, heat: 'thermostat', powerW: 11_000 },
    marks: [
      { mark: 5, tempC: 215 },
      { mark: 6, tempC: 240 },
    ],
  };
  const { json } = await kettle('plate --griddle in.json --plate 228 --diameter 280 --rolling 20', griddle);
  expect(json()).toMatchObject({ pieces: 6, knob: 'between 5 and 6', pace: { limit: 'rolling' } });
  expect(json<{ readySeconds: number }>().readySeconds).toBeGreaterThan(240);
  expect((await kettle('plate --griddle in.json --csv')).out).toMatch(/^time_s,plate_C\n0,20\n30,/);
});

test.each([
  ['bake --plate 900', /plate\.tempC: Plate temperature must be between 60 and 380 °C\./],
  ['bake --seconds 20,x', /Time of a side must be a number/],
  ['solve --for luck', /Choose times, heat or thickness\./],
  ['bake in.json', /colour/],
])('%s is refused in a sentence', async (args, words) => {
  const { code, err, out } = await kettle(args, { colour: 'red' });
  expect(code).toBe(2);
  expect(out).toBe('');
  expect(err).toMatch(words);
});
