// How many of 100 pieces come out in standard: the demo breads with their own and with the steadiest seconds, and made-up
// breads with the middle of their ranges and with the steadiest: `npm run steady -- --breads 100`.
import { parseArgs } from 'node:util';
import { BASE_CASE, DEMO_KITCHEN, demoFormulas, openRandom } from '@kettle-scale/simulation';
import {
  type BakeRequest,
  USUAL_SPREADS,
  doughProperties,
  finish,
  opinionsOn,
  partsOfPlainDough,
  questionOfFormula,
  solveTimes,
  standardOf,
} from '@kettle-scale/core/bake';
import { CATALOGUE } from '@kettle-scale/core/ingredient';

const { values } = parseArgs({ options: { breads: { type: 'string', default: '100' } } });
const WANTED = 0.95;
const SEED = 77;
const { stages: _stages, ...setup } = BASE_CASE;
const random = openRandom(SEED);
const between = (from: number, to: number): number => from + (to - from) * random.uniform();

/** A bread of any thickness, heat, dough and standard; null where the model knows no good one. */
function madeUp(): BakeRequest | null {
  const plateC = Math.round(between(180, 255));
  const parts = partsOfPlainDough({ water: between(50, 68), fat: between(0, 12), salt: 2 });
  const request: BakeRequest = {
    setup: {
      ...setup,
      dough: doughProperties(parts, 0.06),
      thicknessMm: Math.round(between(20, 76)) / 20,
      plateC,
      startC: { under: plateC, rest: plateC },
    },
    program: { surface: 'flat', plateC, sides: [{ seconds: 25 }, { seconds: 25 }] },
    standard: standardOf({
      spots: random.pick(['pale', 'light freckles', 'freckles', 'deep freckles']),
      puff: random.pick(['flat', 'large bubbles', 'full pocket']),
      fold: random.pick(['rolls up tight', 'folds in half', 'folds in quarters']),
    }),
  };
  const { good, seconds } = solveTimes(request);
  const sides = seconds.map((s) => ({ seconds: Math.round(s) }));
  return good ? { ...request, program: { ...request.program, sides } } : null;
}

const percent = (share: number): string => (100 * share).toFixed(1).padStart(5);
const sum = (seconds: readonly number[]): string => seconds.map((s) => Math.round(s)).join(' + ');

process.stdout.write('bread             formula          steadiest\n');
for (const formula of demoFormulas()) {
  const { request, spreads } = questionOfFormula(formula, CATALOGUE, DEMO_KITCHEN);
  const { formula: own, here } = finish(opinionsOn(request, spreads));
  const steadiest = here ? `${sum(here.seconds)} s ${percent(here.share)} %` : 'none';
  process.stdout.write(
    `${formula.id.padEnd(16)}  ${sum(own.seconds)} s ${percent(own.share)} %  ${steadiest}\n`,
  );
}

const shares: { middle: number; steadiest: number }[] = [];
while (shares.length < Number(values.breads)) {
  const request = madeUp();
  if (!request) continue;
  const { formula, here } = finish(opinionsOn(request, USUAL_SPREADS));
  shares.push({ middle: formula.share, steadiest: here?.share ?? 0 });
}
for (const what of ['middle', 'steadiest'] as const) {
  const sorted = shares.map((one) => one[what]).sort((a, b) => a - b);
  const steady = sorted.filter((share) => share >= WANTED).length;
  process.stdout.write(
    `${shares.length} made-up breads, ${what}: ${steady} reach 95 of 100; median ${percent(sorted[sorted.length >> 1] ?? 0)} %, a tenth below ${percent(sorted[Math.floor(sorted.length / 10)] ?? 0)} %\n`,
  );
}
