export {};

const STEP_MS = 5;

let nowMs = 0;
/** Work of so many steps, each of which takes its time. */
function* mockSteps(steps: number): Generator<number, string, void> {
  for (let step = 0; step < steps; step += 1) {
    nowMs += STEP_MS;
    yield step / steps;
  }
  return 'done';
}
jest.mock('./work', () => ({ WORK: { long: () => mockSteps(20), longer: () => mockSteps(60) } }));

interface Posted {
  id: number;
  progress?: number;
  result?: unknown;
}
const posted: Posted[] = [];
const toItself: (() => void)[] = [];
/** The worker's messages to itself, one after the other. */
const goOn = (times = Infinity) => {
  for (let i = 0; i < times && toItself.length > 0; i += 1) toItself.shift()?.();
};
const ask = (data: object) =>
  (globalThis.onmessage as unknown as (message: { data: object }) => void)({ data });

beforeEach(() => {
  nowMs = 0;
  posted.length = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => nowMs);
  class Channel {
    port1: { onmessage?: () => void } = {};
    port2 = { postMessage: () => toItself.push(() => this.port1.onmessage?.()) };
  }
  jest.isolateModules(() => {
    Object.assign(globalThis, {
      MessageChannel: Channel,
      self: globalThis,
      postMessage: (message: Posted) => posted.push(message),
    });
    jest.requireActual('./background.worker');
  });
});
afterEach(() => jest.restoreAllMocks());

const answered = () => posted.filter(({ result }) => result === 'done').map(({ id }) => id);

test('the newest question is answered first; none begins before those that come with it are heard', () => {
  ask({ id: 1, name: 'long' });
  ask({ id: 2, name: 'long' });
  expect(nowMs).toBe(0);
  goOn(1);
  ask({ id: 3, name: 'long' });
  goOn();
  expect(answered()).toEqual([3, 2, 1]);
});

test('how far it is is told ten times a second, not at every slice, and not at all of what is done sooner', () => {
  const told = () => posted.filter(({ progress }) => progress !== undefined).length;
  ask({ id: 1, name: 'long' });
  goOn();
  expect(nowMs).toBe(20 * STEP_MS);
  expect(told()).toBe(0);
  ask({ id: 2, name: 'longer' });
  goOn();
  expect(told()).toBe(2);
});

test('what nobody waits for any more is not gone on with', () => {
  ask({ id: 1, name: 'long' });
  goOn(1);
  ask({ cancel: 1 });
  goOn();
  expect(answered()).toEqual([]);
  expect(nowMs).toBeLessThan(20 * STEP_MS);
});
