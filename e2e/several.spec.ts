import { expect, test } from './people.ts';

test('several codes in memory: what follows from one is folded, two are tested, one is left for later', async ({
  field,
}) => {
  const technician = await field();
  const { page } = technician;
  await technician.isAtTheReadout('Brindlewick G4', 'E2E-0061', 'G4-20B', '2.6');
  const reads = async (letter: string, number: string) => {
    await technician.taps(/first character/, letter);
    await technician.taps(/the number/, number);
  };
  await reads('bde', 'ade');
  await technician.press('Next stored code');
  // the hood board’s word follows from the cold rinse
  await reads('b', 'c');
  await technician.press('Next stored code');
  await reads('a', 'bde');
  await technician.press('Next stored code');
  await reads('de', 'de');
  await technician.press('Take C03');

  // Test: the first one to its end
  await technician.isAsked('Is the element white with scale?');
  await technician.press('Yes');
  await technician.isAsked('Descale the rinse tank');
  await technician.press('Undo the last step');
  await technician.press('Cannot tell');
  await technician.isAsked('Isolate and prove dead');
  await technician.press('Done');
  await technician.isAsked('Measure the rinse sensor');
  await technician.measures('13k4', '22');
  await technician.press('Take this reading');
  await technician.isAsked('Measure the rinse element');
  await technician.measures('OL');
  await technician.press('Take this reading');
  await technician.press('Go on: other codes are left');

  // nothing is erased before each is tested or left with a reason
  await technician.isAsked('Other codes were read');
  await technician.sees('Explains H04');
  await technician.press('Test P11');
  await technician.isAsked('No chart for this yet');
  await technician.press('Go on: other codes are left');
  await technician.press('Leave C03 for later …');
  await expect(page.getByRole('button', { name: 'Leave C03 for later', exact: true })).toBeDisabled();
  await technician.type('Why is C03 left?', 'the inlet hose comes on Monday');
  await technician.press('Leave C03 for later');

  // Clear and Prove: all that was tested, and what is left stays on the list
  await technician.isAsked('Put everything back');
  await technician.sees('Plug S7, back on the board');
  await technician.sees(/C03 .*the inlet hose comes on Monday/);
  await technician.press('All else is back');
  await technician.press('It stands in that mode already');
  await technician.press('It is erased already');
  await technician.press('That is done already');
  await technician.isAsked('Run it and see');
  await expect(page.getByRole('listitem').filter({ hasText: /^K19/ })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: /^P11/ })).toBeVisible();
  await technician.press('P11 returned');
  await technician.isAsked('It returned');
  await technician.goesOnBy('Close and hand on');
  await page.goto('/trail');
  await technician.hasSentAll();
  await technician.goTo('Log');
  await page.getByRole('link', { name: /E2E-0061/ }).click();
  await technician.sees(/C03 .*left for later: the inlet hose comes on Monday/);
});
