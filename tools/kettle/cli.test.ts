import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEFAULT_KITCHEN } from '@kettle-scale/core';
import { runKettle } from './cli';

const folder = mkdtempSync(join(tmpdir(), 'kettle-cli-'));
const formula = JSON.parse(
  readFileSync(join(__dirname, '../../apps/server/src/demo/formulas/deckhand-wrap.json'), 'utf8'),
) as { lines: unknown[]; method: object };
const request = {
  format: 'kettle-scale/plan-request',
  formatVersion: 1,
  formula,
  need: { by: 'pieces', pieces: 24, ballG: 105 },
  kitchen: DEFAULT_KITCHEN,
};

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
  });
  return { code, out, err };
}

test('plan prints the plan', async () => {
  const { code, out } = await kettle('plan in.json', request);
  expect(code).toBe(0);
  expect(JSON.parse(out)).toMatchObject({ format: 'kettle-scale/plan', pieces: 24, bowls: 1 });
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

test.each(['formula', 'plan-request', 'plan'])('schema %s is a JSON Schema', async (name) => {
  const { code, out } = await kettle(`schema ${name}`);
  expect(code).toBe(0);
  expect(JSON.parse(out)).toMatchObject({
    $schema: expect.stringContaining('json-schema.org'),
    type: 'object',
  });
});

test.each([
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
  ['schema moon', undefined, /moon/],
  ['dance', undefined, /dance/],
  ['plan', undefined, /missing required argument/],
  ['', undefined, /./],
])('%s with bad input: one line, exit code 2', async (command, document, words) => {
  const { code, out, err } = await kettle(command, document);
  expect(code).toBe(2);
  expect(out).toBe('');
  expect(err).toMatch(words);
  expect(err.trimEnd().split('\n')).toHaveLength(1);
});
