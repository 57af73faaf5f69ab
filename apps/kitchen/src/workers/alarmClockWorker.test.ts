export {};

const posted: string[] = [];

beforeEach(() => {
  jest.useFakeTimers();
  posted.length = 0;
  jest.isolateModules(() => {
    Object.assign(globalThis, { self: globalThis, postMessage: (message: string) => posted.push(message) });
    jest.requireActual('./alarmClock.worker');
  });
});
afterEach(() => jest.useRealTimers());

const ask = (atMs: number) =>
  (globalThis.onmessage as unknown as (m: { data: number }) => void)({ data: atMs });

test('tells once, at the time, in short stretches so that a device that slept is right again soon', () => {
  ask(Date.now() + 150_000);
  jest.advanceTimersByTime(149_000);
  expect(posted).toEqual([]);
  jest.advanceTimersByTime(1000);
  expect(posted).toEqual(['due']);
});

test('a time that has passed is told at once; a new time takes the place of the old one', () => {
  ask(Date.now() - 1);
  expect(posted).toEqual(['due']);
  ask(Date.now() + 10_000);
  ask(Date.now() + 20_000);
  jest.advanceTimersByTime(15_000);
  expect(posted).toEqual(['due']);
  jest.advanceTimersByTime(5000);
  expect(posted).toEqual(['due', 'due']);
});

test('a device that slept through its time is told by the next stretch', () => {
  ask(Date.now() + 3_600_000);
  jest.setSystemTime(Date.now() + 3_700_000);
  jest.advanceTimersByTime(60_000);
  expect(posted).toEqual(['due']);
});
