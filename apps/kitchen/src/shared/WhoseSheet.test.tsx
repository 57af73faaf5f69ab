import { act, screen } from '@testing-library/react';
import { askWhose } from '../api/whose';
import { draw, pressed } from '../test/liveBatch';
import { WhoseSheet } from './WhoseSheet';

test('what both changed stands side by side with its unit, and whose stays is one press', async () => {
  draw(<WhoseSheet />);
  expect(screen.queryByRole('dialog')).toBeNull();
  let answer: Promise<string | null> = Promise.resolve(null);
  act(() => {
    answer = askWhose([
      { path: ['bowlCapacityG'], before: 12_000, mine: 10_000, theirs: 8000 },
      { path: ['mixers', 'spiral', 'maxG'], before: undefined, mine: 20_000, theirs: 25_000 },
    ]);
  });
  const rows = screen.getAllByRole('row').map((row) => row.textContent?.replace(/\u00a0/g, ' '));
  expect(rows[1]).toBe('Most dough a bowl takes12,000 g10,000 g8,000 g');
  expect(rows[2]).toBe('spiral: Most it takes–20,000 g25,000 g');
  await pressed('Take theirs');
  expect(await answer).toBe('theirs');
  expect(screen.queryByRole('dialog')).toBeNull();
});
