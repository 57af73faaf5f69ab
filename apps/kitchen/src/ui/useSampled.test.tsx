import { act, render } from '@testing-library/react';
import { useEffect } from 'react';
import { Ticking } from './Ticking';
import { useSampled } from './useSampled';

const drawn = jest.fn();
function Count({ untilMs }: { untilMs: number }) {
  const { leftS } = useSampled((nowMs) => ({ leftS: Math.ceil((untilMs - nowMs) / 1000) }), 100);
  useEffect(drawn);
  return <>{leftS}</>;
}

beforeEach(() => {
  jest.useFakeTimers({ now: 0 });
  drawn.mockClear();
});
afterEach(() => jest.useRealTimers());

test('a countdown is drawn when its figure changes, not at every beat, and follows a new end at once', () => {
  const { container, rerender } = render(<Count untilMs={5000} />);
  expect(container.textContent).toBe('5');
  act(() => jest.advanceTimersByTime(3000));
  expect(container.textContent).toBe('2');
  expect(drawn.mock.calls.length).toBeLessThanOrEqual(4);
  rerender(<Count untilMs={13_000} />);
  expect(container.textContent).toBe('10');
});

test('a text that ticks is written without being drawn, stays right when it is drawn again, and follows a new end at once', () => {
  const Ticks = ({ untilMs }: { untilMs: number }) => {
    useEffect(drawn);
    return <Ticking textAt={(nowMs) => `${Math.ceil((untilMs - nowMs) / 1000)} s`} />;
  };
  const { container, rerender } = render(<Ticks untilMs={5000} />);
  expect(container.textContent).toBe('5 s');
  act(() => jest.advanceTimersByTime(3000));
  expect(container.textContent).toBe('2 s');
  expect(drawn).toHaveBeenCalledTimes(1);
  rerender(<Ticks untilMs={5000} />);
  expect(container.textContent).toBe('2 s');
  rerender(<Ticks untilMs={13_000} />);
  expect(container.textContent).toBe('10 s');
});

test('many countdowns share one timer, which ends with the last of them', () => {
  const { unmount } = render(
    <>
      <Count untilMs={5000} />
      <Count untilMs={7000} />
    </>,
  );
  expect(jest.getTimerCount()).toBe(1);
  unmount();
  expect(jest.getTimerCount()).toBe(0);
});

test('what changes with every look is drawn once a beat, not without end', () => {
  let looks = 0;
  function Restless() {
    return <>{useSampled(() => (looks += 1), 100)}</>;
  }
  const { container } = render(<Restless />);
  act(() => jest.advanceTimersByTime(1000));
  expect(Number(container.textContent)).toBeGreaterThan(5);
  expect(looks).toBeLessThan(100);
});
