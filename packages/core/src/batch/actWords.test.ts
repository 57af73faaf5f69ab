import { ENGLISH_US } from '../message/reader';
import { said } from '../test/said';
import { eventsOf, formula, request } from '../test/examples';
import { planBatch } from '../plan/planBatch';
import { actWords, undoneWords } from './actWords';

const plan = planBatch(request({ formula }));
const inWords = (...bodies: Parameters<typeof eventsOf>) => undoneWords(eventsOf(...bodies), plan);

test('an undo says what it took back, with figures, names and units', () => {
  expect(said(inWords({ type: 'weighed', stepId: 'weigh-1-strong', massG: 535 }))).toMatch(
    /^535\.0\sg strong flour weighed$/,
  );
  expect(
    said(inWords({ type: 'felt', stepId: 'knead-1', feel: 'right' }, { type: 'done', stepId: 'knead-1' })),
  ).toBe('feel: right, knead ended');
  expect(
    said(inWords({ type: 'piece-off', piece: 3 }, { type: 'rejected', pieces: 1, reason: 'burnt' })),
  ).toBe('piece 3 off, 1 reject, burnt');
  const [divided] = eventsOf({ type: 'ball-sampled', massG: 92 });
  expect(said(divided && actWords(divided, plan), ENGLISH_US)).toMatch(/^ball of 3\.2\d?\soz$/);
});
