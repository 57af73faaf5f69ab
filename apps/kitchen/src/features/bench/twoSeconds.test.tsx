import type { EventBody } from '@kettle-scale/core/batch';
import { useLanguage } from '../../reader/language';
import { api } from '../../api/api';
import { keys, queryClient } from '../../api/queries';
import { START_MS, atTheBench, draw, liveBatchOf, press } from '../../test/liveBatch';
import { fullPlan as plan, inEachLanguage, tooManyWords } from '../../test/twoSeconds';
import { act } from '@testing-library/react';
import { BallsScreen } from './BallsScreen';
import { BatchScreen } from './BatchScreen';
import { DiscScreen } from './DiscScreen';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

atTheBench();

const MINUTE_MS = 60_000;

const weighed: EventBody[] = plan.sheet.map(({ lineId, massG, startG = massG }) => ({
  ...{ type: 'weighed', stepId: `weigh-1-${lineId}`, massG: startG },
}));
const did = (...stepIds: string[]): EventBody[] => stepIds.map((stepId) => ({ type: 'done', stepId }));
const begun = (stepId: string): EventBody => ({ type: 'started', stepId });
const part = (id: string): EventBody => ({ type: 'part-done', stepId: 'mix-1', part: id });
const kneading = [...weighed, ...did('mix-1'), begun('knead-1')];
const rested = [...weighed, ...did('mix-1', 'knead-1'), begun('rest-1'), ...did('rest-1')];
const divided: EventBody[] = [...rested, { type: 'divided', doughG: 1000, pieces: 10, ballG: 99.5 }];
const flat: EventBody[] = [...divided, { type: 'flattened', diameterMm: 200, thicknessMm: 2 }];

const sampled = (massG: number): EventBody => ({ type: 'ball-sampled', massG, source: 'typed' });

const sprungBack: EventBody = {
  ...{ type: 'disc-measured', rolledMm: 300, diametersMm: [240, 244], thicknessesMm: [] },
};

interface Step {
  name: string;
  acts: readonly EventBody[];
  /** Minutes after the last act. */
  laterMin?: number;
  /** Beside the batch itself. */
  screen?: 'balls' | 'disc' | undefined;
}

const STEPS: readonly Step[] = [
  { name: 'weighing flour', acts: [] },
  { name: 'weighing hot water', acts: weighed.slice(0, 1) },
  { name: 'before mixing', acts: weighed },
  { name: 'the first part', acts: [...weighed, begun('mix-1')] },
  { name: 'the liquid', acts: [...weighed, begun('mix-1'), part('dry')] },
  { name: 'the rest by feel', acts: [...weighed, begun('mix-1'), part('dry'), part('liquid')] },
  { name: 'all parts in', acts: [...weighed, begun('mix-1'), part('dry'), part('liquid'), part('by-feel')] },
  { name: 'before kneading', acts: [...weighed, ...did('mix-1')] },
  { name: 'kneading', acts: kneading },
  { name: 'felt dry', acts: [...kneading, { type: 'felt', stepId: 'knead-1', feel: 'a bit dry' }] },
  { name: 'felt sticky', acts: [...kneading, { type: 'felt', stepId: 'knead-1', feel: 'sticky' }] },
  { name: 'time for the test', acts: kneading, laterMin: 6 },
  { name: 'kneaded too long', acts: kneading, laterMin: 20 },
  { name: 'before the rest', acts: [...weighed, ...did('mix-1', 'knead-1')] },
  { name: 'resting', acts: [...weighed, ...did('mix-1', 'knead-1'), begun('rest-1')], laterMin: 1 },
  { name: 'rested', acts: [...weighed, ...did('mix-1', 'knead-1'), begun('rest-1')], laterMin: 12 },
  { name: 'dividing', acts: rested },
  { name: 'flattening', acts: divided },
  { name: 'the first piece', acts: flat },
  { name: 'a piece on', acts: [...flat, { type: 'piece-on', piece: 1 }] },
  {
    name: 'the plate is due',
    acts: [...flat, { type: 'piece-on', piece: 1 }, { type: 'piece-off', piece: 1 }],
  },
  { name: 'checking balls', acts: divided, screen: 'balls' },
  { name: 'balls checked', acts: [...divided, ...[98.8, 99.9, 101].map(sampled)], screen: 'balls' },
  { name: 'the true disc', acts: flat, screen: 'disc' },
  { name: 'a disc that sprang back', acts: [...flat, sprungBack], screen: 'disc' },
  { name: 'the end', acts: [...flat, ...did('griddle')] },
];

const SCREENS = { batch: BatchScreen, balls: BallsScreen, disc: DiscScreen };

function Bench({ screen }: Pick<Step, 'screen'>) {
  const Shown = SCREENS[screen ?? 'batch'];
  return useLanguage() === null ? null : <Shown id="b" />;
}

async function stand({ acts, laterMin = 0, screen }: Step): Promise<HTMLElement> {
  const { live } = liveBatchOf(plan, ...acts);
  jest.spyOn(api, 'batch').mockResolvedValue(live.batch);
  jest.spyOn(api, 'kitchen').mockResolvedValue(plan.kitchen);
  queryClient.setQueryData(keys.batch('b'), live.batch);
  jest.setSystemTime(START_MS + (acts.length + laterMin) * MINUTE_MS);
  return act(async () => draw(<Bench screen={screen} />).container);
}

inEachLanguage('a step is read in two seconds', (more) => {
  test.each(STEPS)('$name', async (step) => {
    expect(tooManyWords(await stand(step))).toEqual([]);
    // What is longer is a tap away.
    press(more);
  });
});
