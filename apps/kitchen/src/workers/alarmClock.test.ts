import { startAlarmClock } from './alarmClock';

beforeEach(() => jest.useFakeTimers());
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'Worker');
});

test('wakes at its time, and not when it was stopped', () => {
  const wake = jest.fn();
  const stop = startAlarmClock(Date.now() + 60_000, wake);
  jest.advanceTimersByTime(59_000);
  expect(wake).not.toHaveBeenCalled();
  jest.advanceTimersByTime(1500);
  expect(wake).toHaveBeenCalledTimes(1);
  const other = jest.fn();
  startAlarmClock(Date.now() + 1000, other)();
  jest.advanceTimersByTime(5000);
  expect(other).not.toHaveBeenCalled();
  stop();
});

test('where there are workers one of them keeps the time, and is ended with the wait', () => {
  const told: number[] = [];
  const ended = jest.fn();
  class FakeWorker {
    onmessage: (() => void) | null = null;
    postMessage = (atMs: number) => void told.push(atMs);
    terminate = ended;
  }
  const workers: FakeWorker[] = [];
  Object.assign(globalThis, {
    Worker: class extends FakeWorker {
      constructor() {
        super();
        workers.push(this);
      }
    },
  });
  const wake = jest.fn();
  const stop = startAlarmClock(12_345, wake);
  expect(told).toEqual([12_345]);
  workers[0]?.onmessage?.();
  expect(wake).toHaveBeenCalledTimes(1);
  stop();
  expect(ended).toHaveBeenCalledTimes(1);
});
