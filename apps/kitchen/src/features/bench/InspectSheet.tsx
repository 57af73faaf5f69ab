import { say } from '../../reader/say';
import { FOLDED, TEARS, inspectedSchema } from '@kettle-scale/core/batch';
import { colourAsked } from '@kettle-scale/core/bake';
import { PUFFS, type ProductStandard } from '@kettle-scale/core/formula';
import { numberField } from '@kettle-scale/core/message';
import { StyleSheet, View } from 'react-native';
import type { LiveBatch } from '../../batch/useBatch';
import { PrimaryAction } from '../../ui/input/actions';
import { Choices } from '../../ui/input/Choices';
import { typedOrNone } from '../../ui/input/FigureField';
import { useTextForm } from '../../ui/input/useTextForm';
import { Sheet } from '../../ui/layout/Sheet';
import { SPACE } from '../../ui/tokens';
import { Body, Heading } from '../../ui/type';
import { SwatchChoice } from './SwatchChoice';
import type { z } from 'zod';

const same = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);

/** A baked piece out of this is a slip of the finger. */
const pieceSchema = inspectedSchema.extend({
  bakedG: numberField('Baked weight', { min: 1, max: 5000, unit: 'g' }).optional(),
});
type Inspected = z.infer<typeof pieceSchema>;
type Seen = Omit<Inspected, 'diameterMm' | 'bakedG'>;
type Text = Seen & { diameterMm: string; bakedG: string };
const NOTHING: Text = { diameterMm: '', bakedG: '' };

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: SPACE.s },
  field: { flex: 1 },
});

interface SeenChoicesProps {
  seen: Seen;
  put: (changes: Seen) => void;
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

interface InspectSheetProps {
  live: LiveBatch;
  open: boolean;
  onClose: () => void;
}

/** One piece looked at: both sides, fold, tear, puff, size and weight; what is not looked at is left open. */
export function InspectSheet({ live, open, onClose }: InspectSheetProps) {
  const { product } = live.batch.plan.formula;
  const { text, set, figure, submit, reset } = useTextForm<Text, Inspected>({
    first: NOTHING,
    schema: pieceSchema,
    read: ({ diameterMm, bakedG, ...seen }) => ({
      ...seen,
      diameterMm: typedOrNone(diameterMm),
      bakedG: typedOrNone(bakedG),
    }),
  });
  const keep = submit((piece) => {
    live.act({ type: 'inspected', ...piece });
    reset(NOTHING);
    onClose();
  });
  return (
    <Sheet open={open} onClose={onClose} label="Judge one piece">
      <Heading>Judge one piece</Heading>
      <SeenChoices seen={text} put={set} product={product} />
      <View style={styles.row}>
        {figure('diameterMm', 'Diameter', 'mm', styles.field)}
        {figure('bakedG', 'Weight, baked', 'g', styles.field)}
      </View>
      <Body tone="soot">{product.look}</Body>
      <PrimaryAction
        label="Save"
        onPress={keep}
        disabled={Object.values(text).every((value) => value === undefined || value === '')}
      />
    </Sheet>
  );
}
