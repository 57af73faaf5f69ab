// Makes docs/screenshots/ from the demo data: one picture of each main view.
import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Page, chromium } from '@playwright/test';
import { CHROMIUM_ARGS, ensureChromium } from './chromium';
import { startServer } from './demoServer';
import { ROOT } from './install.mjs';

const FOLDER = join(ROOT, 'docs/screenshots');
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
/** The pictures are taken at this time of day, so that they change only when the view does. */
const NOON_ISH = new Date('2026-03-04T10:02:00Z');

const press = async (page: Page, name: string | RegExp) => {
  await page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();
};

async function settle(page: Page): Promise<void> {
  await page.waitForFunction(
    () => document.querySelector('h1') !== null && !/Fetching /.test(document.body.innerText),
  );
  await page.evaluate(() => document.fonts.ready);
}

async function shoot(page: Page, name: string): Promise<void> {
  await settle(page);
  // A pointer at rest over a button would show it pressed.
  await page.mouse.move(2, 2);
  await page.clock.runFor(500);
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
}

async function weigh(page: Page, lines: number): Promise<void> {
  for (let line = 0; line < lines; line += 1) {
    const title = page.getByRole('heading', { level: 1 });
    const before = await title.textContent();
    await press(page, / is in$/);
    await page.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, before);
  }
}

async function start(page: Page, url: string, plan: string): Promise<void> {
  await page.goto(`${url}/plan/${plan}`);
  await press(page, /^Start batch/);
  await page.waitForURL(/\/bench\//);
}

/** On the scale when the picture is taken. */
const POURED_G = 2140;

/** A list with a little of everything, and one question left. */
const LIST = `Night shift rounds
2 3/4 cups bread flour, scooped
¼ cup melted lard
1 to 1¼ cups warm water
1½ tsp table salt
½ stick butter
Makes 12`;

async function write(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/write`);
  await page.getByLabel(/^One ingredient a line/).fill(LIST);
  await page.getByRole('heading', { name: 'Hydration, as measured' }).scrollIntoViewIfNeeded();
}

async function phone(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/formulas`);
  await shoot(page, 'formulas-phone');
  await page.goto(`${url}/formulas/lantern-round`);
  await shoot(page, 'formula-phone');
  await write(page, url);
  await page.getByRole('region', { name: 'As understood' }).evaluate((part) => part.scrollIntoView());
  await shoot(page, 'write-phone');
  await page.goto(`${url}/formulas/deckhand-wrap/edit`);
  await shoot(page, 'edit-phone');
  await page.goto(`${url}/plan/deckhand-wrap?by=pieces&pieces=64&ball=105 g`);
  await shoot(page, 'plan-phone');
  await press(page, /^Strong flour .*why/);
  await shoot(page, 'why-phone');
  await page.keyboard.press('Escape');
  await start(page, url, 'deckhand-wrap?by=pieces&pieces=64&ball=105 g');
  await page.getByRole('checkbox', { name: 'Weigh with the live scale' }).click();
  await press(page, 'Tare');
  await fetch(`${url}/api/v1/devices/scale/acts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ act: 'pour', massG: POURED_G, seconds: 1 }),
  });
  await page.getByText(/^\d{3}\sg to go, steady/).waitFor();
  await shoot(page, 'weigh-phone');
  await page.getByRole('checkbox', { name: 'Weigh with the live scale' }).click();
  await weigh(page, 2);
  await press(page, 'Key it in');
  for (const digit of '2330') await press(page, digit);
  await press(page, /^Use/);
  await shoot(page, 'over-pour-phone');
  await press(page, /^Keep it/);
  await weigh(page, 2);
  await press(page, 'Start mixing');
  for (let part = 0; part < 3; part += 1) await press(page, 'Done, next');
  await press(page, /^\+\d+\s(g) water/);
  await shoot(page, 'mix-phone');
  await press(page, 'Enough: it feels right');
  await press(page, 'Mixed');
  await press(page, 'Start kneading');
  await page.getByRole('radio', { name: 'a bit dry' }).click();
  await shoot(page, 'knead-phone');
  await press(page, 'It is right already');
  await press(page, 'Covered: start the rest');
  await settle(page);
  await page.clock.fastForward('06:06');
  await shoot(page, 'rest-phone');
  await press(page, 'End the rest early');
  await shoot(page, 'divide-phone');
  await press(page, /^Cut/);
  await press(page, 'Covered: start the rest');
  await press(page, 'End the rest early');
  await shoot(page, 'flatten-phone');
  await press(page, 'First discs are rolled');
  await press(page, 'Piece 1 on');
  await settle(page);
  await page.clock.fastForward(9_000);
  await shoot(page, 'griddle-phone');
}

async function wide(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/formulas/deckhand-wrap/swap`);
  await page.getByRole('radio', { name: /^Rapeseed oil/ }).click();
  await press(page, 'Choose what takes its place');
  await press(page, 'Lard');
  await shoot(page, 'swap-wide');
  await page.goto(`${url}/plan/sailcloth-sheet?by=flour&flour=2500 g&ball=72 g`);
  await shoot(page, 'plan-wide');
  await start(page, url, 'pilot-press?by=pieces&pieces=60&ball=36 g');
  await weigh(page, 3);
  await page.goto(`${url}/shift`);
  await shoot(page, 'shift-wide');
  await page.goto(`${url}/stock`);
  await shoot(page, 'stock-wide');
  await page.goto(`${url}/log`);
  await page
    .getByRole('link', { name: /Pilot press .*finished|finished .*Pilot press/ })
    .first()
    .click();
  await page.waitForURL(/\/log\/./);
  await shoot(page, 'log-wide');
}

rmSync(FOLDER, { recursive: true, force: true });
mkdirSync(FOLDER, { recursive: true });
const server = await startServer(['--demo']);
const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_ARGS });
try {
  for (const [viewport, take] of [
    [PHONE, phone],
    [WIDE, wide],
  ] as const) {
    const page = await browser.newPage({ viewport, timezoneId: 'UTC', locale: 'en-GB' });
    await page.clock.install({ time: NOON_ISH });
    await take(page, server.url);
    await page.close();
  }
} finally {
  await browser.close();
  await server.stop();
}
process.stdout.write(`${readdirSync(FOLDER).length} pictures in docs/screenshots\n`);
