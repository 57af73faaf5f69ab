import { useEffect } from 'react';
import { useBatch } from '../../../batch/useBatch';
import { Waiting } from '../../../ui/layout/Notice';
import { Screen } from '../../../ui/layout/Screen';
import { openSpeakerOnFirstTouch } from '../../../ui/alarm/alarm';
import { useKeepAwake } from '../../../ui/useKeepAwake';
import { useHotLine } from '../../../reader/preferences';
import { useGriddleSubject } from '../useGriddle';
import { LiveGriddlePage } from './LiveGriddlePage';

/** The running batch on the plate: every place with its countdown, in the order that one pair of hands can do. */
export function LiveScreen({ id }: { id: string }) {
  const { live, error, retry } = useBatch(id);
  const { subject, error: missing, retry: again } = useGriddleSubject();
  useHotLine();
  useKeepAwake();
  useEffect(openSpeakerOnFirstTouch, []);
  if (live && subject) return <LiveGriddlePage live={live} subject={subject} />;
  return (
    <Screen title="Live griddle">
      <Waiting
        what="the batch"
        error={error ?? missing}
        onRetry={() => {
          retry();
          again();
        }}
      />
    </Screen>
  );
}
