import { say } from '../../reader/say';
import { type EventBody, FOLDED, TEARS } from '@kettle-scale/core/batch';
import { colourAsked } from '@kettle-scale/core/bake';
import { PUFFS, type ProductStandard } from '@kettle-scale/core/formula';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { FigureField, numberTyped } from '../../ui/input/FigureField';
import { Sheet } from '../../ui/layout/Sheet';
import { SPACE } from '../../ui/tokens';
import { Body, Heading } from '../../ui/type';
import { SwatchChoice } from './SwatchChoice';

type Inspected = Omit<Extract<EventBody, { type: 'inspected' }>, 'type'>;

const same = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);
/** Baked pieces this long or heavy are a slip of the finger; the server has the last word. */
const inside = (value: number, low: number, high: number) => value >= low && value <= high;

interface SeenChoicesProps {
  seen: Inspected;
  put: (changes: Inspected) => void;
  product: ProductStandard;
}

/** What eyes and hands tell: both sides, fold, tear, puff. */
function SeenChoices({ seen, put, product }: SeenChoicesProps) {
  return (
    <>
      <SwatchChoice
        label="First side"
        value={seen.firstSide ?? null}
        wanted={product.spots && colourAsked(product, 0)}
        onChange={(firstSide) => put({ firstSide })}
      />
      <SwatchChoice
        label="Second side"
        value={seen.secondSide ?? null}
        wanted={product.spots && colourAsked(product, 1)}
        onChange={(secondSide) => put({ secondSide })}
      />
      <Choices
        label={say('Fold test{fold}', {
          fold: product.fold ? say(', wanted: {fold}', { fold: product.fold }) : '',
        })}
        value={seen.fold ?? null}
        options={same(FOLDED)}
        onChange={(fold) => put({ fold })}
      />
      <Choices
        label="Tear test"
        value={seen.tear ?? null}
        options={same(TEARS)}
        onChange={(tear) => put({ tear })}
      />
      <Choices
        label={product.puff ? say('Puff, wanted: {puff}', { puff: product.puff }) : 'Puff'}
        value={seen.puff ?? null}
        options={same(PUFFS)}
        onChange={(puff) => put({ puff })}
      />
    </>
  );
}

/** One piece looked at: both sides, fold, tear, puff, size and weight; what is not looked at is left open. */
export function InspectSheet({
  live,
  open,
  onClose,
}: {
  live: LiveBatch;
  open: boolean;
  onClose: () => void;
}) {
  const { product } = live.batch.plan.formula;
  const [seen, setSeen] = useState<Inspected>({});
  const [text, setText] = useState({ size: '', weight: '' });
  const put = (changes: Inspected) => setSeen((was) => ({ ...was, ...changes }));
  const sizeMm = numberTyped(text.size);
  const weightG = numberTyped(text.weight);
  const sizeBad = text.size !== '' && !inside(sizeMm, 30, 900);
  const weightBad = text.weight !== '' && !inside(weightG, 1, 5000);
  const keep = () => {
    live.act({
      type: 'inspected',
      ...seen,
      ...(text.size === '' ? {} : { diameterMm: sizeMm }),
      ...(text.weight === '' ? {} : { bakedG: weightG }),
    });
    setSeen({});
    setText({ size: '', weight: '' });
    onClose();
  };
  const nothing = Object.keys(seen).length === 0 && text.size === '' && text.weight === '';
  return (
    <Sheet open={open} onClose={onClose} label="Judge one piece">
      <Heading>Judge one piece</Heading>
      <SeenChoices {...{ seen, put }} product={product} />
      <View style={{ flexDirection: 'row', gap: SPACE.s }}>
        <FigureField
          name="baked-size"
          label="Diameter"
          labelled
          unit="mm"
          value={text.size}
          onText={(size) => setText((was) => ({ ...was, size }))}
          error={sizeBad ? 'Diameter must be between 30 and 900 mm.' : undefined}
          style={{ flex: 1 }}
        />
        <FigureField
          name="baked-weight"
          label="Weight, baked"
          labelled
          unit="g"
          value={text.weight}
          onText={(weight) => setText((was) => ({ ...was, weight }))}
          error={weightBad ? 'Weight must be between 1 and 5,000 g.' : undefined}
          style={{ flex: 1 }}
        />
      </View>
      <Body tone="soot">{product.look}</Body>
      <PrimaryAction label="Save" onPress={keep} disabled={nothing || sizeBad || weightBad} />
    </Sheet>
  );
}
