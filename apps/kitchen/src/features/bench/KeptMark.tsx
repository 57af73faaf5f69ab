import { useHealth } from '../../api/queries';
import { Label } from '../../ui/type';

/** What was done is on the device alone: the server is not reached, or says itself that it cannot save. */
export function KeptMark() {
  const refuses = useHealth().data?.status === 'trouble';
  return <Label tone="plum">{refuses ? 'kept here for now' : 'offline, kept here'}</Label>;
}
