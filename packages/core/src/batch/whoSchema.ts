import { slugField, nameField } from '../message/fields';

/** Who did something, as it is stored with the act. */
export const whoFields = {
  /** The cook that was chosen on the phone. */
  cook: slugField('Cook').optional(),
  /** What the phone was called then. The server says it: what a phone says of itself does not count. */
  phone: nameField('Phone', { min: 1, max: 40 }).optional(),
};

/** The phone of what was done on the server's own screen, which needs no key. */
export const OWN_SCREEN = 'the kitchen’s own screen';

/** What only the server says of an act or a start. */
interface SaidByServer {
  phone?: string | undefined;
  begunOffline?: true | undefined;
}

/** What a phone sent, to compare with what is stored: it may be sent again with another key, or once more with its plan. */
export function asSent<T extends object>(stored: T): Omit<T, keyof SaidByServer> {
  const { phone: _phone, begunOffline: _offline, ...sent } = stored as T & SaidByServer;
  return sent;
}
