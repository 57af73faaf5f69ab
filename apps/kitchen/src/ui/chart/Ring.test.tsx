import { act, render } from '@testing-library/react';
import { ThemeScope } from '../theme';
import { PAPER } from '../tokens';
import { FillingArc } from './Ring';

const START_MS = Date.parse('2026-03-04T10:00:00.000Z');

test('a ring of 31.3 s steps with its figure, and is full and hot when its time is over, not a second later', () => {
  jest.useFakeTimers({ now: START_MS });
  const { container } = render(
    <ThemeScope name="paper">
      <svg>
        <FillingArc size={100} sinceMs={START_MS} seconds={31.3} />
      </svg>
    </ThemeScope>,
  );
  const stroke = () => container.querySelector('circle')?.getAttribute('stroke');
  const empty = () => Number(container.querySelector('circle')?.getAttribute('stroke-dashoffset'));
  const atStart = empty();
  act(() => jest.advanceTimersByTime(31_200));
  expect(stroke()).toBe(PAPER.dough);
  expect(empty()).toBeGreaterThan(0);
  expect(empty()).toBeLessThan(atStart / 10);
  act(() => jest.advanceTimersByTime(200));
  expect(stroke()).toBe(PAPER.ember);
  expect(empty()).toBe(0);
  jest.useRealTimers();
});
