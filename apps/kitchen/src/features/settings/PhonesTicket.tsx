import { say } from '../../reader/say';
import type { KitchenAccess, PairingCode, Phone, Role } from '@kettle-scale/core/phone';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useAccess, useChangePhone, usePairingCode, usePhones, useRemovePhone } from '../../api/phoneQueries';
import { useDays } from '../../shared/useDays';
import { ScanCode } from '../../ui/chart/ScanCode';
import { DeleteAction } from '../../ui/input/DeleteAction';
import { FieldError } from '../../ui/input/Field';
import { Segments } from '../../ui/input/Segments';
import { Action } from '../../ui/input/actions';
import { Ticket, TicketRule } from '../../ui/layout/Ticket';
import { SPACE } from '../../ui/tokens';
import { Body, Figure, Heading, Label, Strong } from '../../ui/type';
import { useNow } from '../../ui/useNow';

const styles = StyleSheet.create({
  phone: { gap: SPACE.xs },
  code: { gap: SPACE.s, alignItems: 'flex-start' },
});

const ROLE_OPTIONS = [
  ['cook', 'Cook'],
  ['lead', 'Lead'],
] as const;
const CODE_OPTIONS = [...ROLE_OPTIONS, ['device', 'Device']] as const;
const MAY: Record<Role, string> = {
  cook: 'Works batches and reads everything.',
  lead: 'Also changes formulas, settings, stock and phones, and restores backups.',
  device: 'A scale’s or thermometer’s bridge: tells readings, nothing else.',
};
const MINUTE_MS = 60_000;
const SECOND_MS = 1000;

function PairedPhone({ phone, own }: { phone: Phone; own: boolean }) {
  const { when } = useDays();
  const now = useNow(MINUTE_MS);
  const change = useChangePhone();
  const remove = useRemovePhone();
  return (
    <View style={styles.phone} role="group" aria-label={phone.name}>
      <TicketRule />
      <Strong>{own ? say('{name} (this phone)', { name: phone.name }) : phone.name}</Strong>
      <Label>{say('Last seen {when}', { when: when(Date.parse(phone.lastSeenAt), now) })}</Label>
      {phone.role === 'device' ? (
        <Label>{MAY.device}</Label>
      ) : (
        <Segments
          label={say('What {name} may do', { name: phone.name })}
          value={phone.role}
          options={ROLE_OPTIONS}
          onChange={(role) => change.mutate({ ...phone, role })}
        />
      )}
      <DeleteAction label="Revoke its key" means="lock it out" onPress={() => remove.mutate(phone.id)} />
      {(change.error ?? remove.error) ? (
        <FieldError id={`phone-${phone.id}-error`} message={(change.error ?? remove.error)?.message ?? ''} />
      ) : null}
    </View>
  );
}

function ShownCode({ code }: { code: PairingCode }) {
  const left = Math.ceil((Date.parse(code.expiresAt) - useNow(SECOND_MS)) / SECOND_MS);
  if (left <= 0) return <Body>This code is over: show a new one.</Body>;
  const clock = `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`;
  return (
    <View style={styles.code}>
      <Figure
        value={code.code}
        size={44}
        label={say('Code {join}', { join: { list: [...code.code], glue: ' ' } })}
      />
      <Body>{say('Good for one phone, {clock} min more. {may}', { clock, may: MAY[code.role] })}</Body>
      {code.address && code.squares ? (
        <>
          <ScanCode
            squares={code.squares}
            label={say('Code to scan: opens {address}', { address: code.address })}
          />
          <Label>{code.address}</Label>
        </>
      ) : null}
    </View>
  );
}

function PairAPhone() {
  const [role, setRole] = useState<Role>('cook');
  const ask = usePairingCode();
  const choose = (chosen: Role) => {
    setRole(chosen);
    ask.reset();
  };
  return (
    <>
      <Segments labelled label="Pair a phone for a" value={role} options={CODE_OPTIONS} onChange={choose} />
      <Action label="Show a code" onPress={() => ask.mutate(role)} disabled={ask.isPending} />
      {ask.data ? <ShownCode code={ask.data} /> : null}
      {ask.error ? <FieldError id="pair-error" message={ask.error.message} /> : null}
    </>
  );
}

function Reached({ network }: { network: NonNullable<KitchenAccess['network']> }) {
  return (
    <>
      <Body>{say('Phones open {addresses}.', { addresses: { list: network.addresses, as: 'or' } })}</Body>
      {network.trust ? (
        <>
          <Body>
            {say('On each, first {address} tells how to trust this kitchen. The fingerprint there must be:', {
              address: network.trust.address,
            })}
          </Body>
          <Label>{network.trust.fingerprint}</Label>
        </>
      ) : null}
    </>
  );
}

/** Phones that have a key to the kitchen, and how another gets one. */
export function PhonesTicket() {
  const { data: access, error } = useAccess();
  const phones = usePhones(access?.role === 'lead');
  if (!access) return error ? <FieldError id="access-error" message={error.message} /> : null;
  const { role, phone, network } = access;
  return (
    <Ticket>
      <Heading>Phones</Heading>
      {phone ? <Body>{say('This phone is {name}. {may}', { name: phone.name, may: MAY[role] })}</Body> : null}
      {network ? <Reached network={network} /> : null}
      {network ? null : (
        <Body>
          This kitchen answers on its own machine alone. Started with “npm start -- --lan” it opens to phones
          on the kitchen’s network.
        </Body>
      )}
      {(phones.data ?? []).map((one) => (
        <PairedPhone key={one.id} phone={one} own={one.id === phone?.id} />
      ))}
      {/* A code that was used up is shown no longer. */}
      {role === 'lead' && network ? <PairAPhone key={phones.data?.length ?? 0} /> : null}
    </Ticket>
  );
}
