import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { bundleFacts, printSteps, readBundle } from '../../index.ts';
import { readTold } from './read.ts';

const unit = new URL('../../../../tellings/phrases/vat/unit.json', import.meta.url);
const bundle = readBundle(JSON.parse(readFileSync(unit, 'utf8')));
if (!bundle.ok) throw new Error('the vat does not read');
const facts = bundleFacts(bundle.value);

/** The steps of a telling in a row, whatever way they belong to. */
const read = (told: string): string =>
  readTold(told, facts)
    .routes.flatMap((r) =>
      printSteps([...r.steps])
        .trimEnd()
        .split('\n'),
    )
    .map((line) => line.trim())
    .join(' | ');

describe('what is put back was put away before', () => {
  it.each([
    // the words that open it are known by nothing but that it is shut later
    [
      'Isolator off. The vat cover has two thumb screws and a handle, so up with it. Isolator on. Press Time. Vat cover shut.',
      'set iso off | set cov open | set iso on | press time | set cov shut',
    ],
    [
      'Isolator off. You know where the link L3 is, under your nose, the cap belongs over the two of them. Isolator on. Press Time. L3 open.',
      'set iso off | set l3 closed | set iso on | press time | set l3 open',
    ],
    // nothing is said that brings it there
    [
      'Isolator off. The vat cover is white. Isolator on. Press Time. Vat cover shut.',
      'set iso off | set iso on | press time | set cov shut',
    ],
    // it is told not to
    [
      "Isolator off. Don't open the vat cover. Isolator on. Press Time. Vat cover shut.",
      'set iso off | set iso on | press time | set cov shut',
    ],
  ])('%s', (told, steps) => expect(read(told)).toBe(steps));
});

describe('two keys named together', () => {
  it.each([
    // held while the supply comes back
    [
      'Isolator off. Stir and Enter, a thumb for each. Isolator on. When the green lamp lights, let go. Press Time.',
      'set iso off | hold stir + enter | set iso on | let-go stir + enter at s lit | press time',
    ],
    ['Press Time. To wipe it, it was Stir and Heat, eight seconds.', 'press time | hold stir + heat for 8 s'],
    ['Press Time. Nobody remembers Stir and Heat.', 'press time'],
    [
      'Isolator off. You hold Stir. And you hold Enter. Isolator on. When the green lamp lights, let go.',
      'set iso off | hold stir + enter | set iso on | let-go stir + enter at s lit',
    ],
  ])('%s', (told, steps) => expect(read(told)).toBe(steps));
});

describe('behind a row of keys', () => {
  const row = 'press heat | press heat | press time | press enter';
  it.each([
    ['The answer up there is LIST.', `${row} | see line "LIST"`],
    ['And up comes ---- there.', `${row} | see line "----"`],
    ['With Stir you come to the next.', `${row} | press stir`],
    // what shows where it went wrong, and a code that is read out
    ['If it answers READY instead, begin again.', row],
    ['It says E12, the pump.', row],
    ['Time is how long you wait.', row],
  ])('%s', (told, steps) => expect(read(`Press Heat, Heat, Time, Enter. ${told}`)).toBe(steps));
});

describe('what leads on to the next', () => {
  const row = 'within 5 s of step-before | press heat | press heat | press time | press enter';
  it.each([
    ['Stir gives the next. E12, that is the pump valve. And Stir again. E14.', `${row} | press stir`],
    ['Stir shows the next one, I had E8 five times.', `${row} | press stir`],
  ])('%s', (told, steps) => expect(read(`Within 5 seconds: Heat, Heat, Time, Enter. ${told}`)).toBe(steps));
});

describe('where a hand comes off', () => {
  const held = 'set iso off | hold stir + enter | set iso on';
  it.each([
    ['When the display says LIST, let go.', `${held} | let-go stir + enter at line "LIST"`],
    ['The display says CHECK. Wait. When it says the other word, let go.', held],
    ['The gong sounds, a long one. When the long one is over, let go.', held],
  ])('%s', (told, steps) => expect(read(`Isolator off. Hold Stir and Enter, isolator on. ${told}`)).toBe(steps));
});

describe('what is no step', () => {
  it.each([
    ['Only trained staff may open the vat cover. Press Heat.', 'press heat'],
    ['It goes red the moment you touch Heat. Press Time.', 'press time'],
    ["If the gong had gone you'd have missed it, and it'd be isolator off. Press Time.", 'press time'],
    ['A second person switches the isolator off. Press Time.', 'set iso off | press time'],
  ])('%s', (told, steps) => expect(read(told)).toBe(steps));
});

describe('times that stand beside something', () => {
  it.each([
    [
      'Isolator off, and you have patience for forty seconds. DIP 2 on. Isolator on.',
      'set iso off | rest 40 s | set d2 on | set iso on',
    ],
    [
      'Press Heat, Heat, Time, Enter. Seven seconds I have, and never needed them.',
      'within 7 s of step-before | press heat | press heat | press time | press enter',
    ],
    ['Press Heat, Heat, Time, Enter. It took me seven seconds.', 'press heat | press heat | press time | press enter'],
    [
      'Isolator off. It has its pause then, forty seconds. DIP 2 on. Isolator on. Press Time.',
      'set iso off | rest 40 s | set d2 on | set iso on | press time',
    ],
    [
      'Isolator off. I did that forty seconds ago. DIP 2 on. Isolator on. Press Time.',
      'set iso off | set d2 on | set iso on | press time',
    ],
  ])('%s', (told, steps) => expect(read(told)).toBe(steps));
});

it('takes for no summing-up what tells new things', () => {
  const told = 'Press Heat. Vat cover open. Steam valve shut. Press Time. ';
  const steps = 'press heat | set cov open | set val shut | press time';
  expect(read(`${told}So that was the lot. Vat cover shut. Steam valve open. Hold Stir for 5 s.`)).toBe(
    `${steps} | set cov shut | set val open | hold stir for 5 s`,
  );
  expect(read(`${told}So that was: press Heat, vat cover open, steam valve shut, press Time.`)).toBe(steps);
});
