import { expect, test } from './people.ts';

test('with a plate nobody has read no part is condemned: the reading waits until the plate says which variant it is', async ({
  field,
}) => {
  const technician = await field({ width: 390, height: 844 });
  const { page } = technician;
  await technician.isTesting('Brindlewick K17', /K17/, 'NO-MODEL-READ');
  await technician.isAsked('Is the element white with scale?');
  await technician.press('No');
  await technician.isAsked('Isolate and prove dead');
  await technician.press('Done');
  await technician.isAsked('Measure the rinse sensor');
  await technician.measures('12.1k', '25.0 °C');
  await technician.press('Take this reading');

  await technician.isAsked('Measure the rinse element');
  await technician.sees(/good on Three phase/);
  await technician.measures('18');
  await technician.sees(/It needs the plate/);
  await technician.sees(/Single phase.*: good; there 16.2 Ω to 19 Ω is good/);
  await technician.sees(/Three phase.*: too high; there 10.8 Ω to 12.7 Ω is good/);
  await technician.sees(/What tells: the model number\./);
  await expect(page.getByRole('button', { name: 'Take this reading' })).toHaveCount(0);

  await technician.press('Read the plate');
  await technician.isAsked('Which unit is it?');
  await technician.type(/^Model/, 'G4-20B');
  await technician.press('This is the unit');
  // what was typed is still there, and now it is known what it means
  await technician.isAsked('Measure the rinse element');
  await expect(page.getByLabel(/^What the meter shows/)).toHaveValue('18');
  await technician.sees('Good: 18 Ω');
  await technician.seesNot(/It needs the plate/);
  await technician.press('Take this reading');
  await technician.seesNot(/^What the meter shows/);
});
