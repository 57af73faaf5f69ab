import { useState } from 'react';
import { useRunning, useSomeBatches } from '../../api/queries';
import { ReadyFromTicket } from '../../shared/ReadyFromTicket';
import { Action } from '../../ui/input/actions';

function Running({ ids }: { ids: readonly string[] }) {
  return <ReadyFromTicket batches={useSomeBatches(ids)} />;
}

/** All running batches against a time, once somebody asks; the batches are fetched only then. */
export function ReadyBoard() {
  const [asked, setAsked] = useState(false);
  const running = useRunning().data ?? [];
  if (running.length === 0) return null;
  return asked ? (
    <Running ids={running.map(({ id }) => id)} />
  ) : (
    <Action label="Ready by" onPress={() => setAsked(true)} />
  );
}
