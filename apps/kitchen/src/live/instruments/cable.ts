import { scaleLine } from '@kettle-scale/core/device';
import type { Connection, Told } from './store';
import type { Port } from './ports';
import { watchSteady } from './steady';

/** A scale that never ends its line is none. */
const LONGEST_LINE = 1000;
/** Of scales that do not say it. */
const STILL = { within: 0.5, forMs: 1000 } as const;

/**
 * Follows a scale on a cable: lines of text, each a weight.
 * @param port as the browser gave it
 * @param baudRate as the scale is set
 * @param told hears every weight
 * @param onLost the cable was pulled, or the scale is off
 */
export async function followCable(
  port: Port,
  baudRate: number,
  told: Told,
  onLost: () => void,
): Promise<Connection> {
  await port.open({ baudRate });
  if (!port.readable) throw new Error('it sends nothing');
  const reader = port.readable.getReader();
  const isSteady = watchSteady(STILL);
  let stopped = false;

  function hear(line: string): void {
    const read = scaleLine(line);
    if (!read) return;
    const nowMs = Date.now();
    const still = isSteady(read.massG, nowMs);
    told({
      ...{ kind: 'scale', at: new Date(nowMs).toISOString(), massG: read.massG },
      ...{ steady: read.steady ?? still, overload: read.overload },
    });
  }

  async function follow(): Promise<void> {
    const decoder = new TextDecoder();
    let text = '';
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      text += decoder.decode(value, { stream: true });
      const lines = text.split(/\r\n|\r|\n/);
      text = (lines.pop() ?? '').slice(-LONGEST_LINE);
      lines.forEach(hear);
    }
  }
  const letGo = async () => {
    reader.releaseLock();
    await port.close();
  };
  const ended = () => {
    if (stopped) return;
    // A port that is gone may refuse to be closed; one that is not must be, or it could not be opened again.
    letGo().catch(() => undefined);
    onLost();
  };
  // However it ends, the scale is gone; why is not said by browsers.
  void follow().then(ended, ended);
  return {
    name: 'Scale on a cable',
    disconnect: async () => {
      stopped = true;
      await reader.cancel();
      await letGo();
    },
  };
}
