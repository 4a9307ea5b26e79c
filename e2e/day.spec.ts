import { expect, test } from './people.ts';

const pasted = [
  'Code\tFault\tPossible causes\tNo hazard, because',
  '419-1\tExtender fan slow\tFan, relay\tLow voltage, cold.',
  '419-2\tExtender fan stands\tFan, fuse\tLow voltage, cold.',
].join('\n');

test('a trainer’s day by the keyboard alone: found, edited, pasted, mended together, submitted, reviewed, published', async ({
  desk,
  field,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  const enter = () => page.keyboard.press('Enter');
  await page.goto('/shelf');
  await trainer.sees('Corrant U3');

  // found from anywhere, and edited
  await page.keyboard.press('/');
  await expect(page.getByRole('dialog').getByRole('textbox')).toBeFocused();
  await page.keyboard.type('415-0');
  await trainer.sees('Extender too hot');
  await enter();
  await expect(page.getByLabel('Title')).toHaveValue('Extender too hot');
  await trainer.tabsTo('Title');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Extender overheats');
  await page.keyboard.press('Control+s');
  await trainer.sees('Saved as revision 2.');

  // two codes from a spreadsheet stay drafts
  await trainer.tabsTo('Codes');
  await enter();
  await trainer.tabsTo('table');
  await enter();
  await trainer.tabsTo(/^Paste or import a table/);
  await enter();
  await trainer.tabsTo(/^Paste from a spreadsheet/);
  await page.keyboard.insertText(pasted);
  await trainer.tabsTo('See what it would change');
  await enter();
  await trainer.tabsTo(/^Keep 2 entries as drafts/);
  await enter();
  await trainer.sees(/^Kept as drafts/);
  await trainer.tabsTo('Close');
  await enter();

  // what is missing everywhere is mended everywhere
  await page.keyboard.press('l');
  await trainer.tabsTo(/2 without a test chart$/);
  await enter();
  await trainer.tabsTo(/^The chart of all of them/);
  await page.keyboard.press('ArrowDown');
  await trainer.tabsTo('Set for all 2');
  await enter();
  await trainer.seesNot(/without a test chart/);

  await trainer.tabsTo(/^Submit all \d+ drafts$/);
  await enter();
  await expect(page).toHaveURL(/\/bench\/\d+$/);
  await trainer.sees('New: nothing of it is published yet.');

  const reviewer = await desk('reviewer');
  await reviewer.page.goto(page.url());
  await reviewer.sees('Extender fan slow');
  await reviewer.tabsTo(/^Comment/);
  await reviewer.page.keyboard.type('read against the folder');
  await reviewer.tabsTo('Publish');
  await reviewer.page.keyboard.press('Enter');
  await reviewer.sees(/published by Demo reviewer/);

  const technician = await field();
  await technician.opensTrail();
  await technician.page.getByRole('textbox').fill('419-2');
  await technician.sees('Extender fan stands');
});
