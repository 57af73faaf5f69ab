// Sends seeded nonsense to every address of the server, made from its own schemas and its own documents, and reads spoiled
// files of every kind. Counts what must not be: an answer of 5xx, none in time, a refusal that is no problem+json or tells of
// the server's insides, and a refusal after which something in the kitchen is another thing than before.
//   npm run fuzz [-- --inputs 100000 --seed 1 --limit 2000]
import { parseArgs } from 'node:util';
import { openRandom } from '@kettle-scale/simulation';
import { type Answer, ask } from './fuzz/ask';
import { fuzzFiles } from './fuzz/files';
import { openKitchen } from './fuzz/kitchen';
import { type Asked, type OpenApi, openRequests } from './fuzz/requests';

const { values } = parseArgs({
  options: {
    inputs: { type: 'string', default: '100000' },
    seed: { type: 'string', default: '1' },
    /** The longest that anything may take, ms. */
    limit: { type: 'string', default: '2000' },
  },
});
const limitMs = Number(values.limit);
const random = openRandom(Number(values.seed));
/** Of all inputs, those that are files which the app reads by itself. */
const FILES = 0.2;
const files = Math.round(Number(values.inputs) * FILES);
const requests = Number(values.inputs) - files;
const MOST_TOLD = 12;

const INSIDES =
  /node_modules|\/apps\/server|\/tmp\/|\bat \S+ \(|\.[jt]s:\d+|SQLITE_|SequelizeD|SELECT .+ FROM/;
const kitchen = await openKitchen();
const read = async (path: string): Promise<unknown> => (await fetch(`${kitchen.url}/api/v1${path}`)).json();

/** Batches of the backup that is spoiled: more of them are the same again, and take their time. */
const BATCHES_IN_BACKUP = 2;

/** A backup of the kitchen as it is, with few batches. */
async function shortBackup(): Promise<string> {
  const whole = await (await fetch(`${kitchen.url}/api/v1/backup`)).text();
  let batches = 0;
  const lines = whole
    .trim()
    .split('\n')
    .filter((line) => !line.startsWith('{"kind":"batch"') || (batches += 1) <= BATCHES_IN_BACKUP)
    .slice(0, -1);
  return [...lines, JSON.stringify({ kind: 'end', lines: lines.length - 1 })].join('\n');
}

/** Documents that the kitchen itself takes, to be sent whole and spoiled. */
async function knownDocuments() {
  const [batches, formulas, lots, services] = (await Promise.all(
    ['/batches', '/formulas', '/flour-lots', '/services'].map(read),
  )) as [{ id: string }[], { id: string }[], { id: string }[], { day: string }[]];
  const [batch] = batches;
  const whole = (await read(`/batches/${batch?.id}`)) as { plan: object; events: object[] };
  const more = await Promise.all(['/kitchen', '/ingredients', '/saved-plans', '/carried', '/book'].map(read));
  const start = {
    ...{ id: '019a0000-0000-7000-8000-000000000000', at: new Date().toISOString() },
    ...{ formulaId: formulas[0]?.id, formulaVersion: 1, need: { by: 'pieces', pieces: 24, ballG: 90 } },
  };
  return {
    ids: [...batches, ...formulas, ...lots]
      .map(({ id }) => id)
      .concat(
        services.map(({ day }) => day),
        'scale',
        'probe',
      ),
    documents: [
      ...[start, { ...start, frozenPlan: whole.plan }, whole, ...whole.events.slice(0, 40)],
      ...[
        ...formulas,
        ...lots,
        ...services,
        ...more.flatMap((one) => (Array.isArray(one) ? (one as unknown[]).slice(0, 5) : [one])),
      ],
      ...[{ formula: formulas[0], reason: 'Again' }, { archived: true }, { name: 'Phone', role: 'cook' }],
      {
        book: { format: 'kettle-scale/book', formatVersion: 1, formulas, ingredients: [] },
        onTaken: 'version',
      },
    ],
    backup: await shortBackup(),
  };
}

/** What is wrong with an answer; null where nothing is. */
function wrong({ status, type, text, tookMs }: Answer): string | null {
  if (status >= 500 || status < 200) return `answered ${status}`;
  if (tookMs > limitMs) return `took ${tookMs.toFixed(0)} ms`;
  if (status < 400) return null;
  if (INSIDES.test(text)) return `tells of its insides: ${text.slice(0, 200)}`;
  if (text === '') return null;
  if (!type.startsWith('application/problem+json'))
    return `refuses with ${type || 'no type'}: ${text.slice(0, 80)}`;
  const problem = JSON.parse(text) as { status?: number; detail?: string };
  return problem.status === status && problem.detail
    ? null
    : `refuses without a sentence: ${text.slice(0, 120)}`;
}

const api = (await read('/openapi.json')) as OpenApi;
const maker = openRequests(api, await knownDocuments(), random);
const counts = { taken: 0, refused: 0 };
const found: string[] = [];
const tell = (asked: Asked, what: string): void => {
  const error = kitchen.errors.pop();
  found.push(
    `${asked.method} ${asked.path.slice(0, 160)} ${what}\n  sent: ${(asked.body ?? '').slice(0, 400)}${error ? `\n  logged: ${error.slice(0, 900)}` : ''}`,
  );
};

let before = await kitchen.changes();
for (let n = 0; n < requests; n += 1) {
  const asked = maker.next();
  const answer = await ask(kitchen.url, asked, limitMs).catch((error: unknown) =>
    error instanceof Error ? error.message : String(error),
  );
  const now = await kitchen.changes();
  if (typeof answer === 'string') tell(asked, answer);
  else {
    const what = wrong(answer);
    const refused = answer.status >= 400;
    counts[refused ? 'refused' : 'taken'] += 1;
    if (what) tell(asked, what);
    else if (refused && now !== before)
      tell(asked, `refused with ${answer.status}, and something was changed`);
  }
  before = now;
}
await kitchen.close();
found.push(...fuzzFiles(files, random, limitMs));

for (const one of found.slice(0, MOST_TOLD)) process.stdout.write(`${one}\n`);
process.stdout.write(
  `${requests} requests to ${maker.count} operations (${counts.taken} taken, ${counts.refused} refused) and ${files} files, seed ${values.seed}: ${found.length} wrong\n`,
);
// Nonsense that is all refused at the first field would reach nothing.
const reached = counts.taken > requests / 10 && counts.refused > requests / 10;
if (!reached) process.stdout.write('Too little was taken, or refused, for this run to say anything.\n');
process.exitCode = found.length === 0 && reached ? 0 : 1;
