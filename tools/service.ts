// A service on a plate that starts cold and drifts, with the app's times and with fixed ones: `npm run service -- --services 10`.
import { parseArgs } from 'node:util';
import {
  BASE_CASE,
  type ServiceSetup,
  shareGood,
  simulateService,
  openRandom,
} from '@kettle-scale/simulation';
import {
  type BakeRequest,
  COMMON_STANDARD,
  DEFAULT_MODEL,
  USUAL_SPREADS,
  finish,
  robustTimes,
  solveTimes,
  withFactors,
} from '@kettle-scale/core/bake';

const { values } = parseArgs({ options: { services: { type: 'string', default: '10' } } });
const SERVICES = Number(values.services);
const WARM_UP = 64;
const WANTED = 0.95;

const { stages: _stages, ...setup } = BASE_CASE;
const BELIEF: BakeRequest = {
  setup: { ...setup, plateC: 225 },
  program: { surface: 'flat', plateC: 225, sides: [{ seconds: 25 }, { seconds: 25 }] },
  standard: COMMON_STANDARD,
};
/** How the kitchen really is: as the model has it, and browning and touching otherwise. */
const KITCHENS = {
  'as the model': {},
  'browns faster, touches less': { contact: 0.9, browning: 1.2 },
  'browns slower, touches more': { contact: 1.1, browning: 0.8 },
} as const;
const WAYS: ServiceSetup['how'][] = ['app', 'fixed times, plate awaited', 'fixed times'];

const robust = finish(robustTimes(BELIEF, USUAL_SPREADS, solveTimes(BELIEF).seconds));
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const mean = (shares: readonly number[]) => shares.reduce((sum, s) => sum + s, 0) / shares.length;
let worst = 1;
for (const [kitchen, factors] of Object.entries(KITCHENS)) {
  for (const driftC of [-25, 25]) {
    const shares = WAYS.map((how) =>
      Array.from({ length: SERVICES }, (_, i) => {
        const random = openRandom((i + 1) * 7919);
        for (let n = 0; n < WARM_UP; n += 1) random.normal(0, 1);
        const truth = {
          ...BELIEF,
          setup: { ...BELIEF.setup, model: withFactors(DEFAULT_MODEL, factors) },
        };
        return shareGood(
          simulateService(
            {
              ...{ truth, belief: BELIEF, robustSeconds: robust.seconds, pieces: 120, startC: 60, driftC },
              ...{ spreads: { ...USUAL_SPREADS, plateC: 3 }, thermometerC: 1.5, eye: 0.2, gapS: 8, how },
            },
            random,
          ),
        );
      }),
    );
    if (kitchen !== 'browns slower, touches more') worst = Math.min(worst, mean(shares[0] ?? []));
    const words = WAYS.map((how, i) => {
      const of = shares[i] ?? [];
      return `${how} ${percent(mean(of))} (${percent(Math.min(...of))} to ${percent(Math.max(...of))})`;
    });
    process.stdout.write(`${kitchen}, drift ${driftC > 0 ? '+' : ''}${driftC} °C: ${words.join('; ')}\n`);
  }
}
process.exitCode = worst >= WANTED ? 0 : 1;
