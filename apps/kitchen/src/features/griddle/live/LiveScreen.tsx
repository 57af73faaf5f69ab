import { useEffect } from 'react';
import { useBatch } from '../../../batch/useBatch';
import { Waiting } from '../../../ui/layout/Notice';
import { Screen } from '../../../ui/layout/Screen';
import { openSpeakerOnFirstTouch } from '../../../ui/alarm/alarm';
import { useKeepAwake } from '../../../ui/useKeepAwake';
import { useHotLine } from '../../../reader/preferences';
import { useKitchen } from '../../../api/queries';
import { usePlanTimes } from '../../../shared/useBakeTimes';
import { AskWhich } from '../../../shared/UseWhich';
import { Body } from '../../../ui/type';
import { LiveGriddlePage } from './LiveGriddlePage';

/** The running batch on the plate: every place with its countdown, in the order that one pair of hands can do. */
export function LiveScreen({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  const { error: missing, refetch } = useKitchen();
  const times = usePlanTimes(live?.batch.plan ?? null, live?.state.flattened ?? null);
  useHotLine();
  useKeepAwake();
  useEffect(openSpeakerOnFirstTouch, []);
  if (live && times) {
    return times.open ? (
      <AskWhich times={times} of={live.batch.plan.formula.name} />
    ) : (
      <LiveGriddlePage live={live} inUse={times} />
    );
  }
  return (
    <Screen title="Live griddle">
      {live && !missing ? (
        <Body tone="soot">Working out the seconds …</Body>
      ) : (
        <Waiting
          what="the batch"
          error={error ?? missing}
          onRetry={() => {
            retry();
            void refetch();
          }}
        />
      )}
    </Screen>
  );
}
