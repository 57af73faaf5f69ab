import { figure } from '../../reader/figures';
import { say } from '../../reader/say';
import { useHealth } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Strong } from '../../ui/type';

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
            value={data.freeBytes === null ? 'not known' : figure(data.freeBytes / GB, 1)}
            unit={data.freeBytes === null ? '' : 'GB'}
          />
          <Leader name="Program" value={data.version} />
          {data.backup ? (
            <Leader
              name="Backup of the night"
              value={data.backup.lastAt ? write(data.backup.lastAt, 'stamp') : 'none yet'}
            />
          ) : null}
          {data.backup?.problem ? (
            <Strong tone="plum">
              {say('The last backup failed: {problem}', { problem: data.backup.problem })}
            </Strong>
          ) : null}
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
