// npm run screenshots: takes the README's pictures from a running, fresh demo (WIRE_TRAIL_URL, else the usual address).
// With SHOTS=FOLDER every picture on the way goes there instead.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { chromiumOptions } from '../e2e/chromium.mjs';
import { root } from './machine.mjs';
import { pdfPicture } from './pdf-picture.mjs';

const address = process.env.WIRE_TRAIL_URL ?? 'http://127.0.0.1:4180';
const out = process.env.SHOTS ?? join(root, 'docs/screenshots');
/** The pictures that stand in the README; the others are for looking at. */
const kept = [
  'shelf',
  'family-codes',
  'studio',
  'find',
  'code',
  'route',
  'chart',
  'pocket-card',
  'readout',
  'camera-phone',
  'modes',
  'play',
  'coach-phone',
  'bench',
  'steps',
  'start-phone',
  'measure-phone',
  'clear-phone',
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
  // what was done is written down before the next thing is
  await page.waitForTimeout(450);
  if (!wanted(name)) return;
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
  await page.getByRole('button', { name: 'Begin, hands free' }).waitFor();
  await shot(page, `enter-list${suffix}`);
  if (suffix !== '') {
    await tap(page, 'Begin, hands free');
    await page.getByText('open · shut', { exact: true }).waitFor({ timeout: 60_000 });
    await page.waitForTimeout(1500);
    await shot(page, `coach${suffix}`);
    await tap(page, 'Stop the beat');
  }
  await tap(page, 'Begin, tapping along');
  for (let i = 0; i < 4; i++) await tap(page, 'Done');
  await tap(page, 'Seen');
  await page.getByRole('button', { name: 'once' }).click();
  await page.getByRole('button', { name: /^Start/ }).click();
  await page.waitForTimeout(1800);
  await shot(page, `enter${suffix}`);
  await tap(page, 'Done');
  await tap(page, 'It worked');
  const key = (l) => page.getByRole('button', { name: new RegExp(`^lamp ${l}\\b`) });
  await key('b').waitFor();
  for (const l of ['b', 'd', 'e']) await key(l).click();
  await page.getByRole('tab', { name: /the number/ }).click();
  for (const l of ['a', 'd', 'e', 'c', 'c']) await key(l).click();
  await shot(page, `read${suffix}`);
  await key('c').click();
  await tap(page, 'Take K19');
  await page.getByRole('button', { name: 'No', exact: true }).click();
  await tap(page, 'Done');
  await page.getByLabel(/Temperature of/).fill('22');
  await page.getByLabel(/What the meter shows/).fill('14.5k');
  await page.getByRole('figure', { name: /curve/ }).waitFor();
  await page.getByLabel(/Temperature of/).evaluate((box) => box.scrollIntoView({ block: 'start' }));
  await shot(page, `measure${suffix}`);
  await page.getByLabel(/What the meter shows/).fill('13k4');
  await tap(page, 'Take this reading');
  await page.getByRole('heading', { level: 1, name: /element/ }).waitFor();
  await page.getByLabel(/What the meter shows/).fill('31');
  await tap(page, 'Take this reading');
  await shot(page, `verdict${suffix}`);
  await page.getByRole('button', { name: /go on to Clear/ }).click();
  await shot(page, `clear${suffix}`);
  await tap(page, 'All is back');
  await tap(page, 'It stands in that mode already');
  await tap(page, 'It is erased already');
  await tap(page, 'That is done already');
  await page.getByText('Run it and see').waitFor();
  await shot(page, `prove${suffix}`);
  await tap(page, 'Fault is gone');
  await page.getByText('What fixed it').waitFor();
  await shot(page, `fixed${suffix}`);
}

/** A blink read off the simulated camera: the picture, the trace and what was made of it. */
async function camera(page, serial) {
  await page.goto(`${address}/trail`);
  await page.getByText('five lamps in an arc').first().waitFor();
  await page.locator('.unit-card', { hasText: 'Quorrin B2' }).click();
  await page.getByLabel('Serial number').fill(serial);
  await page.getByLabel(/^Model/).fill('B2-4');
  await tap(page, 'This is the unit');
  await tap(page, 'I have read this');
  await page.getByRole('button', { name: /^4 Read/ }).click();
  await tap(page, 'It stands in that mode already');
  await tap(page, 'Read by camera');
  await tap(page, 'Simulated');
  await page.getByLabel('it shows').selectOption('B4');
  await page.getByLabel('shaky hand').check();
  await tap(page, 'Start watching');
  await page.getByText('Made of it').waitFor({ timeout: 60_000 });
  await page.getByTestId('camera-picture').evaluate((c) => c.scrollIntoView({ block: 'start' }));
  await shot(page, 'camera-phone');
}

const trainer = await person('trainer', desk);
await trainer.goto(`${address}/shelf`);
await trainer.getByText('Brindlewick G4').first().waitFor();
await shot(trainer, 'shelf');
for (const room of ['Panel', 'Codes', 'Routes', 'Charts', 'To fix']) {
  await trainer.goto(`${address}/shelf/brindlewick-g4?room=${encodeURIComponent(room)}`);
  await trainer.getByRole('tab', { name: new RegExp(`^${room}`) }).waitFor();
  await shot(trainer, `family-${room.toLowerCase().replace(' ', '-')}`);
}
await trainer.goto(`${address}/shelf/brindlewick-g4/route/enter-memory`);
await trainer.getByText('With gloves it fails most').waitFor();
await trainer.getByRole('button', { name: /window · slack/ }).focus();
await shot(trainer, 'route');
await trainer.getByRole('tab', { name: 'Descriptions' }).click();
await trainer.getByRole('button', { name: 'rest 5 s' }).click();
await shot(trainer, 'accounts');
await trainer.goto(`${address}/shelf/ostrel-r6/chart/glass-sensor`);
await trainer.getByRole('treeitem', { name: /Left against right/ }).click();
await trainer.locator('.step-box.picked').waitFor();
await trainer.waitForTimeout(700);
await shot(trainer, 'chart');
await trainer.goto(`${address}/shelf/brindlewick-g4/chart/rinse-heat`);
await trainer.getByRole('tab', { name: 'Print and exchange' }).click();
await tap(trainer, 'Card for the pocket');
await trainer.getByLabel('for which code').selectOption('k19');
await shot(trainer, 'chart-print');
if (wanted('pocket-card')) {
  const [download] = await Promise.all([trainer.waitForEvent('download'), tap(trainer, 'PDF')]);
  writeFileSync(join(out, 'pocket-card.png'), await pdfPicture(browser, readFileSync(await download.path())));
  shots.push('pocket-card');
}
await trainer.goto(`${address}/shelf/hobrannet-t12/readout/lift`);
await trainer.getByText('Over time').waitFor();
await trainer.waitForTimeout(700);
await shot(trainer, 'readout');
await trainer.goto(`${address}/shelf/tarrow-h5/steps?new=Tarrow%20H5`);
await trainer.getByLabel('How one knows it').fill('four lamps beside a knob');
await trainer.getByLabel('Where its plate is').fill('Below, left.');
const begin = trainer.getByRole('button', { name: 'Begin this unit' });
if (await begin.isVisible()) await begin.click();
await trainer.getByRole('region', { name: 'variants' }).waitFor();
await trainer
  .getByRole('navigation', { name: 'steps' })
  .getByRole('button', { name: /Its panel/ })
  .click();
await trainer
  .getByLabel('Say it in words')
  .fill('four lamps in a row, three green and a red one, labelled 1, 2, 4 and half, a knob right of them, a pad below');
await trainer.getByText('4 lamps (green, red): 1, 2, 4, half').waitFor();
await shot(trainer, 'steps');
await trainer.goto(`${address}/shelf/brindlewick-g4/readout/lamps?tab=Learn%20from%20examples`);
await trainer.getByText('What they say').waitFor();
await shot(trainer, 'learn');
await trainer.goto(`${address}/shelf/quorrin-b2/readout/rear`);
await trainer.getByRole('tab', { name: 'Look-alikes' }).click();
await trainer.getByText('What shows, across').waitFor();
await shot(trainer, 'look-alikes');
await trainer.goto(`${address}/shelf/brindlewick-g4?room=Modes`);
await trainer.locator('.mode-box', { hasText: 'Memory' }).click();
await trainer.getByLabel('play it beside').check();
await trainer.getByText('It stands in').waitFor();
await shot(trainer, 'modes');
await trainer.goto(`${address}/play/hobrannet-t12?route=enter`);
await trainer.getByText('Nothing yet.').waitFor();
await trainer.waitForTimeout(3300);
await trainer.getByTestId('control-pedal').focus();
await trainer.keyboard.down(' ');
await trainer.getByTestId('control-key').dispatchEvent('pointerdown', { clientX: 10_000, pointerId: 1 });
await trainer.waitForTimeout(700);
await trainer.getByTestId('control-pedal').focus();
await trainer.keyboard.up(' ');
await trainer.getByText('Nearest was').waitFor();
await shot(trainer, 'play');
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
await trainer.getByRole('button', { name: 'Withdraw' }).waitFor();
await shot(trainer, 'review');
await trainer.goto(`${address}/bench`);
await trainer.getByText('What the field asks').waitFor();
await shot(trainer, 'bench');
await trainer.goto(`${address}/log`);
await trainer.getByText('G4-0417-12').waitFor();
await shot(trainer, 'log');
await trainer.goto(`${address}/shelf/sandrelle-l6/panel/helm`);
await trainer.getByTestId('part-l2').click();
await shot(trainer, 'studio');
await trainer.goto(`${address}/shelf/hobrannet-t12?room=Codes&as=table`);
await trainer.getByRole('gridcell', { name: '21', exact: true }).waitFor();
await shot(trainer, 'code-table');
await tap(trainer, 'Paste or import a table …');
await trainer
  .getByLabel('Paste from a spreadsheet, or from a web page')
  .fill(
    [
      'Fault code;Meaning;Possible causes;Who may act',
      '53–56;Memory page lost;Truck control | wears out;technician',
      '21;Pump current too high;Pump motor;technician',
      '61;Odd;x;nobody',
      '2-1;Again;;',
    ].join('\n'),
  );
await tap(trainer, 'See what it would change');
await trainer.getByText('stands already').waitFor();
await tap(trainer, 'all 4');
await shot(trainer, 'import');
await trainer.goto(`${address}/shelf`);
await trainer.getByText('Brindlewick G4').first().waitFor();
await trainer.keyboard.press('/');
await trainer.getByLabel(/^Find a code/).fill('corrant 4l2 7');
await trainer.getByText('L looks like 1').first().waitFor();
await shot(trainer, 'find');
await trainer.goto(`${address}/shelf/sandrelle-l6/family/sandrelle-l6`);
await trainer.getByText('Try a plate').waitFor();
await shot(trainer, 'variants');
await trainer.goto(`${address}/library`);
await trainer.getByText('Mains behind covers').waitFor();
await shot(trainer, 'library');
const looker = await person('technician', phone);
await looker.goto(`${address}/trail`);
await looker.getByText('five lamps in an arc').first().waitFor();
await looker.getByRole('link', { name: 'Not sure which unit?' }).click();
await looker.getByRole('button', { name: 'Cannot tell' }).waitFor();
await shot(looker, 'which-phone');
await looker.goto(`${address}/machines/brindlewick-g4/G4-0417-12`);
await looker.getByText('last seen').waitFor();
await shot(looker, 'machine-phone');
await looker.goto(`${address}/profile`);
await looker.getByText('Units', { exact: true }).waitFor();
await shot(looker, 'profile-phone');
await camera(await person('technician', phone), 'QB-0412');
await walk(await person('technician', phone, 'dark'), '-phone', 'G4-0930-02');
await walk(await person('technician', desk), '', 'G4-0417-12');
await browser.close();
console.log(shots.join(' '));
