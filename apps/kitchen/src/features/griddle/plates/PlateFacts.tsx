import { figure } from '../../../reader/figures';
import { say } from '../../../reader/say';
import { formatClock } from '@kettle-scale/core/quantity';
import {
  LIMITS,
  type Pace,
  type PaceLimit,
  type PlateMoment,
  type Settling,
  breadDiameterMm,
  hotSpots,
  knobAdvice,
  paceFactsOf,
  placesOf,
  secondsOf,
} from '@kettle-scale/core/bake';
import type { Griddle } from '@kettle-scale/core/kitchen';
import { useState } from 'react';
import { useWork } from '../../../workers/useWork';
import { PlatePicture, XyChart } from '../../../shared/chart';
import { Choices } from '../../../ui/input/Choices';
import { Leader, Ticket } from '../../../ui/layout/Ticket';
import { Body, Figure, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import type { GriddleSubject } from '../useGriddle';

const COLD_C = 20;
const LIMIT_WORDS: Record<PaceLimit, string> = {
  'plate area': 'the room on the plate',
  heat: 'the heat of the burner',
  hands: 'the cook’s hands',
  rolling: 'rolling, by the same hands',
};
const S_PER_MIN = 60;
const ROLLING = { elsewhere: 0, 'same hands': 20 } as const;

type Rolling = keyof typeof ROLLING;

interface PaceTicketProps {
  pace: Pace;
  rolling: Rolling;
  setRolling: (rolling: Rolling) => void;
}

/** Pieces an hour, and what holds them back. */
function PaceTicket({ pace, rolling, setRolling }: PaceTicketProps) {
  return (
    <Ticket>
      <Heading>Pace</Heading>
      <Figure value={String(Math.floor(pace.piecesPerHour))} unit="pieces an hour" size={64} tone="ember" />
      <Body>{say('Held back by {limitWords}.', { limitWords: LIMIT_WORDS[pace.limit] })}</Body>
      {LIMITS.filter((limit) => Number.isFinite(pace.perHour[limit])).map((limit) => (
        <Leader
          key={limit}
          name={LIMIT_WORDS[limit]}
          value={String(Math.floor(pace.perHour[limit]))}
          unit="/h"
        />
      ))}
      <Choices
        label="Who rolls"
        value={rolling}
        options={[
          ['elsewhere', 'Somebody else'],
          ['same hands', 'The same hands, 20 s a disc'],
        ]}
        onChange={setRolling}
      />
    </Ticket>
  );
}

interface HeatTicketProps {
  settled: Settling;
  readyS: number | null | undefined;
  preheat: readonly PlateMoment[];
  plateC: number;
}

/** Preheat, dip and recovery of the plate. */
function HeatTicket({ settled, readyS, preheat, plateC }: HeatTicketProps) {
  const format = useFormat();
  return (
    <Ticket>
      <Heading>Heat</Heading>
      <Leader
        name="From cold to ready"
        value={readyS === null || readyS === undefined ? 'never' : formatClock(readyS)}
        unit={readyS ? 'min' : ''}
      />
      <Leader name="Drops under a piece to" value={format.temp(settled.lowestC)} />
      <Leader
        name={say('Recovers to {tempDifference} in', { tempDifference: format.tempDifference(3) })}
        value={settled.recoveryS === null ? 'over an hour' : String(settled.recoveryS)}
        unit={settled.recoveryS === null ? '' : 's'}
      />
      <Leader name="Settles, piece after piece, at" value={format.temp(settled.onC.at(-1) ?? plateC)} />
      {readyS === null ? (
        <Body tone="plum">
          {say('It is not powerful enough to reach {temp}: choose a lower heat or another plate.', {
            temp: format.temp(plateC),
          })}
        </Body>
      ) : null}
      <XyChart
        label="Preheat of the bare plate"
        joined
        tone="ember"
        points={preheat.map(({ timeS, tempC }) => ({
          x: timeS / S_PER_MIN,
          y: format.read(tempC, '°C'),
          words: say('after {time} min: {temp}', {
            time: figure(timeS / S_PER_MIN, 1),
            temp: format.temp(tempC),
          }),
        }))}
        y={{ label: say('plate, {unitOf}', { unitOf: format.unitOf('°C') }) }}
        x={{ label: 'minutes from cold', format: (value) => String(value) }}
        levels={[{ y: format.read(plateC, '°C'), name: 'wanted', tone: 'sage' }]}
        table={{
          columns: ['minutes', format.unitOf('°C')],
          rows: preheat
            .filter((_, i) => i % 4 === 0)
            .map(({ timeS, tempC }) => [String(timeS / S_PER_MIN), format.tempFigure(tempC).value]),
        }}
      />
    </Ticket>
  );
}

/** How many pieces fit, how fast, and what the plate does: preheat, dip, recovery; where to set the knob. */
export function PlateFacts({ griddle, subject }: { griddle: Griddle; subject: GriddleSubject }) {
  const format = useFormat();
  const [rolling, setRolling] = useState<Rolling>('elsewhere');
  const { formula, foods, thicknessMm, plateC, request } = subject;
  const diameterMm = breadDiameterMm(formula, foods, thicknessMm);
  const places = placesOf(griddle, diameterMm);
  const facts = paceFactsOf(formula, foods, griddle, thicknessMm, ROLLING[rolling]);
  const seconds = secondsOf(formula.bake);
  const work = useWork('plate', { request, seconds, fromC: COLD_C, facts });
  const knob = knobAdvice(griddle.marks, plateC);
  const { pace, settled, readyS, preheat = [] } = work.data ?? {};
  return (
    <>
      <Ticket>
        <Heading>{say('{name} on it', { name: formula.name })}</Heading>
        <PlatePicture griddle={griddle} places={places} diameterMm={diameterMm} spots={hotSpots(griddle)} />
        <Figure value={String(places.length)} unit="pieces" size={64} />
        <Label>
          {say('Each {length} across, true to scale, a finger’s gap between.', {
            length: format.length(diameterMm),
          })}
        </Label>
        {knob ? (
          <Body>{say('Knob for {temp}: {knob}.', { temp: format.temp(plateC), knob })}</Body>
        ) : (
          <Body tone="soot">Measure two marks of the knob and this shows where to set it.</Body>
        )}
      </Ticket>
      {work.error ? <Body tone="plum">{work.error.message}</Body> : null}
      {pace ? <PaceTicket {...{ pace, rolling, setRolling }} /> : null}
      {settled ? <HeatTicket {...{ settled, readyS, preheat, plateC }} /> : null}
    </>
  );
}
