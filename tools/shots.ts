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
/** The pictures are taken at this time of the day that the demo was made for, so that clocks show what they would. */
const NOON_ISH = new Date(`${new Date().toISOString().slice(0, 10)}T10:02:00Z`);

const press = async (page: Page, name: string | RegExp) => {
  await page
    .getByRole('button', { name, exact: typeof name === 'string' })
    .first()
    .click();
};

/** Ends a rest before its time, and means it. */
async function endEarly(page: Page): Promise<void> {
  await press(page, 'End the rest early');
  await press(page, /^End it .* early$/);
}

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

const scale = (url: string, act: object) =>
  fetch(`${url}/api/v1/devices/scale/acts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'kettle-app': 'tool' },
    body: JSON.stringify(act),
  });

/** As a hand cuts them: one far off, the rest near. */
const BALLS_G = [105.4, 104.2, 106.3, 104.8, 105.1] as const;

/** Five balls weighed by hand. */
async function balls(page: Page, url: string): Promise<void> {
  await scale(url, { act: 'clear' });
  await press(page, 'More');
  await press(page, 'Check the balls: weigh 5');
  for (const [index, massG] of BALLS_G.entries()) {
    await press(page, 'Key it in');
    for (const digit of String(massG)) await press(page, digit === '.' ? 'Point' : digit);
    await press(page, `It weighs ${massG} g`);
    const done = index + 1;
    const words = done < BALLS_G.length ? `ball ${done + 1} of ${BALLS_G.length}` : `${done} weighed`;
    await page.getByText(words, { exact: true }).waitFor();
  }
  await shoot(page, 'balls-phone');
  await press(page, 'Enough');
}

/** Of the demo's log, the batch whose plate had crept up. */
async function wrong(page: Page, url: string): Promise<void> {
  const found = await fetch(`${url}/api/v1/batches?text=black%20spots`);
  const [batch] = (await found.json()) as { id: string }[];
  await page.goto(`${url}/log/${batch?.id}/wrong`);
  await page.getByRole('checkbox', { name: 'Black spots' }).click();
  await page.getByText('Plate too hot').scrollIntoViewIfNeeded();
  await shoot(page, 'wrong-phone');
}

async function phone(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/formulas`);
  await shoot(page, 'formulas-phone');
  await page.goto(`${url}/formulas/lantern-round`);
  await shoot(page, 'formula-phone');
  await write(page, url);
  await page.getByRole('region', { name: 'As read' }).evaluate((part) => part.scrollIntoView());
  await shoot(page, 'write-phone');
  await page.goto(`${url}/formulas/deckhand-wrap/edit`);
  await shoot(page, 'edit-phone');
  await page.goto(`${url}/plan/deckhand-wrap?by=pieces&pieces=64&ball=105 g`);
  await shoot(page, 'plan-phone');
  await start(page, url, 'deckhand-wrap?by=pieces&pieces=64&ball=105 g');
  await press(page, 'More');
  await page.getByRole('checkbox', { name: 'Live scale' }).click();
  await press(page, 'More');
  await press(page, 'Tare');
  await scale(url, { act: 'pour', massG: POURED_G, seconds: 1 });
  await page.getByText(/^\d{3}\sg to go, steady/).waitFor();
  await shoot(page, 'weigh-phone');
  await press(page, 'More');
  await page.getByRole('checkbox', { name: 'Live scale' }).click();
  await weigh(page, 2);
  await weigh(page, 3);
  await press(page, 'Start mixing');
  for (let part = 0; part < 3; part += 1) await press(page, 'Done, next');
  await press(page, /^\+\d+\s(g) water/);
  await press(page, 'It feels right');
  await press(page, 'Mixed');
  await press(page, 'Start kneading');
  await press(page, 'Too dry');
  await page.getByRole('radio', { name: 'a bit dry' }).click();
  await shoot(page, 'knead-phone');
  await press(page, 'It is right');
  await press(page, 'Covered: start the rest');
  await settle(page);
  await page.clock.fastForward('06:06');
  await shoot(page, 'rest-phone');
  await endEarly(page);
  await shoot(page, 'divide-phone');
  await press(page, 'Cut unweighed');
  await press(page, /^Cut/);
  await balls(page, url);
  await press(page, 'Covered: start the rest');
  await endEarly(page);
  await shoot(page, 'flatten-phone');
  await press(page, 'First discs rolled');
  await livePlate(page, url);
  await times(page, url);
  await wrong(page, url);
}

const act = (url: string, device: string, what: object) =>
  fetch(`${url}/api/v1/devices/${device}/acts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'kettle-app': 'tool' },
    body: JSON.stringify(what),
  });

/** Between one piece and the next on the plate, as hands can do it. */
const PIECE_EVERY_MS = 7_000;

/** Four places going: two turned, one due soon, one fresh. */
async function livePlate(page: Page, url: string): Promise<void> {
  await act(url, 'thermometer', { act: 'heat', tempC: 226, atOnce: true });
  await page.goto(`${url}/griddle/live/${new URL(page.url()).pathname.split('/').at(-1)}`);
  await page.getByRole('button', { name: 'Place 1: put a piece on' }).waitFor();
  for (const place of ['1', '2', '3', '4']) {
    await page.keyboard.press(place);
    await page.getByRole('button', { name: new RegExp(`^Place ${place}, piece`) }).waitFor();
    await page.clock.runFor(PIECE_EVERY_MS);
  }
  for (const place of ['1', '2']) {
    await page.keyboard.press(place);
    await page.getByRole('button', { name: new RegExp(`^Place ${place}, .*side 2`) }).waitFor();
  }
  await shoot(page, 'live-phone');
}

async function times(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/griddle`);
  await page.getByRole('radio', { name: 'Deckhand wrap' }).click();
  await page.getByText(/pieces come out in standard/).waitFor();
  await page.getByText(/^10\s°C hotter/).waitFor();
  await page.getByRole('heading', { level: 1 }).scrollIntoViewIfNeeded();
  await shoot(page, 'times-phone');
}

async function wide(page: Page, url: string): Promise<void> {
  await start(page, url, 'pilot-press?by=pieces&pieces=60&ball=36 g');
  await weigh(page, 3);
  await page.goto(`${url}/shift`);
  await shoot(page, 'shift-wide');
  await page.goto(`${url}/log`);
  await page
    .getByRole('link', { name: /Pilot press .*finished|finished .*Pilot press/ })
    .first()
    .click();
  await page.waitForURL(/\/log\/./);
  await shoot(page, 'log-wide');
  await page.goto(`${url}/charts`);
  await page.getByRole('img', { name: /^Mean of the balls/ }).waitFor();
  await shoot(page, 'charts-wide');
  await page.goto(`${url}/griddle`);
  await page.getByRole('radio', { name: 'Lantern round' }).click();
  await page.getByRole('link', { name: 'Heat and thickness picture' }).click();
  await page.getByRole('img', { name: /^Heat from/ }).waitFor({ timeout: 60_000 });
  await shoot(page, 'window-wide');
}

/** The planned day: its times are the server's own, so the browser's clock is left alone. */
async function service(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/service`);
  await page.getByRole('heading', { name: 'The day', exact: true }).waitFor();
  await settle(page);
  await page.mouse.move(2, 2);
  await page.screenshot({ path: join(FOLDER, 'service-wide.png') });
}

rmSync(FOLDER, { recursive: true, force: true });
mkdirSync(FOLDER, { recursive: true });
const server = await startServer(['--demo']);
/** Its day is as it was planned: nothing was begun in it by the pictures before. */
const unworked = await startServer(['--demo']);
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
  const page = await browser.newPage({ viewport: WIDE, timezoneId: 'UTC', locale: 'en-GB' });
  await service(page, unworked.url);
} finally {
  await browser.close();
  await server.stop();
  await unworked.stop();
}
process.stdout.write(`${readdirSync(FOLDER).length} pictures in docs/screenshots\n`);
