import { expect, test } from './people.ts';

test('a unit is begun step by step, left and come back to, and abandoned with all that was written of it', async ({
  desk,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await trainer.adds('unit', 'Tarrow K5');
  const steps = page.getByRole('navigation', { name: 'steps' });
  // nothing else can be done before it is said what it is
  await steps.getByRole('button', { name: /^(not begun )?The codes/ }).click();
  await trainer.sees('First say what it is: everything else hangs on it.');
  await steps.getByRole('button', { name: /What it is/ }).click();
  await page.getByLabel('How one knows it').fill('four lamps above the spout\na knob with a rest');
  await trainer.press('Begin this unit');
  await trainer.sees('where its plate is');
  await page.getByLabel('Where its plate is').fill('Below, on the left.');
  await trainer.press('Keep');
  await trainer.seesNot('Still missed');
  await expect(steps.getByRole('button', { name: /^done What it is/ })).toBeVisible();
  await trainer.press('Next: its panel');
  await trainer.sees('anything to press or turn');
  await page.getByRole('link', { name: 'Draw the panel' }).click();
  await page.getByRole('button', { name: 'Save draft' }).click();
  await trainer.sees(/Saved as revision 1/);
  // come back to: where something is missing
  await page.goto('/shelf/tarrow-k5');
  await page.getByRole('link', { name: 'Step by step' }).click();
  await trainer.sees('What is there to look at and to touch?');
  await steps.getByRole('button', { name: /What it is/ }).click();
  await trainer.press('Abandon this unit');
  await trainer.sees(/One draft of it: 1 panel/);
  await trainer.press('Abandon it');
  await expect(page).toHaveURL(/\/shelf$/);
  await trainer.sees('Brindlewick G4');
  await trainer.seesNot('Tarrow K5');
});

test('how a row of lamps says a code is learnt from three codes, and taken back', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/brindlewick-g4/steps?step=shown');
  await page.getByRole('link', { name: 'Learn from examples' }).click();
  // what was kept as a test is an example already
  await expect(page.getByLabel('code 1', { exact: true })).toHaveValue('K19');
  await trainer.sees(/4 ways still fit/);
  for (const [i, [code, first, second]] of [
    ['C06', 'de', 'cd'],
    ['D09', 'c', 'be'],
  ].entries()) {
    await page.getByLabel(`code ${i + 2}`, { exact: true }).fill(code ?? '');
    for (const [part, lamps] of [first, second].entries())
      for (const lamp of lamps ?? '')
        await page
          .getByRole('group', { name: `lit for code ${i + 2}, part ${part + 1}` })
          .getByRole('button', { name: lamp, exact: true })
          .click();
  }
  await trainer.sees(/All 13 codes of the unit are among them/);
  await trainer.press('Use this');
  await page.getByRole('tab', { name: 'Tests' }).click();
  await trainer.sees('C06 as it was seen');
  await page.keyboard.press('Control+z');
  await trainer.seesNot('C06 as it was seen');

  // or a weight is dragged onto a lamp as it is drawn
  await page.getByRole('tab', { name: 'Shown and read' }).click();
  const [chip, lamp] = [
    await page.getByRole('button', { name: 'weight 16', exact: true }).boundingBox(),
    await page.getByTestId('lamp-lamp-b').boundingBox(),
  ];
  if (!chip || !lamp) throw new Error('nothing to drag');
  await page.mouse.move(chip.x + chip.width / 2, chip.y + chip.height / 2);
  await page.mouse.down();
  await page.mouse.move(lamp.x + lamp.width / 2, lamp.y + lamp.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByLabel(/^weight of b/)).toHaveValue('16');
});

test('a unit is begun from one like it; what was carried over is marked until somebody has looked at it', async ({
  desk,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf');
  await trainer.press('Add unit');
  const asked = page.getByRole('dialog', { name: 'Add unit' });
  await asked.getByLabel('Name').fill('Brindlewick G5');
  await asked.getByLabel('Begin from').selectOption({ label: 'Brindlewick G4' });
  await asked.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page).toHaveURL(/\/shelf\/brindlewick-g5\/steps/);
  // its plates and its look are not carried over
  await trainer.sees('Still missed');
  await page.getByRole('link', { name: /^\d+ carried over, not looked at yet$/ }).click();
  await page.getByRole('button', { name: /carried over and nobody has looked at here/ }).click();
  // one of them, then the rest in one go
  const rows = page.getByText(/was carried over from “Brindlewick G4”, and nobody has looked at it here yet/);
  await expect(rows.first()).toBeVisible();
  const all = await rows.count();
  await page.getByRole('button', { name: 'It is so here too', exact: true }).first().click();
  await expect(rows).toHaveCount(all - 1);
  await trainer.press(new RegExp(`^It is so here too: all ${all - 1}$`));
  await expect(rows).toHaveCount(0);
  await page.goto('/shelf/brindlewick-g5/steps');
  await trainer.seesNot(/carried over, not looked at yet/);
  await page
    .getByRole('navigation', { name: 'steps' })
    .getByRole('button', { name: /What it is/ })
    .click();
  await trainer.press('Abandon this unit');
  await trainer.press('Abandon it');
  await expect(page).toHaveURL(/\/shelf$/);
  await trainer.seesNot('Brindlewick G5');
});

test('a new generation is begun: only what differs from the older one is listed', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf');
  await trainer.press('Add unit');
  const asked = page.getByRole('dialog', { name: 'Add unit' });
  await asked.getByLabel('Name').fill('Brindlewick G6');
  await asked.getByLabel('Begin from').selectOption({ label: 'Brindlewick G4' });
  await asked.getByRole('button', { name: 'its new generation' }).click();
  await asked.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page).toHaveURL(/\/shelf\/brindlewick-g6\/differences/);
  await trainer.sees(/ as on Brindlewick G4, 0 different\./);
  // one code is another one here
  await page.getByRole('button', { name: /as on Brindlewick G4$/ }).click();
  await page.getByRole('link', { name: /^C06 / }).click();
  await page.getByLabel('Title', { exact: true }).first().fill('Door not shut, and a bolt in the way');
  await page.keyboard.press('Control+s');
  await trainer.sees(/Saved as revision 2/);
  await page.goto('/shelf/brindlewick-g6/differences');
  await trainer.sees(/, 1 different\./);
  await page.getByRole('button', { name: /Door not shut, and a bolt in the way/ }).click();
  await expect(page.locator('ins').first()).toContainText('and a bolt in the way');
  // nothing of it is left behind
  await page.goto('/shelf/brindlewick-g6/steps?step=what');
  await trainer.press('Abandon this unit');
  await trainer.press('Abandon it');
  await expect(page).toHaveURL(/\/shelf$/);
});

test('two build one unit at once: what both keep goes together, and of what both changed it is asked', async ({
  desk,
}) => {
  const [first, second] = [await desk('trainer'), await desk('reviewer')];
  for (const person of [first, second]) {
    await person.page.goto('/shelf/corrant-u3/steps?step=what');
    await expect(person.page.getByLabel('In a sentence')).not.toHaveValue('');
  }
  await first.type('In a sentence', 'Carries crates about the yard.');
  await first.press('Keep');
  await second.type('Where its plate is', 'Under the seat.');
  await second.press('Keep');
  await second.sees('Demo trainer saved this meanwhile: it holds what both of you did.');
  await expect(second.page.getByLabel('In a sentence')).toHaveValue('Carries crates about the yard.');

  await first.type('In a sentence', 'Carries crates, and goes far.');
  await first.press('Keep');
  await first.sees('Demo reviewer saved this meanwhile: it holds what both of you did.');
  await expect(first.page.getByLabel('Where its plate is')).toHaveValue('Under the seat.');
  await second.type('In a sentence', 'Carries one crate at a time.');
  await second.press('Keep');
  await second.sees('One thing you both changed: which shall stand?');
  await second.press('Not yet');
  await second.sees('Somebody saved this meanwhile. What you typed is still here, and not kept yet.');
  await second.press('Keep');
  await second.press('Both in one');
  await expect(second.page.getByLabel('In a sentence')).toHaveValue('Carries one crate at a time.');
  await second.seesNot('What you typed is still here');
});
