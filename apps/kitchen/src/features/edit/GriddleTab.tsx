import { say } from '../../reader/say';
import type { BakeProgram } from '@kettle-scale/core/formula';
import { StyleSheet, View } from 'react-native';
import { Action } from '../../ui/input/actions';
import { BakeBars } from '../../shared/BakeBars';
import { Caution } from '../../ui/layout/Caution';
import { Check } from '../../ui/input/Choices';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Heading } from '../../ui/type';
import { DraftFigure } from './fields';
import { OnBreadTicket } from './OnBreadTicket';
import { PlateCareTicket } from './PlateCareTicket';
import { useEditing } from './editing';

const MOST_SIDES = 8;
const USUAL_FINISH_S = 6;
const USUAL_SIDE_S = 30;
const USUAL_PRESS = { tempC: 150, seconds: 3 } as const;
const PRESS_FIGURES = [
  { key: 'tempC', label: 'Press at', unit: '°C', decimals: 0 },
  { key: 'seconds', label: 'In the press', unit: 's', decimals: 1 },
] as const;
/** A second place is so much cooler, until somebody says. */
const USUAL_COOLER_C = 30;
const USUAL_FIRST_PIECES = 4;
const DONE_TO_A_SIDE = [
  ['press', 'pressed'],
  ['butter', 'buttered'],
  ['wetFace', 'wet face down'],
  ['rim', 'rim pressed'],
] as const;

type BakeSide = BakeProgram['sides'][number];

const styles = StyleSheet.create({
  checks: { flexDirection: 'row', flexWrap: 'wrap', columnGap: SPACE.m },
  side: { gap: SPACE.s },
});

/** Between hot platens before the plate: what the seconds on it count with. */
function HotPress() {
  const { draft, edit } = useEditing();
  const { hotPress } = draft.bake;
  return (
    <>
      <Check
        label="the disc comes warm out of the press"
        value={hotPress !== undefined}
        onChange={(pressed) =>
          edit((d) => {
            if (pressed) d.bake.hotPress = { ...USUAL_PRESS };
            else delete d.bake.hotPress;
          })
        }
      />
      {hotPress
        ? PRESS_FIGURES.map(({ key, ...figure }) => (
            <DraftFigure
              key={key}
              path={`bake.hotPress.${key}`}
              {...figure}
              value={hotPress[key]}
              set={(d, value) => {
                if (d.bake.hotPress) d.bake.hotPress[key] = value;
              }}
            />
          ))
        : null}
    </>
  );
}

/** The plate is set higher or lower on purpose once the first pieces are off. */
function HeatLater() {
  const { draft, edit } = useEditing();
  const { later, plateC } = draft.bake;
  return (
    <>
      <Check
        label="another heat after the first pieces"
        value={later !== undefined}
        onChange={(on) =>
          edit((d) => {
            if (on) d.bake.later = { afterPieces: USUAL_FIRST_PIECES, plateC: plateC - USUAL_COOLER_C };
            else delete d.bake.later;
          })
        }
      />
      {later ? (
        <>
          <DraftFigure
            label="Pieces before it changes"
            path="bake.later.afterPieces"
            unit=""
            decimals={0}
            value={later.afterPieces}
            set={(d, value) => {
              if (d.bake.later) d.bake.later.afterPieces = Math.round(value);
            }}
          />
          <DraftFigure
            label="Then the plate at"
            path="bake.later.plateC"
            unit="°C"
            decimals={0}
            value={later.plateC}
            set={(d, value) => {
              if (d.bake.later) d.bake.later.plateC = value;
            }}
          />
        </>
      ) : null}
    </>
  );
}

/** One side: its seconds, what is done to it, and a heat of its own. */
function SideFields({ side, index }: { side: BakeSide; index: number }) {
  const { edit } = useEditing();
  return (
    <View style={styles.side}>
      <DraftFigure
        label={say('Side {index, number}', { index: index + 1 })}
        path={`bake.sides[${index}].seconds`}
        unit="s"
        decimals={0}
        value={side.seconds}
        set={(d, value) => {
          const found = d.bake.sides[index];
          if (found) found.seconds = Math.round(value);
        }}
      />
      <View style={styles.checks}>
        {DONE_TO_A_SIDE.map(([key, words]) => (
          <Check
            key={key}
            label={words}
            value={side[key] ?? false}
            onChange={(value) =>
              edit((d) => {
                const found = d.bake.sides[index];
                if (found) found[key] = value || undefined;
              })
            }
          />
        ))}
        <Check
          label="a heat of its own"
          value={side.plateC !== undefined}
          onChange={(own) =>
            edit((d) => {
              const found = d.bake.sides[index];
              if (found) found.plateC = own ? d.bake.plateC - USUAL_COOLER_C : undefined;
            })
          }
        />
      </View>
      {side.plateC === undefined ? null : (
        <DraftFigure
          label={say('Side {index, number} on a place at', { index: index + 1 })}
          path={`bake.sides[${index}].plateC`}
          unit="°C"
          decimals={0}
          value={side.plateC}
          set={(d, value) => {
            const found = d.bake.sides[index];
            if (found) found.plateC = value;
          }}
        />
      )}
    </View>
  );
}

/** A fire at the end. */
function FinishFields() {
  const { draft, edit } = useEditing();
  const { bake } = draft;
  return (
    <>
      <Segments
        labelled
        label="Finish"
        value={bake.finish?.kind ?? 'none'}
        options={[
          ['none', 'None'],
          ['flame', 'Flame'],
          ['grill', 'Grill'],
        ]}
        onChange={(kind) =>
          edit((d) => {
            if (kind === 'none') delete d.bake.finish;
            else d.bake.finish = { kind, seconds: d.bake.finish?.seconds ?? USUAL_FINISH_S };
          })
        }
      />
      {bake.finish ? (
        <>
          <DraftFigure
            label="Finish for"
            path="bake.finish.seconds"
            unit="s"
            decimals={0}
            value={bake.finish.seconds}
            set={(d, value) => {
              if (d.bake.finish) d.bake.finish.seconds = Math.round(value);
            }}
          />
          <Caution
            lead="Open flame."
            text="Tongs, no loose sleeves; steam bursts from a puffed bread. Never a non-stick pan over a flame."
          />
        </>
      ) : null}
    </>
  );
}

/** The plate and what happens on it: as many sides as it takes, press, butter, a wet face, a flame to finish. */
export function GriddleTab() {
  const { draft, edit } = useEditing();
  const { bake } = draft;
  return (
    <>
      <Ticket>
        <Heading>Griddle</Heading>
        <BakeBars bake={bake} />
        <Segments
          labelled
          label="Surface"
          value={bake.surface}
          options={[
            ['flat', 'Flat plate'],
            ['domed', 'Domed iron'],
          ]}
          onChange={(surface) => edit((d) => void (d.bake.surface = surface))}
        />
        <DraftFigure
          label="Plate at"
          path="bake.plateC"
          unit="°C"
          decimals={0}
          value={bake.plateC}
          set={(d, value) => (d.bake.plateC = value)}
        />
        <Check
          label="bench flour stays on the disc"
          value={bake.floured ?? false}
          onChange={(floured) => edit((d) => void (d.bake.floured = floured || undefined))}
        />
        <HeatLater />
        <DraftFigure
          label="Trial pieces, on top"
          path="bake.trials"
          unit=""
          decimals={0}
          value={bake.trials}
          set={(d, value) => (d.bake.trials = Math.round(value))}
          clear={(d) => void delete d.bake.trials}
        />
        {draft.method.shaping.how === 'hot-press' || bake.hotPress ? <HotPress /> : null}
      </Ticket>
      <Ticket>
        <Heading>Sides</Heading>
        {bake.sides.map((side, index) => (
          <SideFields key={index} {...{ side, index }} />
        ))}
        <Action
          label="Add a side"
          icon="plus"
          disabled={bake.sides.length >= MOST_SIDES}
          onPress={() => edit((d) => void d.bake.sides.push({ seconds: USUAL_SIDE_S }))}
        />
        <Action
          label="Remove the last side"
          icon="trash"
          disabled={bake.sides.length <= 1}
          onPress={() => edit((d) => void d.bake.sides.pop())}
        />
        <FinishFields />
      </Ticket>
      <PlateCareTicket />
      <OnBreadTicket />
    </>
  );
}
