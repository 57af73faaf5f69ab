import { newsvendorPieces } from '../demand/demand';
import { usualDay } from '../demand/shiftDay';
import type { LineBread, Shift, ShiftPlan } from '../shiftSchema';
import { doughS, latestStart } from './alone';
import cases from './cases.json';
import { compileShift } from './compile';
import { serve } from './guests';
import { runShift } from './runLine';

/** Small cases with exact results, made with a program of their own that shares no code with this one; times in seconds. */
const named = new Map(cases.cases.map((one) => [one.id, one as { input: unknown; expected: unknown }]));
const caseOf = <I, E>(id: string): { input: I; expected: E } => named.get(id) as { input: I; expected: E };

test.each(['latest-first-alone', 'latest-all-room'])('%s: counted back to the second', (id) => {
  const { input, expected } = caseOf<
    {
      bread: LineBread;
      plate: Shift['plates'][number];
      pieces: number;
      readyBy: number;
      ready: 'first' | 'all';
      helperRolls: boolean;
    },
    Record<string, number>
  >(id);
  const { startClock: _, doughS: dough, ...times } = expected;
  expect(latestStart(input.bread, input.plate, input)).toEqual(times);
  expect(doughS(input.bread, input.pieces)).toBe(dough);
});

interface Simulated {
  input: { shift: Shift; plan: ShiftPlan; arrivals: number[][] };
  expected: {
    perBread: Record<string, Record<string, number>>;
    changesOfHeat: number;
    acts: { who: string; kind: string; batch: number; from: number; to: number }[];
    pieces: { batch: number; on: number; off: number }[];
    heats: { heat: string; from: number; hotAt: number }[];
    thrown: { batch: number; what: string; n: number; at: number }[];
    cost: number;
  };
}

test.each(['one-batch-alone', 'plate-lit-late', 'balls-past-latest'])(
  '%s: every act to the second, every piece counted',
  (id) => {
    const { input, expected } = caseOf<Simulated['input'], Simulated['expected']>(id);
    const run = runShift(compileShift(input.shift), input.plan, usualDay(input.shift, input.arrivals), {
      log: true,
    });
    const log = run.log!;
    expect(log.acts.map(({ who, kind, batch, from, to }) => ({ who, kind, batch, from, to }))).toEqual(
      expected.acts,
    );
    expect(log.pieces.map(({ batch, on, off }) => ({ batch, on, off }))).toEqual(expected.pieces);
    expect(log.heats.map(({ heat, from, hotAt }) => ({ heat, from, hotAt }))).toEqual(expected.heats);
    expect(log.thrown).toEqual(
      expected.thrown.map((one) => ({ ...one, at: expect.closeTo(one.at, 5) as number })),
    );
    expect(run.changes).toBe(expected.changesOfHeat);
    expect(run.cost).toBeCloseTo(expected.cost, 9);
    input.shift.breads.forEach(({ id: bread }, index) => {
      const { made, taken, lost, waitS, waste, ballsThrown, doughThrown } = run.counts[index]!;
      expect({ made, taken, lost, waitS, waste, ballsThrown, doughThrown }).toEqual(expected.perBread[bread]);
    });
  },
);

test('hold-and-patience: the oldest first, the next for the patient', () => {
  const { input, expected } = caseOf<
    { holdS: number; patienceS: number; ready: number[]; arrivals: number[] },
    { taken: number; lost: number; waitS: number; tooOld: number; leftOver: number }
  >('hold-and-patience');
  const { next, ...served } = serve(input.ready, input.arrivals, input.holdS, input.patienceS);
  expect({ ...served, leftOver: input.ready.length - next }).toEqual(expected);
});

test('newsvendor: the smallest number that is enough', () => {
  const { expected } = caseOf<unknown, { mean: number; k: number; ratio: number; pieces: number }[]>(
    'newsvendor',
  );
  expect(expected.map(({ mean, k, ratio }) => newsvendorPieces(mean, k, ratio))).toEqual(
    expected.map(({ pieces }) => pieces),
  );
});
