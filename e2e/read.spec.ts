import { clipOf, lampAt, seeing } from './fake-camera.ts';
import { expect, test } from './people.ts';

const clip = clipOf('quorrin-b2', 'codes', 'B4', 'b4.y4m');
test.use({ launchOptions: seeing(clip) });

test('two stages of lamps, one lamp in doubt: the candidates, and the one look that decides', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await technician.isAtTheReadout('Sandrelle L6', 'SL211', 'L6', '2.4');
  await technician.taps(/which part/, '2');
  await technician.press(/^Now both rows/);
  // lamp 4 lit, lamp 3 cannot be told: 2 or 2 + 4
  await technician.lamp('4').click();
  await technician.lamp('3').click();
  await technician.lamp('3').click();
  await technician.sees(/Look at lamp 3 once more/);
  await technician.sees(/It decides between M0[26] and M0[26]/);
  // one tap back it was lit
  await technician.press(/^Undo the last tap/);
  await expect(page.getByRole('button', { name: 'Take M06', exact: true })).toBeVisible();
  await technician.press('Take M06');
  await expect(page.locator('.walk-head').getByText('M06')).toBeVisible();
});

test('a blink read by tapping, and the same blink by the camera', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await technician.isAtTheReadout('Quorrin B2', 'QB-400', 'B2-4', '3.1');
  await technician.press('Tap along with it');
  await technician.tapsAlong([4, 4]);
  await technician.sees('2 rounds agree');
  await technician.press('That is it');
  await expect(page.getByRole('button', { name: 'Take B4', exact: true })).toBeVisible();
  await technician.sees('8 taps are kept');

  // the same lamp, by the camera: point at it, watch, see the trace, set it right, use it
  await technician.press('Read by camera');
  const picture = page.getByTestId('camera-picture');
  await technician.sees('Point at lamp light in the picture');
  const box = await picture.boundingBox();
  await picture.click({ position: { x: (box?.width ?? 0) * lampAt.x, y: (box?.height ?? 0) * lampAt.y } });
  await expect(page.getByRole('button', { name: 'Start watching' })).toBeEnabled();
  await technician.press('Start watching');
  await technician.watchesUntil('Made of it: 4');
  await expect(page.getByRole('group', { name: /^brightness of lamp light, \d+ lights/ })).toBeVisible();
  await technician.press('Use it');
  await technician.sees('the camera’s trace is kept');
  await technician.press('Take B4');
  // two boards: the code is kept, and the other one is still to be asked
  await technician.sees('Read so far');
  await technician.press(/^Next, ask Rear boiler board/);
  await technician.press(/^That is enough: go on with B4/);
  await expect(page.getByRole('heading', { level: 1, name: 'How does it blink?' })).toHaveCount(0);
});

test('a camera that is refused, and one that shows a steady lamp, are told plainly', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await technician.isAtTheReadout('Quorrin B2', 'QB-401', 'B2-4', '3.1');
  await page.evaluate(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await technician.press('Read by camera');
  await technician.sees('The camera was refused');
  // the simulated one needs none, and reads what the drawn panel shows
  await technician.press('Simulated');
  await page.getByLabel('it shows').selectOption('B2');
  await technician.press('Start watching');
  await technician.watchesUntil('Made of it: 2');
  await technician.press('Use it');
  await expect(page.getByRole('button', { name: 'Take B2', exact: true })).toBeVisible();
});

test('a clip that was stored is read as the camera is; a camera that goes away has read what it saw', async ({
  field,
}) => {
  const technician = await field();
  const { page } = technician;
  await technician.isAtTheReadout('Quorrin B2', 'QB-402', 'B2-4', '3.1');
  // the picture of the (fake) camera, recorded for some seconds
  const recorded = await page.evaluate(async () => {
    const stream = await navigator.mediaDevices.getUserMedia({ video: true });
    const recorder = new MediaRecorder(stream, { mimeType: 'video/webm' });
    const pieces: Blob[] = [];
    recorder.ondataavailable = (e) => pieces.push(e.data);
    recorder.start();
    await new Promise((done) => setTimeout(done, 9500));
    const stopped = new Promise((done) => {
      recorder.onstop = done;
    });
    recorder.stop();
    await stopped;
    for (const track of stream.getTracks()) track.stop();
    const reader = new FileReader();
    const read = new Promise((done) => {
      reader.onload = done;
    });
    reader.readAsDataURL(new Blob(pieces));
    await read;
    return String(reader.result).replace(/^.*base64,/, '');
  });
  const place = async () => {
    const picture = page.getByTestId('camera-picture');
    const box = await picture.boundingBox();
    await picture.click({ position: { x: (box?.width ?? 0) * lampAt.x, y: (box?.height ?? 0) * lampAt.y } });
  };
  await technician.press('Read by camera');
  await technician.press('Stored clip');
  await page
    .getByLabel('The clip')
    .setInputFiles({ name: 'lamp.webm', mimeType: 'video/webm', buffer: Buffer.from(recorded, 'base64') });
  // it stands still meanwhile, and runs from its beginning however often it is watched
  await place();
  for (const again of [true, false]) {
    await technician.press('Start watching');
    await technician.watchesUntil('Made of it: 4');
    if (again) await technician.press('Watch again');
  }
  await technician.press('Use it');
  await expect(page.getByRole('button', { name: 'Take B4', exact: true })).toBeVisible();

  await page.evaluate(() => {
    const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
    navigator.mediaDevices.getUserMedia = async (wanted) => {
      const stream = await open(wanted);
      setTimeout(() => stream.getTracks()[0]?.dispatchEvent(new Event('ended')), 5000);
      return stream;
    };
  });
  await technician.press('Read by camera');
  await technician.sees('Point at lamp light in the picture');
  await place();
  await technician.press('Start watching');
  await technician.sees('The camera went away');
  await expect(page.getByRole('group', { name: /^brightness of lamp light/ })).toBeVisible();
});

test('a display that alternates: the code, then its value', async ({ field }) => {
  const technician = await field();
  const { page } = technician;
  await technician.isAtTheReadout('Pellgrave P8', 'PP-12', 'P8-10', '');
  await technician.type('What does the display show?', 'eS');
  await technician.sees('S taken as 5');
  await technician.press(/^Now value in turn/);
  await technician.type(/value in turn/, '178');
  await technician.sees('out of what it can show');
  await technician.type(/value in turn/, '78');
  await technician.sees(/^78 °C, from 0 to 90/);
  await technician.press('Take E5');
  await technician.isAsked('No chart for this yet');
  await expect(page.locator('.walk-head').getByText('E5')).toBeVisible();
});

test('number pairs: one that is listed nowhere has its general meaning; a consequence stands under its cause', async ({
  field,
}) => {
  const technician = await field();
  const { page } = technician;
  await technician.isAtTheReadout('Ostrel R6', 'OR-77', 'R6-210', '');
  await technician.type('What does the display show?', '31 5');
  await technician.sees('not in the table');
  await technician.sees('In general:');

  // a zone control first: the main one has to say the same before testing starts
  await technician.press(/^Zone control left/);
  await technician.type('What does the display show?', '21.5');
  await technician.press('Take 21-5');
  await technician.sees('Confirm at Range control before testing');
  await technician.press('Read Range control');
  await technician.type('What does the display show?', '40-1');
  await technician.press('Take 40-1');
  await expect(page.getByRole('list', { name: 'what 40-1 explains' })).toContainText('21-5');
  await technician.press(/^That is enough: go on with 40-1/);
  await expect(page.getByRole('banner').or(page.locator('.walk-head')).getByText('40-1').first()).toBeVisible();
});

test('by phone: what a caller says becomes looks, with the one question to ask back', async ({ field }) => {
  const technician = await field({ width: 1280, height: 800 });
  const { page } = technician;
  await technician.isAtTheReadout('Brindlewick G4', 'E2E-0901', 'G4-20B', '2.6');
  await page.getByText('By phone, or typed in words').click();
  await technician.type('What is said of it', 'two four five, then one four five');
  await technician.sees('Ask back');
  // what is asked moves what stands below it: a press that fell between is made once more, as anybody would
  const take = page.getByRole('button', { name: 'Take K19', exact: true });
  await expect(async () => {
    if (!(await take.isVisible()))
      await page.getByRole('button', { name: /K19.*counted from the left/ }).click({ timeout: 3000 });
    await expect(take).toBeVisible({ timeout: 3000 });
  }).toPass();
});

test('a trainer sees a readout play, pastes a table, keeps a test and sees what becomes of it', async ({ desk }) => {
  const trainer = await desk('trainer');
  const { page } = trainer;
  await page.goto('/shelf/sandrelle-l6?room=Readouts');
  await page.getByRole('link', { name: 'Helm lamps, letter then number' }).click();
  await trainer.sees('As the unit shows it');
  await trainer.press('Paste a truth table');
  await page.getByLabel(/One line a pattern/).fill('100 P\n010 M\n110 T\n001 W\n001 X\n11 Y');
  await trainer.sees('line 5: the same pattern stands in line 4 for something else');
  await trainer.sees('line 6: 2 signs for 3 lamps');
  await page.getByLabel(/One line a pattern/).fill('100 P\n010 M\n110 T\n101 W');
  await trainer.press('Use 4 rows');
  // what was seen on a real launch no longer reads as it did
  await trainer.sees(/The test “pier, bilge high” reads/);
  await page.getByRole('tab', { name: 'Tests' }).click();
  await trainer.sees('1 of 1 fail');
  await trainer.press('undo');
  await trainer.sees('all 1 hold');
  await trainer.type('What was seen, in words', '1, then 5');
  await trainer.sees('reads P01');
  await page.getByLabel('What it was').selectOption('P01');
  await trainer.type('Where, and when', 'slipway, May');
  await trainer.press('Keep what was said');
  await trainer.sees('all 2 hold');
  await page.getByRole('tab', { name: 'Two descriptions' }).click();
  await trainer.press('Counted from the other end');
  await trainer.sees('another listed code');
  await page.getByRole('tab', { name: 'Look-alikes' }).click();
  await page
    .getByRole('button', { name: /read as/ })
    .first()
    .click();
  await trainer.sees('This pair');
});
