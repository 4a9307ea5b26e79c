import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { Counted } from './counted.ts';
import { expect, test } from './people.ts';

const pasted = (name: string): string => readFileSync(new URL(`pasted/${name}`, import.meta.url), 'utf8');
/** What hands did, for the bench to read. */
const note = (journey: string, hands: object): void => {
  const reports = new URL('../.cache/reports/', import.meta.url);
  mkdirSync(reports, { recursive: true });
  writeFileSync(new URL(`hands-${journey}.json`, reports), JSON.stringify(hands));
};

/** What fields of the data are called that no trade calls so. */
const modelWords = (() => {
  const words = new Set([
    'transitions',
    'effects',
    'compose',
    'vectors',
    'specials',
    'mechanism',
    'slug',
    'array',
    'enum',
  ]);
  const look = (value: unknown): void => {
    if (typeof value !== 'object' || value === null) return;
    for (const [key, inner] of Object.entries(value)) {
      if (/^[a-z]+[A-Z]/.test(key)) words.add(key);
      look(inner);
    }
  };
  for (const name of readdirSync(new URL('../demo/', import.meta.url)).filter((f) => f.endsWith('.json')))
    look(JSON.parse(readFileSync(new URL(`../demo/${name}`, import.meta.url), 'utf8')));
  return words;
})();
/** Nothing on a guided page needs knowledge of the format. */
async function speaksPlainly(page: Page): Promise<void> {
  const said = (await page.locator('main').innerText()).match(/[A-Za-z]+/g) ?? [];
  const named = await page
    .locator('main [aria-label]')
    .evaluateAll((all) => all.map((e) => e.getAttribute('aria-label')));
  const words = [...said, ...named.flatMap((n) => n?.match(/[A-Za-z]+/g) ?? [])];
  expect(words.filter((w) => modelWords.has(w))).toEqual([]);
}

test('a hand dryer of which two people tell and a table of codes is at hand is on the Shelf, published, in few clicks', async ({
  desk,
  field,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf');
  const by = new Counted(page);
  // what it is
  await by.press('Add unit');
  await by.type('Name', 'Dunlow H4', page.getByRole('dialog'));
  await by.press('Add', page.getByRole('dialog'));
  await by.type('How one knows it', 'four lamps beside a knob');
  await by.type('Where its plate is', 'Below, left.');
  await by.press('Begin this unit');
  // its variants, by voltage and software
  await by.paste(page.getByLabel('Variant, row 1'), pasted('dryer-variants.txt'));
  await by.type('model on a plate', 'H4-12');
  await by.type('software on a plate', '3.1');
  await trainer.sees(/^H4 long memory: model number fits H4-\{10-19\}\*, software 3.0 and up/);
  await by.press('Keep the variants');
  await expect(page.getByRole('region', { name: 'variants' })).toContainText('kept');
  await speaksPlainly(page);
  // its panel, in words
  await by.step(/Its panel/);
  await by.paste(page.getByLabel('Say it in words'), pasted('dryer-panel.txt'));
  await trainer.sees('4 lamps (green, red): 1, 2, 4, half');
  await speaksPlainly(page);
  await by.press('Draw it so');
  await trainer.sees('Front, Inside the hood');
  // the ways, as two people tell them
  await by.step(/Ways in and out/);
  await by.follow('Read in what people say');
  by.hands.clicks += 2;
  await page.getByLabel('files with tellings').setInputFiles(
    ['clip', 'chat'].map((name, i) => ({
      name: `${name}.txt`,
      mimeType: 'text/plain',
      buffer: Buffer.from(pasted(i === 0 ? 'dryer-first-teller.txt' : 'dryer-second-teller.txt')),
    })),
  );
  const drafts = page.getByRole('region', { name: 'drafts' });
  // the two tellers differ, and it is said where
  await expect(drafts.getByRole('region', { name: 'Erase' })).toContainText('chat tells it otherwise');
  await expect(drafts.getByRole('region', { name: 'Erase' })).toContainText('5 s');
  // what the red lamp says while one reads is told, and nothing one does
  await expect(drafts).toContainText("“red comes on and that's the second”: is it done, or only told?");
  await by.press(/^drop red comes on/, drafts);
  // what one calibrates with is done
  const calibrate = drafts.getByRole('region', { name: 'Calibrate' });
  await by.press(/^A step: Pad press 2 times/, calibrate);
  await by.press(/^A step: Wait/, calibrate);
  await expect(calibrate).not.toContainText('is it done, or only told?');
  await by.press('Accept what is clear');
  for (const name of ['Way in', 'Erase', 'Next code', 'Calibrate', 'Way out'])
    await expect(drafts.getByRole('link', { name, exact: true })).toBeVisible();
  // a name nobody taught
  await by.click(page.getByRole('tab', { name: 'chat' }));
  await expect(drafts).toContainText('which control “mushroom” is');
  await by.press('Knob', drafts);
  await expect(drafts).not.toContainText('which control “mushroom” is');
  await by.press('Accept what is clear');
  // the states it can be in
  await by.follow('Steps');
  await speaksPlainly(page);
  await by.press('Keep these states');
  // how it shows a code: three that somebody is sure of
  await by.step(/How a code is shown/);
  await by.press('Lamps that add up');
  await by.follow('Learn from examples');
  await by.press('in two parts');
  for (const [i, [code, first, second]] of (
    [
      ['13', ['1'], ['1', '2', 'half']],
      ['42', ['4'], ['2', 'half']],
      ['31', ['1', '2'], ['1', 'half']],
    ] as const
  ).entries()) {
    await by.type(`code ${i + 1}`, code);
    for (const [part, lamps] of [first, second].entries())
      for (const lamp of lamps)
        await by.press(lamp, page.getByRole('group', { name: `lit for code ${i + 1}, part ${part + 1}` }));
  }
  await speaksPlainly(page);
  await by.press('Use this');
  await trainer.sees('It is in the readout now');
  await by.key('Control+s');
  await trainer.sees(/Saved as revision 1/);
  // the codes, from a table
  await by.follow('Steps');
  await by.step(/The codes/);
  await by.press('Paste a table of codes');
  await by.paste(page.getByLabel('Paste from a spreadsheet, or from a web page'), pasted('dryer-codes.txt'));
  await by.press('See what it would change');
  await by.press(/^Keep 12 entries as drafts/);
  await trainer.sees(/^Kept as drafts/);
  await by.press('Close');
  // the tests of two of them
  await by.step(/Tests/);
  await by.type('What is tested', 'Heater and air sensor');
  await by.type('For which codes', '11, 13, 14');
  await by.paste(page.getByLabel('The tests, as you would write them down'), pasted('dryer-chart.txt'));
  await by.press('±10 %', page.getByRole('group', { name: 'how far off is good, line 4' }));
  await speaksPlainly(page);
  await by.press('Make it a chart');
  await trainer.sees('Heater and air sensor');
  // all of it is kept, the codes that lead there as well, once the form is empty again
  await expect(page.getByLabel('The tests, as you would write them down')).toHaveValue('');
  // what can hurt, said once
  await by.step(/What can hurt/);
  await by.tick(/Mains behind covers/);
  await speaksPlainly(page);
  await by.press('Say it for 12 codes');
  await expect(page.getByRole('region', { name: 'said once for all of them' })).toBeHidden();
  // handed in, and published by somebody else
  await by.press(/^Submit all \d+ drafts/);
  await expect(page).toHaveURL(/\/bench\/\d+$/);
  const reviewer = await desk('reviewer');
  const theirs = new Counted(reviewer.page, by.hands);
  await reviewer.page.goto(page.url());
  await theirs.press('Publish');
  await reviewer.sees(/published by Demo reviewer/);

  // and somebody at the unit is helped by it
  const technician = await field();
  await technician.opensTrail();
  await technician.page.getByRole('textbox').fill('dunlow 13');
  await technician.sees('Air sensor open');
  await technician.page.getByRole('textbox').fill('');
  await technician.picksUnit('Dunlow H4');
  await technician.readsPlate('DH-4', 'H4-51', '1.0');
  await technician.sees('H4 low voltage');
  await technician.press('This is the unit');
  await technician.sees('Mains behind covers');
  await technician.press('I have read this');
  await technician.isAsked('Way in');
  await technician.press('Begin, hands free');
  await technician.press('It worked');
  await technician.page.getByRole('tab', { name: /part 1/ }).click();
  await technician.page.getByRole('button', { name: /^lamp 1 / }).click();
  await technician.page.getByRole('tab', { name: /part 2/ }).click();
  for (const lamp of [1, 2]) await technician.page.getByRole('button', { name: new RegExp(`^lamp ${lamp} `) }).click();
  await technician.press('Take 13');

  note('dryer', by.hands);
  expect(by.hands.clicks).toBeLessThanOrEqual(90);
  expect(by.hands.fields).toBeLessThanOrEqual(35);
  expect(by.hands.characters).toBeLessThanOrEqual(450);
});

test('a chiller with a display, a menu and live values is on the Shelf, published', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf');
  const by = new Counted(page);
  await by.press('Add unit');
  await by.type('Name', 'Yarrow Y2', page.getByRole('dialog'));
  await by.press('Add', page.getByRole('dialog'));
  await by.type('How one knows it', 'three figures over four keys');
  await by.type('Where its plate is', 'Behind the grille.');
  await by.press('Begin this unit');
  await by.step(/Its panel/);
  await by.paste(page.getByLabel('Say it in words'), pasted('chiller-panel.txt'));
  await by.press('Draw it so');
  await trainer.sees('Front');
  // codes first: lengths and letters come of them
  await by.step(/The codes/);
  await by.press('Paste a table of codes');
  await by.paste(page.getByLabel('Paste from a spreadsheet, or from a web page'), pasted('chiller-codes.txt'));
  await by.press('See what it would change');
  await by.press(/^Keep 6 entries as drafts/);
  await trainer.sees(/^Kept as drafts/);
  await by.press('Close');
  // the ways; what nobody taught is asked
  await by.step(/Ways in and out/);
  await by.follow('Read in what people say');
  by.hands.clicks += 2;
  await page.getByLabel('files with tellings').setInputFiles({
    name: 'voice.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(pasted('chiller-teller.txt')),
  });
  const drafts = page.getByRole('region', { name: 'drafts' });
  await expect(drafts.getByRole('region', { name: 'Way in' })).toBeVisible();
  // what one goes through the menu with, and what the moon is called: told, and not done
  for (const told of ['Up', 'standby key']) await by.press(`drop ${told}`, drafts);
  await by.press('Accept what is clear');
  await expect(drafts.getByRole('link', { name: 'Way in', exact: true })).toBeVisible();
  // its states: a menu, and live values
  await by.follow('Steps');
  for (const state of [/^Service menu/, /^Live values/]) await by.tick(state);
  await by.type('Leaves by itself after', '2');
  await by.press('Keep these states');
  await by.step(/How a code is shown/);
  await by.press('A display');
  await by.type('Where nothing is stored it reads', '---');
  await by.type('Live values, one a line', 't1 cabinet -10 to 60 °C\nt2 coil -30 to 60 °C');
  await trainer.sees('E1 as it shows');
  await speaksPlainly(page);
  await by.press('That is how');
  await trainer.sees('Live values');
  await by.step(/What can hurt/);
  await by.tick(/Mains behind covers/);
  await by.press('Say it for 6 codes');
  await expect(page.getByRole('region', { name: 'said once for all of them' })).toBeHidden();
  await by.press(/^Submit all \d+ drafts/);
  await expect(page).toHaveURL(/\/bench\/\d+$/);
  const reviewer = await desk('reviewer');
  await reviewer.page.goto(page.url());
  await new Counted(reviewer.page, by.hands).press('Publish');
  await reviewer.sees(/published by Demo reviewer/);

  note('chiller', by.hands);
  expect(by.hands.clicks).toBeLessThanOrEqual(120);
});
