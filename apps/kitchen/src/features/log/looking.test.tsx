import type { EventBody } from '@kettle-scale/core/batch';
import { type BatchFacts, batchFacts } from '@kettle-scale/core/log';
import type { Carried } from '@kettle-scale/core/plan';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { draw, entry, liveBatch, plan, press } from '../../test/liveBatch';
import { XyChart } from '../../ui/chart/XyChart';
import { BallCharts } from './BallCharts';
import { ChartsScreen } from './ChartsScreen';
import { CompareScreen } from './CompareScreen';
import { WrongScreen } from './WrongScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));
jest.mock('../../ui/layout/useStripWidth', () => ({
  useStripWidth: () => ({ width: 340, onLayout: () => undefined }),
}));

const weighed = (off: number): EventBody[] =>
  plan.sheet.map(({ lineId, massG }) => ({
    type: 'weighed',
    stepId: `weigh-1-${lineId}`,
    massG: lineId === 'water' ? massG + off : massG,
  }));
const put = (id: string, ...bodies: EventBody[]) => {
  const { live } = liveBatch(...bodies);
  const batch = { ...live.batch, id };
  queryClient.setQueryData(keys.batch(id), batch);
  jest.spyOn(api, 'batch').mockResolvedValue(batch);
  return batch;
};

beforeEach(() => queryClient.clear());

describe('what went wrong', () => {
  let carried: Carried[];
  beforeEach(() => {
    carried = [];
    jest.spyOn(api, 'carried').mockImplementation(() => Promise.resolve(carried));
    jest.spyOn(api, 'carry').mockImplementation((one) => {
      carried = [one];
      return Promise.resolve(one);
    });
    put('b', { type: 'measured', stepId: 'griddle', what: 'plate', tempC: 260, by: 'probe' });
  });

  test('from what is seen to a change in numbers, carried with one tap', async () => {
    draw(<WrongScreen id="b" />);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Black spots' }));
    expect(screen.getByText('Plate too hot')).toBeTruthy();
    expect(screen.getByText(/This batch supports it: plate 40 °C over plan/)).toBeTruthy();
    await act(async () =>
      fireEvent.click(screen.getAllByRole('button', { name: 'Carry into the next plan' })[0] as Element),
    );
    expect(carried).toMatchObject([{ formulaId: 'test-round', adjustment: { what: 'plate', value: -25 } }]);
    expect(await screen.findByRole('button', { name: 'Carried over: remove' })).toBeTruthy();
  });

  test('an answer to the cheapest test takes it off the list of questions', () => {
    draw(<WrongScreen id="b" />);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Cracks when folded' }));
    const question = () => screen.getByText(/^Cheapest test/).parentElement?.textContent ?? '';
    const first = question();
    press('No');
    expect(question()).not.toBe(first);
  });
});

test('two batches are held against each other, what stands out first', async () => {
  const other = put('other', ...weighed(0));
  put('b', ...weighed(60));
  const row = {
    ...{
      id: 'other',
      startedAt: '2026-03-03T10:00:00.000Z',
      formulaId: 'test-round',
      formulaName: 'Test round',
    },
    ...{ formulaVersion: 1, flourLotId: null, record: {} as never },
  };
  jest.spyOn(api, 'findBatches').mockResolvedValue([row]);
  jest.spyOn(api, 'batch').mockResolvedValue(other);
  draw(<CompareScreen id="b" />);
  const table = await screen.findByRole('table', { name: 'Two batches' });
  const rows = [...table.querySelectorAll('[role="row"]')].map(({ textContent }) => textContent ?? '');
  expect(rows[1]).toMatch(/^Hydration/);
  expect(screen.getByText(/things? stands? out$/)).toBeTruthy();
});

describe('charts', () => {
  const facts = (index: number, massesG: number[]): BatchFacts => ({
    ...batchFacts(liveBatch({ type: 'finished', pieces: 10, good: 10 - (index % 2) }).live.batch),
    batchId: `b${index}`,
    startedAt: `2026-03-${String(index + 1).padStart(2, '0')}T10:00:00.000Z`,
    balls: { targetG: 100, toleranceG: 2, massesG },
  });
  const steady = Array.from({ length: 6 }, (_, index) => facts(index, [99.5, 100, 100.5, 100, 100]));

  test('arrows walk over the points, and a table says the same', () => {
    draw(
      <XyChart
        label="Good pieces"
        points={[
          { x: 1, y: 90, words: 'first: 90 %' },
          { x: 2, y: 95, words: 'second: 95 %' },
        ]}
        y={{ label: '%' }}
        x={{ label: 'day', format: String }}
        table={{
          columns: ['Batch', '%'],
          rows: [
            ['1', '90'],
            ['2', '95'],
          ],
        }}
      />,
    );
    const picture = screen.getByRole('img', { name: /^Good pieces\. 2 points/ });
    fireEvent.keyDown(picture, { key: 'ArrowRight' });
    expect(screen.getByRole('status').textContent).toBe('first: 90 %');
    fireEvent.keyDown(picture, { key: 'ArrowRight' });
    fireEvent.keyDown(picture, { key: 'ArrowRight' });
    expect(screen.getByRole('status').textContent).toBe('second: 95 %');
    press('As a table');
    expect(screen.getAllByRole('row')).toHaveLength(3);
  });

  test('balls within chance are said to be so, one far out is named by its day and rule', () => {
    const { unmount } = draw(<BallCharts batches={steady} />);
    expect(screen.getByText(/Nothing out of the ordinary/)).toBeTruthy();
    unmount();
    draw(<BallCharts batches={[...steady, facts(6, [104, 104.5, 104, 104.5, 104])]} />);
    expect(screen.getByText(/^7 Mar: one batch outside of the limits/)).toBeTruthy();
  });

  test('the formula that is made most is drawn first', async () => {
    jest.spyOn(api, 'kitchen').mockResolvedValue(plan.kitchen);
    jest.spyOn(api, 'book').mockResolvedValue([entry()]);
    const ask = jest.spyOn(api, 'batchFacts').mockResolvedValue(steady);
    draw(<ChartsScreen />);
    expect(await screen.findByText(/^Ball weights in control, 5 weighed/)).toBeTruthy();
    await waitFor(() => expect(ask).toHaveBeenCalledWith({ formula: 'test-round', limit: '60' }));
    expect(await screen.findByRole('img', { name: /^Good pieces, %/ })).toBeTruthy();
  });
});
