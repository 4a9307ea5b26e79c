import { fileURLToPath } from 'node:url';
import { expect, test } from './people.ts';

test('a code is edited, compared, submitted, and published by a reviewer who is not its author', async ({
  desk,
  field,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await expect(page).toHaveURL(/\/shelf$/);
  // the family is recognised by its drawn panel
  await expect(page.getByRole('img', { name: 'Front' }).first()).toBeVisible();
  await page.getByRole('link', { name: /Brindlewick G4/ }).click();
  await page.getByRole('tab', { name: 'Codes' }).click();
  await page.getByRole('link', { name: /^K19/ }).click();

  await trainer.type('Title', 'Rinse tank warms too late');
  await trainer.type('What the control saw', 'Under 6 K rise in 18 min.');
  await trainer.press('move Rinse heating element up');
  await expect(page.getByLabel('Suspect', { exact: true }).first()).toHaveValue('Rinse heating element');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Suspect', { exact: true }).first()).toHaveValue('Scale on the element');
  await page.keyboard.press('Control+y');
  await page.getByLabel('Why', { exact: true }).first().fill('One of its three loops open: measure before ordering.');
  await page.getByLabel('Who may act').selectOption('licensed');
  await page.getByLabel('Pump wheels').check();
  await page.getByLabel('How sure').first().selectOption('bench-proven');

  // a field that cannot be is said beside it, and nothing is lost by a reload
  await page.getByLabel('Suspect', { exact: true }).nth(2).fill('');
  await trainer.sees('Some fields need another look');
  await page.reload();
  await expect(page.getByLabel('Title')).toHaveValue('Rinse tank warms too late');
  await page.getByLabel('Suspect', { exact: true }).nth(2).fill('Rinse contactor');

  await trainer.type('note on this revision', 'measured on the bench');
  await page.keyboard.press('Control+s');
  await trainer.sees('Saved as revision 2.');
  await page.getByRole('tab', { name: /What changed/ }).click();
  await trainer.sees('Rinse tank slow to warm');
  await trainer.sees(/moved from place 2 to 1/);
  await trainer.press('Submit for review');
  await expect(page).toHaveURL(/\/bench\/\d+$/);
  await trainer.sees('in review');
  const address = page.url();

  // published or not, technicians still have the old one
  const technician = await field();
  await technician.opensTrail();
  await technician.page.getByRole('textbox').fill('K19');
  await technician.sees('Rinse tank slow to warm');

  const reviewer = await desk('reviewer');
  await reviewer.goTo('Bench');
  await reviewer.page.getByRole('link', { name: /K19 Rinse tank warms too late/ }).click();
  await expect(reviewer.page).toHaveURL(address);
  await reviewer.sees('Under 6 K rise in 18 min.');
  // asked to change something, at its place; handed in again
  await reviewer.press('Ask for a change …');
  await reviewer.type('What should be otherwise here', 'say which of the three loops');
  await reviewer.press('Ask for the change');
  await reviewer.sees(/returned by Demo reviewer/);
  await page.reload();
  await expect(page.getByRole('region', { name: /K19/ })).toContainText('say which of the three loops');
  await page.goto('/shelf/brindlewick-g4/code/k19');
  await trainer.press('Submit for review');
  await expect(page).toHaveURL(/\/bench\/\d+$/);
  await trainer.sees('in review');
  await reviewer.page.goto(page.url());
  await reviewer.type('Comment', 'seen on unit G4-0417');
  await reviewer.press('Publish');
  await reviewer.sees(/published by Demo reviewer/);

  await technician.opensTrail();
  await technician.page.getByRole('textbox').fill('K19');
  await technician.sees('Rinse tank warms too late');
});

test('an author may not publish, unless the school allows it; then the history says so', async ({ desk }) => {
  const reviewer = await desk('reviewer');
  const { page } = reviewer;
  await page.goto('/shelf/brindlewick-g4/code/d09');
  await reviewer.type('What it then does', 'Stops with water in, and waits.');
  await reviewer.press('Save draft');
  await reviewer.press('Submit for review');
  await expect(page.getByRole('button', { name: 'Publish' })).toBeDisabled();
  const admin = await desk('admin');
  await admin.goTo('Settings');
  await admin.page.getByLabel(/The author may publish/).check();
  await admin.press('Save');
  await admin.sees('Saved.');
  await page.reload();
  await reviewer.press('Publish');
  await reviewer.sees('reviewed by its own author');
  await page.goto('/shelf/brindlewick-g4/code/d09');
  await page.getByRole('tab', { name: 'History' }).click();
  await reviewer.sees('by Demo reviewer, its own author');
  await admin.page.getByLabel(/The author may publish/).uncheck();
  await admin.press('Save');
  await admin.sees('Saved.');
});

test('two people save the same entry: what both did goes together, and of what both changed the second chooses', async ({
  desk,
}) => {
  const [first, second] = [await desk('trainer'), await desk('reviewer')];
  for (const person of [first, second]) await person.page.goto('/shelf/brindlewick-g4/code/p11');
  await first.type('What it then does', 'Ends the wash at once.');
  await second.type('What the control saw', 'Pump current under 0.7 A for 10 s.');
  await first.press('Save draft');
  await first.sees('Saved as revision 2.');
  await second.press('Save draft');
  await second.sees('Somebody saved in between');
  await second.sees('Ends the wash at once.');
  await second.sees('You changed nothing that they changed: both go together.');
  await second.press('Both in one');
  await expect(second.page.getByLabel('What it then does')).toHaveValue('Ends the wash at once.');
  await expect(second.page.getByLabel('What the control saw')).toHaveValue('Pump current under 0.7 A for 10 s.');
  await second.press('Save draft');
  await second.sees('Saved as revision 3.');

  // both change one thing
  await first.type('What it then does', 'Ends the wash and drains.');
  await first.press('Save draft');
  await first.press('Both in one');
  await expect(first.page.getByLabel('What the control saw')).toHaveValue('Pump current under 0.7 A for 10 s.');
  await first.press('Save draft');
  await first.sees('Saved as revision 4.');
  await second.type('What it then does', 'Stops, and says so.');
  await second.press('Save draft');
  await second.sees('One thing you both changed: which shall stand?');
  await second.press('Theirs: Ends the wash and drains.');
  await second.press('Both in one');
  await expect(second.page.getByLabel('What it then does')).toHaveValue('Ends the wash and drains.');
  await second.press('undo');
  await expect(second.page.getByLabel('What it then does')).toHaveValue('Stops, and says so.');

  // theirs alone: mine stays in undo
  await first.type('What it then does', 'Ends the wash at the next drain.');
  await first.press('Save draft');
  await first.sees('Saved as revision 5.');
  await second.press('Save draft');
  await second.press('Take theirs (mine stays in undo)');
  await expect(second.page.getByLabel('What it then does')).toHaveValue('Ends the wash at the next drain.');
  await second.press('undo');
  await expect(second.page.getByLabel('What it then does')).toHaveValue('Stops, and says so.');
});

test('a second family comes as a bundle file and works without a line of code', async ({ desk, field }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await trainer.press('Import');
  const choose = (file: { name: string; mimeType: string; buffer: Buffer } | string) =>
    page.getByLabel('The file').setInputFiles(file);
  await choose({ name: 'junk.json', mimeType: 'application/json', buffer: Buffer.from([0x50, 0x4b, 3, 4, 0, 0]) });
  await trainer.sees('junk.json is no JSON');
  await choose({
    name: 'half.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"wire-trail/bundle","version":1,"family":"x","entries":[{"kind":"code","id":"a"}]}'),
  });
  await trainer.sees('refused as a whole');
  await trainer.sees('entries[0].title');
  await choose(fileURLToPath(new URL('../core/src/testing/velmarrow-d1.json', import.meta.url)));
  await trainer.sees(/\d+ new · 0 changed/);
  await trainer.press('Import it');
  await trainer.sees('Import of Velmarrow D1');
  const reviewer = await desk('reviewer');
  await reviewer.page.goto(page.url());
  await reviewer.press('Publish');
  await reviewer.sees(/published by Demo reviewer/);

  const technician = await field();
  await technician.page.goto('/trail');
  await technician.sees('Velmarrow D1');
  await technician.picksUnit('Velmarrow D1');
  await technician.readsPlate('D1-7', 'VD1-2');
  await technician.sees('Every D1');
  await technician.press('This is the unit');
  await technician.press('I have read this');
  await technician.press('Begin, tapping along');
  await technician.sees('press');
  await technician.press('3 times');
  await technician.press('Done');
  await technician.sees('4 left');
  await technician.press('Done');
  await technician.press('It worked');
  // which lamp blinks, by table; then a count of blinks
  await technician.lamp('heat').click();
  await technician.page.getByRole('tab', { name: /count/ }).click();
  await technician.press('3');
  await technician.press('Take T-3');
  await technician.measures('29.4');
  await technician.sees(/^Good: 29.4 Ω/);
  await technician.press('Take this reading');
  await technician.sees('Nothing found');
});

test('the family’s rooms: controls can be operated, codes are played, what is to fix is named', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/brindlewick-g4');
  const breaker = page.getByTestId('control-breaker');
  await expect(breaker).toHaveAttribute('data-place', 'on');
  await expect(page.getByLabel('lamp a: lit, green')).toBeVisible();
  await breaker.focus();
  await page.keyboard.press('Enter');
  await expect(breaker).toHaveAttribute('data-place', 'off');
  await expect(page.getByLabel('lamp a: dark')).toBeVisible();
  await trainer.press('Tolverne Bar');
  await expect(page.getByLabel('lamp 1: dark')).toBeVisible();
  await page.getByRole('tab', { name: 'Codes' }).click();
  await page.getByRole('link', { name: /^K23/ }).hover();
  await expect(page.getByLabel('lamp b: lit, amber')).toBeVisible();
  await expect(page.getByLabel('lamp c: lit, green')).toBeVisible();
  await page.keyboard.press('l');
  await page.getByRole('button', { name: /\d+ let stand/ }).click();
  await trainer.sees('With lamp c dead, K23 reads as K19, which warns of less: Overheated closed tank is left out.');
});

test('what is printed is ink on white in either look, without what is only pressed', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  for (const [address, says] of [
    ['/shelf/brindlewick-g4?room=Codes', 'Rinse tank'],
    ['/shelf/brindlewick-g4?room=Routes', 'Into memory'],
    ['/shelf/brindlewick-g4?room=Charts', 'Rinse tank does not warm as it should'],
    ['/shelf/brindlewick-g4?room=To%20fix', 'let stand'],
    ['/shelf/brindlewick-g4/route/enter-memory', 'as played'],
    ['/shelf/brindlewick-g4/code/k19', 'Worked out'],
    ['/shelf', 'five lamps in an arc'],
    ['/bench', 'What the field asks'],
    ['/log', 'G4-0512-03'],
    ['/machines/brindlewick-g4/G4-0512-03', 'last seen'],
    ['/library', 'Mains behind covers'],
  ] as const) {
    await page.emulateMedia({ colorScheme: 'dark', media: 'screen' });
    await page.goto(address);
    await trainer.sees(says);
    await page.emulateMedia({ colorScheme: 'dark', media: 'print' });
    const main = page.getByRole('main');
    await expect(page.locator('body')).toHaveCSS('background-color', 'rgb(255, 255, 255)');
    await expect(main.getByText(says).filter({ visible: true }).first()).toHaveCSS(
      'color',
      /^rgb\((29, 43, 42|86, 98, 95|163, 76, 28|31, 74, 65|138, 82, 0)\)$/,
    );
    await expect(page.getByRole('navigation', { name: 'areas' })).toBeHidden();
    await expect(page.getByRole('tablist').filter({ visible: true })).toHaveCount(0);
  }
});

test('a technician does not get into the trainer’s rooms', async ({ field }) => {
  const technician = await field({ width: 1280, height: 800 });
  await technician.page.goto('/bench');
  await expect(technician.page).toHaveURL(/\/trail$/);
  await technician.page.goto('/shelf/brindlewick-g4/code/k19');
  await expect(technician.page).toHaveURL(/\/trail$/);
});
