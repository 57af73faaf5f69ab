import { useHealth } from '../../api/queries';
import type { QueueState } from '../../batch/eventQueue';
import { Label } from '../../ui/type';

/** What was done is on the device alone, or not even there: the server is not reached, or says itself that it cannot save. */
export function KeptMark({ notKept }: Pick<QueueState, 'notKept'>) {
  const refuses = useHealth().data?.status === 'trouble';
  if (notKept) return <Label tone="plum">not kept yet</Label>;
  return <Label tone="plum">{refuses ? 'kept here for now' : 'offline, kept here'}</Label>;
}
