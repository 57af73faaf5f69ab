import { existsSync, readFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { DEVICE_KINDS, type DeviceKind } from '@kettle-scale/core/device';
import { InputError, parseInput } from '@kettle-scale/core/message';
import { z } from 'zod';
import { StartProblem } from './db/startProblem';
import { LOOPBACK_NAMES } from './http/ownNames';

const HIGHEST_PORT = 65_535;

const OPTIONS = {
  port: { type: 'string', default: '4310' },
  host: { type: 'string' },
  data: { type: 'string', default: '.data/kitchen' },
  web: { type: 'string' },
  demo: { type: 'boolean', default: false },
  /** Devices to stand in for, by name and comma; the demo stands in for all of them. */
  simulate: { type: 'string', default: '' },
  'device-seed': { type: 'string', default: '1' },
  /** Open to phones on the kitchen's network, over HTTPS. */
  lan: { type: 'boolean', default: false },
  /** Names of the kitchen, with commas between; one that ends in .local is announced. */
  names: { type: 'string' },
  /** A certificate of elsewhere, and its key. */
  cert: { type: 'string' },
  key: { type: 'string' },
  /** Addresses of proxies before this server, with commas between. */
  proxy: { type: 'string' },
} as const;

export interface ServerOptions {
  port: number;
  host: string;
  data: string;
  web: string | undefined;
  demo: boolean;
  simulate: readonly DeviceKind[];
  deviceSeed: number;
  /** How the kitchen is reached: from its own machine alone, over its own HTTPS, or through a proxy that has one. */
  reach: 'own' | 'lan' | 'proxy';
  names: readonly string[];
  certificate: { cert: string; key: string } | null;
  proxies: readonly string[];
}

const LOOPBACK_HOST = '127.0.0.1';
const EVERY_HOST = '0.0.0.0';
/** What a kitchen is called on its network, unless it is told another name. */
const LOCAL_NAME = 'kettle.local';

/** A file in the data folder that says the same as the options; what is on the command line goes before it. */
const SETTINGS_FILE = 'server.json';
const settingsSchema = z.strictObject({
  lan: z.boolean().optional(),
  host: z.string().optional(),
  names: z.string().optional(),
  cert: z.string().optional(),
  key: z.string().optional(),
  proxy: z.string().optional(),
});
type Settings = z.infer<typeof settingsSchema>;

function settingsIn(folder: string): Settings {
  const file = join(folder, SETTINGS_FILE);
  if (!existsSync(file)) return {};
  try {
    return parseInput(settingsSchema, JSON.parse(readFileSync(file, 'utf8')));
  } catch (error) {
    if (!(error instanceof SyntaxError || error instanceof InputError)) throw error;
    throw new StartProblem(`${file} cannot be read: ${error.message}`);
  }
}

function whole(name: string, text: string, max: number): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isInteger(value) || value < 0 || value > max) {
    throw new StartProblem(`--${name} must be a whole number up to ${max}, not “${text}”.`);
  }
  return value;
}

const listed = (text = ''): string[] =>
  text
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);

function devices(text: string): DeviceKind[] {
  return listed(text).map((name) => {
    const kind = DEVICE_KINDS.find((one) => one === name);
    if (!kind) {
      throw new StartProblem(
        `--simulate takes ${DEVICE_KINDS.join(', ')}, with commas between; not “${name}”.`,
      );
    }
    return kind;
  });
}

const known = (): string =>
  Object.keys(OPTIONS)
    .map((name) => `--${name}`)
    .join(', ');

/** What parseArgs refuses, as one sentence. */
function given(args: string[]) {
  try {
    return parseArgs({ args, options: OPTIONS }).values;
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    if (!code?.startsWith('ERR_PARSE_ARGS')) throw error;
    const named = /'(-[^' ]*|[^']*)/.exec(message)?.[1] ?? '';
    throw new StartProblem(
      code === 'ERR_PARSE_ARGS_INVALID_OPTION_VALUE'
        ? `${named} is given without what it needs, or with too much. Known are ${known()}.`
        : `“${named}” is not an option of this program. Known are ${known()}.`,
    );
  }
}

/** A network this wide is no list of proxies any more; bits of IPv4 and of IPv6. */
const WIDEST = { 4: 8, 6: 32 } as const;

/** Addresses of proxies: numbers, or small networks of them; whoever is believed says who everybody is. */
function proxiesOf(text: string | undefined): string[] {
  const proxies = listed(text);
  if (text !== undefined && proxies.length === 0) {
    throw new StartProblem('--proxy needs the address of the proxy, as in --proxy 127.0.0.1.');
  }
  for (const proxy of proxies) {
    const [address = '', bits, ...more] = proxy.split('/');
    const family = isIP(address) as 0 | 4 | 6;
    if (family === 0 || more.length > 0) {
      throw new StartProblem(
        `--proxy takes addresses in numbers, as in 127.0.0.1 or 10.0.0.0/24; not “${proxy}”.`,
      );
    }
    if (bits === undefined) continue;
    const most = family === 4 ? 32 : 128;
    if (!/^\d{1,3}$/.test(bits) || Number(bits) > most || Number(bits) < WIDEST[family]) {
      throw new StartProblem(
        `--proxy ${proxy} would believe strangers: name the proxy itself, or a network of at least /${WIDEST[family]}.`,
      );
    }
  }
  return proxies;
}

/** How the kitchen is to be reached, from the command line and from the file of settings. */
function reachOf({ lan, host, names, cert, key, proxy }: Settings) {
  if ((cert === undefined) !== (key === undefined)) {
    throw new StartProblem('--cert and --key go together: the certificate, and the key that it is for.');
  }
  if (cert !== undefined && !lan) throw new StartProblem('--cert and --key are for --lan.');
  if (lan && proxy !== undefined) {
    throw new StartProblem('--lan has its own HTTPS, --proxy that of a proxy: choose one.');
  }
  const reach = lan ? ('lan' as const) : proxy === undefined ? ('own' as const) : ('proxy' as const);
  if (reach === 'own' && host !== undefined && !LOOPBACK_NAMES.includes(host)) {
    throw new StartProblem(
      `A kitchen is not opened to a network in the clear: start it with --lan, or behind a proxy with --proxy, not with --host ${host} alone.`,
    );
  }
  const given = listed(names);
  return {
    reach,
    host: host ?? (reach === 'lan' ? EVERY_HOST : LOOPBACK_HOST),
    names: reach === 'lan' && !given.some((name) => name.endsWith('.local')) ? [LOCAL_NAME, ...given] : given,
    certificate: cert !== undefined && key !== undefined ? { cert, key } : null,
    proxies: proxiesOf(proxy),
  };
}

/**
 * Reads the server's options.
 * @throws StartProblem with one sentence for an option that is not known or a value that cannot be
 */
export function readOptions(args: string[]): ServerOptions {
  const values = given(args);
  const { host, names, cert, key, proxy } = values;
  const asked = Object.fromEntries(
    Object.entries({ host, names, cert, key, proxy, ...(values.lan ? { lan: true } : {}) }).filter(
      ([, value]) => value !== undefined,
    ),
  );
  return {
    port: whole('port', values.port, HIGHEST_PORT),
    data: values.data,
    web: values.web,
    demo: values.demo,
    simulate: values.demo ? DEVICE_KINDS : devices(values.simulate),
    deviceSeed: whole('device-seed', values['device-seed'], Number.MAX_SAFE_INTEGER),
    ...reachOf({ ...settingsIn(values.data), ...asked }),
  };
}
