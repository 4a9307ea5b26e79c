import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
import react from '@vitejs/plugin-react';
import { build } from 'vite';
// @ts-expect-error plain JavaScript, as the tests that share it
import { chromiumOptions } from '../../e2e/chromium.mjs';
import { signedIn, withBuiltSchool } from './built-school.ts';
import { median, type Row, row } from './row.ts';

const phone = { width: 390, height: 844 };
const times = 5;

/** How long until the box to type into stands on a phone that has never been here, in ms: the middle of several. */
async function firstShown(page: Page, address: string): Promise<number> {
  const wire = await page.context().newCDPSession(page);
  await wire.send('Network.enable');
  await wire.send('Network.setCacheDisabled', { cacheDisabled: true });
  await wire.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 150,
    downloadThroughput: (1.6e6 / 8) | 0,
    uploadThroughput: (0.75e6 / 8) | 0,
  });
  await wire.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const took: number[] = [];
  for (let n = 0; n < times; n++) {
    await page.goto('about:blank');
    const began = performance.now();
    await page.goto(address, { waitUntil: 'commit' });
    await page.locator('#seen').waitFor();
    took.push(performance.now() - began);
  }
  await wire.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  return median(took);
}

/** The start page against an empty page of the same frameworks, in one run on the same emulated phone. */
export async function benchFirstShown(): Promise<Row[]> {
  const empty = mkdtempSync(join(tmpdir(), 'wire-trail-empty-'));
  try {
    await build({
      root: fileURLToPath(new URL('./empty-page/', import.meta.url)),
      logLevel: 'silent',
      plugins: [react()],
      build: { outDir: empty, emptyOutDir: true, target: 'es2022' },
    });
    const own = await withBuiltSchool(async (address) => {
      const field = await signedIn(address, 'technician', phone);
      const shown = await firstShown(field.page, `${address}/trail`);
      await field.close();
      return shown;
    });
    const bare = await withBuiltSchool(async (address) => {
      const browser = await chromium.launch(chromiumOptions);
      const page = await (await browser.newContext({ viewport: phone, serviceWorkers: 'block' })).newPage();
      const shown = await firstShown(page, `${address}/trail`);
      await browser.close();
      return shown;
    }, empty);
    const ratio = own / bare;
    return [row('web.firstShownMs', own, 'ms'), row('web.firstShownRatio', ratio, '× empty', '≤ 1.7', ratio <= 1.7)];
  } finally {
    rmSync(empty, { recursive: true, force: true });
  }
}

/** Taps and typed letters from the start page to the first question of the tests; what is done on the unit is not counted. */
export async function benchTaps(): Promise<Row[]> {
  const { taps, typed } = await withBuiltSchool(async (address) => {
    const { page, close } = await signedIn(address, 'technician', phone);
    let taps = 0;
    const typed = 'G4-118204';
    const tap = async (name: string | RegExp) => {
      await page.getByRole('button', { name, exact: typeof name === 'string' }).click();
      taps += 1;
    };
    const lamp = (name: string) => page.getByRole('button', { name: new RegExp(`^lamp ${name}\\b`) }).click();
    await page.locator('.unit-card', { hasText: 'Brindlewick G4' }).click();
    taps += 1;
    await page.getByLabel('Serial number').click();
    taps += 1;
    await page.keyboard.type(typed);
    await tap('This is the unit');
    await tap('I have read this');
    await tap('Begin, hands free');
    // both hands are on the unit until the beat has come to its end
    await page.getByText('That was all of it').waitFor({ timeout: 120_000 });
    await tap('It worked');
    for (const name of ['b', 'd', 'e']) await lamp(name);
    await tap(/^Now /);
    for (const name of ['a', 'd', 'e']) await lamp(name);
    await tap('Take K19');
    await page.getByRole('heading', { level: 1, name: 'Is the element white with scale?' }).waitFor();
    await close();
    return { taps, typed: typed.length };
  });
  return [
    row('trail.tapsToTest', taps, 'taps', '≤ 10', taps <= 10),
    row('trail.typedToTest', typed, 'letters', '≤ 12', typed <= 12),
  ];
}
