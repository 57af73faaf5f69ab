import { act, screen, waitFor } from '@testing-library/react';
import { usePreferences } from '../../reader/preferences';
import { draw, liveBatch, stepOf } from '../../test/liveBatch';
import { StepFrame } from './StepFrame';
import { howLong } from './useSpokenActs';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

/** A recognizer that hears what a test says to it. */
class Recognizer {
  static here = 'available';
  static made: Recognizer[] = [];
  static available = () => Promise.resolve(Recognizer.here);
  onresult?: (event: object) => void;
  onerror?: (event: object) => void;
  onend?: () => void;
  processLocally = false;
  start = jest.fn();
  abort = jest.fn();
  constructor() {
    Recognizer.made.push(this);
  }
}
const said: string[] = [];
const speech = { speaking: false, cancel: jest.fn(), speak: ({ text }: { text: string }) => said.push(text) };

beforeEach(() => {
  Recognizer.here = 'available';
  Recognizer.made = [];
  said.length = 0;
  speech.speaking = false;
  Object.assign(window, {
    SpeechRecognition: Recognizer,
    speechSynthesis: speech,
    SpeechSynthesisUtterance: class {
      constructor(readonly text: string) {}
    },
  });
  usePreferences.setState({ listen: true });
});
afterEach(() => {
  act(() => usePreferences.setState({ listen: false }));
  Reflect.deleteProperty(window, 'SpeechRecognition');
  Reflect.deleteProperty(window, 'speechSynthesis');
});

async function listening() {
  const { live } = liveBatch();
  const undo = jest.fn();
  const done = jest.fn();
  draw(
    <StepFrame
      live={{ ...live, undo, state: { ...live.state, lastAct: {} as never } }}
      step={stepOf('mix-1')}
      primary={{ label: 'Start', onPress: done }}
    >
      {null}
    </StepFrame>,
  );
  await waitFor(() => expect(Recognizer.made).toHaveLength(1));
  const [recognizer] = Recognizer.made;
  if (!recognizer) throw new Error('nobody listens');
  const hear = (words: string) =>
    act(() => recognizer.onresult?.({ resultIndex: 0, results: [[{ transcript: words }]] }));
  return { recognizer, hear, done, undo };
}

test('the four words do and tell, on the device alone; talk does nothing', async () => {
  const { recognizer, hear, done, undo } = await listening();
  expect(recognizer.processLocally).toBe(true);
  hear(' Done. ');
  hear('well done');
  hear('are you done with the pan');
  expect(done).toHaveBeenCalledTimes(1);
  hear('undo');
  expect(undo).toHaveBeenCalledTimes(1);
  hear('How long?');
  hear('what next');
  expect(said).toEqual([
    expect.stringMatching(/^No clock runs\. About \d/),
    expect.stringMatching(/^Next: /),
  ]);
});

test('the app does not hear itself, and goes on after a silence until it is told to stop', async () => {
  const { recognizer, hear, done } = await listening();
  speech.speaking = true;
  hear('done');
  expect(done).not.toHaveBeenCalled();
  recognizer.onend?.();
  await waitFor(() => expect(recognizer.start).toHaveBeenCalledTimes(2));
  act(() => screen.getByText('Stop listening').click());
  expect(recognizer.abort).toHaveBeenCalled();
  expect(screen.queryByText('Stop listening')).toBeNull();
});

test('a microphone that is refused is not asked for again', async () => {
  const { recognizer } = await listening();
  act(() => recognizer.onerror?.({ error: 'not-allowed' }));
  expect(screen.queryByText('Stop listening')).toBeNull();
  expect(recognizer.start).toHaveBeenCalledTimes(1);
});

test.each(['downloadable', 'unavailable'])('it never listens where speech is %s here', async (here) => {
  Recognizer.here = here;
  const asked = jest.spyOn(Recognizer, 'available');
  const { live } = liveBatch();
  draw(
    <StepFrame live={live} step={stepOf('mix-1')} primary={{ label: 'Start', onPress: () => undefined }}>
      {null}
    </StepFrame>,
  );
  await act(() => Promise.resolve());
  expect(asked).toHaveBeenCalled();
  expect(Recognizer.made).toEqual([]);
  asked.mockRestore();
});

test('how long: to go, at most, over', () => {
  const { live } = liveBatch();
  const step = live.state.steps.find((one) => one.step.kind === 'rest');
  if (!step) throw new Error('no rest');
  const now = { ...step, startedMs: 0 };
  const { plan } = live.batch;
  const MINUTE_MS = 60_000;
  expect(howLong(plan, now, 4 * MINUTE_MS)).toBe('6\u00a0min to go.');
  expect(howLong(plan, now, 12 * MINUTE_MS)).toBe('Ready. At most 8\u00a0min more.');
  expect(howLong(plan, now, 23 * MINUTE_MS)).toBe('Over by 3\u00a0min.');
});
