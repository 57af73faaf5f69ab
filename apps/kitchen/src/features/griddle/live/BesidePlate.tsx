import type { EventBody } from '@kettle-scale/core/batch';
import type { LivePiece } from '@kettle-scale/core/bake';
import type { LiveBatch } from '../../../batch/useBatch';
import { ColdBalls } from '../../../shared/ColdBalls';
import { PlateCareNow } from '../../../shared/PlateCareNow';
import { StepCautions } from '../../../shared/StepCautions';
import { TakeTemp, measuredBody } from '../../../shared/TakeTemp';
import { Action } from '../../../ui/input/actions';
import { Caution } from '../../../ui/layout/Caution';
import { Unfold } from '../../../ui/layout/Unfold';
import { Label } from '../../../ui/type';
import { CAUTIONS } from '../griddleText';
import { JudgeDetails, JudgeRow } from './JudgeRow';
import { LiveFacts } from './LiveFacts';
import { MoreForPiece } from './MoreForPiece';
import { answerWords } from './handsWords';
import type { ByItself } from './useByItself';
import type { LiveGriddle } from './useLiveGriddle';

interface BesideProps {
  live: LiveBatch;
  griddle: LiveGriddle;
  first: LivePiece | undefined;
  byItself: ByItself;
  /** There is time to see to the plate itself. */
  care: boolean;
}

/** What stands beside the plate: the seconds, how the last piece was, what to beware of; the rest at a tap. */
export function BesidePlate({ live, griddle, first, byItself, care }: BesideProps) {
  const { batch, state } = live;
  const onJudge = (judged: EventBody) => live.act(judged);
  const step = state.steps.find(({ step: one }) => one.kind === 'griddle')?.step;
  return (
    <>
      <LiveFacts
        {...{ griddle, first }}
        sides={batch.plan.formula.bake.sides.length}
        answer={answerWords(state)}
        counted={byItself.active}
      />
      <JudgeRow {...{ state, onJudge }} />
      {care ? <PlateCareNow live={live} /> : null}
      <ColdBalls live={live} over />
      <StepCautions plan={batch.plan} kind="griddle" told={state.piecesOff > 0} />
      {griddle.griddle?.nonStick ? <Caution folded {...CAUTIONS.nonStick} /> : null}
      <Unfold>
        {byItself.offer ? <Action {...byItself.offer} /> : null}
        <MoreForPiece griddle={griddle} state={state} />
        <JudgeDetails {...{ state, onJudge }} trim={griddle.trim} />
        {griddle.differs ? <Label>{griddle.differs}</Label> : null}
        <ColdBalls live={live} over={false} />
        {step ? (
          <TakeTemp
            kind="thermometer"
            label="Plate"
            onTake={(taken) => live.act(measuredBody(step.id, 'plate', taken))}
          />
        ) : null}
      </Unfold>
    </>
  );
}
