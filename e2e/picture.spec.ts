import { fileURLToPath } from 'node:url';
import { clipOf, seeing } from './fake-camera.ts';
import { expect, test } from './people.ts';

const clip = clipOf('quorrin-b2', 'codes', 'B4', 'picture.y4m');
test.use({ launchOptions: seeing(clip) });
const photo = fileURLToPath(new URL('../docs/screenshots/shelf.png', import.meta.url));

test('a picture and a clip are kept with the step they were taken at, small, and stand on the sheet and in the log', async ({
  field,
}) => {
  const technician = await field({ width: 390, height: 844 });
  const { page, context } = technician;
  await technician.isTesting('Brindlewick K17', /K17/, 'G4-E2E-PICTURE');
  await technician.sees('Something else looks wrong …');
  // without a connection: nothing waits for one
  await context.setOffline(true);
  await page.getByLabel('picture from the camera or a file').setInputFiles(photo);
  await technician.type('What does it show?', 'rust at the hinge');
  await technician.press('Keep it');
  await expect(page.getByRole('img', { name: 'rust at the hinge' })).toBeVisible();
  await technician.press('Take a clip …');
  await technician.sees(/Filming 4 s/);
  await technician.type('What does it show?', 'it drips');
  await technician.press('Keep it');
  await expect(page.getByLabel('it drips')).toBeVisible();
  // what is no picture is said, and nothing is lost
  await page
    .getByLabel('picture from the camera or a file')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await technician.sees(/That could not be kept/);
  await expect(page.getByRole('img', { name: 'rust at the hinge' })).toBeVisible();

  await context.setOffline(false);
  await technician.hasSentAll();
  const walk = new URL(page.url()).pathname.split('/').at(-1);
  await page.goto(`/log/${walk}`);
  await technician.sees('Picture: rust at the hinge');
  await technician.sees('Clip: it drips');
  await expect(page.getByRole('img', { name: 'picture taken on the walk' })).toBeVisible();
});

test('a photograph is laid under a side to draw on, brought into place, found again and taken away', async ({
  desk,
}) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/quorrin-b2');
  await trainer.adds('panel', 'Back');
  await expect(page.getByRole('group', { name: 'parts of Front' })).toBeVisible();
  const choose = page.getByLabel('photograph of this side');
  // what is no photograph is said, and the drawing stays as it was
  await choose.setInputFiles({ name: 'front.jpg', mimeType: 'image/jpeg', buffer: Buffer.alloc(0) });
  await trainer.sees('front.jpg is empty.');
  await choose.setInputFiles({
    name: 'front.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.alloc(40 * 2 ** 20, 'no picture'),
  });
  await trainer.sees('front.jpg is no picture this browser can read.');
  const under = page.getByTestId('photograph');
  await expect(under).toHaveCount(0);
  await choose.setInputFiles(photo);
  await trainer.seesNot('front.jpg is no picture this browser can read.');
  await expect(under).toBeVisible();
  const width = async () => Number(await under.getAttribute('width'));
  const before = await width();
  const wide = page.getByRole('slider', { name: 'how wide it is' });
  await wide.focus();
  for (let n = 0; n < 4; n += 1) await page.keyboard.press('ArrowRight');
  await expect.poll(width).toBe(before + 1);
  await page.keyboard.press('Control+s');
  await trainer.sees(/Saved as revision 1/);
  // somebody comes back: it lies as it lay
  await page.reload();
  await expect(under).toBeVisible();
  await expect.poll(width).toBe(before + 1);
  await trainer.press('Take it away');
  await expect(under).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('group', { name: 'parts of Front' })).toBeVisible();
  await expect(under).toHaveCount(0);
});
