import QRCode from 'qrcode';
import { type Network, pairAddress } from '../access/network';

/** How phones reach the kitchen, what they compare, and where the first one begins. */
export const networkWords = ({ addresses, trust }: Network): string =>
  [
    `On the network: ${addresses.join(' and ')}`,
    ...(trust
      ? [
          `A new phone begins at ${trust.address}, and compares the fingerprint of this kitchen:`,
          trust.fingerprint,
        ]
      : []),
  ].join('\n');

/** A code in words, and what to scan: the page of trust for the first phone, since it has to trust the kitchen before it is paired. */
export async function codeWords(
  { addresses, trust }: Network,
  { code, paired, minutes }: { code: string; paired: boolean; minutes: number },
): Promise<string> {
  const [first = ''] = addresses;
  const toScan = trust && !paired ? trust.address : pairAddress(first, code);
  return [
    `Code to pair a lead’s phone at ${first}/pair, good for ${minutes} minutes: ${code}`,
    `To scan: ${toScan}`,
    await QRCode.toString(toScan, { type: 'terminal', small: true }),
  ].join('\n');
}

/** Where nobody looks at the terminal, a code would stand in a log. */
export const howToPair = ({ port, data }: { port: number; data: string }): string =>
  `For a code to pair a phone: npm run pair -- --port ${port} --data ${data}, or Settings, Phones on this machine.`;
