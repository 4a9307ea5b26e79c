import type { Page } from '@playwright/test';
import { expect, test } from './people.ts';

/** Something done on the drawn unit: which control, with which key, for how long, and how long after what was before. */
type Act = Readonly<{ control: string; key?: string; forMs?: number; afterMs?: number; and?: string }>;

/** Works the drawn unit by keys, at times that are the page's own: a machine that is busy elsewhere is no slower hand. */
async function works(page: Page, acts: readonly Act[]): Promise<void> {
  await page.evaluate(async (all) => {
    const real = performance.now.bind(performance);
    const began = real();
    let ahead = 0;
    performance.now = () => began + ahead;
    const drawn = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
    const key = async (kind: 'keydown' | 'keyup', control: string, name: string) => {
      const mark = document.querySelector(`[data-testid="control-${control}"]`);
      mark?.dispatchEvent(new KeyboardEvent(kind, { key: name, bubbles: true, cancelable: true }));
      await drawn();
    };
    for (const { control, key: name = ' ', forMs = 150, afterMs = 300, and } of all) {
      ahead += afterMs;
      await key('keydown', control, name);
      if (and) {
        ahead += 60;
        await key('keydown', and, name);
      }
      ahead += forMs;
      await key('keyup', control, name);
      if (and) await key('keyup', and, name);
    }
    // from here on time goes on by itself
    const behind = real();
    performance.now = () => began + ahead + (real() - behind);
  }, acts);
}

const opened: Act[] = [
  { control: 'key', key: 'ArrowLeft' },
  { control: 'key', key: 'ArrowRight', afterMs: 3000 },
  { control: 'lift', and: 'lower', afterMs: 900 },
];
const presses = (control: string, times: number): Act[] =>
  Array.from({ length: times }, (_, i) => ({ control, afterMs: i === 0 ? 700 : 300 }));

test('past the entry of a list and back again is as good; stopping at another is told with how many it was', async ({
  field,
}) => {
  const technician = await field({ width: 390, height: 844 });
  const { page } = technician;
  await technician.opensTrail();
  await page.getByRole('textbox').fill('Hobrannet 22');
  await page.getByRole('button', { name: /22/ }).first().click();
  await technician.readsPlate('MENU-1');
  await technician.press('This is the unit');
  await technician.press('I have read this');
  await technician.press('Other way in: Into the beeps by the counted list');
  // what is in reach of a thumb says how the list runs, and what to do past it
  await technician.sees('press both at once');
  await technician.sees('runs by itself after 1.2 s, an entry every 0.3 s');
  await technician.sees('went past it: back with down');
  await technician.press('Begin, tapping along');
  await technician.press('It went wrong here');
  await technician.press(/^Show what I did/);

  // it ran on to 16, and two short of that is not what was done
  await works(page, [...opened, ...presses('lift', 15), { control: 'pedal', afterMs: 700 }]);
  await technician.sees(/“Into the beeps by the counted list”: “up .*” done 15 times instead of 13 times/);

  await technician.press('Show it once more');
  // kept down it runs to 17; three back are 14
  await works(page, [
    ...opened,
    { control: 'lift', forMs: 1200 + 15 * 300 + 100, afterMs: 700 },
    ...presses('lower', 3),
    { control: 'pedal', afterMs: 700 },
  ]);
  await technician.sees('Done so, it is taken here.');
});

test('of two boards each has its own plate and its own way: the older is not told what the newer wants', async ({
  field,
}) => {
  const technician = await field({ width: 390, height: 844 });
  const { page } = technician;
  const getsIn = async (serial: string, software: string) => {
    await technician.opensTrail();
    await page.getByRole('textbox').fill('Quorrin B4');
    await page.getByRole('button', { name: /B4/ }).first().click();
    await technician.readsPlate(serial, 'B2-7', software);
    await technician.press('This is the unit');
    await technician.press('I have read this');
  };
  const wheel = page.getByTestId('control-wheel');
  await getsIn('OLD-1', '3.0');
  await technician.isAsked('Into blink memory');
  await expect(wheel).toHaveCount(0);
  await technician.seesNot(/press 2 times/);

  await getsIn('NEW-1', '3.4');
  await technician.isAsked('Into the blinks, newer boilers');
  await expect(wheel.first()).toBeVisible();
  await technician.sees('press 2 times');

  // without its software nobody can know: both are said, and how they are told apart
  await getsIn('UNKNOWN-1', '');
  await technician.sees(/Drawn is “Pad plate”.*“Pad plate with the wheel”/);
});
