import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { startServer } from '../demoServer';
import { FIRST_LOAD_KB, countLoaded } from '../loaded';
import type { Measured } from '../bench';
import { quiet } from '../quiet';

const PHONE = { width: 390, height: 844 };
const CPU_SLOW_DOWN = 4;
const INTERACTIVE_BAR_S = 2.5;

/** First load of the formula book on a phone with a slow processor: bytes on the wire as gzip, and time to the first ticket. */
export async function benchFirstLoad(): Promise<Measured[]> {
  const server = await startServer(['--demo']);
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
  try {
    // gzip is asked for, because the bars are in gzip; a browser left alone gets the smaller brotli.
    const context = await browser.newContext({
      viewport: PHONE,
      extraHTTPHeaders: { 'accept-encoding': 'gzip' },
    });
    const page = await context.newPage();
    const client = await context.newCDPSession(page);
    const loadedKb = await countLoaded(client);
    await client.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOW_DOWN });
    const start = performance.now();
    await page.goto(`${server.url}/formulas`);
    await page.getByRole('link', { name: /Deckhand wrap/ }).waitFor();
    const interactiveS = (performance.now() - start) / 1000;
    await quiet(page);
    const [scriptKb, allKb] = [loadedKb('.js'), loadedKb()];
    return [
      {
        what: 'initial JavaScript, gzip',
        value: `${scriptKb.toFixed(0)} kB`,
        bar: `${FIRST_LOAD_KB.script} kB`,
        holds: scriptKb <= FIRST_LOAD_KB.script,
      },
      {
        what: 'whole first load, gzip',
        value: `${allKb.toFixed(0)} kB`,
        bar: `${FIRST_LOAD_KB.all} kB`,
        holds: allKb <= FIRST_LOAD_KB.all,
      },
      {
        what: `first ticket, ${CPU_SLOW_DOWN}× slower processor`,
        value: `${interactiveS.toFixed(2)} s`,
        bar: `${INTERACTIVE_BAR_S} s`,
        holds: interactiveS <= INTERACTIVE_BAR_S,
      },
    ];
  } finally {
    await browser.close();
    await server.stop();
  }
}
