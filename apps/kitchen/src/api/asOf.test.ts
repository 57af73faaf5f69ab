import { createAsOf } from './asOf';

test('news that follow each other mean that nothing was missed', () => {
  const asOf = createAsOf();
  asOf.answered('a.4');
  expect(asOf.missedBefore('a.4', false)).toBe(false);
  expect(asOf.missedBefore('a.5', true)).toBe(false);
  // The same once more, from another tab's stream, is no gap.
  expect(asOf.missedBefore('a.5', true)).toBe(false);
  expect(asOf.missedBefore('a.6', true)).toBe(false);
});

test.each([
  ['told between an answer and the stream', ['a.4'], 'a.5', false],
  ['told while the stream was broken, one of two', ['a.4'], 'a.6', true],
  ['told before a restart of the server', ['a.4'], 'b.0', false],
  ['answers of before and after a restart', ['a.4', 'b.0'], 'b.0', false],
  ['the oldest of two answers counts', ['a.7', 'a.4'], 'a.7', false],
])('what was %s is noticed', (_, answers, at, news) => {
  const asOf = createAsOf();
  answers.forEach(asOf.answered);
  expect(asOf.missedBefore(at, news)).toBe(true);
  expect(asOf.missedBefore(at, false)).toBe(false);
});

test('answers count again once nobody listens', () => {
  const asOf = createAsOf();
  asOf.missedBefore('a.4', false);
  asOf.answered('a.2');
  expect(asOf.missedBefore('a.4', false)).toBe(false);
  asOf.stopped();
  asOf.answered('a.2');
  expect(asOf.missedBefore('a.4', false)).toBe(true);
});

test('an answer that was on its way when the stream began is asked for again, one that is older than later news is not', () => {
  const asOf = createAsOf();
  const again = jest.fn();
  asOf.onOvertaken(again);
  asOf.missedBefore('a.5', false);
  asOf.answered('a.5');
  asOf.missedBefore('a.6', true);
  asOf.answered('a.5');
  expect(again).not.toHaveBeenCalled();
  asOf.answered('a.4');
  expect(again).toHaveBeenCalledTimes(1);
  // A server that was started anew greets anew, and that decides.
  asOf.answered('b.0');
  expect(again).toHaveBeenCalledTimes(1);
});
