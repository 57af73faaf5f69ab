import { figure } from '../../reader/figures';
import { say } from '../../reader/say';
import { standardOf } from '@kettle-scale/core/bake';
import { FOLDS, PLIABLE, PUFFS, SPOTS, kindOfBread, workedAsUsual } from '@kettle-scale/core/formula';
import { ballMassG, discThicknessMm } from '@kettle-scale/core/portion';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { BallByEye } from '../../shared/BallByEye';
import { KindChoice } from '../../shared/KindChoice';
import { Action } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { Segments } from '../../ui/input/Segments';
import { Ticket } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label } from '../../ui/type';
import { useFormat } from '../../ui/useFormat';
import { DraftFigure, DraftWords } from './fields';
import { useEditing } from './editing';

const PERCENT = 100;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: SPACE.s, flexWrap: 'wrap' },
  half: { flex: 1, minWidth: 130 },
});

type Found = 'ball' | 'width' | 'thickness';

/** The three figures of a disc; width changes the one that is worked out. */
function useSizeFields(found: Found, density: number | undefined, width: number | undefined) {
  const { product } = useEditing().draft;
  return {
    ball: (
      <DraftFigure
        key="ball"
        label="Ball"
        path="product.ballG"
        unit="g"
        value={product.ballG}
        set={(d, value) => (d.product.ballG = value)}
        style={styles.half}
      />
    ),
    thickness: (
      <DraftFigure
        key="thickness"
        label="Thickness"
        path="product.thicknessMm"
        unit="mm"
        decimals={2}
        value={product.thicknessMm}
        set={(d, value) => (d.product.thicknessMm = value)}
        style={styles.half}
      />
    ),
    width: (
      <DraftFigure
        key="width"
        label="Width"
        path="product.diameterMm"
        unit="mm"
        decimals={0}
        value={width}
        set={(d, value) => {
          if (!density || value <= 0) return;
          if (found === 'ball')
            d.product.ballG = Number(ballMassG(value, d.product.thicknessMm, density).toFixed(1));
          else d.product.thicknessMm = Number(discThicknessMm(d.product.ballG, value, density).toFixed(2));
        }}
        style={styles.half}
      />
    ),
  };
}

/** Ball, width and thickness are one equation: two are chosen, the third follows from the dough. */
function Size() {
  const { draft, facts, edit } = useEditing();
  const format = useFormat();
  const [found, setFound] = useState<Found>('width');
  const { product } = draft;
  const density = facts?.densityGMl;
  const width = facts?.relaxed.diameterMm;
  const fields = useSizeFields(found, density, width);
  const answers = {
    ball: format.massFigure(product.ballG, 0.1),
    thickness: format.lengthFigure(product.thicknessMm),
    width: width ? format.lengthFigure(width) : { value: '–', unit: '' },
  };
  const chosen = (['ball', 'width', 'thickness'] as const).filter((field) => field !== found);
  return (
    <Ticket>
      <Heading>Size</Heading>
      <Segments
        labelled
        label="Work out the"
        value={found}
        options={[
          ['ball', 'Ball'],
          ['width', 'Width'],
          ['thickness', 'Thickness'],
        ]}
        onChange={setFound}
      />
      <View style={styles.row}>{chosen.map((field) => fields[field])}</View>
      {density && found !== 'ball' ? (
        <BallByEye densityGMl={density} onPick={(ballG) => edit((d) => void (d.product.ballG = ballG))} />
      ) : null}
      <View>
        <Label>
          {say('{found}, from the dough’s density', {
            found: found === 'ball' ? 'Ball' : found === 'width' ? 'Width' : 'Thickness',
          })}
        </Label>
        <Figure {...answers[found]} size={40} />
      </View>
      {density ? (
        <Body tone="soot">
          {say('Relaxed, as it goes on the griddle. The dough weighs {read} {unitOf} with its air.', {
            read: figure(format.read(density, 'g/ml'), format.units === 'us' ? 2 : 3),
            unitOf: format.unitOf('g/ml'),
          })}
        </Body>
      ) : null}
      <Tolerances />
    </Ticket>
  );
}

/** How far a piece may be off, how far a disc springs back, and the air in the dough. */
function Tolerances() {
  const { product } = useEditing().draft;
  return (
    <>
      <View style={styles.row}>
        <DraftFigure
          label="Ball ±"
          path="product.ballToleranceG"
          unit="g"
          value={product.ballToleranceG}
          set={(d, value) => (d.product.ballToleranceG = value)}
          style={styles.half}
        />
        <DraftFigure
          label="Width ±"
          path="product.diameterToleranceMm"
          unit="mm"
          value={product.diameterToleranceMm}
          set={(d, value) => (d.product.diameterToleranceMm = value)}
          clear={(d) => void delete d.product.diameterToleranceMm}
          style={styles.half}
        />
        <DraftFigure
          label="Thickness ±"
          path="product.thicknessToleranceMm"
          unit="mm"
          decimals={2}
          value={product.thicknessToleranceMm}
          set={(d, value) => (d.product.thicknessToleranceMm = value)}
          clear={(d) => void delete d.product.thicknessToleranceMm}
          style={styles.half}
        />
      </View>
      <View style={styles.row}>
        <DraftFigure
          label="Springs back"
          path="product.springBack"
          unit="%"
          shown={PERCENT}
          value={product.springBack}
          set={(d, value) => (d.product.springBack = value)}
          style={styles.half}
        />
        <DraftFigure
          label="Air in the dough"
          path="product.air"
          unit="%"
          shown={PERCENT}
          value={product.air}
          set={(d, value) => (d.product.air = value)}
          style={styles.half}
        />
      </View>
    </>
  );
}

/** The kind of bread, and its usual method, heat and standard for the taking. */
function Kind() {
  const { draft, facts, edit } = useEditing();
  if (!facts) return null;
  const kind = kindOfBread(draft, facts.lines);
  return (
    <Ticket>
      <KindChoice
        kind={kind}
        guessed={draft.kind === undefined}
        onChange={(chosen) => edit((d) => void (d.kind = chosen))}
      />
      <Action
        label="Use its usual work and standard"
        onPress={() => edit((d) => void Object.assign(d, workedAsUsual(d, kind)))}
      />
    </Ticket>
  );
}

/** The product standard: what every piece should be, and the words around the formula. */
export function BreadTab() {
  const { draft, edit } = useEditing();
  const { product, bake } = draft;
  return (
    <>
      <Ticket>
        <Heading>Words</Heading>
        <DraftWords label="Name" path="name" value={draft.name} set={(d, text) => (d.name = text)} />
        <DraftWords
          label="In one sentence"
          path="summary"
          value={draft.summary}
          rows={2}
          set={(d, text) => (d.summary = text)}
        />
        <DraftWords
          label="Notes"
          path="notes"
          value={draft.notes ?? ''}
          rows={4}
          set={(d, text) => (d.notes = text)}
        />
      </Ticket>
      <Kind />
      <Size />
      <Ticket>
        <Heading>A good piece</Heading>
        <Choices
          label="Spots"
          value={product.spots ?? null}
          options={SPOTS.map((id) => [id, id])}
          onChange={(value) => edit((d) => void (d.product.spots = value))}
        />
        <Choices
          label="Spots of the second side"
          value={product.secondSpots ?? 'as the first'}
          options={[['as the first', 'as the first'], ...SPOTS.map((id) => [id, id] as const)]}
          onChange={(value) =>
            edit((d) => void (d.product.secondSpots = value === 'as the first' ? undefined : value))
          }
        />
        <Choices
          label="Puff"
          value={product.puff ?? null}
          options={PUFFS.map((id) => [id, id])}
          onChange={(value) => edit((d) => void (d.product.puff = value))}
        />
        <Choices
          label="Fold test"
          value={product.fold ?? null}
          options={FOLDS.map((id) => [id, id])}
          onChange={(value) => edit((d) => void (d.product.fold = value))}
        />
        <Choices
          label="Pliable"
          value={product.pliable ?? 'at the plate'}
          options={PLIABLE.map((id) => [id, id])}
          onChange={(value) => edit((d) => void (d.product.pliable = value))}
        />
        <DraftFigure
          label="Black of a face, at most"
          path="product.black"
          unit="%"
          shown={PERCENT}
          value={product.black ?? standardOf(product, bake.finish).charMost / PERCENT}
          set={(d, value) => (d.product.black = value)}
        />
        <DraftWords
          label="In words"
          path="product.look"
          value={product.look}
          rows={3}
          set={(d, text) => (d.product.look = text)}
        />
      </Ticket>
    </>
  );
}
