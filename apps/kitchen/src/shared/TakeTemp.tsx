import { asTyped } from '../reader/figures';
import { say, sayAll } from '../reader/say';
import type { EventBody, EventOf } from '@kettle-scale/core/batch';
import type { ReadingSource } from '@kettle-scale/core/device';
import { storedText } from '@kettle-scale/core/quantity';
import { useState } from 'react';
import { View } from 'react-native';
import { useReading } from '../live/useReading';
import { ActionRow, PrimaryAction } from '../ui/input/actions';
import { numberTyped } from '../ui/input/FigureField';
import { Keypad } from '../ui/input/Keypad';
import { Sheet } from '../ui/layout/Sheet';
import { SPACE } from '../ui/tokens';
import { Figure, Heading, Label } from '../ui/type';
import { useFormat } from '../ui/useFormat';
import { sourceWords } from './readingWords';

/** A temperature with where it came from, as an act records it. */
export interface TakenTemp {
  tempC: number;
  source: ReadingSource;
}

/** Iron may be this hot, a dough not, °C. */
const HOTTEST_C = { probe: 120, thermometer: 350 } as const;
const COLDEST_C = -20;

interface TakeTempProps {
  kind: keyof typeof HOTTEST_C;
  /** What is measured: "Plate", "Probe in the dough". */
  label: string;
  onTake: (taken: TakenTemp) => void;
}

/** A temperature taken from its device by a tap, or typed: nobody depends on a device. */
export function TakeTemp({ kind, label, onTake }: TakeTempProps) {
  const format = useFormat();
  const heard = useReading(kind);
  const [typed, setTyped] = useState<string | null>(null);
  const unit = format.unitOf('°C');
  const tempC = numberTyped(storedText(typed ?? '', '°C', format.units));
  const fits = tempC >= COLDEST_C && tempC <= HOTTEST_C[kind];
  const typeIt = `${say(label).toLocaleLowerCase()}, ${unit}`;
  return (
    <View style={{ gap: SPACE.s }}>
      <Label>
        {heard
          ? sayAll([label, heard.reading.steady ? 'steady' : 'moving', sourceWords(heard)])
          : sayAll([label, unit])}
      </Label>
      <ActionRow
        actions={[
          ...(heard
            ? [
                {
                  key: 'take',
                  label: say('Take {temp}', { temp: format.temp(heard.reading.tempC) }),
                  hint: say('Take {temp}, {label}, {sourceWords}', {
                    temp: format.temp(heard.reading.tempC),
                    label: { lower: label },
                    sourceWords: sourceWords(heard),
                  }),
                  disabled: !heard.takeable,
                  onPress: () => onTake({ tempC: heard.reading.tempC, source: heard.source }),
                },
              ]
            : []),
          {
            key: 'type',
            label: 'Type it',
            hint: say('Type it: {typeIt}', { typeIt }),
            onPress: () => setTyped(''),
          },
        ]}
      />
      <Sheet open={typed !== null} onClose={() => setTyped(null)} label={say('Type {typeIt}', { typeIt })}>
        <Heading>{label}</Heading>
        <Figure value={asTyped(typed ?? '') || '0'} unit={unit} size={64} />
        <Keypad text={typed ?? ''} onChange={setTyped} />
        <PrimaryAction
          label={
            !typed || fits
              ? say('It is {typed} {unit}', { typed: asTyped(typed ?? '') || '–', unit })
              : say('Between {temp} and {temp2}', {
                  temp: format.temp(COLDEST_C),
                  temp2: format.temp(HOTTEST_C[kind]),
                })
          }
          disabled={!fits}
          onPress={() => {
            onTake({ tempC, source: 'typed' });
            setTyped(null);
          }}
        />
      </Sheet>
    </View>
  );
}

/** The act that records a temperature. */
export const measuredBody = (
  stepId: string,
  what: EventOf<'measured'>['what'],
  { tempC, source }: TakenTemp,
): EventBody => ({
  ...{ type: 'measured', stepId, what, tempC, source },
  by: source === 'typed' ? 'hand' : 'probe',
});
