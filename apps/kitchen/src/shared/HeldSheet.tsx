import { sayAll } from '../reader/say';
import { type BREAD_TO, COLDNESS, HOLDINGS } from '@kettle-scale/core/kitchen';
import { type HeldBread, beforeReheating, holdState } from '@kettle-scale/core/log';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { useServiceAct } from '../api/changes';
import { useService } from '../api/queries';
import { useBatch } from '../batch/useBatch';
import { PrimaryAction } from '../ui/input/actions';
import { Choices } from '../ui/input/Choices';
import { CountField, countIn } from '../ui/input/CountField';
import { Sheet } from '../ui/layout/Sheet';
import { Body, Heading, Label } from '../ui/type';
import { useNow } from '../ui/useNow';
import { useServiceDate } from './useServiceDate';
import { type Waste, WasteReason } from './WasteReason';

const MINUTE_MS = 60_000;
type To = (typeof BREAD_TO)[number];

const TO_WORDS: Partial<Record<To, string>> = { tray: 'serve it', 'thrown out': 'throw it out' };
/** Where bread may go from: what is over goes nowhere but out, what was cold is not put back into a box. */
function waysFrom({ how, thawed, ...bread }: HeldBread, nowMs: number): readonly To[] {
  if (holdState({ how, thawed, ...bread }, nowMs) === 'over') return ['thrown out'];
  const kept = HOLDINGS.filter(
    (to) =>
      to !== how &&
      (COLDNESS[how] === 'warm' || COLDNESS[to] !== 'warm') &&
      !(thawed && COLDNESS[to] === 'frozen'),
  );
  return ['tray', ...kept, 'thrown out'];
}

interface HeldSheetProps {
  batchId: string;
  formulaId: string;
  name: string;
  bread: HeldBread;
  onClose: () => void;
}

/** What becomes of held bread: served, held in another way, or thrown out with a reason. */
export function HeldSheet({ batchId, formulaId, name, bread, onClose }: HeldSheetProps) {
  const { live } = useBatch(batchId);
  const nowMs = useNow(MINUTE_MS);
  const day = useServiceDate();
  const service = useService(day).data?.service;
  const tell = useServiceAct(day);
  const ways = waysFrom(bread, nowMs);
  const [to, setTo] = useState<To>(ways[0] === 'thrown out' ? 'thrown out' : 'tray');
  const [reason, setReason] = useState<Waste>('too old');
  const [text, setText] = useState(String(bread.pieces));
  const pieces = countIn(text, bread.pieces);
  const move = () => {
    if (pieces === null) return;
    live?.act({ type: 'moved', from: bread.how, to, pieces, ...(to === 'thrown out' ? { reason } : {}) });
    // On the tray of today's service it is one of the pieces that are taken from.
    if (to === 'tray' && service?.breads.some((one) => one.formulaId === formulaId)) {
      tell.mutate({ type: 'brought', id: uuidv7(), at: new Date().toISOString(), formulaId, pieces });
    }
    onClose();
  };
  return (
    <Sheet open onClose={onClose} label={sayAll([name, bread.how])}>
      <Heading>{sayAll([name, bread.how])}</Heading>
      <CountField name="held-pieces" label="Pieces" most={bread.pieces} text={text} onText={setText} />
      <Choices
        label="What happens to it"
        value={to}
        options={ways.map((way) => [way, TO_WORDS[way] ?? way] as const)}
        onChange={setTo}
      />
      {to === 'thrown out' ? <WasteReason value={reason} onChange={setReason} /> : null}
      {to === 'tray' ? <Body tone="soot">{beforeReheating(bread.how)}</Body> : null}
      <Label>Follow your local food code; the person in charge decides.</Label>
      <PrimaryAction label="Save" disabled={pieces === null || !live} onPress={move} />
    </Sheet>
  );
}
