import { fork } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { chromium, type Page } from '@playwright/test';
// @ts-expect-error plain JavaScript, as the tests that share it
import { chromiumOptions } from '../../e2e/chromium.mjs';
// @ts-expect-error plain JavaScript, as the start command that shares it
import { freePort } from '../database.mjs';

/** A throw-away school in the built application, as long as the work takes; `web` serves another page in its place. */
export async function withBuiltSchool<T>(work: (address: string) => Promise<T>, web?: string): Promise<T> {
  const port = String(await freePort());
  const server = fork(fileURLToPath(new URL('../../e2e/server.mjs', import.meta.url)), [], {
    env: { ...process.env, E2E_PORT: port, ...(web !== undefined && { E2E_WEB: web }) },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const address = `http://127.0.0.1:${port}`;
  const isUp = () =>
    fetch(`${address}/api/v1/health`).then(
      (r) => r.ok,
      () => false,
    );
  try {
    while (!(await isUp())) await new Promise((resolve) => setTimeout(resolve, 250));
    return await work(address);
  } finally {
    server.kill('SIGTERM');
    await once(server, 'exit');
  }
}

/** Somebody signed in at a screen of this size. */
export async function signedIn(
  address: string,
  name: string,
  viewport: { width: number; height: number },
): Promise<Readonly<{ page: Page; close: () => Promise<void> }>> {
  const browser = await chromium.launch(chromiumOptions);
  const page = await (await browser.newContext({ viewport, serviceWorkers: 'block' })).newPage();
  await page.goto(address);
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Password').fill('orrimar-demo');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('navigation', { name: 'areas' }).waitFor();
  return { page, close: () => browser.close() };
}
