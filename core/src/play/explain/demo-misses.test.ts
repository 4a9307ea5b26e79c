import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Bundle, entryOf, readBundle } from '../../index.ts';
import { says } from '../../testing/told-units.ts';

const demo = (family: string): Bundle => {
  const read = readBundle(
    JSON.parse(readFileSync(new URL(`../../../../demo/${family}.json`, import.meta.url), 'utf8')),
  );
  if (!read.ok) throw new Error(family);
  return read.value;
};

describe('the demo, done otherwise', () => {
  it.each<[string, string, string, RegExp]>([
    ['quorrin-b2', 'clear', 'hold middle-pad 3', /“jug hold.*let go 1.8 s too early/],
    ['quorrin-b2', 'by-mistake', 'hold left-pad 3', /“cup hold.*let go 1 s too early/],
    ['quorrin-b2', 'clear', 'hold left-pad 6', /“cup” was worked instead of “jug”/],
    ['quorrin-b2', 'clear', 'press middle-pad', /let go 4.7 s too early/],
    ['pellgrave-p8', 'enter', 'set slide service, press tens 9, press ones 8', /“×1.*done 8 times instead of 9/],
    ['pellgrave-p8', 'enter', 'set slide service, press tens 10, press ones 9', /“×10.*done 10 times instead of 9/],
    ['pellgrave-p8', 'enter', 'set slide service, press ones 9, press tens 9', /the other way round/],
    ['pellgrave-p8', 'enter', 'press tens 9, press ones 9', /“service.*was left out/],
    ['pellgrave-p8', 'clear', 'press ones 3', /^done: Next fault/],
    ['pellgrave-p8', 'clear', 'down tens, press ones 2, up tens', /×1.*done twice instead of 3 times/],
    ['pellgrave-p8', 'clear', 'down ones, press tens 3, up ones', /worked instead of/],
    [
      'ostrel-r6',
      'enter',
      'set breaker off, 5, set breaker on, set selector 3, set selector 4, set selector 1, set selector 0',
      /the other way round/,
    ],
    [
      'ostrel-r6',
      'enter',
      'set breaker off, 5, set breaker on, set selector 2, set selector 1, set selector 4, set selector 0',
      /was put to “2” instead of “3”/,
    ],
    [
      'ostrel-r6',
      'enter',
      'set breaker off, 1.5, set breaker on, set selector 3, set selector 1, set selector 4, set selector 0',
      /begun 1.7 s before the wait was over/,
    ],
    [
      'ostrel-r6',
      'enter',
      'set breaker off, 5, set breaker on, 2, set selector 3, 2, set selector 1, 3, set selector 4, 3, set selector 0',
      /all of it takes 11.2 s.*may take 9 s/,
    ],
    ['ostrel-r6', 'clear', 'set selector 2, set selector 5, 0.5, set selector 0', /^done: Out/],
    ['wexmorl-s5', 'enter', 'set key off, 1, set key on, 1.5, press green 5', /begun .* before the wait was over/],
    ['wexmorl-s5', 'enter', 'set key off, 3, set key on, 1.5, press green 4', /done 4 times instead of 5/],
    ['wexmorl-s5', 'enter', 'set key off, 3, set key on, 1.5, press green 6', /done 6 times instead of 5/],
    ['wexmorl-s5', 'clear', 'hold green 5', /let go 1.4 s too early/],
    ['wexmorl-s5', 'clear', 'hold green 15', /held 3 s too long/],
    ['hobrannet-t12', 'clear', 'press lower 2', /done twice instead of 3 times/],
    ['hobrannet-t12', 'clear', 'press lift 3', /“up” was worked instead of “down”/],
    ['sandrelle-l6', 'clear', 'set throttle ahead, 5, set throttle stop', /^done: Show the number/],
    ['sandrelle-l6', 'clear', 'set throttle astern, 1.5, set throttle stop', /begun 1.7 s before the wait was over/],
    ['sandrelle-l6', 'leave', 'set jumper out, set key off', /^done: Out, jumper away/],
  ])('%s, %s: %s', (family, route, told, words) => {
    const bundle = demo(family);
    const own = entryOf(bundle, 'route', route) ?? null;
    expect(says(bundle, own, told)).toMatch(words);
  });
});
