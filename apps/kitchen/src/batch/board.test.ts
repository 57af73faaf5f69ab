import type { BatchSummary } from '@kettle-scale/core/batch';
import { alarmsOf, boardOf, nextMarkMs } from './board';

const MIN = 60_000;
const NOW = Date.UTC(2026, 2, 4, 10);

/** A running batch at a step whose marks are minutes from now. */
function running(name: string, kind: 'rest' | 'knead' | 'weigh' | 'mix', opens?: number, closes?: number) {
  const at = (minutes: number | undefined) => (minutes === undefined ? null : NOW + minutes * MIN);
  return {
    id: name,
    formulaName: name,
    startedAt: new Date(NOW - 60 * MIN).toISOString(),
    record: {
      nowTitle: kind,
      now: {
        ...{ stepId: `${kind}-1`, kind, title: kind },
        startedMs: opens === undefined ? null : NOW - 10 * MIN,
        opensMs: at(opens),
        closesMs: at(closes),
      },
    },
  } as unknown as BatchSummary;
}

const wrap = running('Wrap', 'rest', 12, 40);
const round = running('Round', 'knead', -3, 4);
const press = running('Press', 'rest', -30, -2);
const sheet = running('Sheet', 'weigh');
const all = [wrap, round, press, sheet];

test('late comes first, then what is ready or waits for a hand, then what comes next', () => {
  const board = boardOf(all, NOW);
  expect(board.map(({ batch: { id }, state }) => `${id} ${state}`)).toEqual([
    'Press late',
    'Sheet due',
    'Round due',
    'Wrap running',
  ]);
  expect(board.map(({ seconds }) => seconds)).toEqual([120, null, 180, 720]);
});

test('an alarm names the batch and the act, once for each mark', () => {
  expect(alarmsOf(all, NOW).map(({ words }) => words)).toEqual([
    'Round: test the dough',
    'Press: rest is past its latest',
  ]);
  const later = alarmsOf([round], NOW + 5 * MIN);
  expect(later.map(({ words }) => words)).toEqual(['Round: stop kneading and test']);
  expect(later[0]?.key).not.toBe(alarmsOf([round], NOW)[0]?.key);
  expect(alarmsOf([running('Thick', 'mix', -1, 2)], NOW)).toEqual([]);
});

test('the next mark is the soonest one still to come', () => {
  expect(nextMarkMs(all, NOW)).toBe(NOW + 4 * MIN);
  expect(nextMarkMs([sheet], NOW)).toBeNull();
});
