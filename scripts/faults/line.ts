import { chromium } from '@playwright/test';
import { type Answer, seeded } from '@wire-trail/core';
// @ts-expect-error plain JavaScript, as the tests that share it
import { chromiumOptions } from '../../e2e/chromium.mjs';
import { badLine, type Does } from '../bad-line.ts';
import { newInstallation, signedInAt, start } from '../started.ts';
import { type Tally, tallyOf, wait } from './tally.ts';

const kinds: readonly Does[] = ['passes', 'captive', 403, 408, 500, 'drops', 'loses-answer', 'repeats', 'delays'];
const walks = 6;

/** A phone on a line that fails at every turn: each walk is there once in the end. */
export async function theLine(): Promise<Tally> {
  const tally = tallyOf('a line that fails');
  const place = await newInstallation(['quorrin-b2']);
  const running = start(place);
  await running.up();
  const line = await badLine(place.address);
  const browser = await chromium.launch(chromiumOptions);
  const draw = seeded(16);
  try {
    const page = await (
      await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
    ).newPage();
    await page.goto(line.address);
    await page.getByLabel('Name').fill('technician');
    await page.getByLabel('Password').fill('orrimar-demo');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('navigation', { name: 'areas' }).waitFor();
    const plan = Array.from({ length: 60 }, () => kinds[Math.floor(draw() * kinds.length)] as Does);
    line.will('/events', ...plan);
    for (let i = 0; i < walks; i += 1) {
      line.will('/session', draw() < 0.5 ? 500 : 'captive');
      await page.goto(`${line.address}/trail`);
      await page.locator('.unit-card').first().click();
      await page.getByLabel('Serial number').fill(`LINE-${i}`);
      await page.getByRole('button', { name: 'This is the unit' }).click();
      await page.getByRole('button', { name: 'I have read this' }).click();
      for (let n = 0; n < 6; n += 1) {
        await page.evaluate(() => window.dispatchEvent(new Event('online')));
        await wait(150);
      }
    }
    tally.tried = line.came('/api/v1/events') || line.came('/events');
    line.will('/events');
    for (let n = 0; n < 40; n += 1) {
      await page.evaluate(() => window.dispatchEvent(new Event('online')));
      if ((await page.locator('[data-waiting]').first().getAttribute('data-waiting')) === '0') break;
      await wait(250);
    }
    tally.stuck += Number(await page.locator('[data-waiting]').first().getAttribute('data-waiting'));
    tally.stuck += await page.getByText('not taken').count();
    const trainer = await signedInAt(place.address, 'trainer');
    const { walks: log } = (await (await trainer('GET', '/walks?find=LINE-')).json()) as Answer<'walks'>;
    tally.lost += Math.max(0, walks - log.length);
    for (const { id } of log) {
      const { events } = (await (await trainer('GET', `/walks/${id}`)).json()) as Answer<'walk'>;
      tally.lost += Math.max(0, 3 - events.length);
      tally.doubled += events.length - new Set(events.map((e) => e.id)).size + Math.max(0, events.length - 3);
    }
  } finally {
    await browser.close();
    await line.close();
    await running.stop();
    place.remove();
  }
  return tally;
}
