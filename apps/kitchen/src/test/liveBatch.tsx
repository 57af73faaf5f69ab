import { type BatchEvent, type EventBody, type StepState, foldBatch } from '@kettle-scale/core/batch';
import { type Formula, formulaSchema } from '@kettle-scale/core/formula';
import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { type Plan, type Step, planBatch } from '@kettle-scale/core/plan';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, configure, fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import type { LiveBatch } from '../batch/useBatch';
import { api } from '../api/api';
import { queryClient } from '../api/queries';
import { ThemeScope } from '../ui/theme';

// Asking every element by role whether it is hidden takes most of the time of a large screen's test.
configure({ defaultHidden: true });

/** A made-up formula for tests of screens: hot water, a hot press, a flame. */
export const formula: Formula = formulaSchema.parse({
  format: 'kettle-scale/formula',
  formatVersion: 1,
  id: 'test-round',
  version: 1,
  name: 'Test round',
  summary: '',
  lines: [
    { id: 'flour', ingredient: 'flour-plain', fraction: 1 },
    { id: 'water', ingredient: 'water', fraction: 0.6 },
    { id: 'salt', ingredient: 'salt-fine', fraction: 0.02 },
  ],
  method: {
    school: 'hold-back',
    saltIn: 'flour',
    liquidTempC: 55,
    holdBack: 0.1,
    mix: { by: 'machine', minS: 60, maxS: 120 },
    knead: { by: 'hand', minS: 300, maxS: 600, test: 'stretch' },
    rests: [{ of: 'dough', where: 'room', earliestS: 600, latestS: 1200, cover: 'cloth' }],
    shaping: { how: 'hot-press', note: 'Both faces hot.' },
    hold: 'Wrap.',
  },
  bake: {
    surface: 'flat',
    plateC: 220,
    sides: [{ seconds: 20 }, { seconds: 15 }],
    finish: { kind: 'flame', seconds: 5 },
  },
  product: { ballG: 100, thicknessMm: 2, springBack: 0.05, air: 0.04, ballToleranceG: 2, look: 'Freckled.' },
});

/** It as it stands in the book. */
export const entry = (changes: Partial<Formula> = {}) => ({
  formula: { ...formula, ...changes },
  reason: 'First version',
  savedAt: '2026-03-04T10:00:00.000Z',
  archived: false,
});

/** Nobody finds better seconds than the formula's: nothing to choose. */
export const agreeOnSeconds = () =>
  jest.spyOn(api, 'bakeOpinions').mockResolvedValue({
    formula: { seconds: [20, 15], share: 0.97 },
    here: { seconds: [21, 15], share: 0.98, lost: { under: 0.01, over: 0.01 } },
    differ: false,
  });

export const plan: Plan = planBatch({
  formula,
  need: { by: 'pieces', pieces: 10, ballG: 100 },
  kitchen: { ...DEFAULT_KITCHEN, bowlMinimumG: 0, bowlCapacityG: 1200 },
});

export const stepOf = (id: string): Step => {
  const step = plan.steps.find((candidate) => candidate.id === id);
  if (!step) throw new Error(`no step ${id}`);
  return step;
};

export const START_MS = Date.UTC(2026, 2, 4, 10);

/** A batch of the plan above. */
export const liveBatch = (...bodies: EventBody[]) => liveBatchOf(plan, ...bodies);

/** A batch in which these acts happened, one a minute; `acts` collects what a screen does to it. */
export function liveBatchOf(plan: Plan, ...bodies: EventBody[]) {
  const acts: EventBody[] = [];
  const events = bodies.map((body, index) => ({
    ...body,
    id: `019a0000-0000-7000-8000-${String(index).padStart(12, '0')}`,
    at: new Date(START_MS + index * 60_000).toISOString(),
  })) as BatchEvent[];
  const live: LiveBatch = {
    batch: { id: 'b', startedAt: new Date(START_MS).toISOString(), plan, flourLotId: null, events },
    state: foldBatch(plan, events),
    act: (...bodiesNow) => void acts.push(...bodiesNow),
    actAt: (_atMs, ...bodiesNow) => void acts.push(...bodiesNow),
    undo: jest.fn(),
    queue: { pending: [], status: 'saved', notKept: false, refused: [] },
  };
  return { live, acts };
}

/** The present step of a batch, as its screen is given it; its state is folded from what happened. */
export const nowOf = (live: LiveBatch, id: string): StepState => {
  const found = live.state.steps.find(({ step }) => step.id === id);
  if (!found) throw new Error(`no step ${id}`);
  return found;
};

/** Draws a part of the app as it stands in it. */
export const draw = (part: ReactNode) =>
  render(
    <QueryClientProvider client={queryClient}>
      <ThemeScope name="paper">{part}</ThemeScope>
    </QueryClientProvider>,
  );

/** Short words for what a cook does on a screen and sees there. */
export const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
/** The same where a form checks what was typed before it goes on. */
export const pressed = (name: string | RegExp) => act(async () => void press(name));
export const typed = (label: string | RegExp, text: string) =>
  act(async () => {
    const field = screen.getByLabelText(label);
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: text } });
  });
export const keyIn = (digits: string) => [...digits].forEach((digit) => press(digit));
export const see = (text: string | RegExp) => screen.getByText(text);

/** Stops the clock at the start of the batch for every test of a file. */
export function atTheBench(): void {
  beforeEach(() => {
    jest.useFakeTimers();
    jest.setSystemTime(START_MS);
  });
  afterEach(() => {
    jest.useRealTimers();
    localStorage.clear();
  });
}
