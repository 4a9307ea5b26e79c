import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bundleFacts, printSteps, readBundle } from '../../index.ts';
import { readTold } from './read.ts';

const unit = new URL('../../../../tellings/phrases/vat/unit.json', import.meta.url);
const bundle = readBundle(JSON.parse(readFileSync(unit, 'utf8')));
if (!bundle.ok) throw new Error('the vat does not read');
const facts = bundleFacts(bundle.value);

/** What becomes of a telling: its steps in a row, and the words of it that were left as not understood. */
function read(told: string): Readonly<{ steps: string; left: string[] }> {
  const { routes, holes } = readTold(told, facts);
  const steps = routes.flatMap((r) =>
    printSteps([...r.steps])
      .trimEnd()
      .split('\n'),
  );
  return {
    steps: steps.map((line) => line.trim()).join(' | '),
    left: holes.filter((h) => h.why === 'not-understood').map((h) => told.slice(h.from, h.to)),
  };
}

const held = 'Hold Stir and Enter, isolator on.';
const isHeld = 'hold stir + enter | set iso on';

describe('at which of several sounds a hand comes off', () => {
  it.each([
    ['It sounds, that is the test, and it sounds again, and at the long one you let go.', null],
    ['The gong goes once. Then the gong goes twice. Now let go.', null],
    ['It sounds. When the gong is over, let go.', 'off'],
    ['When the gong goes, let go.', 'on'],
    ['At the very first gong you let go, not the second.', 'on'],
    ['It sounds. It sounds a second time. Let go.', 'on #2'],
    ['It sounds three times. Let go at the third gong.', 'on #3'],
  ])('%s', (told, at) => {
    const { steps, left } = read(`Isolator off. ${held} ${told} Press Time.`);
    if (at === null) {
      expect(steps).toBe(`set iso off | ${isHeld} | press time`);
      expect(left).not.toEqual([]);
    } else {
      expect(steps).toBe(`set iso off | ${isHeld} | let-go stir + enter at gong ${at} | press time`);
    }
  });
});

describe('what is put one way and another at once', () => {
  it.each([
    // it stood so
    ['DIP 2, that one is off, put it on. Isolator on.', 'set d2 on | set iso on', 0],
    // a supply, a fuse: off and on is what one does
    ['Isolator off and on again. Press Enter.', 'set iso off | set iso on | press enter', 0],
    // worked to and fro
    [
      'Vat cover open, cover shut, cover open, cover shut. Press Enter.',
      'set cov open | set cov shut | set cov open | set cov shut | press enter',
      0,
    ],
    ['Vat cover open. Then shut the cover again. Press Enter.', 'set cov open | set cov shut | press enter', 0],
    ['Vat cover open. Steam valve shut. Vat cover shut.', 'set cov open | set val shut | set cov shut', 0],
    // nobody opens a cover to shut it
    ['Vat cover open. Vat cover shut. Press Enter.', 'set cov open | press enter', 1],
  ])('%s', (told, steps, left) => {
    const got = read(told);
    expect(got.steps).toBe(steps);
    expect(got.left.length).toBe(left);
  });
});

it('leaves what sounds while keys are held, where a hand comes off later, and keeps it where nobody holds anything', () => {
  const heldOn = read(`Isolator off. ${held} You hear the gong. Keep holding. When the green lamp lights, let go.`);
  expect(heldOn.steps).toBe(`set iso off | ${isHeld} | let-go stir + enter at s lit`);
  expect(read('Press Enter. You hear the gong. Press Time.').steps).toBe('press enter | see gong on | press time');
});

it('leaves a hand that comes off what was pressed since', () => {
  const { steps, left } = read(
    `Isolator off. ${held} You are in. Press Time, press Stir, press Enter. Let go when the red lamp is out.`,
  );
  expect(steps).toBe(`set iso off | ${isHeld} | press time | press stir | press enter`);
  expect(left.join(' ')).toContain('Let go');
});

it('takes what is shown at the end of a hold, or a row, once', () => {
  expect(read('Hold Time and Enter until the red lamp is out. The red lamp is out. Press Stir.').steps).toBe(
    'hold time + enter until a dark | press stir',
  );
  const row = 'Press Heat, press Heat, press Stir, press Enter';
  expect(read(`Isolator on. ${row}. ${row} within eight seconds.`).steps).toBe(
    ['set iso on', 'within 8 s of step-before', 'press heat', 'press heat', 'press stir', 'press enter'].join(' | '),
  );
});
