import { expect, test } from './people.ts';

test('a way that worked is shown, offered, and taken by a trainer as a telling beside the others', async ({
  field,
  desk,
}) => {
  const technician = await field({ width: 390, height: 844 });
  const { page } = technician;
  await technician.opensTrail();
  await technician.picksUnit('Wexmorl S5');
  await technician.readsPlate('FIELD-1', 'S5-50', '1.9');
  await technician.press('This is the unit');
  await technician.press('I have read this');
  await technician.press('Begin, tapping along');
  await technician.press('It went wrong here');
  await technician.press(/^Show what I did/);
  const green = page.getByTestId('control-green');
  for (const ms of [120, 120, 1400]) {
    await green.hover();
    await page.mouse.down();
    await page.waitForTimeout(ms);
    await page.mouse.up();
  }
  await technician.press('This worked on the unit: offer it');
  await technician.isAsked('This worked');
  await technician.sees(/2 times/);
  await technician.sees(/hold/);
  await technician.type('What should they know?', 'Two taps and a long one, every time.');
  await technician.press('Offer it and go on');
  // it took: the walk goes on
  await technician.sees(/By phone, or typed in words|It may have been misread/);
  await technician.hasSentAll();

  const trainer = await desk('trainer');
  await trainer.page.goto('/bench');
  const offered = trainer.page.getByRole('article', { name: /Another way of “Into service”/ });
  await expect(offered).toContainText('Two taps and a long one, every time.');
  await expect(offered).toContainText('FIELD-1');
  await offered.getByRole('button', { name: 'Take it into a draft' }).click();
  await trainer.sees('Taken into drafts:');
  await trainer.page.getByRole('link', { name: /^account field-/ }).click();
  await expect(trainer.page.getByRole('heading', { level: 1 })).toContainText('Demo technician');
});

test('a reading is laid beside those of others of its kind, and says which is the odd one', async ({ field }) => {
  const technician = await field({ width: 390, height: 844 });
  const { page } = technician;
  await technician.isTesting('Quorrin lukewarm', /lukewarm/i, 'FIELD-2', 'symptom');
  await technician.press('Yes');
  await technician.sees(/What the meter shows/);
  const beside = page.getByRole('region', { name: 'another one of its kind' });
  const reads = async (one: string, works: string, ohms: string) => {
    await technician.press(/^Read another one of its kind/);
    await beside.getByLabel('Which one?').fill(one);
    await beside.getByLabel('Does that one work?').selectOption(works);
    await beside.getByLabel(/^Temperature of/).fill('25 °C');
    await beside.getByLabel(/^What the meter shows/).fill(ohms);
    await beside.getByRole('button', { name: `Take it for ${one}` }).click();
  };
  await reads('the left boiler', 'unknown', '10.0k');
  await reads('the right boiler', 'unknown', '12.6k');
  await technician.sees(/of two nobody can tell which is the bad one/);
  await reads('next door', 'yes', '10.1k');
  const side = page.getByRole('region', { name: 'side by side' });
  await expect(side).toContainText('The right boiler is more than 10 % off the one that works.');
  await expect(side.getByRole('row', { name: /the right boiler/ })).toContainText('not as the others, 25 %');
});
