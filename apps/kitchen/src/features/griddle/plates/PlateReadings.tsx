import { say, sayAll } from '../../../reader/say';
import { hotSpots } from '@kettle-scale/core/bake';
import type { Griddle } from '@kettle-scale/core/kitchen';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { TakeTemp, type TakenTemp } from '../../../shared/TakeTemp';
import { Action } from '../../../ui/input/actions';
import { FigureField, numberTyped } from '../../../ui/input/FigureField';
import { AskSheet, type Asked } from '../../../ui/layout/AskSheet';
import { Ticket } from '../../../ui/layout/Ticket';
import { SPACE } from '../../../ui/tokens';
import { Body, Heading } from '../../../ui/type';
import { useFormat } from '../../../ui/useFormat';

const GRID = { columns: 3, rows: 2 } as const;
const STARTS_AT = 220;
const PLACE_NAMES = [
  'back left',
  'back middle',
  'back right',
  'front left',
  'front middle',
  'front right',
] as const;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s, alignItems: 'flex-end' },
  cell: { flexGrow: 1, flexBasis: 140 },
  /** The longest name with its reading, uncut. */
  spot: { flexGrow: 1, flexBasis: 200 },
});

/** A reading that would take the place of another. */
const replacing = (what: string, before: string, now: string, onYes: () => void): Asked => ({
  title: say('{what} was {before}', { what, before }),
  text: say('Replace it with {now}?', { now }),
  yes: 'Replace',
  onYes,
});

interface PlateReadingsProps {
  griddle: Griddle;
  onChange: (griddle: Griddle) => void;
}

/** Marks of the knob, each with the temperature it settles at, measured once. */
export function KnobMarks({ griddle, onChange }: PlateReadingsProps) {
  const format = useFormat();
  const [mark, setMark] = useState('5');
  const [asked, setAsked] = useState<Asked | null>(null);
  const number = numberTyped(mark);
  const known = griddle.marks.filter((one) => one.mark !== number);
  return (
    <Ticket>
      <Heading>Marks of the knob</Heading>
      <Body tone="soot">
        Set the knob, wait until the plate stands still, then take the thermometer. Two marks are enough for
        advice.
      </Body>
      {[...griddle.marks]
        .sort((a, b) => a.mark - b.mark)
        .map((one) => (
          <Action
            key={one.mark}
            icon="trash"
            label={say('Mark {mark, number}: {temp}', { mark: one.mark, temp: format.temp(one.tempC) })}
            onPress={() =>
              setAsked({
                title: say('Delete mark {mark, number}?', { mark: one.mark }),
                text: say('{temp} was measured there.', { temp: format.temp(one.tempC) }),
                yes: say('Delete mark {mark, number}', { mark: one.mark }),
                onYes: () =>
                  onChange({ ...griddle, marks: griddle.marks.filter(({ mark: m }) => m !== one.mark) }),
              })
            }
          />
        ))}
      <View style={styles.row}>
        <FigureField
          labelled
          name="knob-mark"
          label="Mark"
          value={mark}
          onText={setMark}
          style={styles.cell}
        />
      </View>
      {Number.isFinite(number) ? (
        <TakeTemp
          kind="thermometer"
          label={say('Plate at mark {mark}', { mark })}
          onTake={({ tempC, source }) => {
            const keep = () => onChange({ ...griddle, marks: [...known, { mark: number, tempC, source }] });
            const before = griddle.marks.find((one) => one.mark === number);
            if (!before) keep();
            else
              setAsked(
                replacing(
                  say('Mark {number, number}', { number }),
                  format.temp(before.tempC),
                  format.temp(tempC),
                  keep,
                ),
              );
          }}
        />
      ) : null}
      <AskSheet asked={asked} onClose={() => setAsked(null)} />
    </Ticket>
  );
}

/** Readings over the plate, six places in turn: where it is hot and where cold. */
export function SpotReadings({ griddle, onChange }: PlateReadingsProps) {
  const format = useFormat();
  const [spot, setSpot] = useState<number | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  // The first reading stands for all places until each has its own: nothing is lost by taking those.
  const [wasRead] = useState(griddle.readings !== undefined);
  const [fresh, setFresh] = useState<ReadonlySet<number>>(new Set());
  const grid = griddle.readings ?? { ...GRID, tempsC: [] };
  const spots = hotSpots(griddle);
  const standard = grid.columns === GRID.columns && grid.rows === GRID.rows;
  const take = (at: number, { tempC, source }: TakenTemp) => {
    const tempsC = PLACE_NAMES.map((_, i) =>
      i === at ? tempC : standard ? (grid.tempsC[i] ?? tempC) : (spots?.meanC ?? STARTS_AT),
    );
    const madeUp = source === 'simulated' || grid.source === 'simulated';
    onChange({ ...griddle, readings: { ...GRID, tempsC, source: madeUp ? 'simulated' : source } });
    setFresh(new Set([...fresh, at]));
    setSpot(at + 1 < PLACE_NAMES.length ? at + 1 : null);
  };
  return (
    <Ticket>
      <Heading>Hot and cold spots</Heading>
      {spots ? (
        <Body>
          {say('From {temp} to {temp2}, on average {temp3}. Pieces on cooler places get longer times.', {
            temp: format.temp(spots.coldestC),
            temp2: format.temp(spots.hottestC),
            temp3: format.temp(spots.meanC),
          })}
        </Body>
      ) : (
        <Body>
          Tap a place, then take or type what the thermometer shows there; the live griddle then times each
          place by itself.
        </Body>
      )}
      <View style={styles.row}>
        {PLACE_NAMES.map((name, i) => {
          const known = standard ? grid.tempsC[i] : undefined;
          return (
            <Action
              key={name}
              label={sayAll([name, known !== undefined && { tempC: known }], ': ')}
              style={styles.spot}
              onPress={() => setSpot(i)}
            />
          );
        })}
      </View>
      {spot === null ? null : (
        <TakeTemp
          kind="thermometer"
          label={say('Plate at the {placeNames}', { placeNames: PLACE_NAMES[spot] ?? '' })}
          onTake={(taken) => {
            const before = standard && !fresh.has(spot) ? grid.tempsC[spot] : undefined;
            const keep = () => take(spot, taken);
            if (before === undefined || !wasRead) keep();
            else {
              const name = PLACE_NAMES[spot] ?? '';
              setAsked(
                replacing(say('The {name}', { name }), format.temp(before), format.temp(taken.tempC), keep),
              );
            }
          }}
        />
      )}
      <AskSheet asked={asked} onClose={() => setAsked(null)} />
    </Ticket>
  );
}
