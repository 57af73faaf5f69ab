import { figure } from '../../reader/figures';
import { useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { keptOnDevice } from '../../api/keptBatches';
import { useDeviceRoom } from '../../api/deviceRoom';
import { kitchenQueue } from '../../batch/kitchenQueue';
import { useDays } from '../../shared/useDays';
import { saveText } from '../../shared/saveText';
import { Action } from '../../ui/input/actions';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading } from '../../ui/type';

const MB = 1e6;
/** The service worker keeps what was last known under this name. */
const LAST_KNOWN = 'last-known';
const LOOK_EVERY_MS = 10_000;

/** When what was last known was fetched, the newest of it; null where nothing is kept. */
async function lastKnownAt(): Promise<string | null> {
  if (typeof caches === 'undefined' || !(await caches.has(LAST_KNOWN))) return null;
  const cache = await caches.open(LAST_KNOWN);
  const answers = await Promise.all((await cache.keys()).map((request) => cache.match(request)));
  const dates = answers.flatMap((answer) => Date.parse(answer?.headers.get('date') ?? '') || []);
  return dates.length > 0 ? new Date(Math.max(...dates)).toISOString() : null;
}

async function kept() {
  return {
    batches: (await keptOnDevice()).length,
    lastKnownAt: await lastKnownAt(),
    stays: (await navigator.storage?.persisted()) ?? false,
  };
}

/** What this phone keeps for when there is no network, how old it is, and what it has not sent. */
export function KeptTicket() {
  const { write } = useDays();
  const { pending, refused } = useSyncExternalStore(
    kitchenQueue.subscribe,
    kitchenQueue.state,
    kitchenQueue.state,
  );
  const { data, refetch } = useQuery({ queryKey: ['kept'], queryFn: kept, refetchInterval: LOOK_EVERY_MS });
  const room = useDeviceRoom().data;
  const unsent = [...pending, ...refused];
  const askToStay = () => void navigator.storage.persist().then(() => refetch());
  return (
    <Ticket>
      <Heading>Kept on this phone</Heading>
      <Leader
        name="Not sent yet"
        value={String(unsent.length)}
        unit={unsent.length === 1 ? 'act' : 'acts'}
        tone={unsent.length > 0 ? 'plum' : 'ink'}
      />
      {data ? (
        <>
          <Leader name="Batches" value={String(data.batches)} />
          <Leader
            name="Last fetched"
            value={data.lastKnownAt ? write(data.lastKnownAt, 'stamp') : 'nothing yet'}
          />
          {room ? <Leader name="Room taken" value={figure(room.usedBytes / MB, 1)} unit="MB" /> : null}
          {data.stays ? null : (
            <>
              <Body tone="soot">The browser may throw this away when the phone runs out of room.</Body>
              <Action label="Ask the browser to keep it" onPress={askToStay} />
            </>
          )}
        </>
      ) : null}
      {unsent.length > 0 ? (
        <>
          <Action label="Send now" onPress={() => void kitchenQueue.drain()} />
          <Action
            label="Save what is not sent"
            icon="download"
            onPress={() =>
              saveText('kettle-scale-not-sent.json', JSON.stringify(unsent, null, 2), 'application/json')
            }
          />
        </>
      ) : null}
    </Ticket>
  );
}
