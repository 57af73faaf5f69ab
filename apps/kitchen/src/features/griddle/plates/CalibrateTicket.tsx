import { figure } from '../../../reader/figures';
import { say } from '../../../reader/say';
import {
  type BakeRequest,
  type Calibration,
  DEFAULT_MODEL,
  type LoggedPiece,
  MODEL_CONSTANTS,
  calibrationOf,
} from '@kettle-scale/core/bake';
import { FITTED, type Griddle } from '@kettle-scale/core/kitchen';
import { useState } from 'react';
import { View } from 'react-native';
import { useLoggedPieces } from '../../../api/griddlePieces';
import { askWorker } from '../../../workers/background';
import { Action, PrimaryAction } from '../../../ui/input/actions';
import { XyChart } from '../../../shared/chart';
import { Progress } from '../../../ui/layout/Progress';
import { Leader, Ticket } from '../../../ui/layout/Ticket';
import { Body, Heading, Label, Strong } from '../../../ui/type';
import type { GriddleSubject } from '../useGriddle';

const FEWEST = 6;

/** A fit of the model in the worker: begun, followed, stopped. */
function useFit(request: BakeRequest, pieces: LoggedPiece[]) {
  const [progress, setProgress] = useState(0);
  const [stop, setStop] = useState<AbortController | null>(null);
  const [fit, setFit] = useState<Calibration | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const begin = () => {
    const controller = new AbortController();
    setStop(controller);
    setProgress(0);
    setProblem(null);
    askWorker('calibrate', { request, pieces }, { signal: controller.signal, onProgress: setProgress })
      .then(setFit)
      .catch((error: unknown) => {
        if (!controller.signal.aborted) setProblem(error instanceof Error ? error.message : String(error));
      })
      .finally(() => setStop(null));
  };
  return { fit, progress, stop, problem, begin, leave: () => setFit(null) };
}

/** What a fit came to: each factor with its range, and what was seen against what is computed. */
function FitFound({ fit }: { fit: Calibration }) {
  return (
    <>
      {fit.parameters.map(({ what, factor, low, high }) => (
        <Leader
          key={what}
          name={FITTED[what].name}
          value={`×${figure(factor, 2)}`}
          aside={`${figure(low, 2)}–${figure(high, 2)}`}
        />
      ))}
      <Label>The truth lies within the range nine times in ten.</Label>
      <Body>
        {say(
          'What was seen differs from the usual values by {misfitBefore} times its own scatter, and from the new ones by {misfitAfter} times.',
          { misfitBefore: figure(fit.misfitBefore, 1), misfitAfter: figure(fit.misfitAfter, 1) },
        )}
      </Body>
      <XyChart
        label="Spots seen against computed, before (diamonds) and after"
        points={fit.points
          .filter(({ what }) => what.endsWith('side'))
          .flatMap(({ seen, before, after, what }) => [
            {
              x: seen,
              y: before,
              words: say('{what}: seen {seen}, before {before}', {
                what,
                seen: figure(seen),
                before: figure(before),
              }),
              flagged: true,
            },
            {
              x: seen,
              y: after,
              words: say('{what}: seen {seen}, after {after}', {
                what,
                seen: figure(seen),
                after: figure(after),
              }),
            },
          ])}
        y={{ label: 'computed lightness, L*' }}
        x={{ label: 'seen lightness, L*', format: (value) => String(value) }}
        table={{
          columns: ['what', 'seen', 'before', 'after'],
          rows: fit.points
            .slice(0, 20)
            .map(({ what, seen, before, after }, i) => [
              `${i + 1} ${what}`,
              figure(seen, 1),
              figure(before, 1),
              figure(after, 1),
            ]),
        }}
      />
    </>
  );
}

interface CalibrateTicketProps {
  griddle: Griddle;
  subject: GriddleSubject;
  onUse: (griddle: Griddle) => void;
}

const judgedWords = (pieces: number, name: string): string =>
  say('{pieces, plural, one {# judged piece} other {# judged pieces}} of {name} in the log.', {
    ...{ pieces, name },
  });

/** Refits the model to the pieces that were judged on this plate; shown against them, and asked before it is used. */
export function CalibrateTicket({ griddle, subject, onUse }: CalibrateTicketProps) {
  const { formula, request } = subject;
  const logged = useLoggedPieces(formula.id);
  const pieces = logged.data ?? [];
  const inUse = calibrationOf(griddle, formula.id);
  const outdated = !inUse && griddle.calibrations?.some(({ formulaId }) => formulaId === formula.id);

  // Factors multiply the usual figures, whatever is in use now.
  const usual = { ...request, setup: { ...request.setup, model: DEFAULT_MODEL } };
  const { fit, progress, stop, problem, begin, leave } = useFit(usual, pieces);
  const others = (griddle.calibrations ?? []).filter(({ formulaId }) => formulaId !== formula.id);
  const use = () => {
    if (!fit) return;
    const calibration = {
      formulaId: formula.id,
      at: new Date().toISOString(),
      pieces: fit.pieces,
      parameters: fit.parameters,
      constants: MODEL_CONSTANTS,
    };
    onUse({ ...griddle, calibrations: [...others, calibration] });
    leave();
  };
  return (
    <Ticket>
      <Heading>Calibrate by your own pieces</Heading>
      <Body>{judgedWords(pieces.length, formula.name)}</Body>
      <Body>
        {pieces.length < FEWEST
          ? say(
              'From {fewest, number} on the model can be fitted to them: judge pieces on the live griddle.',
              { fewest: FEWEST },
            )
          : 'The fit changes how fast this plate browns and heats, within limits, and says how sure it is.'}
      </Body>
      {inUse ? (
        <>
          <Strong tone="sage">
            {say('In use: fitted to {pieces, number} pieces on {at}.', {
              pieces: inUse.pieces,
              at: inUse.at.slice(0, 10),
            })}
          </Strong>
          <Action
            label="Restore the usual values"
            onPress={() => onUse({ ...griddle, calibrations: others })}
          />
        </>
      ) : null}
      {outdated ? (
        <Body tone="plum">
          What was fitted before multiplied older figures of the model and is not used: fit it again.
        </Body>
      ) : null}
      {stop ? (
        <View role="status">
          <Progress label="Fit of the model" share={progress} />
          <Action label="Stop" onPress={() => stop.abort()} />
        </View>
      ) : (
        <Action
          label={fit ? 'Fit again' : 'Fit the model'}
          disabled={pieces.length < FEWEST}
          onPress={begin}
        />
      )}
      {problem ? <Body tone="plum">{problem}</Body> : null}
      {fit ? (
        <>
          <FitFound fit={fit} />
          <PrimaryAction
            label={say('Use it for {name} on this plate', { name: formula.name })}
            onPress={use}
          />
          <Action label="Keep the old values" onPress={() => leave()} />
        </>
      ) : null}
    </Ticket>
  );
}
