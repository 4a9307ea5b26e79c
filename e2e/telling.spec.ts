import { expect, test } from './people.ts';

const told = `Okay so the S5, the scrubber, everybody asks me about this one. My coffee is still hot so let's do it.
Key off first, and you wait three seconds, no sorry, five seconds. Then key on. It beeps, and from that beep you've got four seconds, so press go, what is it, five times. The text line says SERVICE and you're in.
Don't hold it down, that opens the hour meter. My brother says you can pull the bail as well, but I never do.
And if you want to clear them, hold go for eight seconds until it beeps.
So in short: key off, five seconds, key on, go four times.`;

test('a telling becomes draft ways: what was said and what became of it side by side, one dropped, the rest accepted', async ({
  desk,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/wexmorl-s5?room=Routes');
  await page.getByRole('link', { name: 'From a telling' }).click();
  await page.getByRole('textbox').fill(told);
  await trainer.press('Read it');
  const drafts = page.getByRole('region', { name: 'drafts' });
  await expect(drafts).toContainText('rest 5 s');
  await expect(drafts).toContainText('press green 5 times');
  await expect(drafts).not.toContainText('rest 3 s');
  // said differently in the summing-up, and warned of: no step
  await expect(drafts).toContainText('Said twice, differently (count)');
  const said = page.getByRole('region', { name: 'what was said' });
  await expect(said.getByTitle(/a warning, or what others do/).first()).toContainText(/hold it down/);
  // a stretch and its step are one
  await said.getByRole('button', { name: 'wait three seconds, no sorry, five seconds' }).click();
  await expect(drafts.locator('li.picked')).toContainText('rest 5 s');
  const first = page.getByRole('region', { name: 'draft 1' });
  await first.getByRole('button', { name: 'drop rest 5 s' }).click();
  await first.getByLabel('What the way is called').fill('Into service, as told');
  await trainer.press('Accept what is clear');
  await page.getByRole('link', { name: 'Into service, as told' }).click();
  const script = page.getByTestId('script').locator('.cm-content');
  await expect(script).toContainText('press green 5 times');
  await expect(script).not.toContainText('rest');
});

test('a long telling is stopped while it is read, its words kept, and read after all', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/wexmorl-s5/telling');
  const once = 'Then hold go for three seconds, and my coffee is getting cold, press go five times. ';
  await page.getByRole('textbox').fill(once.repeat(3500));
  await trainer.press('Read it');
  const said = page.getByRole('region', { name: 'what was said' });
  await said.getByRole('button', { name: 'Stop' }).click();
  await expect(said).toContainText('Stopped. The words are kept.');
  await expect(page.getByRole('region', { name: 'drafts' })).toContainText('Not read yet');
  // shorter, it is read at once
  await trainer.press('Change the words');
  await page.getByRole('textbox').fill(once);
  await expect(page.getByRole('region', { name: 'drafts' })).toContainText('press green 5 times');
});
