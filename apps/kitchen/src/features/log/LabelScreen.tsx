import { say, sayAll } from '../../reader/say';
import { labelHtml } from '@kettle-scale/core/exchange';
import { type BreadLabel, breadLabel, heldBread } from '@kettle-scale/core/log';
import { batchRecord } from '@kettle-scale/core/batch';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useKitchen } from '../../api/queries';
import { useBatch } from '../../batch/useBatch';
import { useDays } from '../../shared/useDays';
import { Choices } from '../../ui/input/Choices';
import { Notice, Waiting } from '../../ui/layout/Notice';
import { PrintScreen, fontRules } from '../../ui/layout/PrintScreen';
import { Screen } from '../../ui/layout/Screen';
import { Label } from '../../ui/type';

/** The address of a record as a square of black and white, drawn by itself. */
async function qrOf(url: string): Promise<string> {
  const { toString } = await import('qrcode');
  return toString(url, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
}

function LabelOf({ id, labels }: { id: string; labels: readonly BreadLabel[] }) {
  const { zone } = useDays();
  const [at, setAt] = useState(labels.length - 1);
  const label = labels[at];
  const html = useQuery({
    queryKey: ['label', id, label?.how, label?.madeMs, zone],
    enabled: label !== undefined,
    queryFn: async () => {
      const qrSvg = await qrOf(`${window.location.origin}/log/${id}`);
      return label ? labelHtml(label, { qrSvg, zone, fontCss: fontRules() }) : '';
    },
  });
  return (
    <PrintScreen
      eyebrow={label?.product ?? ''}
      title="Label"
      name={say('Label of {product}', { product: label?.product ?? '' })}
      html={html.data ?? null}
    >
      {labels.length > 1 ? (
        <Choices
          label="Which"
          value={String(at)}
          options={labels.map(
            (one, index) => [String(index), sayAll([String(one.pieces), one.how])] as const,
          )}
          onChange={(index) => setAt(Number(index))}
        />
      ) : null}
      <Label>The square leads to this batch’s record on the kitchen’s own network.</Label>
    </PrintScreen>
  );
}

/** What goes onto a stack of bread: what it is, made and use by, allergens, the batch and a way to its record. */
export function LabelScreen({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  const kitchen = useKitchen();
  if (!live || !kitchen.data) {
    return (
      <Screen title="Label">
        <Waiting
          what="the batch"
          error={error ?? kitchen.error}
          onRetry={() => {
            retry();
            void kitchen.refetch();
          }}
        />
      </Screen>
    );
  }
  const labels = heldBread(kitchen.data, batchRecord(live.batch.plan, live.state)).map((held) =>
    breadLabel(id, live.batch.plan, held),
  );
  if (labels.length === 0) {
    return (
      <Screen title="Label">
        <Notice
          title="Nothing is held"
          text="Labels are for stored bread: record what you stored when you finish the batch."
        />
      </Screen>
    );
  }
  return <LabelOf id={id} labels={labels} />;
}
