import { act, fireEvent, render, screen } from '@testing-library/react';
import { Pressable, TextInput } from 'react-native';
import { draw } from '../../test/liveBatch';
import { Action } from './actions';
import { Segments } from './Segments';
import { Sheet } from '../layout/Sheet';
import { StepperField } from './StepperField';
import { Table } from '../layout/Table';
import { useKeys } from './useKeys';

describe('keys of a working screen', () => {
  const primary = jest.fn();
  const undo = jest.fn();
  function Bench({ sheet = false }: { sheet?: boolean }) {
    useKeys({ primary, undo });
    return (
      <>
        <TextInput aria-label="Note" />
        <Pressable role="button" aria-label="Tapped" onPress={() => undefined} />
        {sheet ? <div aria-modal="true" /> : null}
      </>
    );
  }
  beforeEach(() => jest.clearAllMocks());

  test.each([' ', 'Enter', 'PageDown'])('"%s" is the main action', (key) => {
    render(<Bench />);
    fireEvent.keyDown(document.body, { key });
    expect(primary).toHaveBeenCalledTimes(1);
  });

  test('Backspace is undo', () => {
    render(<Bench />);
    fireEvent.keyDown(document.body, { key: 'Backspace' });
    expect(undo).toHaveBeenCalledTimes(1);
  });

  test('a digit is a place on the griddle, and nothing where there is none; a button in focus does not hold it back', () => {
    const place = jest.fn();
    function Plate() {
      useKeys({ primary, place });
      return <Pressable role="button" aria-label="Undo" onPress={() => undefined} />;
    }
    const { unmount } = render(<Plate />);
    act(() => screen.getByLabelText('Undo').focus());
    fireEvent.keyDown(screen.getByLabelText('Undo'), { key: '4' });
    expect(place).toHaveBeenCalledWith(4);
    unmount();
    render(<Bench />);
    fireEvent.keyDown(document.body, { key: '4' });
    expect(place).toHaveBeenCalledTimes(1);
    expect(primary).not.toHaveBeenCalled();
  });

  test.each([
    ['a held key', () => fireEvent.keyDown(document.body, { key: 'Enter', repeat: true })],
    ['a shortcut of the browser', () => fireEvent.keyDown(document.body, { key: 'Enter', ctrlKey: true })],
    ['typing', () => fireEvent.keyDown(screen.getByLabelText('Note'), { key: ' ' })],
    ['erasing', () => fireEvent.keyDown(screen.getByLabelText('Note'), { key: 'Backspace' })],
    ['another key', () => fireEvent.keyDown(document.body, { key: 'x' })],
  ])('%s does nothing', (_case, press) => {
    render(<Bench />);
    press();
    expect(primary).not.toHaveBeenCalled();
    expect(undo).not.toHaveBeenCalled();
  });

  test('a button that was tapped does not hold the pedal back', () => {
    render(<Bench />);
    fireEvent.keyDown(screen.getByRole('button', { name: 'Tapped' }), { key: 'PageDown' });
    expect(primary).toHaveBeenCalledTimes(1);
  });

  test('under an open sheet the screen does not act', () => {
    render(<Bench sheet />);
    fireEvent.keyDown(document.body, { key: 'Enter' });
    expect(primary).not.toHaveBeenCalled();
  });
});

test('a sheet closes with Escape, and says what it is', () => {
  const close = jest.fn();
  draw(
    <Sheet open onClose={close} label="Why: water">
      {null}
    </Sheet>,
  );
  expect(screen.getByRole('dialog', { name: 'Why: water' }).getAttribute('aria-modal')).toBe('true');
  fireEvent.keyDown(window, { key: 'Escape' });
  expect(close).toHaveBeenCalledTimes(1);
});

test('a choice of a few says which is chosen', () => {
  const choose = jest.fn();
  draw(
    <Segments
      label="Measures"
      value="metric"
      onChange={choose}
      options={[
        ['metric', 'g'],
        ['us', 'oz'],
      ]}
    />,
  );
  const checked = screen.getAllByRole('radio').map((radio) => radio.getAttribute('aria-checked'));
  expect(checked).toEqual(['true', 'false']);
  fireEvent.click(screen.getByRole('radio', { name: 'oz' }));
  expect(choose).toHaveBeenCalledWith('us');
});

test('a field in error keeps what was typed and points to its sentence', () => {
  const onStep = jest.fn();
  draw(
    <StepperField
      name="pieces"
      label="Pieces"
      text="many"
      onText={jest.fn()}
      onStep={onStep}
      error="Say how many."
    />,
  );
  const field = screen.getByLabelText<HTMLInputElement>('Pieces');
  expect(field.value).toBe('many');
  expect(field.getAttribute('aria-invalid')).toBe('true');
  expect(document.getElementById(field.getAttribute('aria-describedby') ?? '')?.textContent).toBe(
    'Say how many.',
  );
  fireEvent.click(screen.getByRole('button', { name: 'Pieces: less' }));
  expect(onStep).toHaveBeenCalledWith(-1);
});

test('a table is one to a screen reader', () => {
  draw(<Table label="Weighed" columns={['Line', 'Planned']} rows={[['Salt', '20 g']]} />);
  expect(screen.getByRole('table', { name: 'Weighed' })).toBeTruthy();
  expect(screen.getAllByRole('columnheader').map(({ textContent }) => textContent)).toEqual([
    'Line',
    'Planned',
  ]);
  expect(screen.getAllByRole('cell').map(({ textContent }) => textContent)).toEqual(['Salt', '20 g']);
});

test('an action that cannot be taken is not taken', () => {
  const onPress = jest.fn();
  draw(<Action label="Undo" onPress={onPress} disabled />);
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  expect(onPress).not.toHaveBeenCalled();
});
