import { CATALOGUE } from '../ingredient/catalogue';
import { batchRecord } from '../batch/record';
import { goodPieces, piecesMade } from '../batch/batchState';
import type { EventBody } from '../batch/eventSchema';
import { foldBatch } from '../batch/foldBatch';
import { refuseEvent } from '../batch/refuseEvent';
import { plateCFor } from '../formula/bakePhases';
import { type Formula, formulaSchema } from '../formula/formulaSchema';
import { formulaFacts } from '../formula/formulaFacts';
import { methodWords } from '../formula/methodWords';
import { loggedPieces } from '../log/loggedPieces';
import { ballByEyeG } from '../portion/ballByEye';
import { eventsOf, formula as plain, kitchen } from '../test/examples';
import { said } from '../test/said';
import { laidOut } from './laidOut';
import { mixGuide } from './mixGuide';
import { planBatch } from './planBatch';
import { planCost } from './planCost';
import type { Plan, Step, StepKind } from './planSchema';
import { stepTitle, stepWindow } from './stepText';

type Changes = Partial<Pick<Formula, 'bake' | 'onBread'>> & { method?: Partial<Formula['method']> };
const withWays = ({ method, ...changes }: Changes): Formula =>
  formulaSchema.parse({
    ...plain,
    ...changes,
    formatVersion: 6,
    method: { ...plain.method, ...method },
  });
/** The step of a kind that every plan here has. */
function stepOf({ steps }: Plan, kind: StepKind): Step {
  const found = steps.find((step) => step.kind === kind);
  if (!found) throw new Error(`no step of the kind ${kind}`);
  return found;
}
const refusals = (plan: Plan, ...bodies: EventBody[]) =>
  eventsOf(...bodies).map((event) => refuseEvent(plan, [], event));
const planOf = (formula: Formula, pieces = 20) =>
  planBatch({ formula, need: { by: 'pieces', pieces, ballG: 92 }, kitchen });
const wordsOf = (formula: Formula) =>
  said(methodWords(formula, formulaFacts(formula, CATALOGUE)).map(({ text }) => text)).join('\n');

test('balls pressed to coins: a step between dividing and the last rest, and in the method', () => {
  const coins = withWays({ method: { shaping: { how: 'pin', note: '', coins: true } } });
  const plan = planOf(coins);
  const order = plan.steps.map(({ kind }) => kind).slice(-7);
  expect(order).toEqual(['rest', 'divide', 'coins', 'rest', 'flatten', 'griddle', 'finish']);
  const step = stepOf(plan, 'coins');
  expect(said(stepTitle(plan, step))).toBe('Press to coins');
  expect(wordsOf(coins)).toContain('Press each flat to a coin');
  expect(refusals(plan, { type: 'done', stepId: step.id })).toEqual([null]);
});

test('all discs first: as many as their cover keeps, the rest in a second round, and no overlap with the plate', () => {
  const laid = (where: NonNullable<Formula['method']['shaping']['laidOut']>) =>
    withWays({ method: { shaping: { how: 'pin', note: '', laidOut: where } } });
  const atOnce = (where: Parameters<typeof laid>[0]) => laidOut(laid(where), 60)?.atOnce ?? 0;
  expect(laidOut(plain, 60)).toBeNull();
  expect(atOnce('between sheets')).toBeGreaterThan(atOnce('floured'));
  expect(atOnce('floured')).toBeGreaterThan(atOnce('over the rim of a bowl'));
  const plan = planOf(laid('floured'), 60);
  expect(said(plan.warnings.map(({ message }) => message)).join()).toMatch(
    /Discs keep for 15\smin so: make 28 at a time/,
  );
  const flattenS = (formula: Formula) => stepOf(planOf(formula, 60), 'flatten').expectedS;
  expect(flattenS(laid('floured'))).toBe(60 * flattenS(plain));
});

test('trial pieces are made on top, teach the plate, and are neither good, reject nor yield', () => {
  const plan = planOf(withWays({ bake: { ...plain.bake, trials: 1 } }), 20);
  expect(plan.pieces).toBe(21);
  expect(plan.doughG).toBeGreaterThan(planOf(plain, 20).doughG);
  const bake = (piece: number): EventBody[] => [
    { type: 'piece-on', piece, plateC: 230 },
    { type: 'flipped', piece, side: 2 },
    { type: 'piece-off', piece },
    { type: 'judged', piece, firstSide: 'dark' },
  ];
  const state = foldBatch(
    plan,
    eventsOf(
      ...[1, 2, 3].flatMap(bake),
      { type: 'rejected', pieces: 1, reason: 'burnt', piece: 1 },
      { type: 'trial', piece: 3 },
      { type: 'rejected', pieces: 1, reason: 'torn', piece: 2 },
    ),
  );
  expect(state.trials).toEqual([1, 3]);
  expect(piecesMade(state)).toBe(1);
  expect(goodPieces(state)).toBe(0);
  expect(state.rejected.map(({ reason }) => reason)).toEqual(['torn']);
  expect(loggedPieces(plan, state)).toHaveLength(1);
  expect(batchRecord(plan, state).status).toBe('running');
});

test('a turn more, and back on for a little: counted once, and its sides teach nothing', () => {
  const plan = planOf(plain);
  const acts: EventBody[] = [
    { type: 'piece-on', piece: 1, plateC: 230 },
    { type: 'flipped', piece: 1, side: 2 },
    { type: 'helped', piece: 1, how: 'bubble popped' },
    { type: 'piece-off', piece: 1 },
    { type: 'back-on', piece: 1, place: 2 },
  ];
  const lying = foldBatch(plan, eventsOf(...acts));
  expect(lying.piecesOff).toBe(0);
  expect(lying.onPlate).toMatchObject([{ piece: 1, place: 2, side: 3 }]);
  const off = foldBatch(
    plan,
    eventsOf(...acts, { type: 'piece-off', piece: 1 }, { type: 'judged', piece: 1, firstSide: 'right' }),
  );
  expect(off.piecesOff).toBe(1);
  expect(off.baked[0]?.sidesS).toHaveLength(3);
  expect(loggedPieces(plan, off)).toEqual([]);
});

test('heat high, then lower: by the piece', () => {
  const bake = { ...plain.bake, plateC: 260, later: { afterPieces: 4, plateC: 220 } };
  expect([1, 4, 5, 30].map((piece) => plateCFor(bake, piece))).toEqual([260, 260, 220, 220]);
  expect(plateCFor(plain.bake, 30)).toBe(230);
  expect(wordsOf(withWays({ bake }))).toMatch(/Plate at 260\s°C, after 4 pieces at 220\s°C/);
});

test('two finishes in one batch: butter for half of the pieces, weighed and paid for half', () => {
  const buttered = (share?: number) =>
    planOf(
      withWays({
        onBread: [
          {
            id: 'butter-on',
            ingredient: 'butter',
            gPerPiece: 4,
            when: 'at the end',
            ...(share === undefined ? {} : { share }),
          },
        ],
      }),
    );
  expect(buttered().onBread?.[0]).toMatchObject({ massG: 80 });
  expect(buttered(0.5).onBread?.[0]).toMatchObject({ massG: 40, pieces: 10 });
  const cost = (share?: number) => planCost(buttered(share)).perBatch;
  expect(cost() - cost(0.5)).toBeCloseTo(cost(0.5) - planCost(planOf(plain)).perBatch, 6);
});

test('part of the flour is wetted first with its part of the liquid, and the plan waits for it', () => {
  const soaked = withWays({ method: { soak: { share: 0.5, restS: 1800 } } });
  const [plan, usual] = [planOf(soaked), planOf(plain)];
  const [first] = mixGuide(plan);
  expect(first).toMatchObject({ id: 'soak', kind: 'wait', waitS: 1800 });
  const flourG = plan.sheet.filter(({ kind }) => kind === 'flour').reduce((sum, { massG }) => sum + massG, 0);
  expect(said(first?.text)).toContain(`${Math.round(flourG / 2 / 5) * 5}`);
  expect(plan.expectedS - usual.expectedS).toBe(1800);
  const mix = stepOf(plan, 'mix');
  expect(stepWindow(plan, mix)?.earliestS).toBe(plain.method.mix.minS + 1800);
});

test('a real rest between two kneadings ends with its test, and takes the answer', () => {
  const again = { by: 'hand', pauseS: 900, minS: 60, maxS: 120, restTest: 'a dent fills slowly' } as const;
  const rested = withWays({ method: { knead: { ...plain.method.knead, again: [again] } } });
  const plan = planOf(rested);
  const pause = stepOf(plan, 'pause');
  expect(said(stepTitle(plan, pause))).toBe('Rest before kneading again');
  expect(wordsOf(rested)).toMatch(/Rest it covered for about 15\smin, until it passes: a dent fills slowly/);
  expect(refusals(plan, { type: 'tested', stepId: pause.id, passed: true })).toEqual([null]);
});

test('hands, speed, melted fat and the rim are in the words of the method', () => {
  const words = wordsOf(
    withWays({
      method: {
        hands: 'wet',
        fatIn: 'melted',
        mix: { by: 'machine', speed: 'slow', minS: 60, maxS: 120 },
      },
      bake: { ...plain.bake, sides: [{ seconds: 25 }, { seconds: 20, rim: true }] },
    }),
  );
  expect(words).toContain('Fat melted, then poured into the flour');
  expect(words).toContain('in the mixer, slow');
  expect(words).toContain('with wet hands');
  expect(words).toContain('press the rim onto the iron');
});

test('size by the flour in a piece, and by eye', () => {
  const plan = planBatch({
    formula: plain,
    need: { by: 'flour-each', pieces: 40, flourEachG: 30 },
    kitchen: { ...kitchen, benchStepG: 1 },
  });
  // Rounded to the scale, what all pieces share is that much flour each.
  expect(plan.flourG / plan.pieces).toBeCloseTo(30, 0);
  expect(plan.ballG).toBeCloseTo(30 * plan.totals.doughPerFlour * (1 - 0.01) * (1 - 0.005), 0);
  // A sphere of 43 mm holds 41.6 ml.
  expect(ballByEyeG(43, 1.15)).toBeCloseTo(47.9, 1);
});
