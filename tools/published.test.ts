import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  type BackupLine,
  BOOK_FORMAT,
  BOOK_FORMAT_VERSION,
  DOCUMENT_NAMES,
  type DocumentName,
  jsonSchemaOf,
} from '@kettle-scale/core/document';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import type { ServiceRecord } from '@kettle-scale/core/shift';
import Ajv from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { openTestKitchen } from '../apps/server/src/test/kitchen';
import { runKettle } from './kettle/cli';

const ROOT = join(__dirname, '..');
/** Nothing else ends a program that is waited for while it hangs. */
const HUNG_MS = 120_000;
const CACHE = join(ROOT, '.cache');
mkdirSync(CACHE, { recursive: true });
/** Beside the packages, so that what is made there finds them. */
const folder = mkdtempSync(join(CACHE, 'published-'));

let demo: Awaited<ReturnType<typeof openTestKitchen>>;
beforeAll(async () => (demo = await openTestKitchen({ demo: true })));
afterAll(async () => {
  await demo.close();
  rmSync(folder, { recursive: true });
});

const answered = async (path: string): Promise<unknown> =>
  (await demo.api.get(`/api/v1${path}`).expect(200)).body;

async function reading(): Promise<unknown> {
  writeFileSync(join(folder, 'list.txt'), '500 g flour\n275 ml water\n1 tsp salt\n');
  let out = '';
  const streams = { out: (text: string) => void (out += text), err: () => undefined };
  await runKettle(['formula', 'parse', 'list.txt'], { ...streams, from: folder, languages: [] });
  return JSON.parse(out);
}

async function backupLines(): Promise<BackupLine[]> {
  const { text } = await demo.api.get('/api/v1/backup').buffer(true).expect(200);
  return text
    .trim()
    .split('\n')
    .map((line: string) => JSON.parse(line) as BackupLine);
}

async function planRequest(): Promise<object> {
  const [formula, kitchen] = [await answered('/formulas/deckhand-wrap'), await answered('/kitchen')];
  const need = { by: 'pieces', pieces: 24, ballG: 105 };
  return { format: 'kettle-scale/plan-request', formatVersion: 1, formula, need, kitchen };
}

async function book(): Promise<object> {
  const formulas = await answered('/formulas');
  const ingredients = await answered('/book/own-ingredients');
  return { format: BOOK_FORMAT, formatVersion: BOOK_FORMAT_VERSION, formulas, ingredients, archived: [] };
}

/** What the program writes of each format, and for those that it only reads what its pages show. */
const WRITTEN: Record<DocumentName, () => Promise<unknown[]>> = {
  formula: async () => (await answered('/formulas')) as unknown[],
  book: async () => [await book()],
  reading: async () => [await reading()],
  'plan-request': async () => [await planRequest()],
  plan: async () => [
    (
      await demo.api
        .post('/api/v1/plans')
        .send(await planRequest())
        .expect(200)
    ).body as unknown,
  ],
  log: async () => [await answered('/log.json')],
  'backup-line': backupLines,
  'bake-request': async () => [{}],
  griddle: async () => ((await answered('/kitchen')) as Kitchen).griddles ?? [],
  shift: async () => [],
  'service-day': async () => ((await answered('/services')) as ServiceRecord[]).map(({ service }) => service),
};
/** Read from a file by hand, and written by nobody. */
const ONLY_READ: readonly DocumentName[] = ['shift'];

test.each(DOCUMENT_NAMES)(
  'the JSON Schema of a %s is one, and takes what the program writes',
  async (name) => {
    const ajv = new Ajv({ strict: true, allErrors: true });
    addFormats(ajv);
    const takes = ajv.compile(jsonSchemaOf(name));
    const documents = await WRITTEN[name]();
    expect(documents.length > 0).toBe(!ONLY_READ.includes(name));
    for (const document of documents) expect([takes(document), takes.errors]).toEqual([true, null]);
    expect(takes({ format: 'something else' })).toBe(false);
  },
);

describe('the OpenAPI document', () => {
  const file = join(folder, 'openapi.json');
  // Neither asks anybody on the network whether there is a newer one.
  const env = { ...process.env, REDOCLY_TELEMETRY: 'off', REDOCLY_SUPPRESS_UPDATE_NOTICE: 'true' };
  const node = (...args: string[]) =>
    execFileSync(process.execPath, args, {
      cwd: folder,
      encoding: 'utf8',
      env,
      timeout: HUNG_MS,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
  beforeAll(async () => writeFileSync(file, JSON.stringify(await answered('/openapi.json'))));

  test('has no fault that a linter finds', () => {
    const said = node(join(ROOT, 'node_modules/@redocly/cli/bin/cli.js'), 'lint', file, '--format', 'json');
    const { totals } = JSON.parse(said.slice(said.indexOf('{'))) as { totals: object };
    expect(totals).toMatchObject({ errors: 0, warnings: 0 });
  });

  test('gives a client that compiles, with the types of what is sent and answered', () => {
    node(join(ROOT, 'node_modules/openapi-typescript/bin/cli.js'), file, '-o', join(folder, 'kitchen.d.ts'));
    const client = (piecesType: string) => `
      import createClient from 'openapi-fetch';
      import type { paths } from './kitchen';
      const client = createClient<paths>({ baseUrl: 'http://127.0.0.1:4310' });
      export async function names(): Promise<string[]> {
        const { data } = await client.GET('/api/v1/formulas', {});
        return (data ?? []).map(({ name }) => name);
      }
      export async function piecesOf(id: string): Promise<${piecesType} | undefined> {
        const { data } = await client.GET('/api/v1/batches/{id}', { params: { path: { id } } });
        return data?.plan.pieces;
      }`;
    const compiled = (text: string): string => {
      writeFileSync(join(folder, 'client.ts'), text);
      const options = [
        '--noEmit',
        '--strict',
        '--skipLibCheck',
        '--module',
        'esnext',
        '--moduleResolution',
        'bundler',
      ];
      try {
        return node(
          join(ROOT, 'node_modules/typescript7/bin/tsc'),
          ...options,
          '--target',
          'es2022',
          'client.ts',
        );
      } catch (error) {
        return (error as { stdout: string }).stdout;
      }
    };
    expect(compiled(client('number'))).toBe('');
    expect(compiled(client('Date'))).toMatch(/Type 'number' is not assignable to type 'Date/);
  });
});
