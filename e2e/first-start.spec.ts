import { type ChildProcess, spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { type Browser, test as base, expect } from '@playwright/test';
// @ts-expect-error plain JavaScript, as the server of the tests that shares it
import { freePort } from '../scripts/database.mjs';
import { Person } from './people.ts';

const folder = fileURLToPath(new URL('.', import.meta.url));
/** A school of its own that begins with nothing but its first admin. */
const test = base.extend<{ school: string }>({
  // biome-ignore lint/correctness/noEmptyPattern: it asks for nothing
  school: async ({}, use) => {
    const port = await freePort();
    const address = `http://127.0.0.1:${port}`;
    const server: ChildProcess = spawn(process.execPath, ['server.mjs'], {
      cwd: folder,
      env: { ...process.env, E2E_PORT: String(port), E2E_FIRST_ADMIN: 'head' },
      stdio: 'inherit',
    });
    const gone = new Promise((resolve) => server.once('exit', resolve));
    try {
      await expect
        .poll(async () => (await fetch(`${address}/api/v1/health`).catch(() => null))?.ok ?? false)
        .toBe(true);
      await use(address);
    } finally {
      server.kill('SIGTERM');
      await gone;
    }
  },
});

const comesIn = async (browser: Browser, school: string, name: string): Promise<Person> => {
  const context = await browser.newContext({ baseURL: school, serviceWorkers: 'block', reducedMotion: 'reduce' });
  const person = new Person(await context.newPage(), context);
  await person.signIn(name);
  return person;
};

test('a school begins with nothing: a sample and back, the first trainer, the first unit', async ({
  browser,
  school,
}) => {
  const admin = await comesIn(browser, school, 'head');
  const shelf = admin.page.getByRole('region', { name: 'where to begin' });
  await admin.page.goto('/shelf');
  await admin.sees('The Shelf is empty. Where do you want to begin?');

  // two minutes of what is where, for whoever asks
  await shelf.getByRole('button', { name: 'a technician' }).click();
  await admin.sees(/the Trail begins with it/);
  await admin.press('Go on');
  await admin.sees(/one thing to do at a time/);

  // a sample to learn from, and away again by one click
  await admin.press('Put the sample on the Shelf');
  await admin.sees('A sample to learn from stands on the Shelf.');
  await expect(shelf).toHaveCount(0);
  await admin.press('Take the sample away');
  await admin.sees('The Shelf is empty. Where do you want to begin?');

  // the others: a trainer, who writes
  await admin.page.getByRole('link', { name: 'People' }).click();
  const add = admin.page.locator('form').filter({ has: admin.page.getByRole('button', { name: 'Add person' }) });
  await add.getByLabel('Name', { exact: true }).fill('Tilde Varnholm');
  await add.getByLabel('Signs in as').fill('tilde');
  await add.getByLabel('Password').fill('orrimar-demo');
  await add.getByLabel('Role').selectOption('trainer');
  await admin.press('Add person');
  await admin.sees('Tilde Varnholm');
  expect(admin.complaints).toEqual([]);

  const trainer = await comesIn(browser, school, 'tilde');
  await trainer.page.goto('/shelf');
  await trainer.page.getByRole('region', { name: 'where to begin' }).getByRole('button', { name: 'Add unit' }).click();
  const asked = trainer.page.getByRole('dialog', { name: 'Add unit' });
  await asked.getByRole('textbox').first().fill('Quennel T3');
  await asked.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(trainer.page).toHaveURL(/\/shelf\/quennel-t3\/steps/);
  await trainer.type('In a sentence', 'Tumbles crates dry.');
  await trainer.press('Begin this unit');
  await expect(trainer.page.getByText('kept', { exact: true })).toBeVisible();
  await trainer.page.goto('/shelf');
  await trainer.sees('Quennel T3');
  await expect(trainer.page.getByText('1 unit', { exact: true })).toBeVisible();
  expect(trainer.complaints).toEqual([]);
  await admin.context.close();
  await trainer.context.close();
});
