import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { explainFigure } from '@kettle-scale/core/explain';
import { ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { planBatch } from '@kettle-scale/core/plan';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { draw, formula, plan } from '../../test/liveBatch';
import { WhySheet } from '../../ui/layout/Why';
import { NeedFields } from './NeedFields';
import { TodayTicket } from './TodayTicket';
import { WeighSheet } from './WeighSheet';
import { type NeedAddress, type NeedText, needFromAddress, readNeed } from './planForm';
import { say } from '../../reader/say';

const first = { ballG: 105, diameterMm: 280, thicknessMm: 1.5 };
function Fields({ address = {} }: { address?: NeedAddress }) {
  const [text, setText] = useState<NeedText>(() => needFromAddress(address, first, 'metric'));
  return (
    <NeedFields
      text={text}
      errors={readNeed(text, 'metric').errors ?? {}}
      onChange={(changes) => setText((now) => ({ ...now, ...changes }))}
      formula={formula}
      ingredients={CATALOGUE}
    />
  );
}

describe('how much', () => {
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
    fireEvent.click(screen.getByRole('radio', { name: 'Flour at hand' }));
    press('Flour at hand, g: more');
    expect(value('Flour at hand, g')).toBe('2,100');
  });
});

test('by what is left: every ingredient but water may be named, and a bad weight is said', () => {
  draw(<Fields address={{ by: 'stock' }} />);
  const salt = screen.getByLabelText('Fine salt, g');
  fireEvent.focus(salt);
  fireEvent.change(salt, { target: { value: 'some' } });
  expect(screen.getByRole('alert').textContent).toMatch(/some/);
  expect(screen.queryByLabelText('Water, g')).toBeNull();
});

test('the day says what to start with, and every figure can be asked', () => {
  const asked: string[] = [];
  const request = { formula, need: { by: 'pieces' as const, pieces: 10, ballG: 100 }, kitchen: plan.kitchen };
  const today = planBatch({ ...request, conditions: { ...ORDINARY_DAY, doughC: 30 } });
  draw(<TodayTicket plan={today} onWhy={(figure) => asked.push(figure)} />);
  for (const name of [/^Start with/, /^Water at/, /^Dough comes out at 30/, /^Rest the dough/]) {
    fireEvent.click(screen.getByRole('button', { name: name }));
  }
  expect(asked).toEqual(['water', 'liquidTemp', 'doughTemp', 'rest:0']);
  const cold = planBatch({ ...request, conditions: { ...ORDINARY_DAY, doughC: 60, flourC: -15 } });
  draw(<TodayTicket plan={cold} onWhy={jest.fn()} />);
  expect(screen.getByText(/cannot be reached with water alone/)).toBeTruthy();
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
      expect(sheet.textContent).toContain(say(text));
    }
  });
});
