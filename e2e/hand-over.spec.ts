import { expect, test } from './people.ts';

test('a walk begins with what the customer says, stops at a step for a licensed person, and goes on with one', async ({
  field,
  desk,
}) => {
  const technician = await field({ width: 390, height: 844 });
  const { page } = technician;
  await technician.opensTrail();
  await page.getByRole('textbox').fill('Quorrin lukewarm');
  await page
    .getByRole('button', { name: /lukewarm/i })
    .first()
    .click();
  await technician.readsPlate('HAND-1', 'B2-7', '3.0');
  await technician.press(/What does the customer say/);
  await technician.type('In their words', 'Coffee is lukewarm since the second machine came');
  await page.getByRole('checkbox', { name: 'when other things run' }).check();
  await page.getByRole('checkbox', { name: 'it was reset' }).check();
  await technician.type('Age or build year', '6 years');
  await technician.press('Keep what they say');
  await technician.press('What the customer says');
  await technician.sees(/Another kettle on the same supply/);
  await technician.sees(/it was reset: older codes may be gone/);
  await technician.press('This is the unit');
  await technician.press('I have read this');
  await technician.sees(/the symptom leads/);

  await technician.press('Yes');
  await technician.measures('10.1k', '25 °C');
  await technician.press('Take this reading');
  // beyond this point it is somebody else's
  await technician.isAsked('This is for a licensed person');
  await technician.sees('Ferrel Voss, licensed electrician');
  await technician.seesNot(/What the meter shows/);
  await technician.press('Hand it over');
  await technician.isAsked('Handed over');
  await technician.sees(/Local codes come first/);
  await technician.sees(/HAND-1/);
  await technician.sees(/age or build year: 6 years|still to be found out/);
  await technician.hasSentAll();

  const licensed = await desk('reviewer');
  await licensed.page.goto('/trail');
  await licensed.sees('To take over');
  const waiting = licensed.page.locator('li', { hasText: 'HAND-1' });
  await expect(waiting).toContainText('from Demo technician');
  await waiting.getByRole('button', { name: 'Take it over' }).click();
  // everything that was read is there, and the step is asked
  await expect(licensed.page.getByRole('heading', { level: 1, name: 'Measure the front element' })).toBeVisible();
  await licensed.type(/^What the meter shows/, 'OL');
  await licensed.press('Take this reading');
  await licensed.sees('QB-2407');
  await licensed.press('one more');
  await licensed.sees('2 ×');
  await licensed.press('Put it in the order mailbox');
  await licensed.sees(/in the order mailbox: 2 × QB-2407/);
  await expect(async () => {
    await licensed.page.goto('/log');
    await licensed.press(/Order mailbox: \d/);
    await expect(licensed.page.getByRole('row', { name: /QB-2407 2 .*HAND-1/ })).toBeVisible({ timeout: 2000 });
  }).toPass();
});
