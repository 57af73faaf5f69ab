import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { draw } from '../../test/liveBatch';
import { Sheet } from './Sheet';

function Page() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" onClick={() => setOpen(true)}>
        open it
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} label="A sheet">
        <input aria-label="A field" />
      </Sheet>
    </>
  );
}

const opener = () => screen.getByText('open it');
const field = () => screen.getByLabelText<HTMLInputElement>('A field');

test('a sheet takes the focus, closes with Escape from inside a field, and gives the focus back', () => {
  draw(<Page />);
  opener().focus();
  fireEvent.click(opener());
  expect(document.activeElement?.getAttribute('aria-label')).toBe('A sheet');
  field().focus();
  fireEvent.keyDown(field(), { key: 'Escape' });
  expect(screen.queryByLabelText('A field')).toBeNull();
  expect(document.activeElement).toBe(opener());
});
