import { useEffect } from 'react';
import { useBatch } from '../../../batch/useBatch';
import { Waiting } from '../../../ui/layout/Notice';
import { Screen } from '../../../ui/layout/Screen';
import { openSpeakerOnFirstTouch } from '../../../ui/alarm/alarm';
import { useKeepAwake } from '../../../ui/useKeepAwake';
import { useHotLine } from '../../../reader/preferences';
import { useKitchen } from '../../../api/queries';
import { usePlanQuestion } from '../../../shared/useBakeQuestion';
import { LiveGriddlePage } from './LiveGriddlePage';

/** The running batch on the plate: every place with its countdown, in the order that one pair of hands can do. */
export function LiveScreen({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  const { error: missing, refetch } = useKitchen();
  const question = usePlanQuestion(live?.batch.plan ?? null, live?.state.flattened ?? null);
  useHotLine();
  useKeepAwake();
  useEffect(openSpeakerOnFirstTouch, []);
  if (live && question) return <LiveGriddlePage live={live} question={question} />;
  return (
    <Screen title="Live griddle">
      <Waiting
        what="the batch"
        error={error ?? missing}
        onRetry={() => {
          retry();
          void refetch();
        }}
      />
    </Screen>
  );
}
