import { figure } from '../../../reader/figures';
import { say } from '../../../reader/say';
import { knobAdvice } from '@kettle-scale/core/bake';
import { useReading } from '../../../live/useReading';
import { sourceWords } from '../../../shared/readingWords';
import { Action } from '../../../ui/input/actions';
import { RangeField } from '../../../ui/input/RangeField';
import { Ticket } from '../../../ui/layout/Ticket';
import { Body, Heading, Label } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';
import { useGriddleChoice } from '../../../shared/griddleChoice';
import { HeatByWords } from './HeatByWords';
import type { GriddleSubject } from '../useGriddle';

/** Plate, thickness, dough and altitude to drag; the times above follow while they are dragged. */
export function WhatIf({ subject }: { subject: GriddleSubject }) {
  const set = useGriddleChoice((state) => state.set);
  const format = useFormat();
  const heard = useReading('thermometer');
  const { plateC, thicknessMm, doughC, altitudeM, griddle, formula } = subject;
  const knob = griddle ? knobAdvice(griddle.marks, plateC) : null;
  return (
    <Ticket>
      <Heading>What if</Heading>
      <RangeField
        label="Plate"
        figure={format.tempFigure(plateC)}
        {...{ value: plateC, min: 150, max: 300, step: 1 }}
        onChange={(value) => set({ plateC: value })}
      />
      {knob ? (
        <Body tone="soot">
          {say('Knob of the {name}: {knob}.', { name: griddle?.name ?? 'plate', knob })}
        </Body>
      ) : null}
      {heard ? null : <HeatByWords plateC={plateC} />}
      {heard ? (
        <>
          <Action
            label={say('Take {temp} from the thermometer', { temp: format.temp(heard.reading.tempC) })}
            disabled={!heard.takeable}
            onPress={() => set({ plateC: Math.min(300, Math.max(150, Math.round(heard.reading.tempC))) })}
          />
          <Label>{say('Thermometer: {sourceWords}', { sourceWords: sourceWords(heard) })}</Label>
        </>
      ) : null}
      <RangeField
        label="Thickness as it goes on"
        figure={format.thicknessFigure(thicknessMm)}
        {...{ value: thicknessMm, min: 0.6, max: 6, step: 0.05 }}
        onChange={(value) => set({ thicknessMm: value })}
      />
      <RangeField
        label="Dough"
        figure={format.tempFigure(doughC)}
        {...{ value: doughC, min: 2, max: 45, step: 1 }}
        onChange={(value) => set({ doughC: value })}
      />
      <RangeField
        label="Altitude"
        figure={{ value: figure(format.read(altitudeM, 'm')), unit: format.unitOf('m') }}
        {...{ value: altitudeM, min: 0, max: 4000, step: 50 }}
        onChange={(value) => set({ altitudeM: value })}
      />
      <Action
        label={say('As {name} says', { name: formula.name })}
        onPress={() => set({ plateC: null, thicknessMm: null, altitudeM: null, doughC: 24 })}
      />
    </Ticket>
  );
}
