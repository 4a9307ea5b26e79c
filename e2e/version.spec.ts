import { appendFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from './people.ts';

test('a new version waits until no walk is open, says so, and loads; the walk goes on from where it was', async ({
  field,
  baseURL,
}) => {
  const served = fileURLToPath(new URL(`../.cache/e2e-web-${new URL(baseURL ?? '').port}/sw.js`, import.meta.url));
  const technician = await field(undefined, 'offline');
  const { page } = technician;
  await technician.opensTrail();
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await technician.picksUnit('Brindlewick G4');
  await technician.press('This is the unit');
  await technician.sees('it needs its serial number');

  appendFileSync(served, `\n// ${Date.now()}\n`);
  await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()));
  await expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting?.state))
    .toBe('installed');
  // a page that was loaded anew would know nothing of this
  await page.evaluate(() => document.body.setAttribute('data-was-here', ''));
  await technician.readsPlate('E2E-0044', 'G4-20B', '2.6');
  await technician.sees('because model number fits');
  await technician.press('This is the unit');
  await technician.sees('What can hurt here');
  await expect(page.locator('[data-was-here]')).toBeAttached();
  await expect(page.getByText('A new version of Wire Trail is here')).toBeHidden();

  // it stands there for as long as one reads a line; the page that says it is gone then
  await page.evaluate(() =>
    new MutationObserver(() => {
      if (document.body.textContent.includes('A new version of Wire Trail is here'))
        sessionStorage.setItem('said', 'yes');
    }).observe(document.body, { childList: true, subtree: true, characterData: true }),
  );
  await page.getByRole('link', { name: /back to the start/ }).click();
  await expect(async () => {
    expect(await page.evaluate(() => sessionStorage.getItem('said'))).toBe('yes');
  }).toPass();
  await expect(page.locator('[data-was-here]')).not.toBeAttached();
  expect(
    await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting ?? null),
  ).toBeNull();
  await page.getByRole('link', { name: /E2E-0044/ }).click();
  await technician.sees('What can hurt here');
});
