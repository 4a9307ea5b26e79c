// npm run screenshots: takes the README's pictures from a running, fresh demo (WIRE_TRAIL_URL, else the usual address).
// With SHOTS=FOLDER every picture on the way goes there instead.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { chromiumOptions } from '../e2e/chromium.mjs';
import { root } from './machine.mjs';

const address = process.env.WIRE_TRAIL_URL ?? 'http://127.0.0.1:4180';
const out = process.env.SHOTS ?? join(root, 'docs/screenshots');
/** The pictures that stand in the README; the others are for looking at. */
const kept = [
  'shelf',
  'family-panel',
  'family-codes',
  'family-loose-ends',
  'code',
  'code-changes',
  'review',
  'bench',
  'log',
  'start-phone',
  'safe-phone',
  'enter-phone',
  'read-phone',
  'measure-phone',
  'prove-phone',
  'unit',
  'read',
];
const wanted = (name) => process.env.SHOTS !== undefined || kept.includes(name);
mkdirSync(out, { recursive: true });
const browser = await chromium.launch(chromiumOptions);
const desk = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

async function person(signIn, viewport, mode = 'light') {
  const context = await browser.newContext({ viewport, colorScheme: mode, reducedMotion: 'reduce' });
  const page = await context.newPage();
  await page.goto(address);
  await page.getByLabel('Name').fill(signIn);
  await page.getByLabel('Password').fill('orrimar-demo');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'areas' }).waitFor();
  return page;
}
const shots = [];
async function shot(page, name) {
  if (!wanted(name)) return;
  await page.waitForTimeout(450);
  await page.screenshot({ path: join(out, `${name}.png`) });
  shots.push(name);
}
const tap = (page, name) => page.getByRole('button', { name, exact: true }).click();

/** Walks to a station on a machine of its own, taking pictures on the way. */
async function walk(page, suffix, serial) {
  await page.goto(`${address}/trail`);
  await page.getByText('five lamps in an arc').first().waitFor();
  await page.getByRole('textbox').first().fill('K 1');
  await shot(page, `start${suffix}`);
  await page
    .getByRole('button', { name: /Brindlewick G4/ })
    .last()
    .click();
  await page.getByLabel('Serial number').fill(serial);
  await page.getByLabel(/^Model/).fill('G4-20B');
  await page.getByLabel(/^Software/).fill('2.6');
  await shot(page, `unit${suffix}`);
  await tap(page, 'This is the unit');
  await page.getByText('What can hurt here').waitFor();
  await shot(page, `safe${suffix}`);
  await tap(page, 'I have read this');
  await page.getByRole('button', { name: 'Begin' }).waitFor();
  await shot(page, `enter-list${suffix}`);
  await tap(page, 'Begin');
  for (let i = 0; i < 4; i++) await tap(page, 'Done');
  await tap(page, 'Seen');
  await page.getByRole('button', { name: 'once' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.waitForTimeout(1800);
  await shot(page, `enter${suffix}`);
  await tap(page, 'Done');
  await tap(page, 'It took');
  await page.getByText('What do the lamps show').waitFor();
  const keys = page.getByRole('group', { name: 'lamps' });
  const key = (l) => keys.getByRole('button', { name: new RegExp(`^${l}`) });
  for (const l of ['b', 'd', 'e']) await key(l).click();
  await page.getByRole('tab', { name: /the number/ }).click();
  for (const l of ['a', 'd', 'e', 'c', 'c']) await key(l).click();
  await shot(page, `read${suffix}`);
  await key('c').click();
  await tap(page, 'Take K19');
  await page.getByRole('button', { name: 'No', exact: true }).click();
  await tap(page, 'Done');
  await page.getByLabel(/Temperature of/).fill('22');
  await page.getByLabel(/What the meter shows/).fill('13k4');
  await shot(page, `measure${suffix}`);
  await tap(page, 'Take this reading');
  await page.getByLabel(/What the meter shows/).fill('31');
  await tap(page, 'Take this reading');
  await shot(page, `verdict${suffix}`);
  await page.getByRole('button', { name: /go on to Clear/ }).click();
  await shot(page, `clear${suffix}`);
  await page.getByText('It is erased already').click();
  await page.getByText('It has left the mode already').click();
  await tap(page, 'All is back');
  await page.getByText('Run it and see').waitFor();
  await shot(page, `prove${suffix}`);
  await tap(page, 'It did not return');
  await page.getByText('What fixed it').waitFor();
  await shot(page, `fixed${suffix}`);
}

const trainer = await person('trainer', desk);
await trainer.goto(`${address}/shelf`);
await trainer.getByText('Brindlewick G4').first().waitFor();
await shot(trainer, 'shelf');
for (const room of ['Panel', 'Codes', 'Routes', 'Charts', 'Loose ends']) {
  await trainer.goto(`${address}/shelf/brindlewick-g4?room=${room}`);
  await trainer.getByRole('tab', { name: room }).waitFor();
  await shot(trainer, `family-${room.toLowerCase().replace(' ', '-')}`);
}
await trainer.goto(`${address}/shelf/brindlewick-g4/code/k19`);
await trainer.getByLabel('Title').fill('Rinse tank warms too late');
await trainer.getByLabel('move Rinse heating element up').click();
await trainer.evaluate(() => window.scrollTo(0, 0));
await shot(trainer, 'code');
await trainer.getByRole('tab', { name: 'What changed' }).click();
await shot(trainer, 'code-changes');
await trainer.getByRole('button', { name: 'Save draft' }).click();
await trainer.getByText('Saved as revision').waitFor();
await trainer.getByRole('button', { name: 'Submit for review' }).click();
await trainer.getByRole('button', { name: 'Take it back' }).waitFor();
await shot(trainer, 'review');
await trainer.goto(`${address}/bench`);
await trainer.getByText('What the field asks').waitFor();
await shot(trainer, 'bench');
await trainer.goto(`${address}/log`);
await trainer.getByText('G4-0417-12').waitFor();
await shot(trainer, 'log');
await walk(await person('technician', phone, 'dark'), '-phone', 'G4-0930-02');
await walk(await person('technician', desk), '', 'G4-0417-12');
await browser.close();
console.log(shots.join(' '));
