import { useHealth } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading } from '../../ui/type';

const GB = 1e9;

/** How the kitchen's server is: whether it saves, when it last did, how much room is left. */
export function ServerTicket() {
  const { write } = useDays();
  const { data, error } = useHealth();
  return (
    <Ticket>
      <Heading>The kitchen’s server</Heading>
      {data ? (
        <>
          <Leader
            name="Saves"
            value={data.status === 'ok' ? 'yes' : 'in trouble'}
            tone={data.status === 'ok' ? 'sage' : 'plum'}
          />
          <Leader
            name="Last saved"
            value={data.lastWriteAt ? write(data.lastWriteAt, 'stamp') : 'nothing yet'}
          />
          <Leader
            name="Room on its disk"
            value={data.freeBytes === null ? 'not known' : (data.freeBytes / GB).toFixed(1)}
            unit={data.freeBytes === null ? '' : 'GB'}
          />
          <Leader name="Program" value={data.version} />
          {data.demo ? (
            <Body tone="soot">This is the demo: its kitchen, its readings and its history are made up.</Body>
          ) : null}
        </>
      ) : (
        <Body tone={error ? 'plum' : 'soot'}>{error ? error.message : 'Asking …'}</Body>
      )}
    </Ticket>
  );
}
