import { parseArgs } from 'node:util';
import { DEVICE_KINDS, type DeviceKind } from '@kettle-scale/core/device';
import { StartProblem } from './db/startProblem';

const HIGHEST_PORT = 65_535;

const OPTIONS = {
  port: { type: 'string', default: '4310' },
  host: { type: 'string', default: '127.0.0.1' },
  data: { type: 'string', default: '.data/kitchen' },
  web: { type: 'string' },
  demo: { type: 'boolean', default: false },
  /** Devices to stand in for, by name and comma; the demo stands in for all of them. */
  simulate: { type: 'string', default: '' },
  'device-seed': { type: 'string', default: '1' },
} as const;

export interface ServerOptions {
  port: number;
  host: string;
  data: string;
  web: string | undefined;
  demo: boolean;
  simulate: readonly DeviceKind[];
  deviceSeed: number;
}

function whole(name: string, text: string, max: number): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isInteger(value) || value < 0 || value > max) {
    throw new StartProblem(`--${name} must be a whole number up to ${max}, not “${text}”.`);
  }
  return value;
}

function devices(text: string): DeviceKind[] {
  const asked = text
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  return asked.map((name) => {
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

/**
 * Reads the server's options.
 * @throws StartProblem with one sentence for an option that is not known or a value that cannot be
 */
export function readOptions(args: string[]): ServerOptions {
  const values = given(args);
  return {
    port: whole('port', values.port, HIGHEST_PORT),
    host: values.host,
    data: values.data,
    web: values.web,
    demo: values.demo,
    simulate: values.demo ? DEVICE_KINDS : devices(values.simulate),
    deviceSeed: whole('device-seed', values['device-seed'], Number.MAX_SAFE_INTEGER),
  };
}
