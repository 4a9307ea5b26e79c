import { expect, test } from './people.ts';

const list = `1. Is the canister empty? If yes, replace it and go to 4.
2. Is the lance free of crystals? If not, clean it and go to 4.
3. Measure the float of the lance, 80 to 120 Ω. If low, replace the lance. If high, replace the lance.
4. Run one wash. Does the lamp go out? Yes: go to 5. No: go to 2.
5. Hand it on to the school.`;

test('a numbered list becomes a chart by the keyboard alone, is mended, shared by two codes, published, and walked', async ({
  desk,
  field,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  const keys = async (...all: string[]) => {
    for (const key of all) await page.keyboard.press(key);
  };
  const row = (name: RegExp | string) => page.getByRole('treeitem', { name });
  /** Goes along the outline until the keyboard stands on a row. */
  const standsOn = async (name: RegExp) => {
    await keys('Home');
    for (
      let i = 0;
      i < 40 &&
      !(await row(name)
        .first()
        .getAttribute('aria-current')
        .then((c) => c === 'true'));
      i++
    )
      await keys('ArrowDown');
    await expect(row(name).first()).toHaveAttribute('aria-current', 'true');
  };
  await page.goto('/shelf/brindlewick-g4?room=Charts');
  await page.getByRole('button', { name: 'Add chart' }).focus();
  await keys('Enter');
  await page.keyboard.type('Rinse aid does not come');
  await keys('Enter');
  await page.getByLabel(/Paste a numbered list/).focus();
  await page.keyboard.insertText(list);
  await trainer.sees('line 4: taken as Run');
  await keys('Tab', 'Enter');
  await trainer.sees('8 steps');

  // what is wrong with it is noticed
  await trainer.sees(/lead round, and nothing says how often/);
  await trainer.sees(/“Is the canister empty\?” has no way on for “cannot tell”/);
  await trainer.sees(/hands on, and does not say to whom/);

  // mended in the outline: where “cannot tell” ends, and what has gone round too often
  await row(/Is the canister empty/).focus();
  await standsOn(/Hand it on to the school/);
  await keys('c', 'r');
  await expect(row(/Hand it on to the school/)).toContainText('too often round');
  await trainer.seesNot(/lead round/);
  await trainer.seesNot(/has no way on/);
  await page.getByLabel('hand on to').fill('the school');
  await trainer.seesNot(/does not say to whom/);

  // probes on what may still be live, and on what else is connected: a danger that is named, how it is isolated, and what comes off first
  await trainer.sees(/is measured dead, and on a way there nothing takes the supply off/);
  await trainer.sees(/the reading may be of another path beside it/);
  await row(/Measure the float/).focus();
  await standsOn(/Measure the float/);
  await expect(page.getByRole('region', { name: /^step: Measure the float/ })).toBeVisible();
  await page.getByLabel('Mains behind covers').focus();
  await keys('Space');
  // that it is named takes nothing off
  await trainer.sees(/nothing takes the supply off/);
  await page.getByLabel('isolation', { exact: true }).focus();
  await page.keyboard.type('Isolator open and locked, proved dead.');
  await trainer.seesNot(/nothing takes the supply off/);
  await page.getByRole('button', { name: 'Add disconnect' }).focus();
  await keys('Enter');
  await page.keyboard.type('The plug of the lance');
  await trainer.seesNot(/another path beside it/);

  // a step more, its words, its answer; the drawing follows at once
  await row(/Hand it on to the school/).focus();
  await standsOn(/replace Replace it/i);
  await keys('Enter');
  await page.keyboard.type('wait 2 min: Let the lance fill');
  await keys('Enter');
  await expect(row(/Let the lance fill/)).toHaveAttribute('aria-current', 'true');
  await expect(page.locator('.step-box', { hasText: 'Let the lance fill' })).toBeVisible();
  await keys('Alt+ArrowUp');
  await expect(page.getByRole('treeitem').nth(2)).toContainText('Let the lance fill');
  await keys('Control+z', 'Control+z');
  await expect(row(/Let the lance fill/)).toHaveCount(0);
  await keys('Control+y', 'Control+y');
  await expect(page.locator('.step-box', { hasText: 'Let the lance fill' })).toBeVisible();

  // which part it is about
  await row(/Replace the lance/)
    .first()
    .focus();
  await standsOn(/Replace the lance/);
  await page.getByLabel('cause', { exact: true }).selectOption({ label: 'Rinse-aid lance' });
  await trainer.sees('Nothing. Every way ends, every answer leads on.');
  await page.keyboard.press('Control+s');
  await trainer.sees('Saved as revision 1.');

  // two codes share it
  for (const code of ['s02', 'm07']) {
    await page.goto(`/shelf/brindlewick-g4/code/${code}`);
    await page.getByLabel('Test chart').selectOption({ label: 'Rinse aid does not come' });
    await page.keyboard.press('Control+s');
    await trainer.sees('Saved as revision 2.');
  }
  await page.goto('/shelf/brindlewick-g4/chart/rinse-aid-does-not-come');
  await expect(page.getByRole('region', { name: 'touched' })).toContainText('S02');
  await expect(page.getByRole('region', { name: 'touched' })).toContainText('M07');
  await page.goto('/shelf/brindlewick-g4?room=Charts');
  await trainer.press('Submit all 3 drafts');
  await expect(page).toHaveURL(/\/bench\/\d+$/);
  const reviewer = await desk('reviewer');
  await reviewer.page.goto(page.url());
  await reviewer.press('Publish');
  await reviewer.sees(/published by Demo reviewer/);

  const technician = await field();
  await technician.isTesting('S02', /S02/, 'G4-E2E-CHART');
  await technician.isAsked('Is the canister empty?');
});

test('a thermistor at a typed temperature, one reading borderline, a repair with its readings before and after', async ({
  field,
}) => {
  const technician = await field();
  const { page } = technician;
  await technician.isTesting('Brindlewick K17', /K17/, 'G4-E2E-NTC');
  await technician.isAsked('Is the element white with scale?');
  // something seen on the way, and a step that cannot be done, each with a word
  await technician.press('Something else looks wrong …');
  await page.getByLabel('Which part').selectOption({ label: 'Drain hose' });
  await technician.type('What did you see?', 'chafed at the frame');
  await technician.press('Note it');
  await technician.sees('Seen on the way: chafed at the frame');
  await technician.press('This cannot be done …');
  await technician.type('Why not?', 'no lamp with me');
  await technician.press('no');
  await technician.isAsked('Isolate and prove dead');
  await technician.sees(/fetch now: lock, two-pole tester/);
  await technician.sees('passed over: no lamp with me');
  await technician.press('Done');

  await technician.isAsked('Measure the rinse sensor');
  await technician.measures('14.5k', '-300 °C');
  await technician.sees('Nothing is as cold as that.');
  await technician.measures('12,3.4', '22 °C');
  await technician.sees('“12,3.4” is not a number');
  await technician.measures('14.5k');
  await technician.sees('Borderline: 14.5 kΩ');
  await technician.sees(/With one digit more of the temperature, the bench meter would tell/);
  await technician.measures('14.5k', '22.0 °C');
  await technician.sees(/The bench meter would tell/);
  await expect(page.getByRole('figure', { name: /curve with the measured point/ })).toBeVisible();
  await technician.press('Take this reading');
  // it is asked for again, with what was typed still there
  await technician.sees(/14.5k:\s*too-close/);
  await expect(page.getByLabel(/^What the meter shows/)).toHaveValue('14.5k');
  await technician.measures('9.1k');
  await technician.sees('Too low: 9.1 kΩ');
  await technician.press('Take this reading');
  await technician.sees('Rinse sensor out of its good range');
  await technician.press('Repaired: go on to Clear');
  await technician.press('All is back');
  await technician.press('It stands in that mode already');
  await technician.press('It is erased already');
  await technician.press('That is done already');

  // Prove: the sum, and what was measured before and after
  await technician.sees(/prove it/);
  await technician.press('Fault is gone');
  await technician.press('Measure');
  await technician.measures('13.5k', '22');
  await technician.press('Take this reading');
  const readings = page.getByRole('row', { name: /Measure the rinse sensor/ });
  await expect(readings).toContainText('9.1 kΩ at 22 °C, low');
  await expect(readings).toContainText('13.5 kΩ at 22 °C, good');
  await expect(page.getByLabel('What fixed it')).toHaveValue('Rinse temperature sensor');
  await technician.press('Close the walk');
  await technician.hasSentAll();
});

test('a timer goes on over a reload and on another device, and a case out of scope ends in a sheet', async ({
  field,
}) => {
  const technician = await field();
  const { page } = technician;
  await technician.isTesting('Pellgrave E3', /E3/, 'E2E-TIMER');
  await technician.press('Yes');
  await technician.isAsked('Let it settle with the door shut');
  await technician.press('Start the timer');
  /** What a timer says is left, in seconds. */
  const left = async (of: typeof page) => {
    const [, minutes, seconds] = /(\d+):(\d\d)/.exec((await of.getByRole('timer').textContent()) ?? '') ?? [];
    return Number(minutes) * 60 + Number(seconds);
  };
  const begun = await left(page);
  expect(begun).toBeLessThanOrEqual(600);
  await page.reload();
  await expect.poll(() => left(page)).toBeLessThan(begun);
  await technician.hasSentAll();
  // the same walk on another device of the same person: the timer stands there as well
  const other = await field();
  await other.page.goto(page.url().replace(/^.*\/trail/, '/trail'));
  await expect(other.page.getByRole('timer')).toBeVisible();
  expect(await left(other.page)).toBeLessThan(begun);
  expect(Math.abs((await left(other.page)) - (await left(page)))).toBeLessThan(30);

  await technician.isTesting('Ostrel 40-1', /40-1/, 'E2E-HANDON');
  await technician.press('Yes, at the same time');
  await technician.sees(/Measured energised.*Isolated while the probes go on and come off/);
  await technician.measures('231');
  await technician.press('Take this reading');
  await technician.isAsked('Measure again with everything else running');
  await technician.measures('209');
  await technician.sees(/Too low: 0.905 times/);
  await technician.press('Take this reading');
  await technician.isAsked('The supply sags under load');
  await technician.press('Hand-on sheet');
  const sheet = page.getByRole('region', { name: /Handed on: Ostrel R6 E2E-HANDON/ });
  await expect(sheet).toContainText('40-1');
  await expect(sheet).toContainText('231 V (good: 207 V to 253 V), Hand-held multimeter');
  await expect(sheet).toContainText('Does it only happen when something else runs? yes, at the same time');
  const [pdf] = await Promise.all([page.waitForEvent('download'), technician.press('PDF')]);
  expect(pdf.suggestedFilename()).toMatch(/^Handed on Ostrel R6 E2E-HANDON\.pdf$/);
  await technician.press('Handed on: close the walk');
  await technician.sees('This walk is closed.');
});

test('what is left limited stays on the ledger of the machine until somebody puts it back', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  const reaches = (serial: string) => technician.isTesting('Wexmorl streaks', /Leaves streaks/, serial, 'symptom');
  await reaches('E2E-LEDGER');
  await technician.press('Yes');
  await technician.isAsked('Set the pad pressure one step down');
  await page.getByLabel('What it stands at now').selectOption('2');
  await technician.press('Note it');
  await technician.sees('It stood at 2.');
  await technician.press('It is set');
  await technician.press('Dry');
  await technician.sees('Left running limited');
  await technician.press('Go on to Clear');
  const owed = page.getByRole('region', { name: 'owed on this machine' });
  await expect(owed).toContainText('Set the pad pressure back');
  await expect(owed).toContainText('Pad pressure: 1, was 2');
  await technician.press('All else is back');
  await technician.press('Fault is gone');
  await technician.press('Close: left running limited');
  await technician.hasSentAll();
  await page.goto('/machines/wexmorl-s5/E2E-LEDGER');
  await expect(page.getByRole('region', { name: 'ledger' })).toContainText('Pad pressure: 1, was 2');

  // a later walk on the same machine is told, and puts it back
  await reaches('E2E-LEDGER');
  await technician.press('No');
  await technician.press('Done');
  await technician.press('Dry');
  await technician.press('Repaired: go on to Clear');
  await expect(owed).toContainText('Pad pressure: 1, was 2');
  const back = owed.getByRole('button', { name: 'It is back' });
  await back.first().click();
  await expect(back).toHaveCount(1);
  await back.click();
  await expect(owed).toHaveCount(0);
  await technician.hasSentAll();
  await page.goto('/machines/wexmorl-s5/E2E-LEDGER');
  await technician.sees('E2E-LEDGER');
  await expect(page.getByRole('region', { name: 'ledger' })).toHaveCount(0);
});

test('what was read on earlier walks of a machine stands where it is read again, with where it is going', async ({
  field,
}) => {
  const technician = await field();
  await technician.isTesting('Sandrelle P07', /P07/, 'L6-0088-02');
  await technician.isAsked('Is the bilge dry under the pack cable?');
  await technician.press('Yes');
  await technician.press('Done');
  await technician.isAsked('Measure the pack cable against the hull');
  await technician.sees(/Hands off while it tests at 250 V/);
  await technician.sees('1.4 MΩ, good');
  await technician.sees(/it comes nearer its lower edge; at this rate it leaves its good range about 2027-01/);
  await technician.measures('0.9M');
  await technician.sees('Good: 900 kΩ');
  await technician.press('Take this reading');
  await technician.isAsked('Measure the motor against the hull');
  await technician.hasSentAll();
  await technician.page.goto('/machines/sandrelle-l6/L6-0088-02');
  await expect(technician.page.getByRole('region', { name: 'readings' })).toContainText('900 kΩ, good');
});
