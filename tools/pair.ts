// Asks the kitchen that runs on this machine for a code that pairs one phone: npm run pair, npm run pair -- --role cook.
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import type { PairingCode } from '@kettle-scale/core/phone';
import QRCode from 'qrcode';
import { ownKeyFile } from '../apps/server/src/access/ownKey';

const OPTIONS = {
  port: { type: 'string', default: '4310' },
  role: { type: 'string', default: 'cook' },
  /** The kitchen's folder: behind a proxy its key lies there. */
  data: { type: 'string', default: '.data/kitchen' },
} as const;
const HOW = 'npm run pair -- --port PORT --data FOLDER --role cook|lead|device';

function given() {
  try {
    return parseArgs({ options: OPTIONS }).values;
  } catch (error) {
    throw new Refused(`${(error as Error).message} Ask like this: ${HOW}.`);
  }
}

/** What the person who asked is told. */
class Refused extends Error {}

/** The key of the machine itself, where the kitchen is behind a proxy and this user may read it. */
function ownKey(data: string): Record<string, string> {
  const file = ownKeyFile(resolve(process.env.INIT_CWD ?? process.cwd(), data));
  try {
    return { authorization: `Bearer ${readFileSync(file, 'utf8')}` };
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'ENOENT' || code === 'ENOTDIR') return {};
    throw new Refused(`${file} cannot be read: ask as the user of the server, as in “sudo -u kettle”.`);
  }
}

async function answerOf(port: string, data: string, role: string): Promise<Response> {
  if (!/^\d{1,5}$/.test(port)) throw new Refused(`--port must be a number, not “${port}”.`);
  try {
    return await fetch(`http://127.0.0.1:${port}/api/v1/phones/codes`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'kettle-app': 'pair', ...ownKey(data) },
      body: JSON.stringify({ role }),
    });
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    throw new Refused(
      `No kitchen answers on port ${port} of this machine. Say where it is: ${HOW}; both stand in what the server printed at its start.`,
    );
  }
}

const FORBIDDEN = 403;

async function ask(): Promise<string> {
  const { port, role, data } = given();
  const answer = await answerOf(port, data, role);
  if (!/json/.test(answer.headers.get('content-type') ?? ''))
    throw new Refused(`What answers on port ${port} is no kitchen. Say where it is: ${HOW}.`);
  const said = (await answer.json()) as PairingCode & { detail?: string };
  if (answer.status === FORBIDDEN)
    throw new Refused(`${said.detail} Name its folder: npm run pair -- --port ${port} --data FOLDER.`);
  if (!answer.ok) throw new Refused(said.detail);
  const until = new Date(said.expiresAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const scan = said.address
    ? `\nTo scan: ${said.address}\n${await QRCode.toString(said.address, { type: 'terminal', small: true })}`
    : '\nThis kitchen is not on a network yet: start it with --lan.';
  return `${said.code} pairs one phone (${said.role}) until ${until}.${scan}`;
}

try {
  process.stdout.write(`${await ask()}\n`);
} catch (error) {
  if (!(error instanceof Refused)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exit(1);
}
