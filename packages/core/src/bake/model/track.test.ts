import { BASE_CASE } from '@kettle-scale/simulation';
import { bake } from './bake';
import type { Baking } from './baking';
import { stagesOfSeconds } from './stages';
import { followFirst } from './track';

const setup = { ...BASE_CASE, stages: stagesOfSeconds([300]) };
const timeOf = ({ timeS }: Baking) => ({ timeS });
const after = (firstS: number) => ({ stages: stagesOfSeconds([firstS, 20]) });

/** What a turn of a track comes to at the end of its second side, and every moment that it told of. */
function turned(track: ReturnType<typeof followFirst<{ timeS: number }>>, firstS: number) {
  const times: number[] = [];
  const outcome = track.turn(firstS, after(firstS), {
    replay: ({ timeS }) => times.push(timeS),
    watch: ({ timeS }) => {
      times.push(timeS);
      return 'on';
    },
  });
  return { outcome, times };
}

test('a turn at any moment, in any order, is the bake that is turned there', () => {
  const track = followFirst(setup, timeOf);
  for (const firstS of [30, 12.3, 45.07, 12.3, 2]) {
    const own = bake({ ...setup, ...after(firstS) });
    const { outcome, times } = turned(track, firstS);
    expect(Math.abs(outcome.weightLoss - own.weightLoss)).toBeLessThan(0.02);
    expect(Math.abs(outcome.cover[1] - own.cover[1])).toBeLessThan(0.3);
    expect(Math.abs(outcome.faceC[0] - own.faceC[0])).toBeLessThan(0.3);
    expect(outcome.endS).toBeCloseTo(own.endS, 6);
    // Every moment is told once, in order.
    expect(times).toEqual([...new Set(times)].sort((a, b) => a - b));
  }
});

test('a first side that leaves its bounds is followed again with shorter steps, and told on from where it was', () => {
  const coarse = followFirst({ ...setup, plateC: 320, thicknessMm: 0.6 }, timeOf, { cells: 16, stepS: 25 });
  const times = [...coarse.steps(40)].map(({ timeS }) => timeS);
  expect(times).toEqual([...new Set(times)].sort((a, b) => a - b));
  expect(times.at(-1)).toBeGreaterThan(38);
  // Steps of 25 s would be over in a handful.
  expect(times.length).toBeGreaterThan(12);
});
