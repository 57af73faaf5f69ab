import { DEMO_KITCHEN, bruteShare, demoFormulas } from '@kettle-scale/simulation';
import fc from 'fast-check';
import { KINDS_OF_BREAD, type KindOfBread } from '../../formula/kindsOfBread';
import { CATALOGUE } from '../../ingredient/catalogue';
import { listFormula } from '../../writing/listFormula';
import { readList } from '../../writing/readList';
import { withTimesChosen } from '../../kitchen/timesChosen';
import type { Kitchen } from '../../kitchen/kitchenSchema';
import { planBatch } from '../../plan/planBatch';
import { said } from '../../test/said';
import { secondsOf } from '../solve/bakeRequest';
import { type Opinions, opinionsKey, opinionsOn } from '../solve/opinions';
import { opinionsWords, unsteadyWords } from '../solve/secondsWords';
import { solveTimes } from '../solve/solve';
import { evenDraws } from '../solve/spreads';
import { finish } from '../solve/window';
import { inUse } from './inUse';
import { questionOfFormula, questionOfPlan } from './question';

const demo = (id: string, ...seconds: number[]) => {
  const formula = demoFormulas().find((one) => one.id === id);
  if (!formula) throw new RangeError(`no demo bread ${id}`);
  const sides = formula.bake.sides.map((side, i) => ({ ...side, seconds: seconds[i] ?? side.seconds }));
  return { ...formula, bake: { ...formula.bake, sides } };
};
const ask = (formula: ReturnType<typeof demo>) => questionOfFormula(formula, CATALOGUE, DEMO_KITCHEN);

/** Lists as cooks of each kind would write them. */
const LISTS: Record<KindOfBread, string> = {
  'thin wheat': '500 g flour\n280 g water\n25 g oil\n9 g salt',
  'enriched wheat': '500 g flour\n240 g hot water\n110 g lard\n9 g salt',
  wholemeal: '500 g wholemeal flour\n320 g water\n8 g salt',
  'boiling-water dough': '500 g flour\n320 g boiling water\n20 g oil\n8 g salt',
  'milk dough': '500 g flour\n290 g warm milk\n30 g butter\n8 g salt',
  'yogurt and leavened': '500 g flour\n250 g yogurt\n60 g water\n10 g baking powder\n8 g salt',
  'pocket bread': '500 g flour\n310 g water\n5 g dried yeast\n8 g salt',
  sheet: '500 g flour\n310 g water\n8 g salt',
  maize: '6 cups masa harina\n4 1/2 cups water',
};

describe('two opinions about the seconds of a bread', () => {
  test.each(demoFormulas().map(({ id }) => id))('%s of the demo kitchen comes out 95 times of 100', (id) => {
    const { request, spreads } = ask(demo(id));
    const opinions = finish(opinionsOn(request, spreads));
    expect(opinions.differ).toBe(false);
    expect(opinions.formula.share).toBeGreaterThanOrEqual(0.95);
    const oneByOne = bruteShare(request, spreads, secondsOf(request.program), evenDraws(200));
    expect(Math.abs(oneByOne - opinions.formula.share)).toBeLessThan(0.04);
    expect([opinionsWords(opinions, 'Long plate'), unsteadyWords(opinions)]).toEqual([null, null]);
  });

  test.each(KINDS_OF_BREAD)(
    'the usual seconds of %s come out 95 times of 100, and nobody is asked',
    (kind) => {
      const list = readList(LISTS[kind], { foods: CATALOGUE });
      const { request, spreads } = questionOfFormula(listFormula(list, { kind }), CATALOGUE, {});
      const { formula, differ } = finish(opinionsOn(request, spreads));
      expect(formula.share).toBeGreaterThanOrEqual(0.95);
      expect(differ).toBe(false);
    },
  );

  test('seconds at the edge of their range are told, with what keeps more; a bread without room says why', () => {
    const { request, spreads } = ask(demo('deckhand-wrap', 23, 17));
    const opinions = finish(opinionsOn(request, spreads));
    expect(opinions.here!.share - opinions.formula.share).toBeGreaterThan(0.1);
    expect(said(opinionsWords(opinions, 'Long plate')!)).toMatch(
      /^The formula says 23\s\+\s17 s: 8\d of 100 come out in standard. On Long plate it would be \d\d\s\+\s\d\d s: \d+ of 100.$/,
    );
    const wide = finish(opinionsOn(request, { ...spreads, thicknessMm: 0.5, plateC: 20 }));
    expect(wide.here!.share).toBeLessThan(0.8);
    expect(said(unsteadyWords(wide)!)).toMatch(/lose \d+ of 100 .* \d+ are not done, \d+ burn or dry/);
  });

  test('they are kept by their question: what changes the answer changes the key, what is only written otherwise does not', () => {
    const { request, spreads } = ask(demo('deckhand-wrap'));
    const key = opinionsKey(request, spreads);
    expect(key).toMatch(/^[0-9a-f]{8}-\d+$/);
    const { setup, ...rest } = structuredClone(request);
    expect(opinionsKey({ ...rest, setup }, spreads)).toBe(key);
    expect(opinionsKey(request, { ...spreads, plateC: spreads.plateC + 1 })).not.toBe(key);
    expect(opinionsKey(ask(demo('deckhand-wrap', 30)).request, spreads)).not.toBe(key);
  });
});

const opinions: Opinions = {
  formula: { seconds: [120, 120], share: 0 },
  here: { seconds: [31, 24], share: 0.98, lost: { under: 0.01, over: 0.01 } },
  differ: true,
};

test('until somebody chooses the formula stands; then every reader of it, on any plate and disc, has the same seconds', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...demoFormulas().filter(({ bake }) => bake.sides.length === 2 && !bake.finish)),
      fc.constantFrom(null, 'formula' as const, 'here' as const),
      fc.integer({ min: 180, max: 260 }),
      fc.integer({ min: 10, max: 40 }).map((tenth) => tenth / 10),
      (formula, use, plateC, thicknessMm) => {
        const griddleId = ask(formula).griddle!.id;
        const chosen = { formulaId: formula.id, griddleId };
        const kitchen: Kitchen = use ? withTimesChosen(DEMO_KITCHEN, { ...chosen, use }) : DEMO_KITCHEN;
        const need = { by: 'pieces' as const, pieces: 12, ballG: formula.product.ballG };
        const plan = planBatch({ formula, need, kitchen, ingredients: [...CATALOGUE] });
        const readers = [
          ask(formula),
          questionOfFormula(formula, CATALOGUE, kitchen, { plateC, thicknessMm }),
          questionOfPlan(plan, kitchen, { flattened: { thicknessMm } }),
        ].map((question) => inUse(question, formula.id, opinions, kitchen));
        const seconds = use === 'here' ? [31, 24] : secondsOf(formula.bake);
        for (const reader of readers) {
          expect(reader).toMatchObject({ use: use ?? 'formula', open: use === null });
          expect(secondsOf(reader.question.request.program)).toEqual(seconds);
        }
      },
    ),
    { numRuns: 300 },
  );
  const agreed = inUse(ask(demo('deckhand-wrap')), 'deckhand-wrap', { ...opinions, differ: false }, {});
  expect(agreed).toMatchObject({ use: 'formula', open: false });
});

test('seconds that are used hold on their plate, and go along with the model on a hotter one', () => {
  const { request } = ask(demo('deckhand-wrap', 120, 120));
  expect(solveTimes(request).seconds).toEqual([120, 120]);
  const { plateC } = request.setup;
  const hotter = { ...request.setup, plateC: plateC + 15, startC: { under: plateC + 15, rest: plateC + 15 } };
  const { seconds } = solveTimes({ ...request, setup: hotter });
  for (const s of seconds) expect(s).toBeLessThan(110);
});
