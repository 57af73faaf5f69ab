import type { ReadingSource } from '@kettle-scale/core/device';
import { planCost } from '@kettle-scale/core/plan';
import { roundToStep } from '@kettle-scale/core/quantity';
import { ballStandard, batchRecord } from '@kettle-scale/core/batch';
import { mixedG } from '@kettle-scale/core/log';
import { type DivideBy, divideDough } from '@kettle-scale/core/portion';
import { useState } from 'react';
import type { LiveBatch } from '../../../batch/useBatch';

/** Of the record; the bench shows what the scale shows. */
const BALL_STEP_G = 0.1;
const G_PER_KG = 1000;

/** What is kept while the others follow: count, ball weight or bread size. */
export type Keep = DivideBy['by'];

/** The dough as it is to be divided: what it weighs, or should, and what each way to cut it comes to. */
export function useDivision(live: LiveBatch) {
  const { plan } = live.batch;
  const { kitchen } = plan;
  const [weighed, setWeighed] = useState<{ massG: number; source: ReadingSource } | null>(null);
  const grew = live.state.bowls.some(({ factor }) => factor !== 1);
  const expected = batchRecord(plan, live.state).piecesExpected;
  const standard = { ...ballStandard(plan), ...(grew ? { pieces: expected } : {}) };
  const [keep, setKeep] = useState<Keep>('count');
  const [asks, setAsks] = useState<Record<Keep, number>>({
    // The planned count, unless the batch followed an over-pour; what it means for the ball is said below.
    count: standard.pieces,
    ball: plan.ballG,
    size: plan.relaxed.diameterMm,
  });
  const inBowlsG = mixedG(live.state);
  const expectedG = roundToStep(inBowlsG * (1 - kitchen.bowlLoss), kitchen.benchStepG);
  const doughG = weighed?.massG ?? expectedG;
  const cost = planCost(plan);
  const dough = {
    doughG,
    benchLoss: kitchen.benchLoss,
    densityGMl: plan.doughDensityGMl,
    thicknessMm: plan.relaxed.thicknessMm,
    costPerG: cost.perKg / G_PER_KG,
  };
  const ways = {
    count: divideDough(dough, { by: 'count', pieces: asks.count }),
    ball: divideDough(dough, { by: 'ball', ballG: asks.ball }),
    size: divideDough(dough, { by: 'size', diameterMm: asks.size }),
  };
  const { pieces, leftoverG, ballG } = ways[keep];
  return {
    ...{ standard, keep, setKeep, asks, ways, cost, inBowlsG, expectedG, doughG, pieces, leftoverG },
    ...{ weighed, setWeighed, ballG: roundToStep(ballG, BALL_STEP_G) },
    /** Whether something is left that the scale can show. */
    isOver: keep !== 'count' && leftoverG >= kitchen.benchStepG,
    readyG: doughG * (1 - kitchen.benchLoss),
    ask: (way: Keep, to: (was: number) => number) => setAsks((was) => ({ ...was, [way]: to(was[way]) })),
  };
}

export type Division = ReturnType<typeof useDivision>;
