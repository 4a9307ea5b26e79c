import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { expect, test } from './people.ts';

/** Things to press in a walk that a finger in a glove would miss: how large each is, and what it is. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll('.walk button, .walk [role=button], .walk a[href]')].flatMap((e) => {
      const box = (e.matches('g') ? (e.querySelector('.reach') ?? e) : e).getBoundingClientRect();
      const least = e.closest('.walk-head') ? 47.5 : e.closest('.passed') ? 44 : 55;
      if (box.width === 0 || e.closest('.visually-hidden, p')) return [];
      return box.height < least || box.width < 44
        ? [`${Math.round(box.width)} by ${Math.round(box.height)}: ${e.textContent || e.getAttribute('aria-label')}`]
        : [];
    }),
  );

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What a checker of accessibility finds on the page as it stands: each fault with where it is. */
async function faultsOf(page: Page, only?: string): Promise<string[]> {
  // told to the page once: what wraps the checker tells it anew for every look, and sums up in a page of its own
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe);
  return page.evaluate(async (rule) => {
    const { violations } = await (window as unknown as { axe: typeof import('axe-core') }).axe.run(document, {
      // nothing but faults is worked out in full, and no style sheet is fetched for rules that are not asked
      resultTypes: ['violations'],
      preload: false,
      ...(rule
        ? { runOnly: { type: 'rule' as const, values: [rule] } }
        : { rules: { 'label-content-name-mismatch': { enabled: true } } }),
    });
    return violations.flatMap((v) => v.nodes.slice(0, 3).map((n) => `${v.id}: ${n.target.join(' ')}`));
  }, only);
}

/** Places with no ink that another place has not: looked at in one look only. */
const sameInks = new Set([
  ...['found', 'a step of the way in', 'after a try', 'a window', '/nowhere', '/shelf', '/which'],
  ...['Prove', 'Close', 'Log', 'a walk in the log'],
  ...['mode/memory', 'panel/front'].map((entry) => `/shelf/brindlewick-g4/${entry}`),
  ...['/bench', '/shelf/brindlewick-g4', '/shelf/brindlewick-g4?room=Codes'],
]);

test('nothing on a technician’s pages keeps anybody out, in either look', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  const found: string[] = [];
  const looks = async (where: string) => {
    found.push(...(await tooSmall(page)).map((what) => `${where}: ${what}`));
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    found.push(...(await faultsOf(page)).map((fault) => `${where}: ${fault}`));
    if (sameInks.has(where)) return;
    // the dark look is the same page in other colours
    await page.emulateMedia({ colorScheme: 'dark' });
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    found.push(...(await faultsOf(page, 'color-contrast')).map((fault) => `${where}, dark: ${fault}`));
    await page.emulateMedia({ colorScheme: 'light' });
  };
  await technician.opensTrail();
  await looks('start');
  await page.getByRole('textbox').fill('K1');
  await technician.sees('Rinse tank slow to warm');
  await looks('found');
  await page.getByRole('textbox').fill('');
  await technician.picksUnit('Brindlewick G4');
  await technician.readsPlate('E2E-AXE', 'G4-20B', '2.6');
  await technician.sees('Single phase, software 2.4 and up');
  await looks('Unit');
  await technician.press('This is the unit');
  await technician.sees('Mains behind covers');
  await looks('Safe');
  await technician.press('I have read this');
  await technician.isAsked('Into memory');
  await looks('Enter');
  await technician.press('Begin, tapping along');
  await looks('a step of the way in');
  for (let i = 0; i < 4; i++) await technician.press('Done');
  await technician.press('Seen');
  await technician.sees('open · shut');
  await looks('a window');
  await technician.press('Done');
  await technician.press('It did not');
  await looks('after a try');
  await technician.press('I was too slow');
  await technician.press('Another try');
  await technician.press('Begin, hands free');
  await looks('hands free');
  await technician.press('It worked');
  await technician.taps(/first character/, 'bde');
  await technician.taps(/the number/, 'adecc');
  await looks('Read');
  await technician.lamp('c').click();
  await technician.lamp('c').click();
  await technician.press('Take K19');
  await technician.isAsked('Is the element white with scale?');
  await looks('Test');
  await technician.press('No');
  await technician.isAsked('Isolate and prove dead');
  await technician.press('Done');
  await technician.isAsked('Measure the rinse sensor');
  await technician.measures('9k1', '22');
  await technician.sees('Too low: 9.1 kΩ');
  await looks('a measurement');
  await technician.press('Take this reading');
  await technician.sees('Cause found');
  await looks('the cause');
  await technician.press('Repaired: go on to Clear');
  await technician.sees('stays isolated');
  await looks('Clear');
  await technician.press('All is back');
  await technician.isAsked('Into memory');
  await technician.goesAhead('Prove', 'cleared already');
  await technician.sees(/prove it/);
  await looks('Prove');
  await technician.press('Fault is gone');
  await technician.isAsked('Proved');
  await looks('Close');
  await page.goto('/log');
  await technician.sees('E2E-AXE');
  await looks('Log');
  await page.getByRole('link', { name: /E2E-AXE/ }).click();
  await technician.sees(/Cause found, Rinse temperature sensor/);
  await looks('a walk in the log');
  for (const [address, says] of [
    ['/profile', 'Your profile'],
    ['/which', 'Which unit is it?'],
    ['/shelf', 'Brindlewick G4'],
    ['/shelf/brindlewick-g4', 'Brindlewick G4'],
    ['/machines/brindlewick-g4/E2E-AXE', 'Walks'],
    ['/nowhere', 'There is no page at this address'],
  ] as const) {
    await page.goto(address);
    await technician.sees(says);
    await looks(address);
  }
  expect([...new Set(found)]).toEqual([]);
});

// 200 % zoom of a phone's page is the page at half its width; 780 is a tablet
for (const width of [320, 780])
  test(`${width} wide nothing of a walk is cut off, and everything is reached by keyboard`, async ({ field }) => {
    const technician = await field({ width, height: 640 });
    const { page } = technician;
    const isWhole = async () =>
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth + 1)).toBe(true);
    await technician.opensTrail();
    await isWhole();
    await page.getByRole('textbox').focus();
    await page.keyboard.type('k19');
    await technician.sees('Rinse tank slow to warm');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await page.getByLabel('Serial number').focus();
    await page.keyboard.type('E2E-KEYS');
    await isWhole();
    await page.keyboard.press('Enter');
    await technician.sees('What can hurt here');
    await isWhole();
    await page.getByRole('button', { name: 'I have read this' }).focus();
    await page.keyboard.press('Enter');
    await technician.isAsked('Into memory');
    await isWhole();
    await page.getByRole('button', { name: /^5 Test/ }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'It shows at the front' }).focus();
    await page.keyboard.press('Enter');
    await technician.isAsked('Is the element white with scale?');
    await isWhole();
  });

test('an address is kept over the sign-in, and an unknown one says so', async ({ browser }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.goto('/shelf/quorrin-b2?room=Codes');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('Type the name you sign in with.')).toBeVisible();
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.getByLabel('Name').fill('technician');
  await page.getByLabel('Password').fill('orrimar-demo');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page).toHaveURL(/\/shelf\/quorrin-b2\?room=Codes$/);
  await expect(page.getByText('B2', { exact: true }).first()).toBeVisible();
  await page.goto('/trial');
  await expect(page.getByText('There is no page at this address')).toBeVisible();
  await page.getByRole('link', { name: 'To the start', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'What do you see?' })).toBeVisible();
  await context.close();
});

test('a profile holds: units in a measurement, how days are written, the look', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await page.goto('/profile');
  await technician.press('°F');
  await technician.press('2026-11-27');
  await technician.press('Dark');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await technician.isTesting('Brindlewick K17', /K17/, 'G4-E2E-OWN');
  await technician.press('No');
  await technician.isAsked('Isolate and prove dead');
  await technician.press('Done');
  await technician.isAsked('Measure the rinse sensor');
  // a bare number is one in the own unit
  await technician.measures('12k', '77');
  await technician.sees(/^Good: 12 kΩ/);
  await technician.sees(/good at 77 °F/);
  await page.goto('/log');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('nothing on a trainer’s pages keeps anybody out, in either look', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  const found: string[] = [];
  const unit = '/shelf/brindlewick-g4';
  for (const [address, says] of [
    ['/shelf', 'Brindlewick G4'],
    [unit, 'How to recognise it'],
    [`${unit}?room=Codes`, 'As the unit shows it'],
    [`${unit}?room=To%20fix`, 'let stand'],
    [`${unit}/code/k19`, 'What the control saw'],
    [`${unit}/route/enter-memory`, 'Timeline'],
    [`${unit}/mode/memory`, 'what shows when all is well'],
    [`${unit}/panel/front`, 'Pressed'],
    ['/bench', 'What the field asks'],
  ] as const) {
    await page.goto(address);
    await trainer.sees(says);
    await page.evaluate(() => document.fonts.ready.then(() => undefined));
    found.push(...(await faultsOf(page)).map((fault) => `${address}: ${fault}`));
    if (sameInks.has(address)) continue;
    await page.emulateMedia({ colorScheme: 'dark' });
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    found.push(...(await faultsOf(page, 'color-contrast')).map((fault) => `${address}, dark: ${fault}`));
    await page.emulateMedia({ colorScheme: 'light' });
  }
  expect([...new Set(found)]).toEqual([]);
});
