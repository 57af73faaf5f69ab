import { explainFigure, planBatch } from '@kettle-scale/core/batch';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { draw, formula, plan } from '../../test/liveBatch';
import { WhySheet } from '../../ui/Why';
import { NeedFields } from './NeedFields';
import { WeighSheet } from './WeighSheet';
import type { NeedText } from './planForm';

describe('how much', () => {
  function Fields() {
    const [text, setText] = useState<NeedText>({ by: 'pieces', pieces: '24', ball: '105', flour: '2,000' });
    const change = (field: keyof NeedText, value: string) => setText((now) => ({ ...now, [field]: value }));
    return <NeedFields text={text} errors={{}} onChange={change} />;
  }
  const value = (label: string) => screen.getByLabelText<HTMLInputElement>(label).value;
  const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

  test('steps by one piece and one gram, and never below one', () => {
    draw(<Fields />);
    press('Pieces: more');
    press('Ball, g: less');
    expect([value('Pieces'), value('Ball, g')]).toEqual(['25', '104']);
    fireEvent.change(screen.getByLabelText('Pieces'), { target: { value: '1' } });
    press('Pieces: less');
    expect(value('Pieces')).toBe('1');
  });

  test('steps from what was typed in any unit', () => {
    draw(<Fields />);
    fireEvent.change(screen.getByLabelText('Ball, g'), { target: { value: '4 oz' } });
    press('Ball, g: more');
    expect(value('Ball, g')).toBe('114');
  });

  test('flour at hand steps by a hundred grams', () => {
    draw(<Fields />);
    fireEvent.click(screen.getByRole('radio', { name: 'By flour at hand' }));
    press('Flour at hand, g: more');
    expect(value('Flour at hand, g')).toBe('2,100');
  });
});

describe('the weigh sheet', () => {
  test('has every line with grams and percent, and asks core why', () => {
    const asked: string[] = [];
    draw(<WeighSheet plan={plan} onWhy={(figure) => asked.push(figure)} />);
    const lines = plan.sheet.map(
      ({ name, massG }) => new RegExp(`^${name}.*${massG.toLocaleString('en-US')}.*%`),
    );
    for (const line of lines) fireEvent.click(screen.getByRole('button', { name: line }));
    expect(asked).toEqual(plan.sheet.map(({ lineId }) => `line:${lineId}`));
    expect(screen.getByText(/^Rounding moves no line by more than/)).toBeTruthy();
  });

  test('says how many bowls it is for', () => {
    const request = {
      formula,
      need: { by: 'pieces' as const, pieces: 30, ballG: 100 },
      kitchen: plan.kitchen,
    };
    draw(<WeighSheet plan={planBatch(request)} onWhy={jest.fn()} />);
    expect(screen.getByText('for each of 3 bowls')).toBeTruthy();
    expect(screen.getByText('× 3')).toBeTruthy();
  });

  test('why this number shows value, equation and inputs', () => {
    const why = explainFigure(plan, 'line:water');
    draw(<WhySheet why={why} onClose={jest.fn()} />);
    const sheet = screen.getByRole('dialog', { name: 'Why: Water' });
    for (const text of [why.value, why.equation, ...why.inputs.map(({ value }) => value)]) {
      expect(sheet.textContent).toContain(text);
    }
  });
});
