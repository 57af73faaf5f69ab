import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Formula } from '@kettle-scale/core/formula';
import { DEFAULT_KITCHEN, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { type Need, planBatch } from '@kettle-scale/core/plan';
import { readLanguages } from '../../apps/server/src/http/languages';
import { runKettle } from './cli';

const languages = readLanguages(join(__dirname, '../../languages'));

const folder = mkdtempSync(join(tmpdir(), 'kettle-cli-'));
const formula = JSON.parse(
  readFileSync(join(__dirname, '../../packages/simulation/src/kitchen/formulas/deckhand-wrap.json'), 'utf8'),
) as { lines: unknown[]; method: object };
const request = {
  format: 'kettle-scale/plan-request',
  formatVersion: 1,
  formula,
  need: { by: 'pieces', pieces: 24, ballG: 105 },
  kitchen: DEFAULT_KITCHEN,
};

const H = 3600;
const cook = { id: 'cook', can: ['weigh', 'load', 'knead', 'divide', 'roll', 'bake'] };
const roundBread = {
  ...{ id: 'round', ballG: 60, weighS: 60, loadS: 60, mixS: 240, kneadS: 300, rest1: [900, 3600] },
  ...{ divideS: 7, rest2: [600, 3600], rollS: 20, sidesS: [31, 26], heat: 'hot', ahead: 4, holdS: 7200 },
  ...{ cu: 2, co: 0.3, waves: [{ opens: 11 * H, peak: 11.5 * H, closes: 12 * H, pieces: 20 }] },
};
/** A shift of one bread as a document. */
const shiftOf = (changes: object) => ({
  ...{ format: 'kettle-scale/shift', formatVersion: 1 },
  shift: {
    ...{ opens: 8 * H, serviceFrom: 11 * H, serviceTo: 13 * H, ends: 14 * H, people: [cook] },
    ...{
      mixers: [{ id: 'bowl', minG: 500, maxG: 9000 }],
      plates: [{ id: 'plate', places: 6, preheatS: 900 }],
    },
    ...{ breads: [roundBread], ...changes },
  },
});

async function kettle(command: string, document?: unknown) {
  if (document !== undefined) {
    const text = typeof document === 'string' ? document : JSON.stringify(document);
    writeFileSync(join(folder, 'in.json'), text);
  }
  let [out, err] = ['', ''];
  const code = await runKettle(command.split(' '), {
    out: (text) => (out += text),
    err: (text) => (err += text),
    from: folder,
    languages,
  });
  return { code, out, err };
}

test('plan prints the plan', async () => {
  const { code, out } = await kettle('plan in.json', request);
  expect(code).toBe(0);
  expect(JSON.parse(out)).toMatchObject({ format: 'kettle-scale/plan', pieces: 24, bowls: 1 });
});

test('plan takes every need and the day', async () => {
  const conditions = { ...ORDINARY_DAY, doughC: 30, flourMoisture: 0.12 };
  const need = { by: 'stock', atHand: [{ ingredient: 'flour-strong', massG: 3000 }], ballG: 105 };
  const asked = { ...request, formatVersion: 2, need, conditions };
  const { code, out } = await kettle('plan in.json', asked);
  expect(code).toBe(0);
  expect(JSON.parse(out)).toMatchObject({
    scarcest: 'Strong flour',
    today: { doughC: 30, flourMoisture: 0.12 },
  });
});

test('what it tells is in the language and measures that are asked for, and lists are read in it', async () => {
  const refused = await kettle('--language es plan in.json', { ...request, need: { by: 'pieces' } });
  expect(refused).toMatchObject({
    code: 2,
    err: expect.stringContaining('need.pieces: Falta: Piezas. (y 1 más)'),
  });
  const { out } = await kettle(
    '--language es formula parse in.json',
    '4 tazas de harina\n1 taza de agua a 38 °C',
  );
  expect(JSON.parse(out).formula.lines[0]).toMatchObject({ ingredient: 'flour-plain' });
  expect((await kettle('--language es plan --help')).out).toContain('Uso: kettle plan');
  expect((await kettle('plan --help')).out).toContain('Usage: kettle plan');
});

describe('one question of the bench', () => {
  const answer = async (command: string) => {
    const { code, out, err } = await kettle(command);
    expect(err).toBe('');
    expect(code).toBe(0);
    return JSON.parse(out);
  };

  test('water', async () => {
    expect(await answer('water --hydration 55 --moisture 12')).toMatchObject({
      inputs: { hydration: 55, moisture: 12 },
      hydrationForMoisturePercent: expect.closeTo(58.6, 2),
      hydrationTodayPercent: expect.closeTo(58.6, 2),
    });
    const learned = await answer('water --hydration 55 --moisture 14 --observed 2,2,2,2');
    expect(learned.hydrationTodayPercent).toBeCloseTo(55 + 8 / 4.25, 6);
  });

  test('watertemp', async () => {
    const parts = '--part flour-strong:10000:22 --part oil-rapeseed:1100:22 --part salt-fine:200:22';
    const cold = `watertemp ${parts} --liquid-g 5400 --hydration-heat 0`;
    expect(await answer(`${cold} --dough 30`)).toMatchObject({
      liquidC: expect.closeTo(37.04, 2),
      reachable: true,
    });
    const hot = 'watertemp --part flour-strong:10000:22 --part oil-rapeseed:1000:22 --liquid-g 5800';
    expect(await answer(`${hot} --liquid-temp 96 --hydration-heat 0`)).toMatchObject({
      doughC: expect.closeTo(63.01, 2),
    });
  });

  test('rest', async () => {
    expect(await answer('rest --spring-back 6 --tau 12')).toMatchObject({ restMin: expect.closeTo(26.4, 1) });
    const ball = await answer('rest --ball 60 --from 4 --air 24');
    expect(ball.centreC).toMatchObject({ 10: expect.closeTo(5.46, 1), 60: expect.closeTo(17.58, 1) });
  });

  test('correct', async () => {
    expect(await answer('correct --feel sticky --flour-g 1000 --hydration 55 --top-up salt:2')).toMatchObject(
      {
        kind: 'flour',
        massG: expect.closeTo(30 / 0.55, 6),
        topUps: [{ name: 'salt', massG: expect.closeTo(0.6 / 0.55, 6) }],
      },
    );
  });

  test('portion', async () => {
    const division = await answer('portion --dough 1500 --pieces 14');
    expect(division).toMatchObject({
      pieces: 14,
      lossG: 7.5,
      cutGuide: [{ into: 2 }, { into: 7, how: 'weigh' }],
    });
    expect(await answer('portion --dough 1500 --ball 105 --cost-per-kg 1.2')).toMatchObject({
      pieces: 14,
      leftoverG: expect.closeTo(1492.5 - 14 * 105, 6),
      costPerPiece: expect.closeTo(1.8 / 14, 9),
    });
  });

  test.each([
    ['--ball 60 --thickness 1.8 --density 1.15', { diameterMm: 192.1 }],
    ['--ball 95 --thickness 1.6 --density 1.15', { diameterMm: 256.4 }],
    ['--ball 40 --thickness 1.5 --density 1.12', { diameterMm: 174.1 }],
    ['--ball 60 --thickness 4 --density 1.05', { diameterMm: 134.9 }],
    ['--diameter 192.1 --thickness 1.8 --density 1.15', { ballG: 60 }],
    ['--ball 60 --diameter 192.1 --density 1.15', { thicknessMm: 1.8 }],
  ])('disc %s', async (options, expected) => {
    const found = (await answer(`disc ${options}`)) as Record<string, number>;
    for (const [key, value] of Object.entries(expected)) expect(found[key]).toBeCloseTo(value, 1);
  });

  test('sample', async () => {
    expect(
      await answer('sample --balls 107,107.2,106.9,107.1,107 --target 105 --tolerance 3 --within 0.5'),
    ).toMatchObject({
      n: 5,
      advice: { about: 'aim' },
      weighForThat: 3,
    });
  });

  test.each([
    ['portion --dough 1500 --pieces 14 --ball 3', 'pieces: Give one of'],
    ['portion --dough 0 --pieces 14', 'dough: Dough must be between'],
    ['disc --ball 60', 'ball: Give two of'],
    ['sample --balls 1,x --target 5 --tolerance 1', 'balls[1]: Ball must be a number.'],
    ['water --hydration lots', 'hydration: Hydration must be a number.'],
    ['water --hydration 55 --humidity 120', 'humidity: Air humidity must be between 2 and 98 %.'],
    [
      'watertemp --liquid-g 100',
      'dough: Give the target dough temperature (--dough) or that of the liquid (--liquid-temp).',
    ],
    ['watertemp --part stone:1:2 --liquid-g 100 --dough 30', 'part[0]: There is no ingredient “stone”.'],
    ['rest --spring-back 40', 'springBack: Spring-back must be between 0 and 22 %.'],
    ['correct --feel odd --flour-g 1 --hydration 50', 'feel: Feel must be one of:'],
  ])('%s is refused in one line', async (command, sentence) => {
    const { code, err } = await kettle(command);
    expect(code).toBe(2);
    expect(err).toContain(sentence);
    expect(err.trim().split('\n')).toHaveLength(1);
  });
});

test('formula check says what a formula comes to', async () => {
  const { code, out } = await kettle('formula check in.json', formula);
  expect(code).toBe(0);
  expect(JSON.parse(out)).toMatchObject({
    formula: 'deckhand-wrap',
    hydration: 0.54,
    fat: 0.11,
    warnings: [],
  });
});

describe('a list in words', () => {
  const LIST = 'Quay round\n2 3/4 cups flour, scooped\n½ stick butter\n350ml warm water\npinch of salt';

  test('formula parse prints the formula and what it would ask', async () => {
    const { code, out } = await kettle('formula parse in.json', LIST);
    expect(code).toBe(0);
    const reading = JSON.parse(out);
    expect(reading).toMatchObject({
      format: 'kettle-scale/reading',
      formula: { id: 'quay-round', method: { liquidTempC: 38 } },
      problem: null,
    });
    expect(reading.questions.map(({ line, kind }: { line: number; kind: string }) => [line, kind])).toEqual([
      [2, 'ingredient'],
      [3, 'ingredient'],
      [5, 'ingredient'],
    ]);
    expect(reading.hydration.low).toBeLessThan(reading.hydration.typical);
  });

  test('answers settle it, in metric cups when asked', async () => {
    const first = JSON.parse((await kettle('formula parse in.json', LIST)).out);
    const answers = Object.fromEntries(
      first.questions.map(({ key, answers: [, second] }: { key: string; answers: { id: string }[] }) => [
        key,
        second?.id,
      ]),
    );
    writeFileSync(join(folder, 'answers.json'), JSON.stringify(answers));
    const { out } = await kettle(
      'formula parse in.json --answers answers.json --measures metric --name Other',
      LIST,
    );
    const { questions, formula: settled } = JSON.parse(out);
    expect(questions).toEqual([]);
    expect(settled).toMatchObject({
      name: 'Other',
      flourG: 412.5,
      lines: [
        { ingredient: 'flour-strong' },
        { ingredient: 'butter-salted' },
        {},
        { ingredient: 'salt-coarse' },
      ],
    });
  });

  test('a recipe of elsewhere is read by its lines; a list without flour says so', async () => {
    const recipe = {
      '@type': 'Recipe',
      name: 'Far bread',
      recipeIngredient: ['500 g bread flour', '300 ml water'],
    };
    expect(JSON.parse((await kettle('formula parse in.json', recipe)).out).formula.name).toBe('Far bread');
    const { code, out } = await kettle('formula parse in.json', '300 ml water');
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({
      formula: null,
      problem: expect.stringMatching(/how much flour/),
    });
  });
});

test.each(['csv', 'jsonld', 'json'])('formula convert to %s and back is the same formula', async (to) => {
  const there = await kettle(`formula convert in.json --to ${to}`, formula);
  expect(there.code).toBe(0);
  const back = await kettle('formula convert in.json --to json', there.out);
  expect(JSON.parse(back.out)).toEqual(formula);
});

test('formula compare lists what differs', async () => {
  writeFileSync(
    join(folder, 'other.json'),
    JSON.stringify({ ...formula, name: 'Other', lines: formula.lines.slice(0, -1) }),
  );
  const { code, out } = await kettle('formula compare in.json other.json', formula);
  expect(code).toBe(0);
  expect(
    JSON.parse(out).differences.map(
      ({ label, change }: { label: string; change: string }) => `${label} ${change}`,
    ),
  ).toEqual(['Fine salt removed', 'Salt changed', 'Name changed']);
});

test.each(['formula', 'book', 'reading', 'plan-request', 'plan'])(
  'schema %s is a JSON Schema',
  async (name) => {
    const { code, out } = await kettle(`schema ${name}`);
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({
      $schema: expect.stringContaining('json-schema.org'),
      type: 'object',
    });
  },
);

test('shift plan makes a plan that shift simulate runs, to the piece and as a table', async () => {
  const { code, out } = await kettle('shift plan --tries 50 --days 20 in.json', shiftOf({}));
  expect(code).toBe(0);
  const { worth, ...planned } = JSON.parse(out) as { worth: object; plan: { batches: { n: number }[] } };
  expect(worth).toMatchObject({ wanted: { mean: expect.closeTo(20, -1) as number } });
  const run = await kettle('shift simulate in.json', planned);
  const pieces = planned.plan.batches.reduce((sum, { n }) => sum + n, 0);
  expect(JSON.parse(run.out)).toMatchObject({ breads: { round: { made: pieces, ballsThrown: 0 } } });
  const table = (await kettle('shift simulate --csv in.json', planned)).out.trim().split('\r\n');
  expect(table[0]).toBe('who,kind,batch,bread,from,to,clock');
  expect(table.filter((row) => row.includes(',piece,'))).toHaveLength(pieces);
});

test.each([
  ['formula convert in.json --to csv', '500 g flour', /list in words/],
  ['formula convert in.json --to moon', formula, /json, csv, jsonld/],
  ['formula convert in.json', formula, /--to/],
  ['formula parse in.json', 'mix and rest', /names an ingredient/],
  ['formula compare in.json', formula, /after/],
  [
    'plan in.json',
    { ...request, need: { by: 'pieces', pieces: 0, ballG: 105 } },
    /^need\.pieces: Pieces must be/,
  ],
  ['plan in.json', { ...request, moon: 1 }, /^moon: The field “moon” is not known/],
  [
    'plan in.json',
    { ...request, formula: { ...formula, lines: formula.lines.slice(2) } },
    /^formula\.lines: .*flour/,
  ],
  [
    'plan in.json',
    { ...request, kitchen: { ...DEFAULT_KITCHEN, bowlCapacityG: 90, bowlMinimumG: 0 } },
    /^kitchen\.bowlCapacityG: .*one ball/,
  ],
  ['plan in.json', '{ "format": ', /not JSON/],
  ['plan missing.json', undefined, /no file “missing\.json”/],
  ['formula check in.json', { ...formula, formatVersion: 7 }, /^formatVersion: .*version 7/],
  ['shift plan in.json', shiftOf({ people: [] }), /^shift\.people: Nobody is on shift/],
  ['shift plan in.json', shiftOf({ serviceTo: 0 }), /The service ends before it begins/],
  ['shift plan --tries 1.5 in.json', shiftOf({}), /^tries: Tries must be whole/],
  ['shift simulate in.json', shiftOf({}), /^plan: The document has no plan/],
  ['schema moon', undefined, /^moon does not go with document; it takes .*formula/],
  ['dance', undefined, /^There is no dance\.\n$/],
  ['plan', undefined, /^<file> is missing\.\n$/],
  ['plan --slow in.json', undefined, /^There is no --slow\.\n$/],
  ['plan in.json out.json', undefined, /^plan takes fewer arguments\.\n$/],
  [
    '--units stone plan in.json',
    undefined,
    /^--units <system> does not go with stone; it takes metric, us\.\n$/,
  ],
  ['--language es plan', undefined, /^Falta <file>\.\n$/],
  ['', undefined, /./],
])('%s with bad input: one line, exit code 2', async (command, document, words) => {
  const { code, out, err } = await kettle(command, document);
  expect(code).toBe(2);
  expect(out).toBe('');
  expect(err).toMatch(words);
  expect(err.trimEnd().split('\n')).toHaveLength(1);
});

describe('the log', () => {
  const plan = planBatch({
    formula: request.formula as Formula,
    need: request.need as Need,
    kitchen: DEFAULT_KITCHEN,
  });
  const start = {
    id: '019a0000-0000-7000-8000-000000000001',
    at: '2026-03-04T10:00:00.000Z',
    formulaId: 'deckhand-wrap',
    formulaVersion: 1,
    need: request.need,
  };
  const events = [
    {
      id: '019a0000-0000-7000-8000-000000000002',
      at: start.at,
      type: 'measured',
      stepId: 'griddle',
      what: 'plate',
      tempC: 262,
      by: 'probe',
    },
    {
      id: '019a0000-0000-7000-8000-000000000003',
      at: start.at,
      type: 'finished',
      pieces: 24,
      good: 20,
      note: 'black',
    },
  ];

  test('diagnose ranks by the batch’s own record', async () => {
    const batch = { id: start.id, startedAt: start.at, plan, flourLotId: null, events };
    const { out, code } = await kettle('diagnose in.json --see black-spots', batch);
    expect(code).toBe(0);
    const [first] = (JSON.parse(out) as { suspects: unknown[] }).suspects;
    expect(first).toMatchObject({ cause: 'plate-hot', adjustment: { what: 'plate', value: -25 } });
    expect((await kettle('diagnose in.json --see purple')).err).toContain('What is seen must be one of:');
  });

  test('export writes a backup’s batches as a table, and reads its own document back', async () => {
    const lines = [
      { format: 'kettle-scale/backup', formatVersion: 1, kind: 'head', madeAt: start.at },
      { kind: 'batch', start, plan, events, receivedAt: [start.at, start.at] },
      { kind: 'end', lines: 2 },
    ];
    const backup = lines.map((line) => JSON.stringify(line)).join('\n');
    const table = await kettle('log export in.json --csv', backup);
    expect(table.out.split('\n')[1]).toMatch(/Deckhand wrap,1,,finished,24,24,20,/);
    const { out } = await kettle('log export in.json', backup);
    expect((await kettle('log export in.json --csv', out)).out).toBe(table.out);
  });
});
