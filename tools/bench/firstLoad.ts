import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';
import { startServer } from '../demoServer';
import type { Measured } from '../bench';
import { quiet } from '../quiet';

const PHONE = { width: 390, height: 844 };
const CPU_SLOW_DOWN = 4;
const KB = 1000;
const BARS = { scriptKb: 450, allKb: 700, interactiveS: 2.5 } as const;

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
    await client.send('Network.enable');
    await client.send('Emulation.setCPUThrottlingRate', { rate: CPU_SLOW_DOWN });
    const urls = new Map<string, string>();
    const bytes = new Map<string, number>();
    client.on('Network.responseReceived', ({ requestId, response }) => urls.set(requestId, response.url));
    client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) =>
      bytes.set(requestId, encodedDataLength),
    );
    const start = performance.now();
    await page.goto(`${server.url}/formulas`);
    await page.getByRole('link', { name: /Deckhand wrap/ }).waitFor();
    const interactiveS = (performance.now() - start) / 1000;
    await quiet(page);
    const sum = (keep: (url: string) => boolean) =>
      [...bytes].reduce((total, [id, size]) => total + (keep(urls.get(id) ?? '') ? size : 0), 0) / KB;
    const scriptKb = sum((url) => url.endsWith('.js'));
    const allKb = sum(() => true);
    return [
      {
        what: 'initial JavaScript, gzip',
        value: `${scriptKb.toFixed(0)} kB`,
        bar: '450 kB',
        holds: scriptKb <= BARS.scriptKb,
      },
      {
        what: 'whole first load, gzip',
        value: `${allKb.toFixed(0)} kB`,
        bar: '700 kB',
        holds: allKb <= BARS.allKb,
      },
      {
        what: `first ticket, ${CPU_SLOW_DOWN}× slower processor`,
        value: `${interactiveS.toFixed(2)} s`,
        bar: '2.5 s',
        holds: interactiveS <= BARS.interactiveS,
      },
    ];
  } finally {
    await browser.close();
    await server.stop();
  }
}
