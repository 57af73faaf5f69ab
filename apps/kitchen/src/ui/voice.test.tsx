import { act, screen } from '@testing-library/react';
import { draw } from '../test/liveBatch';
import { usePreferences } from '../reader/preferences';
import { useVoice } from './voice';

const speak = jest.fn();
const cancel = jest.fn();

function Step({ words }: { words: string }) {
  const { on, quiet } = useVoice(words);
  return on ? (
    <button type="button" onClick={quiet}>
      Quiet
    </button>
  ) : null;
}

beforeEach(() => {
  speak.mockClear();
  Object.assign(window, {
    speechSynthesis: { speak, cancel },
    SpeechSynthesisUtterance: class {
      constructor(readonly text: string) {}
    },
  });
});
afterEach(() => {
  act(() => usePreferences.setState({ voice: false, units: 'metric' }));
  Reflect.deleteProperty(window, 'speechSynthesis');
});

const said = () => speak.mock.calls.map(([{ text }]: [{ text: string }]) => text);

test('the next act is read aloud when it changes, in the reader’s units, until it is told to be quiet', () => {
  usePreferences.setState({ voice: true, units: 'us' });
  const { rerender } = draw(<Step words={'Weigh flour. 630\u00a0g is in'} />);
  rerender(<Step words="Mix. Start mixing" />);
  rerender(<Step words="Mix. Start mixing" />);
  expect(said()).toEqual(['Weigh flour. 1 lb 6.2\u00a0oz is in', 'Mix. Start mixing']);
  act(() => screen.getByText('Quiet').click());
  rerender(<Step words="Knead. Start kneading" />);
  expect(said()).toHaveLength(2);
  expect(screen.queryByText('Quiet')).toBeNull();
});

test('off by default, and nothing where the browser cannot speak', () => {
  draw(<Step words="Mix" />);
  Reflect.deleteProperty(window, 'speechSynthesis');
  act(() => usePreferences.setState({ voice: true }));
  expect(said()).toEqual([]);
});
