import { describe, expect, it } from 'vitest';
import { entriesOf } from '../../index.ts';
import { says, toldUnits } from '../../testing/told-units.ts';

const of = (unit: string, route: string | null, told: string): string => {
  const bundle = toldUnits[unit];
  if (!bundle) throw new Error(unit);
  return says(bundle, entriesOf(bundle, 'route').find((r) => r.name === route) ?? null, told);
};

describe('what is right is taken', () => {
  it.each([
    ['cooker', 'Service', 'hold plus+minus 6 s, press bell 3', 'Service'],
    ['cooker', 'Service', 'hold plus+minus 5.1 s, press bell 3 every 0.8', 'Service'],
    ['cooker', 'List', 'press plus 7, press clock', 'List'],
    ['cooker', 'Erase', 'down bell, press clock 2, up bell, hold light 4.2', 'Erase'],
    ['loader', 'Codes', 'set key run, 3.5 s, press pedal 5', 'Codes'],
    ['loader', 'Trim', 'set jumper in, set key run, hold menu-up+horn 7', 'Trim'],
    ['loader', 'Home', 'press horn, press menu-up, press menu-down 2', 'Home'],
    ['washer', 'Enter', 'set door shut, turn jog right 3, turn jog left 2, press start', 'Enter'],
    ['washer', 'Motor', 'turn jog right 4, 2.2 s, turn jog right 1, press spin', 'Motor'],
    ['washer', 'Cold', 'press temp 2, 1 s, hold start 3.4', 'Cold'],
    ['washer', 'Reset', 'set plug out, 12 s, set plug in, press start 4', 'Reset'],
  ])('%s, %s: %s', (unit, route, told, name) => {
    expect(of(unit, route, told)).toContain(`done: ${name}`);
  });
});

describe('what was otherwise is told', () => {
  it.each<[string, string | null, string, RegExp]>([
    // a hold let go early, a press that became a hold, held too long
    ['cooker', 'Service', 'hold plus+minus 4', /“Service”.*plus and minus.*let go 1 s too early/],
    ['cooker', 'Service', 'hold plus+minus 4, press bell 3', /“Service”.*let go 1 s too early/],
    ['cooker', 'Service', 'hold plus+minus 10, press bell 3', /“Service”.*held 2 s too long/],
    ['cooker', 'Back', 'hold light 2.2', /“Back”.*light.*let go 0.8 s too early/],
    [
      'cooker',
      'Service',
      'hold plus+minus 6, hold bell 2.5',
      /“Service”.*bell.*held where it should be pressed: 1.5 s/,
    ],
    ['loader', 'Trim', 'set jumper in, set key run, hold menu-up+horn 4.5', /“Trim”.*let go 1.5 s too early/],
    ['washer', 'Cold', 'press temp 2, 1 s, hold start 1.8', /“Cold”.*start.*let go .* too early/],
    // counts
    ['cooker', 'Service', 'hold plus+minus 6, press bell 2', /“Service”.*bell.*done twice instead of 3 times/],
    ['cooker', 'Service', 'hold plus+minus 6, press bell 4', /“Service”.*bell.*done 4 times instead of 3 times/],
    ['cooker', 'List', 'press plus 9, press clock', /“List”.*plus.*done 9 times instead of 7 times/],
    ['cooker', 'List', 'press plus 6, press clock', /“List”.*plus.*done 6 times instead of 7 times/],
    ['loader', 'Codes', 'set key run, 4 s, press pedal 4', /“Codes”.*pedal.*done 4 times instead of 5 times/],
    [
      'washer',
      'Enter',
      'set door shut, turn jog right 4, turn jog left 2, press start',
      /“Enter”.*done 4 times instead of 3/,
    ],
    ['washer', 'Motor', 'turn jog right 3, 2.2 s, turn jog right 1, press spin', /“Motor”.*done 3 times instead of 4/],
    ['loader', 'Next', 'press menu-down', /“Next”.*menu down.*done once instead of twice/],
    // not waiting, too late, too slow
    ['loader', 'Codes', 'set key run, 1 s, press pedal 5', /“Codes”.*begun 1.7 s before the wait was over/],
    ['loader', 'Codes', 'set key run, 4 s, press pedal 5 every 1.5', /“Codes”.*all of it takes 6.1 s.*may take 5 s/],
    ['washer', 'Motor', 'turn jog right 4, 1 s, turn jog right 1, press spin', /“Motor”.*before the wait was over/],
    [
      'washer',
      'Reset',
      'set plug out, 4 s, set plug in, press start 4',
      /“Reset”.*begun 5.7 s before the wait was over/,
    ],
    [
      'washer',
      'Enter',
      'set door shut, 3 s, turn jog right 3, 4 s, turn jog left 2, 2 s, press start',
      /“Enter”.*all of it takes .* may take 9 s/,
    ],
    // wrong beginnings
    [
      'cooker',
      null,
      'set breaker on, 5 s, hold plus+minus 6, press bell 3',
      /“Service”.*“self-test”, which takes 45 s: begin again in \d+ s/,
    ],
    [
      'cooker',
      null,
      'set breaker on, 45.5 s, hold plus+minus 6, press bell 3',
      /“Service”.*takes nothing for 3 s after “ready” begins/,
    ],
    ['cooker', null, 'hold plus+minus 6, press bell 3', /“Service”.*no supply, “breaker” stands at “off”/],
    ['cooker', 'Service', 'press plus 7, press clock', /“List”.*begins in “service”, and the unit was in “ready”/],
    ['loader', 'Codes', 'set key acc, 4 s, press pedal 5', /“Codes”.*“key” was put to “acc” instead of “run”/],
    ['loader', 'Codes', 'press pedal 5', /“Codes”.*(key.*left out|no supply, “key” stands at “off”)/],
    ['loader', 'Trim', 'set key run, hold menu-up+horn 7', /“Trim”.*test jumper.*left out/],
    // the wrong one of two keys, the wrong direction, left out, swapped
    ['cooker', 'Service', 'hold plus+clock 6, press bell 3', /“Service”.*“clock” was worked instead of “minus”/],
    ['cooker', 'List', 'press minus 7, press clock', /“List”.*“minus” was worked instead of “plus”/],
    [
      'washer',
      'Cold',
      'press temp-half 2, 1 s, hold start 3.4',
      /“Cold”.*“half temperature” was worked instead of “temperature”/,
    ],
    ['loader', 'Next', 'press menu-up 2', /“Next”.*“menu up” was worked instead of “menu down”/],
    ['washer', 'Motor', 'turn jog left 4, 2.2 s, turn jog right 1, press spin', /“Motor”.*turned the other way/],
    [
      'washer',
      'Enter',
      'set door shut, turn jog left 3, turn jog right 2, press start',
      /“Enter”.*turned the other way/,
    ],
    ['loader', 'Home', 'press menu-up, press menu-down 2', /“Home”.*horn.*was left out/],
    ['loader', 'Home', 'press menu-up, press horn, press menu-down 2', /“Home”.*the other way round/],
    ['cooker', 'Erase', 'down bell, press clock 2, up bell', /“Erase”.*light.*was left out/],
    ['washer', 'Enter', 'turn jog right 3, turn jog left 2, press start', /“Enter”.*door.*was left out/],
    ['washer', 'Enter', 'set door shut, turn jog right 3, press start', /“Enter”.*jog.*was left out/],
    ['cooker', 'Erase', 'press clock 2, hold light 4.2', /“Erase”.*bell.*was left out/],
    [
      'cooker',
      'Erase',
      'down bell, press clock, up bell, hold light 4.2',
      /“Erase”.*clock.*done once instead of twice/,
    ],
    [
      'loader',
      'Trim',
      'set jumper in, set key run, hold menu-up+menu-down 7',
      /“Trim”.*“menu down” was worked instead of “horn”/,
    ],
  ])('%s, %s: %s', (unit, route, told, words) => {
    expect(of(unit, route, told)).toMatch(words);
  });
});
