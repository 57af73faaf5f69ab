// Asks the kitchen that runs on this machine for a code that pairs one phone: npm run pair, npm run pair -- --role cook.
import { parseArgs } from 'node:util';
import type { PairingCode } from '@kettle-scale/core/phone';
import QRCode from 'qrcode';

const { port, role } = parseArgs({
  options: { port: { type: 'string', default: '4310' }, role: { type: 'string', default: 'cook' } },
}).values;

async function ask(): Promise<string> {
  const answer = await fetch(`http://127.0.0.1:${port}/api/v1/phones/codes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'kettle-app': 'pair' },
    body: JSON.stringify({ role }),
  });
  const said = (await answer.json()) as PairingCode & { detail?: string };
  if (!answer.ok) throw new Error(said.detail);
  const until = new Date(said.expiresAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const scan = said.address
    ? `\nTo scan: ${said.address}\n${await QRCode.toString(said.address, { type: 'terminal', small: true })}`
    : '\nThis kitchen is not on a network yet: start it with --lan.';
  return `${said.code} pairs one phone (${said.role}) until ${until}.${scan}`;
}

try {
  process.stdout.write(`${await ask()}\n`);
} catch (error) {
  const away = error instanceof TypeError;
  process.stderr.write(
    `${away ? `No kitchen answers on port ${port} of this machine.` : (error as Error).message}\n`,
  );
  process.exit(1);
}
