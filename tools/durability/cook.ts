import { type Page, chromium } from '@playwright/test';
import { CHROMIUM_ARGS, ensureChromium } from '../chromium';

/** What became of the acts of a cook in a browser. */
export interface Told {
  /** Buttons that were pressed. */
  pressed: number;
  /** Acts that the app then called saved, or kept on this device. */
  kept: number;
  /** Ids of the acts that the browser had written down on the device. */
  ids: ReadonlySet<string>;
  closed: number;
}

/** Runs in the page, before the app: tells the id of whatever is written down, once the device has it. */
function watchDevice(): void {
  const { put } = IDBObjectStore.prototype;
  IDBObjectStore.prototype.put = function (this: IDBObjectStore, value: unknown, key?: IDBValidKey) {
    const asked = put.call(this, value, key);
    if (typeof value === 'object' && value !== null && 'event' in value) {
      this.transaction.addEventListener('complete', () => {
        void (window as unknown as { actKept: (id: string) => Promise<void> }).actKept(String(key));
      });
    }
    return asked;
  };
}

const ACT_MS = 4000;
const SAVED_MS = 60_000;

/** The tab was closed, or the page is not there while the server is down. */
const isGone = (error: unknown): boolean =>
  error instanceof Error && /closed|Timeout|ERR_|interrupted/.test(error.message);

/** What the app says of the last act: the server has it, or this device. */
const keptIn = (tab: Page) =>
  tab
    .getByRole('img', { name: 'saved', exact: true })
    .or(tab.getByText(/^(offline, kept here|kept here for now)$/))
    .first();

/** A cook who weighs a line and takes it back, again and again, in the real app. */
export async function openCook(url: string) {
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const ids = new Set<string>();
  await context.exposeFunction('actKept', (id: string) => void ids.add(id));
  await context.addInitScript(watchDevice);
  const told: Told = { pressed: 0, kept: 0, ids, closed: 0 };
  let page: Page | null = null;

  async function act(tab: Page): Promise<void> {
    const weigh = tab.getByRole('button', { name: / is in$/ });
    const before = await tab.getByRole('heading', { level: 1 }).textContent({ timeout: ACT_MS });
    await weigh.click({ timeout: ACT_MS });
    told.pressed += 1;
    await tab.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, before, {
      timeout: ACT_MS,
    });
    await keptIn(tab).waitFor({ timeout: ACT_MS });
    told.kept += 1;
    await tab.getByRole('button', { name: 'Undo' }).click({ timeout: ACT_MS });
    told.pressed += 1;
    await tab.waitForFunction((is) => document.querySelector('h1')?.textContent === is, before, {
      timeout: ACT_MS,
    });
    await keptIn(tab).waitFor({ timeout: ACT_MS });
    told.kept += 1;
  }

  return {
    /** Opens a tab and acts a few times, for as long as the tab is there. */
    work: async (turns: number): Promise<void> => {
      const tab = await context.newPage();
      page = tab;
      const onlyGone = (error: unknown) => {
        if (!isGone(error)) throw error;
      };
      await tab.goto(url).catch(onlyGone);
      // A server that is down, or a machine that is busy, costs an act; the tab goes on.
      for (let turn = 0; turn < turns && !tab.isClosed(); turn += 1) await act(tab).catch(onlyGone);
    },
    /** Acts so far that the app called saved, or kept. */
    kept: () => told.kept,
    /** Shuts the tab without a word. */
    closeTab: async (): Promise<void> => {
      await page?.close({ runBeforeUnload: false });
      page = null;
      told.closed += 1;
    },
    /** Opens the app once more, lets everything that waited arrive, and says what was kept. */
    finish: async (): Promise<Told> => {
      const last = await context.newPage();
      await last.goto(url);
      await last.getByRole('img', { name: 'saved', exact: true }).waitFor({ timeout: SAVED_MS });
      await browser.close();
      return told;
    },
  };
}
