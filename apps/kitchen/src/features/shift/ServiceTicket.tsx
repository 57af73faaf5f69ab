import { say } from '../../reader/say';
import { dayClock } from '@kettle-scale/core/quantity';
import { useRouter } from 'expo-router';
import { useFormulas, useService } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { useServiceDate } from '../../shared/useServiceDate';
import { Action } from '../../ui/input/actions';
import { Leader, Ticket } from '../../ui/layout/Ticket';
import { Body, Heading, Label } from '../../ui/type';

const TOLD = 4;
/** A start that should have been is still told for so long. */
const STILL_TOLD_MS = 15 * 60_000;

/** What the day needs: its service with the next starts of the plan, or how to say what it is to bring. */
export function ServiceTicket({ nowMs }: { nowMs: number }) {
  const day = useServiceDate();
  const { clock, zone } = useDays();
  const router = useRouter();
  const { data } = useService(day);
  const formulas = useFormulas();
  const nameOf = (id: string) => formulas.data?.find((formula) => formula.id === id)?.name ?? id;
  if (data === undefined) return null;
  const service = data?.service;
  if (!service) {
    return (
      <Ticket>
        <Heading>Service</Heading>
        <Body tone="soot">Enter when guests come, and the day is counted back from there.</Body>
        <Action label="Plan a service" onPress={() => router.push('/service')} />
      </Ticket>
    );
  }
  const { toMs } = dayClock(day, zone);
  const coming = (service.plan?.batches ?? [])
    .filter(({ start }) => toMs(start) >= nowMs - STILL_TOLD_MS)
    .sort((a, b) => a.start - b.start);
  const pieces = service.breads.reduce(
    (sum, { waves }) => sum + waves.reduce((one, wave) => one + wave.pieces, 0),
    0,
  );
  return (
    <Ticket>
      <Label>
        {say('Service {clock} to {clock2}, about {pieces, number} pieces', {
          clock: clock(toMs(service.serviceFrom)),
          clock2: clock(toMs(service.serviceTo)),
          pieces: Math.round(pieces),
        })}
      </Label>
      <Heading>{service.name}</Heading>
      {coming.slice(0, TOLD).map(({ id, formulaId, n, start, cold }) => (
        <Leader
          key={id}
          name={say(cold ? 'Take {n, number} {nameOf} out of the fridge' : 'Weigh {n, number} {nameOf}', {
            n,
            nameOf: { name: nameOf(formulaId) },
          })}
          value={clock(toMs(start))}
        />
      ))}
      <Action
        label={service.plan ? 'Follow the service' : 'Plan the service'}
        onPress={() => router.push('/service')}
      />
    </Ticket>
  );
}
