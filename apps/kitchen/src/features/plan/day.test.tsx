import type { LotState } from '@kettle-scale/core/flourLot';
import { CATALOGUE } from '@kettle-scale/core/ingredient';
import { planBatch } from '@kettle-scale/core/plan';
import { DEFAULT_KITCHEN, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { act, fireEvent, screen } from '@testing-library/react';
import { fakeStreams, tellReading } from '../../test/eventSource';
import { draw, entry, press, see } from '../../test/liveBatch';
import { usePreferences } from '../../reader/preferences';
import { DayTicket } from './DayTicket';
import { useDay } from './day';
import { TodayTicket } from './TodayTicket';

const lot = { id: 'quay-13', name: 'Quay mill 13', leftG: 47_200 } as LotState;
const kitchen = {
  ...DEFAULT_KITCHEN,
  mixers: [
    {
      ...{ id: 'spiral', name: 'Spiral', by: 'machine' as const, minG: 3000, maxG: 12_000 },
      ...{ warmCPerMin: 0.9, openingMm: 480 },
    },
  ],
};

const lots: string[] = [];
function open(): void {
  draw(<DayTicket kitchen={kitchen} lots={[lot]} lotId="quay-13" onLot={(id) => lots.push(id)} />);
  press('Change air, flour, water, bowl');
}
const type = (label: string, text: string) => {
  const field = screen.getByLabelText(label);
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
};
const value = (label: string) => screen.getByLabelText<HTMLInputElement>(label).value;

const SAID = { airC: true, humidity: true, flourC: true, liquidC: true };

beforeEach(() => {
  fakeStreams();
  lots.length = 0;
  useDay.setState({ on: true, day: { ...ORDINARY_DAY, airFrom: 'hand' }, said: SAID, mixer: null });
});
afterEach(() => usePreferences.setState({ units: 'metric' }));

test('on a phone the day is one line until it is asked for', () => {
  draw(<DayTicket kitchen={kitchen} lots={[lot]} lotId="quay-13" onLot={jest.fn()} />);
  expect(
    see(/^Air 24\s°C and 55 %, flour 22\s°C, liquid 16\s°C\. Quay mill 13\. Usual bowl\.$/),
  ).toBeTruthy();
  expect(screen.queryByLabelText('Humidity, %')).toBeNull();
});

test('what nobody said is called assumed, figure by figure', () => {
  useDay.setState({ day: ORDINARY_DAY, said: { liquidC: true } });
  draw(<DayTicket kitchen={kitchen} lots={[]} lotId={undefined} onLot={jest.fn()} />);
  expect(see(/55 % \(assumed\), flour 22\s°C \(assumed\), liquid 16\s°C\. Usual bowl\.$/)).toBeTruthy();
  press('Change air, flour, water, bowl');
  type('Flour, assumed, °C', '19');
  expect(useDay.getState()).toMatchObject({ day: { flourC: 19 }, said: { flourC: true } });
});

test('figures are kept as they are typed; a wished one may be taken away again', () => {
  open();
  type('Humidity, %', '34');
  type('Dough wanted, if known, °C', '27,5');
  expect(useDay.getState().day).toMatchObject({ humidity: 0.34, airFrom: 'hand', doughC: 27.5 });
  type('Dough wanted, if known, °C', '');
  expect('doughC' in useDay.getState().day).toBe(false);
});

test.each([
  ['Humidity, %', '140', 'Air humidity must be a fraction between 0.02 and 0.98 (2 to 98 %).'],
  ['Air, °C', 'warm', 'Air temperature must be a number.'],
  ['Dough wanted, if known, °C', '90', 'Dough temperature must be between 5 and 60 °C.'],
])('%s “%s” gets its sentence and changes nothing', (label, typed, sentence) => {
  open();
  type(label, typed);
  expect(screen.getByRole('alert').textContent).toBe(sentence);
  expect(value(label)).toBe(typed);
  expect(useDay.getState().day).toEqual({ ...ORDINARY_DAY, airFrom: 'hand' });
});

test('who reads °F types °F, and °C is kept', () => {
  usePreferences.setState({ units: 'us' });
  open();
  expect(value('Air, °F')).toBe('75.2');
  type('Flour, °F', '68');
  expect(useDay.getState().day.flourC).toBeCloseTo(20, 9);
});

test('the room sensor is taken by a tap, not by itself', () => {
  open();
  act(() => void tellReading({ kind: 'room', tempC: 26.4, humidity: 0.61 } as never));
  expect(useDay.getState().day.airC).toBe(24);
  expect(see('Room sensor: live')).toBeTruthy();
  press(/^Room sensor: 26\s°C, 61 %$/);
  expect(useDay.getState().day).toMatchObject({ airC: 26.4, humidity: 0.61, airFrom: 'sensor' });
});

test('lot and bowl are chosen here; the day can be left out altogether', () => {
  open();
  fireEvent.click(screen.getByRole('radio', { name: /^Quay mill 13 · 47\.2 kg left/ }));
  fireEvent.click(screen.getByRole('radio', { name: /^Spiral/ }));
  expect(lots).toEqual(['quay-13']);
  expect(useDay.getState().mixer).toBe('spiral');
  fireEvent.click(screen.getByRole('checkbox', { name: /^Plan for today/ }));
  expect(screen.queryByLabelText('Humidity, %')).toBeNull();
  expect(see('The formula’s own water and temperatures hold.')).toBeTruthy();
});

test('nothing kept ready is never said beside a range that goes higher, and a rest says what it needs beyond its latest', () => {
  const { formula } = entry();
  const rest = { of: 'balls', where: 'room', earliestS: 300, latestS: 600, cover: 'film' } as const;
  const method = { ...formula.method, school: 'hold-back' as const, holdBack: 0, rests: [rest] };
  const plan = planBatch({
    formula: { ...formula, method },
    need: { by: 'pieces', pieces: 24, ballG: formula.product.ballG },
    kitchen: DEFAULT_KITCHEN,
    ingredients: [...CATALOGUE],
    conditions: ORDINARY_DAY,
  });
  draw(<TodayTicket plan={plan} onWhy={jest.fn()} />);
  expect(see('beyond the formula, by feel')).toBeTruthy();
  expect(screen.queryByText(/^0\sg$/)).toBeNull();
  expect(see(/^to 10\smin; needs \d+\smin$/)).toBeTruthy();
});
