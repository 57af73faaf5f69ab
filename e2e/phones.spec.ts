import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, chromium } from '@playwright/test';
import { CHROMIUM_ARGS, ensureChromium } from '../tools/chromium';
import { type RunningServer, startServer } from '../tools/demoServer';
import { bench } from './bench';
import { type Page, expect, test } from './test';

test.use({ serviceWorkers: 'allow' });

/** A kitchen that is open to its network; addresses of 127.0.0.0/8 other than the first stand for the network. */
let kitchen: RunningServer;
let onNetwork: string;
const NAME = 'kettle.local';
test.beforeAll(async () => {
  kitchen = await startServer(['--demo', '--lan', '--data', mkdtempSync(join(tmpdir(), 'kettle-lan-'))]);
  onNetwork = `https://${NAME}:${new URL(kitchen.url).port}`;
});
test.afterAll(() => kitchen.stop());

/** A browser with a certificate store of its own, on another machine of the network. */
async function phoneBrowser(authority: Buffer | null): Promise<Browser> {
  const home = mkdtempSync(join(tmpdir(), 'kettle-phone-'));
  const store = join(home, '.pki/nssdb');
  mkdirSync(store, { recursive: true });
  const certutil = (...args: string[]) => execFileSync('certutil', ['-d', `sql:${store}`, ...args]);
  certutil('-N', '--empty-password');
  if (authority) {
    const file = join(home, 'authority.crt');
    writeFileSync(file, authority);
    certutil('-A', '-t', 'C,,', '-n', 'kitchen', '-i', file);
  }
  return chromium.launch({
    executablePath: ensureChromium(),
    args: [...CHROMIUM_ARGS, `--host-resolver-rules=MAP ${NAME} 127.0.0.2`],
    env: { ...process.env, HOME: home },
  });
}

const VIEW = { viewport: { width: 390, height: 844 }, timezoneId: 'UTC' };

/** The code that the server's own screen shows for a phone. */
async function shownCode(own: Page): Promise<string> {
  await own.goto(`${kitchen.url}/settings`);
  await own.getByRole('button', { name: 'Show a code' }).click();
  const code = own.getByText(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/);
  await expect(own.getByRole('img', { name: /^Code to scan: opens https:/ })).toBeVisible();
  return (await code.textContent()) ?? '';
}

test('a phone trusts the kitchen, is paired by a code, works without a network, and is out when its key is taken', async ({
  browser,
  request,
}) => {
  const stranger = await phoneBrowser(null);
  const refused = await (await stranger.newPage()).goto(onNetwork).catch((error: Error) => error.message);
  expect(refused).toContain('ERR_CERT_AUTHORITY_INVALID');
  await stranger.close();

  const authority = await (await request.get(`${kitchen.url}/trust/authority.crt`)).body();
  const phone = await phoneBrowser(authority);
  const context = await phone.newContext(VIEW);
  const page = await context.newPage();
  await page.goto(`${onNetwork}/bench`);
  await expect(page.getByRole('heading', { name: 'Pair this phone' })).toBeVisible();
  const own = await browser.newPage(VIEW);
  await page.getByLabel('Code').fill('AAAA-AAAA');
  await page.getByLabel('What this phone is called').fill('Griddle phone');
  await page.getByRole('button', { name: 'Pair' }).click();
  await expect(page.getByRole('alert')).toContainText('wrong or too old');
  await page.getByLabel('Code').fill((await shownCode(own)).toLowerCase());
  await page.getByRole('button', { name: 'Pair' }).click();

  // From here the phone has what browsers keep for secure pages, and the app stays on it.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Shift');
  expect(await page.evaluate(() => isSecureContext && 'wakeLock' in navigator)).toBe(true);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await expect(own.getByText('Griddle phone', { exact: true })).toBeVisible();

  // The code is used up, and what a lead alone may do is not offered to a cook.
  await expect(own.getByText(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/)).toHaveCount(0);
  await page.goto(`${onNetwork}/settings`);
  await expect(page.getByText(/^This phone is Griddle phone/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save a backup' })).toHaveCount(0);
  await page.goto(`${onNetwork}/formulas`);
  await expect(page.getByRole('link', { name: /^Sailcloth sheet/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Write a formula' })).toHaveCount(0);
  await page.goto(`${onNetwork}/write`);
  await expect(page.getByText(/^Only a lead changes this/)).toBeVisible();

  const cook = bench(page);
  await page.goto(`${onNetwork}/plan/deckhand-wrap`);
  await cook.press(/^Start batch/);
  await page.waitForURL(/\/bench\//);
  const id = page.url().split('/').at(-1) ?? '';
  const acts = async () => {
    const answer = await request.get(`${kitchen.url}/api/v1/batches/${id}`);
    return ((await answer.json()) as { events: unknown[] }).events.length;
  };
  const before = await acts();
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Who? Nobody has said' }).click();
  await page.getByRole('radio', { name: 'Late cook' }).click();
  await cook.press(/ is in$/);
  await expect(page.getByText('offline, kept here')).toBeVisible();
  expect(await acts()).toBe(before);
  await context.setOffline(false);
  await expect.poll(acts).toBe(before + 1);
  // The log says who did it, by the name that the server knows the phone by.
  await own.goto(`${kitchen.url}/log/${id}`);
  await expect(own.getByText('Late cook on Griddle phone')).toHaveCount(1);
  await own.goto(`${kitchen.url}/settings`);

  // What the phone begins without a network, while the same is begun elsewhere, is kept beside it and told at both.
  const startButton = /^Start batch/;
  await page.goto(`${onNetwork}/plan/deckhand-wrap`);
  await expect(page.getByRole('button', { name: startButton })).toBeEnabled();
  await context.setOffline(true);
  await cook.press(startButton);
  await page.waitForURL(/\/bench\//);
  await own.goto(`${kitchen.url}/plan/deckhand-wrap`);
  await bench(own).press(startButton);
  await own.waitForURL(/\/bench\//);
  await context.setOffline(false);
  await expect(
    own.getByText(/^Started twice: also at \d\d:\d\d by Late cook on Griddle phone\./),
  ).toBeVisible();
  await expect(
    page.getByText(/^Started twice: also at \d\d:\d\d on the kitchen’s own screen\./),
  ).toBeVisible();
  await own.goto(`${kitchen.url}/settings`);

  const listed = own.getByRole('group', { name: 'Griddle phone' });
  await listed.getByRole('button', { name: 'Revoke its key' }).click();
  await listed.getByRole('button', { name: 'Press again to lock it out' }).click();
  await expect(own.getByText('Griddle phone', { exact: true })).toHaveCount(0);
  await expect(page.getByRole('alert').filter({ hasText: 'has no key' })).toBeVisible();
  // What it knew of the kitchen is gone from it.
  const known = () =>
    page.evaluate(async () => {
      const opened = await new Promise<IDBDatabase>((resolve) => {
        const asked = indexedDB.open('kettle-scale-batches');
        asked.onsuccess = () => resolve(asked.result);
      });
      const batches = await new Promise<number>((resolve) => {
        const counted = opened.transaction('batches').objectStore('batches').count();
        counted.onsuccess = () => resolve(counted.result);
      });
      return [await caches.has('last-known'), batches];
    });
  await expect.poll(known).toEqual([false, 0]);
  await page.getByRole('button', { name: 'Pair this phone' }).click();
  await expect(page.getByRole('heading', { name: 'Pair this phone' })).toBeVisible();
  await own.close();
  await phone.close();
});
