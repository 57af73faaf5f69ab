import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { Keypad, pressKey } from './Keypad';

test('keys add digits, one point, and never grow past the figure', () => {
  const typed = (keys: string) => [...keys].reduce(pressKey, '');
  expect(typed('1648')).toBe('1648');
  expect(typed('67.4.2')).toBe('67.42');
  expect(typed('05')).toBe('5');
  expect(typed('123456789')).toBe('1234567');
  expect(pressKey('164', 'erase')).toBe('16');
});

test('is worked by its names', () => {
  function Pad() {
    const [text, setText] = useState('');
    return (
      <>
        <output>{text}</output>
        <Keypad text={text} onChange={setText} />
      </>
    );
  }
  render(<Pad />);
  for (const name of ['9', '1', 'Point', '5', 'Erase', '2']) {
    fireEvent.click(screen.getByRole('button', { name }));
  }
  expect(screen.getByRole('status').textContent).toBe('91.2');
});
