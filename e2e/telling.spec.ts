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
  await page.getByLabel(/^In their words/).fill(told);
  await trainer.press('Read it');
  const drafts = page.getByRole('region', { name: 'drafts' });
  await expect(drafts).toContainText('Wait 5 s');
  await expect(drafts).toContainText('go press 5 times');
  await expect(drafts).not.toContainText('Wait 3 s');
  // said differently in the summing-up, and warned of: no step
  await expect(drafts).toContainText('Said twice, differently (count)');
  const said = page.getByRole('region', { name: 'what was said' });
  await expect(said.getByTitle(/a warning, or what others do/).first()).toContainText(/hold it down/);
  // a stretch and its step are one
  await said.getByRole('button', { name: 'wait three seconds, no sorry, five seconds' }).click();
  await expect(drafts.locator('li.picked')).toContainText('Wait 5 s');
  const first = page.getByRole('region', { name: 'Way in' });
  await first.getByRole('button', { name: 'drop Wait 5 s' }).click();
  await first.getByLabel('What the way is called').fill('Into service, as told');
  // what is said differently has to be settled before it is clear
  await trainer.press('As the steps say');
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
  await page.getByLabel(/^In their words/).fill(once.repeat(3500));
  await trainer.press('Read it');
  const said = page.getByRole('region', { name: 'what was said' });
  await said.getByRole('button', { name: 'Stop' }).click();
  await expect(said).toContainText('Stopped. The words are kept.');
  await expect(page.getByRole('region', { name: 'drafts' })).toContainText('Not read yet');
  // shorter, it is read at once
  await trainer.press('Change the words');
  await page.getByLabel(/^In their words/).fill(once);
  await expect(page.getByRole('region', { name: 'drafts' })).toContainText('go press 5 times');
});

const clip = `WEBVTT

00:00:01.000 --> 00:00:05.000
okay so this is the S5 the scrubber my coffee is still hot so lets do it

00:00:05.000 --> 00:00:09.000
so the key goes off first and you wait for about three seconds

00:00:09.000 --> 00:00:13.000
then key on and it beeps and from that beep you have four seconds

00:00:13.000 --> 00:00:17.000
so you press go five times. The text line says SERVICE and you are in.

00:00:17.000 --> 00:00:22.000
To clear them hold the big fella down for eight seconds until it beeps.

00:00:22.000 --> 00:00:26.000
To get out turn the key off. So in short: key off, three seconds, key on, go four times.
`;
const chat = `[19:02] Odalys: how do I get the S5 to talk
[19:03] Benno: key off, then wait 3 seconds
[19:03] Odalys: done
[19:04] Benno: key on. after the beep press go 6 times within 4 seconds
[19:05] Odalys: ok
[19:05] Benno: it must show SERVICE
[19:06] Odalys: thanks, you are a treasure
`;

test('a clip and a chat on one unit: a doubt answered, a difference settled, way in, erase and way out published', async ({
  desk,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/wexmorl-s5/telling');
  await page.getByLabel('files with tellings').setInputFiles([
    { name: 'clip.vtt', mimeType: 'text/vtt', buffer: Buffer.from(clip) },
    { name: 'chat.txt', mimeType: 'text/plain', buffer: Buffer.from(chat) },
  ]);
  const drafts = page.getByRole('region', { name: 'drafts' });
  // what nobody knows by that name is asked, and known from then on
  await expect(drafts).toContainText('which control “big fella” is');
  await drafts.getByRole('region', { name: 'Erase' }).getByRole('button', { name: 'go', exact: true }).click();
  await expect(drafts).not.toContainText('which control');
  await expect(drafts.getByRole('region', { name: 'Erase' })).toContainText('go hold for 8 s');
  // both as they stand: in the steps and in the summing-up, here and in the chat
  await expect(drafts).toContainText('Said twice, differently (count)');
  await expect(drafts.getByRole('region', { name: 'chat tells it otherwise' })).toContainText('go press 6 times');
  await trainer.press('As the steps say');
  for (const [was, is] of [
    ['Way in', 'Way in by clip'],
    ['Erase', 'Erase by clip'],
    ['Way out', 'Way out by clip'],
  ] as const) {
    const draft = drafts.getByRole('region', { name: was });
    await draft.getByLabel('It becomes').selectOption({ label: 'a way of its own' });
    await draft.getByLabel('What the way is called').fill(is);
  }
  await trainer.press('Accept what is clear');
  for (const name of ['Way in by clip', 'Erase by clip', 'Way out by clip'])
    await expect(drafts.getByRole('link', { name })).toBeVisible();

  // the chat stands beside it as another teller, and what they differ in is settled with a reason
  await page.getByRole('tab', { name: 'chat' }).click();
  const told = drafts.getByRole('region', { name: 'Way in' });
  await told.getByLabel('It becomes').selectOption({ label: 'a telling beside “Way in by clip”' });
  await drafts.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(drafts).toContainText('Kept as a draft: the telling');
  await page.goto('/shelf/wexmorl-s5/route/way-in-by-clip?tab=Descriptions');
  await trainer.sees('another count');
  await page.getByRole('button', { name: 'press green 6 times' }).click();
  await page.getByLabel('why').fill('Tried at the bench: five.');
  await trainer.press('Leave open');
  await trainer.sees('left open');
  await page.keyboard.press('Control+s');
  await trainer.sees(/Saved as revision/);

  // handed in one by one, and published by somebody else
  const reviewer = await desk('reviewer');
  for (const id of ['way-in-by-clip', 'erase-by-clip', 'way-out-by-clip']) {
    await page.goto(`/shelf/wexmorl-s5/route/${id}`);
    await trainer.press('Submit for review');
    await expect(page).toHaveURL(/\/bench\/\d+$/);
    await reviewer.page.goto(page.url());
    await reviewer.press('Publish');
    await reviewer.sees(/published by Demo reviewer/);
  }
});
