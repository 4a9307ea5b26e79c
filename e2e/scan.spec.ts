import { plateClip, seeing } from './fake-camera.ts';
import { expect, test } from './people.ts';

const clip = plateClip('MODEL: G4-20B;S/N: E2E-SCAN-1;SW: 2.6', 'plate.y4m');
test.use({ launchOptions: seeing(clip) });

test('a plate is scanned at the start: the unit is known by it, and nothing has to be typed', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await technician.opensTrail();
  await technician.press('Scan the plate');
  await technician.isAsked('Which unit is it?');
  await expect(page.getByLabel('Serial number')).toHaveValue('E2E-SCAN-1');
  await technician.sees('Single phase, software 2.4 and up');
  await technician.press('This is the unit');
  await technician.sees('What can hurt here');
});

test('a plate that cannot be read does not stop a walk; scanned later, it is the same walk', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await technician.opensTrail();
  await technician.picksUnit('Brindlewick G4');
  await technician.press('The number cannot be read');
  await technician.press('I have read this');
  await technician.isAsked('Into memory');
  const address = page.url();
  await technician.press('Add it now');
  await technician.press('Scan');
  await expect(page.getByLabel('Serial number')).toHaveValue('E2E-SCAN-1');
  await technician.press('This is the unit');
  await technician.isAsked('Into memory');
  await technician.seesNot(/was not read/);
  expect(page.url()).toBe(address);
});
