import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, type Page } from '@playwright/test';
import { type BadLine, badLine } from '../scripts/bad-line.ts';
// @ts-expect-error plain JavaScript, as the pictures script that shares it
import { chromiumOptions } from './chromium.mjs';
import { expect, Technician, test } from './people.ts';

const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, reducedMotion: 'reduce' as const };
let line: BadLine;
test.beforeAll(async ({ baseURL }) => {
  line = await badLine(baseURL ?? '');
});
test.afterAll(() => line.close());

const signsIn = async (page: Page, name: string, mayBeIn = false) => {
  // a device that knows somebody shows the areas before the server has said whether they are still signed in
  const [said] = await Promise.all([
    page.waitForResponse((answer) => answer.url().endsWith('/api/v1/session')),
    page.goto(line.address),
  ]);
  if (mayBeIn && said.ok()) return;
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('orrimar-demo');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('navigation', { name: 'areas' })).toBeVisible();
};
const onPhone = async (context: BrowserContext, name = 'technician', mayBeIn = false) => {
  const page = await context.newPage();
  await signsIn(page, name, mayBeIn);
  return new Technician(page, context);
};
const begins = async (technician: Technician, serial: string) => {
  await technician.page.goto(`${line.address}/trail`);
  await technician.sees('five lamps in an arc');
  await technician.picksUnit('Brindlewick G4');
  await technician.readsPlate(serial);
  await technician.press('This is the unit');
  await technician.goesOnBy('I have read this');
};
/** Whoever looks at the phone again does not wait for the next try of its own. */
const triesAgain = (page: Page) => page.evaluate(() => window.dispatchEvent(new Event('online')));
const inTheLog = async (technician: Technician, serial: string, events: number) => {
  await technician.page.goto(`${line.address}/log`);
  await expect(technician.page.getByRole('link', { name: new RegExp(serial) })).toHaveCount(1);
  await technician.page.getByRole('link', { name: new RegExp(serial) }).click();
  await expect(technician.page.getByRole('listitem').filter({ has: technician.page.locator('time') })).toHaveCount(
    events,
  );
};

test('a line that answers nonsense, refuses, loses, repeats and delays holds nothing up, and loses nothing', async ({
  browser,
}) => {
  const context = await browser.newContext({ ...phone, serviceWorkers: 'block' });
  const technician = await onPhone(context);
  const fails = ['delays', 'captive', 403, 408, 500, 'drops', 'loses-answer', 'repeats'] as const;
  line.will('/events', ...fails);
  const before = line.came('/events');
  await begins(technician, 'E2E-LINE');
  await expect(async () => {
    await triesAgain(technician.page);
    expect(line.came('/events') - before).toBeGreaterThanOrEqual(fails.length);
  }).toPass();
  await technician.hasSentAll();
  await technician.seesNot(/not taken/);
  await inTheLog(technician, 'E2E-LINE', 3);
  // a server in trouble is no reason to send anybody to the sign-in: they walk on
  line.will('/session', 500);
  await technician.page.reload();
  await expect(technician.page.getByRole('navigation', { name: 'areas' })).toBeVisible();
  line.will('/session', 'captive');
  await technician.page.goto(`${line.address}/trail`);
  await technician.sees('E2E-LINE');
  await context.close();
});

test('two tabs send once, and two people on one phone each keep and send their own', async ({ browser }) => {
  const context = await browser.newContext({ ...phone, serviceWorkers: 'block' });
  const first = await onPhone(context);
  const second = new Technician(await context.newPage(), context);
  await begins(first, 'E2E-TAB1');
  await begins(second, 'E2E-TAB2');
  await Promise.all([triesAgain(first.page), triesAgain(second.page)]);
  await first.hasSentAll();
  await second.hasSentAll();
  await inTheLog(first, 'E2E-TAB1', 3);
  await inTheLog(second, 'E2E-TAB2', 3);
  await second.page.close();

  // somebody else takes the phone while the first one's steps still wait
  line.will('/events', ...Array.from({ length: 12 }, () => 'drops' as const));
  await begins(first, 'E2E-MINE');
  const leaves = async (who: Technician) => {
    await who.page.goto(`${line.address}/shelf`);
    await who.press(/profile and more/);
    await who.page.getByRole('menuitem', { name: 'Sign out' }).click();
    await who.press('Keep them, and sign out');
    await expect(who.page.getByLabel('Password')).toBeVisible();
  };
  await leaves(first);
  line.will('/events');
  await signsIn(first.page, 'reviewer');
  await first.page.goto(`${line.address}/trail`);
  await first.seesNot('E2E-MINE');
  await begins(first, 'E2E-OTHERS');
  await first.hasSentAll();
  await leaves(first);
  await signsIn(first.page, 'technician');
  await triesAgain(first.page);
  await first.hasSentAll();
  await inTheLog(first, 'E2E-MINE', 3);
  await context.close();
});

test('what a killed browser had kept is there again; what it cleared is said, and what an admin ended is gone', async ({
  desk,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'wire-trail-browser-'));
  const open = () =>
    chromium.launchPersistentContext(folder, { ...chromiumOptions, ...phone, serviceWorkers: 'block' });
  let context = await open();
  try {
    let technician = await onPhone(context);
    line.will('/events', ...Array.from({ length: 40 }, () => 'drops' as const));
    await begins(technician, 'E2E-KILL');
    await technician.sees(/kept on this device/);
    const gone = new Promise((resolve) => context.once('close', resolve));
    spawnSync('pkill', ['-9', '-f', folder]);
    await gone;
    line.will('/events');
    context = await open();
    // the cookie of a sign-in just before may not be on the disk yet; every step is
    technician = await onPhone(context, 'technician', true);
    await technician.sees('E2E-KILL');
    await technician.hasSentAll();
    await inTheLog(technician, 'E2E-KILL', 3);

    // the browser runs short of space
    line.will('/events', ...Array.from({ length: 40 }, () => 'drops' as const));
    await begins(technician, 'E2E-CLEARED');
    await technician.sees('3 kept on this device');
    const wire = await context.newCDPSession(technician.page);
    await wire.send('Storage.clearDataForOrigin', { origin: line.address, storageTypes: 'indexeddb,local_storage' });
    line.will('/events');
    await technician.page.goto(`${line.address}/trail`);
    await technician.sees(/cleared what Wire Trail had kept.*3 steps of your walks had not been sent/);

    // the phone is lost
    const admin = await desk('admin');
    await admin.goTo('Settings');
    await admin.page
      .getByRole('row', { name: /Demo technician/ })
      .getByRole('button', { name: 'Devices and password' })
      .click();
    const sessions = admin.page.getByRole('dialog').getByRole('listitem');
    await sessions.first().getByRole('button', { name: 'Sign out and wipe' }).click();
    await admin.sees('ended; what it keeps goes when it next comes');
    await expect(async () => {
      await technician.page.goto(`${line.address}/shelf`);
      await expect(technician.page.getByText('signed out by an admin')).toBeVisible({ timeout: 3000 });
    }).toPass();
    const left = await technician.page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const opened = indexedDB.open('wire-trail');
          opened.onsuccess = () => {
            const count = opened.result.transaction('bundles').objectStore('bundles').count();
            count.onsuccess = () => resolve(count.result);
          };
        }),
    );
    expect(left).toBe(0);
  } finally {
    await context.close().catch(() => {});
    rmSync(folder, { recursive: true, force: true });
  }
});
